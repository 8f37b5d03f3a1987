import { equal } from '../../contract/index.js'
import type { Machine, OpenDraft, PendingCall, Problem, ScreenPlan, Way } from '../plan/index.js'
import type { Effect, Fault, Refusal } from './input.js'
import { forgetKept, touch, type Scratch } from './scratch.js'

/** One transaction while it is worked at. */
export interface Work {
  readonly machine: Machine
  readonly scratch: Scratch
  /** Written in place; what each slot held before is kept in the scratch. */
  readonly slots: unknown[]
  /** The cells that somebody proposed a value for: what was proposed last, and by whom. */
  readonly proposed: Map<number, Proposal>
  readonly refusals: Refusal[]
  readonly faults: Fault[]
  /** What is owed besides tells, in its order. */
  readonly owed: Effect[]
  /** What a component has said that its values are, for the rollback. */
  readonly heard: (readonly [slot: number, value: unknown])[]
  /** The call whose answer this transaction is. */
  answered: PendingCall | undefined
  /** The screen that comes to the front: what its fittings are given is what they know. */
  entered: number | undefined
  /** In an interior: its owner has done this itself, by a tell or a command, and is not told of it. */
  silent: 'told' | 'command' | undefined
  /** In an interior: what a person proposes of the values that change only when their owner tells them, by cell. */
  offered: Map<number, unknown> | undefined
  /** The fitting that a person is typing into. */
  typing: number | undefined
  /** The fittings whose names are told again, whether they changed or not. */
  retold: Set<number> | undefined
}

export interface Proposal {
  readonly value: unknown
  readonly by: 'owner' | 'person'
  /** Where a person proposed it, for the problem beside the field. */
  readonly place: string
  readonly screen: number
}

/** Where the steps of a list are carried out: by which screen, set off by what, and in which row. */
export interface Setting {
  readonly screen: number
  readonly payload: unknown
  readonly row: string | undefined
}

export function begin(machine: Machine, slots: unknown[], scratch: Scratch): Work {
  forgetKept(scratch)
  return {
    machine,
    scratch,
    slots,
    proposed: new Map(),
    refusals: [],
    faults: [],
    owed: [],
    heard: [],
    offered: undefined,
    answered: undefined,
    entered: undefined,
    typing: undefined,
    silent: undefined,
    retold: undefined,
  }
}

/** Writes a slot without a word to anybody; what it held before the step can be asked for. */
export function assign({ scratch, slots }: Work, slot: number, value: unknown): void {
  if (scratch.kept[slot] === 0) {
    scratch.kept[slot] = 1
    scratch.keptSlots.push(slot)
    scratch.old[slot] = slots[slot]
  }
  slots[slot] = value
}

/** What a slot held before this step. */
export function was({ scratch, slots }: Work, slot: number): unknown {
  return scratch.kept[slot] === 1 ? scratch.old[slot] : slots[slot]
}

/** Everything is as it was before this step. */
export function rollBack({ scratch, slots }: Work): void {
  for (const slot of scratch.keptSlots) slots[slot] = scratch.old[slot]
}

/** Writes a slot, and notes who has to look at it; what is there already is no change. */
export function write(work: Work, slot: number, value: unknown): void {
  if (equal(work.slots[slot], value)) return
  assign(work, slot, value)
  touch(work.machine, work.scratch, slot)
}

/** Writes a slot of the machine's own, whose values are made anew for each change. */
export function put(work: Work, slot: number, value: unknown): void {
  if (work.slots[slot] === value) return
  assign(work, slot, value)
  touch(work.machine, work.scratch, slot)
}

/** Has all names of a fitting told again, whether they changed or not. */
export function retellAll(work: Work, fitting: number): void {
  work.retold = (work.retold ?? new Set()).add(fitting)
}

export function screenOf(work: Work, at: number): ScreenPlan {
  return work.machine.screens[at] as ScreenPlan
}

export function frontOf({ machine, slots }: Work): number {
  return slots[machine.slots.front] as number
}

export function wayOf({ machine, slots }: Work): Way {
  return slots[machine.slots.way] as Way
}

export function callsOf({ machine, slots }: Work): readonly PendingCall[] {
  return slots[machine.slots.calls] as readonly PendingCall[]
}

export function draftOf({ machine, slots }: Work, at: number): OpenDraft | undefined {
  return slots[machine.drafts[at]?.slot ?? -1] as OpenDraft | undefined
}

export function problemsOf(work: Work, screen: number): Readonly<Record<string, Problem>> {
  return work.slots[screenOf(work, screen).slots.problems] as Readonly<Record<string, Problem>>
}

/** Puts a problem beside a field, or takes it away. */
export function setProblem(work: Work, screen: number, place: string, problem?: Omit<Problem, 'isShown'>): void {
  const { slots } = screenOf(work, screen)
  const before = work.slots[slots.problems] as Readonly<Record<string, Problem>>
  if (problem === undefined) {
    if (!(place in before)) return
    const { [place]: _gone, ...rest } = before
    return put(work, slots.problems, rest)
  }
  const cell = place.split('/')[0] as string
  const touched = work.slots[slots.touched] as Readonly<Record<string, string>>
  const isShown = problem.from !== 'refusal' || work.slots[slots.tried] === true || touched[cell] === 'left'
  put(work, slots.problems, { ...before, [place]: { ...problem, isShown } })
}

export function entries(list: unknown): readonly Readonly<Record<string, unknown>>[] {
  return Array.isArray(list) ? (list as Readonly<Record<string, unknown>>[]) : []
}

export function keyOf(entry: unknown, key: string): string {
  return String(memberOf(entry, key))
}

export function memberOf(entry: unknown, member: string): unknown {
  return typeof entry === 'object' && entry !== null ? (entry as Record<string, unknown>)[member] : undefined
}

/** Carries a throw to the rollback together with the place that threw it. */
export class Located extends Error {
  constructor(
    readonly place: string,
    override readonly cause: unknown,
  ) {
    super(place)
  }
}

export function guarded<T>(work: Work, place: string, make: () => T): T | undefined {
  try {
    return make()
  } catch (error) {
    work.faults.push({ place, error: error instanceof Located ? error.cause : error })
    return undefined
  }
}
