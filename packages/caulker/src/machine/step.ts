import { clauseOf, equal, limitsOf, settle, typeText, valueAt, withinLimits, type Settled } from '../contract/index.js'
import type { Amendment, Effect, Fault, Input, Outcome, Refusal, State } from './input.js'
import type { BoundName, Given, Machine, PlannedStep, ReckonedSlot } from './plan.js'
import { clear, touch, type Scratch } from './scratch.js'

/** One transaction while it is worked at. */
interface Work {
  readonly machine: Machine
  readonly scratch: Scratch
  readonly before: State
  readonly slots: unknown[]
  /** The cells that somebody proposed a value for: what was proposed last, and whether it moved one end of a pair. */
  readonly proposed: Map<number, { readonly value: unknown; readonly by: 'owner' | 'person' }>
  readonly refusals: Refusal[]
  readonly faults: Fault[]
  readonly commands: Extract<Effect, { effect: 'command' }>[]
  /** What a component has said that its values are, for the rollback. */
  readonly heard: (readonly [slot: number, value: unknown])[]
}

/**
 * One transaction: pure, and as often at once as there are scratches. What is proposed passes type and `amend`; reckoned cells follow once
 * each in rank order; bounds and steps hold once, at the end; `refuse` comes last. Each fitting is told at most once. A throw on the way
 * rolls all of it back, and whoever reported is told the value that stands.
 */
export function step(machine: Machine, state: State, input: Input, scratch: Scratch): Outcome {
  let work = begin(machine, state, scratch)
  try {
    propose(work, input)
    reckon(work)
    holdBounds(work)
    refuse(work)
  } catch (thrown) {
    const { heard, refusals } = work
    clear(scratch)
    work = { ...begin(machine, state, scratch), heard }
    work.refusals.push(...refusals)
    work.faults.push(faultOf(thrown, input, machine))
    // The report is taken back; what the component itself holds by now is known all the same.
    for (const [slot, value] of heard) write(work, slot, value)
  }
  const tells = owed(work)
  const outcome: Outcome = {
    state: work.slots,
    effects: joined(work, tells),
  }
  clear(scratch)
  return outcome
}

/** What went wrong, what was turned down or made right, then what is told, called, and said afterwards. */
function joined(work: Work, tells: Effect[]): Effect[] {
  const effects: Effect[] = []
  for (const fault of work.faults) effects.push({ effect: 'fault', fault })
  for (const refusal of work.refusals) effects.push({ effect: 'refusal', refusal })
  for (const list of [amendments(work), tells, work.commands, afters(work)]) for (const one of list) effects.push(one)
  return effects
}

/**
 * The first state of a run: cells at their initial values, which go the way of every proposal; one that is refused stands, as a fault with
 * its place.
 */
export function firstState(machine: Machine, initial: Readonly<Record<string, unknown>>, scratch: Scratch): Outcome {
  const work = begin(machine, machine.initial, scratch)
  const effects: Effect[] = []
  machine.cells.forEach((clause, cell) => {
    const value = Object.hasOwn(initial, clause.name) ? initial[clause.name] : work.slots[cell]
    const settled = guarded(work, `the initial value of ${clause.name}`, () => settle(clause, value, undefined))
    if (settled?.stands === false)
      work.faults.push({ place: `the initial value of ${clause.name}`, error: new Error(settled.reason) })
    work.slots[cell] = settled?.stands === true ? settled.value : value
    touch(machine, scratch, cell)
  })
  machine.reckoned.forEach((one) => {
    work.slots[one.slot] = guarded(work, `reckoned ${one.name}`, () => computed(one, work.slots))
  })
  scratch.waiting = 0
  scratch.ranks.fill(0)
  guarded(work, 'the bounds of the first values', () => holdBounds(work))
  owed(work, machine.bound)
  for (const fault of work.faults) effects.push({ effect: 'fault', fault })
  clear(scratch)
  return { state: work.slots, effects }
}

/** What a fitting is given when it is mounted: every bound name that has a value. */
export function givenTo({ fittings }: Machine, state: State, fitting: number): Record<string, unknown> {
  const given: Record<string, unknown> = {}
  for (const bound of fittings[fitting]?.bound ?? [])
    if (state[bound.known] !== undefined) given[bound.name] = state[bound.known]
  return given
}

function begin(machine: Machine, state: State, scratch: Scratch): Work {
  return {
    machine,
    scratch,
    before: state,
    slots: state.slice(),
    proposed: new Map(),
    refusals: [],
    faults: [],
    commands: [],
    heard: [],
  }
}

function propose(work: Work, input: Input): void {
  const { fittings } = work.machine
  if (input.kind === 'set') for (const [cell, value] of input.changes) proposeTo(work, cell, value, 'owner')
  else if (input.kind === 'action') runSteps(work, input.steps, undefined)
  else if (input.kind === 'known') {
    for (const bound of fittings[input.fitting]?.bound ?? [])
      if (Object.hasOwn(input.values, bound.name)) hearValue(work, bound, input.values[bound.name])
  } else {
    const hearing = fittings[input.fitting]?.hears.get(input.event)
    for (const bound of hearing?.bound ?? [])
      if (Object.hasOwn(input.values, bound.name)) hearValue(work, bound, input.values[bound.name])
    if (hearing !== undefined) runSteps(work, hearing.steps, input.payload)
  }
}

/** A value that applies when told has only been proposed: its owner still has to tell it. */
function hearValue(work: Work, bound: BoundName, value: unknown): void {
  if (!bound.appliesWhenTold) {
    work.heard.push([bound.known, value])
    write(work, bound.known, value)
  }
  if (bound.cell >= 0) proposeTo(work, bound.cell, value, 'person')
}

function runSteps(work: Work, steps: readonly PlannedStep[], payload: unknown): void {
  for (const one of steps) {
    if (one.step === 'set') proposeTo(work, one.cell, taken(work, one.value, payload), 'owner')
    else if (one.step === 'run') {
      const args = one.args.map((arg) => taken(work, arg, payload))
      work.commands.push({ effect: 'command', fitting: one.fitting, command: one.command, args })
    } else work.faults.push({ place: `step ${one.what}`, error: new Error(NOT_YET) })
  }
}

const NOT_YET = 'it is declared and checked, and this version does not carry it out yet'

function taken({ slots }: Work, given: Given, payload: unknown): unknown {
  if (given.from === 'constant') return given.value
  return given.from === 'slot' ? slots[given.slot] : valueAt(payload, given.at)
}

/** Type and `amend`, at once; bounds, step and `refuse` are judged when the whole transaction stands. */
function proposeTo(work: Work, cell: number, value: unknown, by: 'owner' | 'person'): void {
  const clause = work.machine.cells[cell]
  if (clause === undefined) return
  // What started with something may not be without it; what started with nothing may be so again.
  if (value === undefined && clause.initial !== undefined)
    return void work.refusals.push({
      cell: clause.name,
      value,
      reason: `nothing is given, and it is of type ${typeText(clause.type)}`,
    })
  const settled = settle({ type: clause.type, amend: clause.amend, refuse: [] }, value, work.before[cell])
  if (!settled.stands) return void work.refusals.push({ cell: clause.name, value, reason: settled.reason })
  work.proposed.set(cell, { value, by })
  write(work, cell, settled.value)
}

function write({ machine, scratch, slots }: Work, slot: number, value: unknown): void {
  if (equal(slots[slot], value)) return
  slots[slot] = value
  touch(machine, scratch, slot)
}

function reckon(work: Work): void {
  const { machine, scratch, slots } = work
  const { reckoned } = machine
  let rank = scratch.lowest
  try {
    for (; scratch.waiting > 0; rank++) {
      if (scratch.ranks[rank] !== 1) continue
      scratch.ranks[rank] = 0
      scratch.waiting--
      const one = reckoned[rank] as ReckonedSlot
      const value = one.inputs.length === 1 ? one.compute(slots[one.inputs[0] as number]) : computed(one, slots)
      const before = slots[one.slot]
      if (value === before || (typeof value !== 'number' && equal(before, value))) continue
      slots[one.slot] = value
      touch(machine, scratch, one.slot)
    }
  } catch (error) {
    throw new Located(`reckoned ${reckoned[rank]?.name ?? ''}`, error)
  }
}

/** Most reckoned cells have one or two inputs; a call without a list of them is several times faster. */
function computed({ inputs, compute }: ReckonedSlot, slots: readonly unknown[]): unknown {
  if (inputs.length === 1) return compute(slots[inputs[0] as number])
  if (inputs.length === 2) return compute(slots[inputs[0] as number], slots[inputs[1] as number])
  return compute(...inputs.map((input) => slots[input]))
}

/** What is shown is what is held: a cell that is shared with a value keeps to its bounds and step, whoever proposes, and when a bound moves. */
function holdBounds(work: Work): void {
  const { machine, scratch, slots } = work
  for (let next = 0; next < scratch.held.length; next++) {
    const cell = scratch.held[next] as number
    for (const bound of machine.bounders[cell] as readonly BoundName[]) {
      const settled = atBounds(work, bound, slots[cell], work.proposed.get(cell)?.by)
      if (settled.stands) write(work, cell, settled.value)
      else turnDown(work, cell, settled.reason)
    }
    reckon(work)
  }
}

function atBounds(
  { machine, before, slots }: Work,
  bound: BoundName,
  value: unknown,
  by?: 'owner' | 'person',
): Settled {
  const { bounded, cell, fitting, limits } = bound
  if (bounded === undefined || value === undefined) return { stands: true, value }
  const contract = machine.fittings[fitting]?.contract
  const limit = limitsOf(bounded, (name) => {
    const at = limits.get(name)
    const given = at === undefined ? undefined : slots[at]
    return given ?? (contract && clauseOf(contract, name)?.default)
  })
  return withinLimits(bounded, value, limit, by === 'person' ? before[cell] : undefined)
}

/** What was proposed is turned down, and what stood before stands; where nobody proposed it, it was a bound that moved, and it stays. */
function turnDown(work: Work, cell: number, reason: string): void {
  const proposal = work.proposed.get(cell)
  if (proposal === undefined) return
  work.proposed.delete(cell)
  work.refusals.push({ cell: work.machine.cells[cell]?.name ?? '', value: proposal.value, reason })
  write(work, cell, work.before[cell])
}

function refuse(work: Work): void {
  for (const cell of [...work.proposed.keys()]) {
    const clause = work.machine.cells[cell]
    for (const hook of clause?.refuse ?? []) {
      const reason = hook(work.slots[cell], work.before[cell])
      if (reason === undefined) continue
      turnDown(work, cell, reason)
      break
    }
  }
  reckon(work)
}

/** What was made right is said to whoever proposed it; a bound that moved has its value brought in, too. */
function amendments({ machine, scratch, proposed, before, slots }: Work): Effect[] {
  const effects: Effect[] = []
  const say = (amendment: Amendment) => effects.push({ effect: 'amendment', amendment })
  for (const [cell, { value }] of proposed)
    if (!equal(value, slots[cell])) say({ cell: machine.cells[cell]?.name ?? '', proposed: value, stands: slots[cell] })
  for (const cell of scratch.held)
    if (!proposed.has(cell) && scratch.changed[cell] === 1 && !equal(before[cell], slots[cell]))
      say({ cell: machine.cells[cell]?.name ?? '', proposed: before[cell], stands: slots[cell] })
  return effects
}

/** The tells that are due: each name whose truth differs from what owner and component last agreed on. */
function owed(work: Work, all?: readonly BoundName[]): Effect[] {
  const { machine, scratch, slots } = work
  const due = all ?? scratch.owing.sort((one, other) => one - other).map((at) => machine.bound[at] as BoundName)
  const tells: Extract<Effect, { effect: 'tell' }>[] = []
  for (const bound of due) {
    const value = dueValue(work, bound)
    if (equal(value, slots[bound.known])) continue
    slots[bound.known] = value
    let last = tells[tells.length - 1]
    if (last === undefined || last.fitting !== bound.fitting) {
      last = { effect: 'tell', fitting: bound.fitting, changes: {} }
      tells.push(last)
    }
    ;(last.changes as Record<string, unknown>)[bound.name] = value
  }
  return tells
}

/** A name that is only followed is told what fits its bounds; what its contract would refuse is not told. */
function dueValue(work: Work, bound: BoundName): unknown {
  const value = work.slots[bound.source]
  if (bound.bounded === undefined || bound.cell >= 0) return value
  const settled = atBounds(work, bound, value)
  return settled.stands ? settled.value : work.slots[bound.known]
}

/** Who is told once a value stands; what is computed has nobody. */
function afters({ machine, scratch, before, slots }: Work): Effect[] {
  const effects: Effect[] = []
  for (const slot of scratch.slots) {
    const clause = slot < machine.cells.length ? machine.cells[slot] : undefined
    if (clause === undefined || clause.after.length === 0 || equal(before[slot], slots[slot])) continue
    for (const hook of clause.after)
      effects.push({ effect: 'after', cell: clause.name, hook, now: slots[slot], before: before[slot] })
  }
  return effects
}

/** Carries a throw to the rollback together with the place that threw it. */
class Located extends Error {
  constructor(
    readonly place: string,
    override readonly cause: unknown,
  ) {
    super(place)
  }
}

function faultOf(thrown: unknown, input: Input, machine: Machine): Fault {
  return thrown instanceof Located
    ? { place: thrown.place, error: thrown.cause }
    : { place: placeOf(machine, input), error: thrown }
}

function placeOf(machine: Machine, input: Input): string {
  if (input.kind === 'set')
    return `the interception of ${input.changes.map(([cell]) => machine.cells[cell]?.name).join(', ')}`
  if (input.kind === 'action') return `the action ${input.name}`
  return `what ${machine.fittings[input.fitting]?.name ?? 'a fitting'} reported`
}

function guarded<T>(work: Work, place: string, make: () => T): T | undefined {
  try {
    return make()
  } catch (error) {
    work.faults.push({ place, error: error instanceof Located ? error.cause : error })
    return undefined
  }
}
