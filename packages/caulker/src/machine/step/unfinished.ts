import type { FittingPlan } from '../plan/index.js'
import { retellAll, screenOf, write, type Work } from './work.js'

/** What is typed and not reported yet, or was reported and does not stand; nothing where it is finished. */
export function noteUnfinished(work: Work, fitting: number, how: 'unreported' | 'uncorrected' | undefined): void {
  const at = work.machine.fittings[fitting]?.screen ?? 0
  const slot = work.machine.screens[at]?.slots.unfinished ?? -1
  const before = work.slots[slot] as Readonly<Record<number, string>>
  if (before[fitting] === how) return
  const { [fitting]: _gone, ...rest } = before
  write(work, slot, how === undefined ? rest : { ...rest, [fitting]: how })
}

/** A field that is being typed in is not corrected under the person's hands: it is told when it is left. */
export function isUncorrected({ machine, slots }: Work, fitting: number): boolean {
  const screen = machine.screens[machine.fittings[fitting]?.screen ?? 0]
  return (slots[screen?.slots.unfinished ?? -1] as Readonly<Record<number, string>>)[fitting] === 'uncorrected'
}

/** What was typed and did not stand is corrected by the commit; what was wrong with it still holds the submit back. */
export function isOfUncorrected(work: Work, screen: number, place: string): boolean {
  const { machine } = work
  const cell = Number(place.split('/')[0])
  return screenOf(work, screen).fittings.some(
    (at) =>
      isUncorrected(work, at) &&
      machine.fittings[at]?.bound.some((bound) => (machine.drafts[bound.draft]?.cell ?? bound.cell) === cell) === true,
  )
}

/** What a person is typing for a cell is dropped: its fields are told what stands, whether that changed or not. */
export function dropUnfinished(work: Work, screen: number, cell: number): void {
  const unfinished = work.slots[screenOf(work, screen).slots.unfinished] as Readonly<Record<number, string>>
  for (const at of screenOf(work, screen).fittings) {
    if (unfinished[at] === undefined) continue
    const { bound } = work.machine.fittings[at] as FittingPlan
    if (!bound.some((one) => (work.machine.drafts[one.draft]?.cell ?? one.cell) === cell)) continue
    noteUnfinished(work, at, undefined)
    retellAll(work, at)
  }
}
