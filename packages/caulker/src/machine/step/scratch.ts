import type { Machine } from '../plan/index.js'

/** Room for one step at a time to mark in what it has touched; it belongs to the caller, and is as it was once the step has come back. */
export interface Scratch {
  /** By slot: whether it changed in this step. */
  readonly changed: Uint8Array
  readonly slots: number[]
  /** By rank, by bound name, by cell: whether it waits for its turn. */
  readonly ranks: Uint8Array
  readonly tells: Uint8Array
  readonly owing: number[]
  readonly cells: Uint8Array
  readonly held: number[]
  /** How many ranks wait, and the lowest of them. */
  waiting: number
  lowest: number
  /** By slot: whether this step has written it, and what it held before; kept until the next step begins. */
  readonly kept: Uint8Array
  readonly keptSlots: number[]
  readonly old: unknown[]
}

export function scratchFor({ names, reckoned, bound, cells }: Machine): Scratch {
  return {
    changed: new Uint8Array(names.length),
    slots: [],
    ranks: new Uint8Array(reckoned.length),
    tells: new Uint8Array(bound.length),
    owing: [],
    cells: new Uint8Array(cells.length),
    held: [],
    waiting: 0,
    lowest: 0,
    kept: new Uint8Array(names.length),
    keptSlots: [],
    old: names.map(() => undefined),
  }
}

/** Notes that a slot has changed, and who has to look at it: only what is touched costs anything. */
export function touch(machine: Machine, scratch: Scratch, slot: number): void {
  const owes = machine.owes[slot]
  // Of what is only computed from, and told to nobody, no mark has to be kept.
  const isNoted = owes !== undefined || slot < machine.cells.length
  if (isNoted && scratch.changed[slot] === 0) {
    scratch.changed[slot] = 1
    scratch.slots.push(slot)
    if (owes !== undefined)
      for (let at = 0; at < owes.length; at++) mark(scratch.tells, scratch.owing, owes[at] as number)
  }
  const holds = machine.holds[slot]
  if (holds !== undefined)
    for (let at = 0; at < holds.length; at++) mark(scratch.cells, scratch.held, holds[at] as number)
  const computes = machine.computes[slot]
  if (computes !== undefined) for (let at = 0; at < computes.length; at++) wait(scratch, computes[at] as number)
}

/** Has a bound name looked at once more, whether its slots changed or not. */
export function owe(scratch: Scratch, bound: number): void {
  mark(scratch.tells, scratch.owing, bound)
}

function wait(scratch: Scratch, rank: number): void {
  if (scratch.ranks[rank] === 1) return
  scratch.ranks[rank] = 1
  if (scratch.waiting++ === 0 || rank < scratch.lowest) scratch.lowest = rank
}

function mark(marks: Uint8Array, list: number[], at: number): void {
  if (marks[at] === 1) return
  marks[at] = 1
  list.push(at)
}

export function clear(scratch: Scratch): void {
  for (const slot of scratch.slots) scratch.changed[slot] = 0
  for (const at of scratch.owing) scratch.tells[at] = 0
  for (const cell of scratch.held) scratch.cells[cell] = 0
  if (scratch.waiting > 0) scratch.ranks.fill(0)
  empty(scratch.slots)
  empty(scratch.owing)
  empty(scratch.held)
  scratch.waiting = 0
}

/** What was kept of the step before is forgotten. */
export function forgetKept({ kept, keptSlots, old }: Scratch): void {
  for (const slot of keptSlots) {
    kept[slot] = 0
    old[slot] = undefined
  }
  empty(keptSlots)
}

/** Takes everything out one by one: of a short list that is several times faster than to set its length, and its room stays. */
export function empty(list: unknown[]): void {
  while (list.length > 0) list.pop()
}
