import { equal } from '../../contract/index.js'
import type { Effect, Input } from './input.js'
import { computeWaiting } from './reckon.js'
import { assign, was, write, type Work } from './work.js'

/** Whether the owner of an interior has done this itself: it is not asked whether it allows what it does. */
export function isOwners({ kind }: Input): boolean {
  return kind === 'given' || kind === 'command'
}

/** What its owner vetoes does not change, and what applies when told is only proposed: both stand as they were. */
export function holdBack(work: Work, vetoed: ReadonlySet<number> | undefined): void {
  const { face } = work.machine
  for (const cell of vetoed ?? []) write(work, cell, was(work, cell))
  for (const cell of face.waits) {
    if (equal(work.slots[cell], was(work, cell))) continue
    work.offered = (work.offered ?? new Map<number, unknown>()).set(cell, work.slots[cell])
    write(work, cell, was(work, cell))
  }
  computeWaiting(work)
}

/** The values of the face whose owner does not know them yet, and those that are proposed to it, in one report an event. */
export function reports(work: Work, effects: Effect[]): void {
  const { machine, slots, scratch, silent, offered } = work
  if (machine.kind !== 'interior') return
  const made = new Map<string, Record<string, unknown>>()
  const say = (cell: number, value: unknown) => {
    const name = machine.cells[cell]?.name as string
    const event = machine.face.events.get(name) as string
    made.set(event, { ...made.get(event), [name]: value })
  }
  for (const slot of scratch.slots) {
    const cell = slot < machine.cells.length ? machine.cells[slot] : undefined
    if (cell === undefined || cell.agreed < 0 || equal(slots[slot], slots[cell.agreed])) continue
    // What was told is remembered as it was told, so that it can be tried again when a bound moves.
    if (silent === 'told') continue
    assign(work, cell.agreed, slots[slot])
    if (silent !== 'command') say(slot, slots[slot])
  }
  for (const [cell, value] of offered ?? []) say(cell, value)
  for (const [event, values] of made)
    effects.push({ effect: 'report', event, payload: Object.values(values)[0], values })
}
