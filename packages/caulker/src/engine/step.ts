import { messageOf } from '../words/index.js'
import { clauseOf, equal, limitsOf, settle, valueAt, withinLimits } from '../contract/index.js'
import type { BoundName, Plan, PlannedStep, ReckonedSlot } from '../wiring/index.js'

/** Everything that can change in a running screen, one value a slot. */
export type Slots = readonly unknown[]

/** What can happen to a screen; each input is one transaction. */
export type Input =
  | { readonly kind: 'set'; readonly changes: readonly (readonly [cell: number, value: unknown])[] }
  | { readonly kind: 'hear'; readonly fitting: number; readonly event: string; readonly payload: unknown }
  | { readonly kind: 'act'; readonly action: string; readonly steps: readonly PlannedStep[] }
  /** A command changed values without reporting it: who called it learns what they are now. */
  | { readonly kind: 'learn'; readonly fitting: number; readonly values: Readonly<Record<string, unknown>> }

export interface Tell {
  readonly fitting: number
  /** All that changed for one fitting, in one call. */
  readonly changes: Readonly<Record<string, unknown>>
}

export interface Refusal {
  readonly cell: string
  readonly value: unknown
  readonly reason: string
}

export interface Fault {
  /** Where it was thrown: `reckoned total`, `after of bales`, `tell of stepper`. */
  readonly place: string
  readonly error: unknown
}

/** What one transaction comes to: the slots that stand after it, and what is owed to the world. */
export interface Outcome {
  readonly slots: Slots
  readonly tells: readonly Tell[]
  readonly commands: readonly Extract<PlannedStep, { step: 'run' }>[]
  readonly afters: readonly {
    readonly cell: string
    readonly hook: (now: never, before: never) => void
    readonly now: unknown
    readonly before: unknown
  }[]
  readonly refusals: readonly Refusal[]
  readonly faults: readonly Fault[]
}

interface Draft {
  slots: unknown[]
  /** The transaction in which each slot last changed, and the number of this one. */
  lastChanged: Int32Array
  transaction: number
  refusals: Refusal[]
  faults: Fault[]
  commands: Extract<PlannedStep, { step: 'run' }>[]
}

/**
 * One transaction, pure: what is proposed passes interception, reckoned cells follow once each in rank order, and each fitting is
 * told at most once. A throw on the way rolls all of it back, and the reporter is told the value that stands.
 */
export function step(plan: Plan, slots: Slots, input: Input): Outcome {
  let draft = open(plan, slots)
  try {
    propose(plan, draft, input)
    reckonAll(plan, draft)
  } catch (thrown) {
    const { refusals } = draft
    draft = {
      ...open(plan, slots),
      refusals,
      faults: [{ place: thrown instanceof Located ? thrown.place : placeOf(plan, input), error: unwrapped(thrown) }],
    }
    if (input.kind === 'hear') learnReport(plan, draft, input.fitting, input.event, input.payload)
  }
  return {
    slots: draft.slots,
    tells: owed(plan, draft),
    commands: draft.commands,
    afters: aftersOf(plan, slots, draft),
    refusals: draft.refusals,
    faults: draft.faults,
  }
}

/** The first slots of a run: cells at their initial values, reckoned cells computed, every bound name agreed on as it is given. */
export function firstSlots(plan: Plan, initial: Readonly<Record<string, unknown>> = {}): Outcome {
  const draft = open(plan, plan.initial)
  plan.cells.forEach((cell, at) => {
    if (Object.hasOwn(initial, cell.name)) draft.slots[at] = initial[cell.name]
  })
  draft.lastChanged.fill(draft.transaction)
  const faults: Fault[] = []
  for (const one of plan.reckoned) {
    try {
      draft.slots[one.slot] = computed(one, draft.slots)
    } catch (error) {
      faults.push({ place: `reckoned ${one.name}`, error })
    }
  }
  owed(plan, draft)
  return { slots: draft.slots, tells: [], commands: [], afters: [], refusals: [], faults }
}

/** What a fitting is given when it is mounted: every bound name that has a value. */
export function givenTo(plan: Plan, slots: Slots, fitting: number): Record<string, unknown> {
  const given: Record<string, unknown> = {}
  for (const bound of plan.fittings[fitting]?.bound ?? [])
    if (slots[bound.known] !== undefined) given[bound.name] = slots[bound.known]
  return given
}

/** What is empty is shared, and replaced where something goes in: most transactions have nothing to refuse, run or report. */
const NONE: never[] = []

function open({ marks }: Plan, slots: Slots): Draft {
  return {
    slots: slots.slice(),
    lastChanged: marks.lastChanged,
    transaction: ++marks.transaction,
    refusals: NONE,
    faults: NONE,
    commands: NONE,
  }
}

function propose(plan: Plan, draft: Draft, input: Input): void {
  switch (input.kind) {
    case 'set':
      for (const [cell, value] of input.changes) proposeTo(plan, draft, cell, value)
      return undefined
    case 'act':
      return runSteps(plan, draft, input.steps, undefined)
    case 'learn':
      for (const bound of plan.fittings[input.fitting]?.bound ?? [])
        if (Object.hasOwn(input.values, bound.name)) hearValue(plan, draft, bound, input.values[bound.name])
      return undefined
    case 'hear': {
      const hearing = plan.fittings[input.fitting]?.hears.get(input.event)
      if (hearing?.bound !== undefined) hearValue(plan, draft, hearing.bound, input.payload)
      if (hearing !== undefined) runSteps(plan, draft, hearing.steps, input.payload)
    }
  }
}

function hearValue(plan: Plan, draft: Draft, bound: BoundName, value: unknown): void {
  // A value that applies when told has only been proposed: its owner still has to tell it.
  if (!bound.appliesWhenTold) write(draft, bound.known, value)
  if (bound.cell >= 0) proposeTo(plan, draft, bound.cell, value)
}

function learnReport(plan: Plan, draft: Draft, fitting: number, event: string, payload: unknown): void {
  const bound = plan.fittings[fitting]?.hears.get(event)?.bound
  if (bound !== undefined && !bound.appliesWhenTold) write(draft, bound.known, payload)
}

function runSteps(plan: Plan, draft: Draft, steps: readonly PlannedStep[], payload: unknown): void {
  for (const one of steps) {
    if (one.step === 'run') draft.commands = [...draft.commands, one]
    else if (one.step === 'set')
      proposeTo(plan, draft, one.cell, one.payloadAt === undefined ? one.value : valueAt(payload, one.payloadAt))
    else draft.faults = [...draft.faults, { place: `step ${one.what}`, error: new Error(NOT_YET) }]
  }
}

const NOT_YET = 'it is declared and checked, and this version does not carry it out yet'

function proposeTo(plan: Plan, draft: Draft, cell: number, value: unknown): void {
  const clause = plan.cells[cell]
  if (clause === undefined) return
  const settled = settle(clause, value, draft.slots[cell])
  if (settled.stands) write(draft, cell, settled.value)
  else draft.refusals = [...draft.refusals, { cell: clause.name, value, reason: settled.reason }]
}

function write(draft: Draft, slot: number, value: unknown): void {
  if (equal(draft.slots[slot], value)) return
  draft.slots[slot] = value
  draft.lastChanged[slot] = draft.transaction
}

function reckonAll({ reckoned }: Plan, { slots, lastChanged, transaction }: Draft): void {
  let rank = 0
  try {
    for (; rank < reckoned.length; rank++) {
      const one = reckoned[rank] as ReckonedSlot
      const { only, slot } = one
      if (only >= 0 ? lastChanged[only] !== transaction : !isAnyOf(one.inputs, lastChanged, transaction)) continue
      const value = only >= 0 ? one.compute(slots[only]) : computed(one, slots)
      const before = slots[slot]
      if (value === before || (typeof value !== 'number' && equal(before, value))) continue
      slots[slot] = value
      lastChanged[slot] = transaction
    }
  } catch (error) {
    throw new Located(`reckoned ${reckoned[rank]?.name ?? ''}`, error)
  }
}

/** Whether any of these slots has changed in this transaction. */
function isAnyOf(watched: readonly number[], lastChanged: Int32Array, transaction: number): boolean {
  for (let at = 0; at < watched.length; at++) if (lastChanged[watched[at] as number] === transaction) return true
  return false
}

/** Most reckoned cells have one or two inputs; a call without a list of them is several times faster. */
function computed({ inputs, compute }: ReckonedSlot, slots: readonly unknown[]): unknown {
  if (inputs.length === 1) return compute(slots[inputs[0] as number])
  if (inputs.length === 2) return compute(slots[inputs[0] as number], slots[inputs[1] as number])
  return compute(...inputs.map((input) => slots[input]))
}

/** The tells that are due: each name whose truth differs from what owner and component last agreed on. */
function owed(plan: Plan, { slots, lastChanged, transaction }: Draft): Tell[] {
  let tells: Tell[] = NONE
  let changes: Record<string, unknown> | undefined
  let fitting = -1
  for (const bound of plan.bound) {
    if (!isAnyOf(bound.watches, lastChanged, transaction)) continue
    const due = dueValue(plan, slots, bound)
    if (equal(due, slots[bound.known])) continue
    slots[bound.known] = due
    if (changes === undefined || bound.fitting !== fitting) {
      changes = {}
      fitting = bound.fitting
      tells = tells === NONE ? [{ fitting, changes }] : [...tells, { fitting, changes }]
    }
    changes[bound.name] = due
  }
  return tells
}

/** A tell is brought inside the bounds of the contract; what a contract would refuse is not told. */
function dueValue(plan: Plan, slots: readonly unknown[], bound: BoundName): unknown {
  const value = slots[bound.source]
  if (bound.bounded === undefined || value === undefined) return value
  const contract = plan.fittings[bound.fitting]?.contract
  const limits = limitsOf(bound.bounded, (name) => {
    const at = bound.limits.get(name)
    const given = at === undefined ? undefined : slots[at]
    return given ?? (contract && clauseOf(contract, name)?.default)
  })
  const settled = withinLimits(bound.bounded, value, limits)
  return settled.stands ? settled.value : slots[bound.known]
}

function aftersOf(plan: Plan, before: Slots, { slots }: Draft): Outcome['afters'] {
  if (plan.followed.length === 0) return NONE
  return plan.followed
    .filter((at) => !equal(before[at], slots[at]))
    .flatMap((at) => {
      const { name, after } = plan.cells[at] as Plan['cells'][number]
      return after.map((hook) => ({ cell: name, hook, now: slots[at], before: before[at] }))
    })
}

/** Carries a throw to the rollback together with the place that threw it. */
class Located extends Error {
  constructor(
    readonly place: string,
    override readonly cause: unknown,
  ) {
    super(messageOf(cause))
  }
}

function unwrapped(thrown: unknown): unknown {
  return thrown instanceof Located ? thrown.cause : thrown
}

function placeOf(plan: Plan, input: Input): string {
  if (input.kind === 'set')
    return `the interception of ${input.changes.map(([cell]) => plan.cells[cell]?.name).join(', ')}`
  if (input.kind === 'act') return `the action ${input.action}`
  return `what ${plan.fittings[input.fitting]?.name ?? 'a fitting'} reported`
}
