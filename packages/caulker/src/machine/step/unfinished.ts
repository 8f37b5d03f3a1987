import { equal } from '../../contract/index.js'
import { cellBehind, type FittingPlan } from '../plan/index.js'
import { entries, keyOf, memberOf, retellAll, screenOf, write, type Work } from './work.js'

/** What is typed and not reported yet, or was reported and does not stand; nothing where it is finished. */
export function noteUnfinished(work: Work, fitting: number, how: 'unreported' | 'uncorrected' | undefined): void {
  const at = work.machine.fittings[fitting]?.screen ?? 0
  const slot = work.machine.screens[at]?.slots.unfinished ?? -1
  const before = work.slots[slot] as Readonly<Record<number, string>>
  if (before[fitting] === how) return
  const { [fitting]: _gone, ...rest } = before
  write(work, slot, how === undefined ? rest : { ...rest, [fitting]: how })
}

export function isUnfinished(work: Work, fitting: number): boolean {
  return stateOf(work, fitting) !== undefined
}

/** A field that is being typed in is not corrected under the person's hands: it is told when it is left. */
export function isUncorrected(work: Work, fitting: number): boolean {
  return stateOf(work, fitting) === 'uncorrected'
}

function stateOf({ machine, slots }: Work, fitting: number): string | undefined {
  const screen = machine.screens[machine.fittings[fitting]?.screen ?? 0]
  return (slots[screen?.slots.unfinished ?? -1] as Readonly<Record<number, string>>)[fitting]
}

/** What was typed and did not stand is corrected by the commit; what was wrong with it still holds the submit back. */
export function isOfUncorrected(work: Work, screen: number, place: string): boolean {
  const { machine } = work
  const cell = Number(place.split('/')[0])
  return screenOf(work, screen).fittings.some(
    (at) =>
      isUncorrected(work, at) &&
      machine.fittings[at]?.bound.some((bound) => cellBehind(machine, bound) === cell) === true,
  )
}

/** What a person is typing for a cell is dropped: its fields are told what stands, whether that changed or not. */
export function dropUnfinished(work: Work, screen: number, cell: number): void {
  const unfinished = work.slots[screenOf(work, screen).slots.unfinished] as Readonly<Record<number, string>>
  for (const at of screenOf(work, screen).fittings) {
    if (unfinished[at] === undefined) continue
    const { bound } = work.machine.fittings[at] as FittingPlan
    if (!bound.some((one) => cellBehind(work.machine, one) === cell)) continue
    noteUnfinished(work, at, undefined)
    retellAll(work, at)
  }
}

/** Whether what a component holds of its shared values is what stands. */
export function isAgreed(work: Work, fitting: number): boolean {
  const { machine, slots } = work
  const { bound, rows } = machine.fittings[fitting] as FittingPlan
  return bound.every((one) => {
    if (cellBehind(machine, one) < 0) return true
    const [stands, known] = [slots[one.source], slots[one.known]]
    if (rows === undefined) return equal(stands, known)
    const byKey = known as Readonly<Record<string, unknown>>
    return entries(stands).every((entry) => equal(memberOf(entry, one.member ?? ''), byKey[keyOf(entry, rows.key)]))
  })
}
