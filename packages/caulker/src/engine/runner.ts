import { CaulkerError, hint, messageOf } from '../words/index.js'
import { equal, settle, valueClauses } from '../contract/index.js'
import type { Plan } from '../wiring/index.js'
import { planned } from '../wiring/index.js'
import { firstSlots, givenTo, step, type Fault, type Input, type Outcome, type Refusal, type Slots } from './step.js'

/** Who carries out what a transaction owes: a mounted page, a probe, a test. */
export interface Host {
  tell(fitting: string, changes: Readonly<Record<string, unknown>>): void
  command(fitting: string, name: string, args: readonly unknown[]): unknown
  /** What a fitting says that one of its values is; asked after a command that changes values without a report. */
  read(fitting: string, name: string): unknown
  fault?(fault: Fault): void
  refused?(refusal: Refusal): void
  settled?(): void
}

/** A running screen: it takes inputs in order of arrival, one transaction each. */
export interface Runner {
  readonly plan: Plan
  read(name: string): unknown
  set(cell: string, value: unknown): void
  /** Several cells in one transaction. */
  setAll(changes: Readonly<Record<string, unknown>>): void
  hear(fitting: string, event: string, payload: unknown): void
  act(action: string): void
  /** Whether the owner vetoes what an event asks for: a change that the cell of its value would refuse. */
  vetoes(fitting: string, event: string, proposed: unknown): boolean
  given(fitting: string): Record<string, unknown>
  slots(): Slots
}

/** How many transactions one input may set off before it counts as a circle. */
const MOST_IN_A_CHAIN = 100

/**
 * Runs a compiled screen for a host. Reports that are heard while telling queue behind the transaction that told; more than 100 in
 * one chain is a circle: the last settled state is brought back and the cells of the circle are named in a fault.
 */
export function createRunner(plan: Plan, host: Host, initial: Readonly<Record<string, unknown>> = {}): Runner {
  const first = firstSlots(plan, initial)
  let slots = first.slots
  const queue: Input[] = []
  let busy = false
  let restoring = false
  const cellSlots = new Map(plan.cells.map((cell, at) => [cell.name, at]))
  const fittingNames = plan.fittings.map((fitting) => fitting.name)

  function dispatch(input: Input): void {
    if (restoring) return
    queue.push(input)
    if (busy) return
    busy = true
    const settledSlots = slots
    try {
      for (let count = 1, next = queue.shift(); next !== undefined; next = queue.shift(), count++) {
        if (count > MOST_IN_A_CHAIN) {
          stopCircle(settledSlots)
          break
        }
        transact(next)
      }
    } finally {
      queue.length = 0
      busy = false
    }
    host.settled?.()
  }

  function transact(input: Input): void {
    const outcome = step(plan, slots, input)
    slots = outcome.slots
    carryOut(outcome)
  }

  /** A throw from here on rolls nothing back: it is reported with its place, and the rest runs. */
  function carryOut(outcome: Outcome): void {
    for (const fault of outcome.faults) host.fault?.(fault)
    for (const refusal of outcome.refusals) host.refused?.(refusal)
    for (const { fitting, changes } of outcome.tells) {
      const name = fittingNames[fitting] as string
      try {
        host.tell(name, changes)
      } catch (error) {
        host.fault?.({ place: `tell of ${name}`, error })
      }
    }
    for (const { fitting, command, args } of outcome.commands) {
      const name = fittingNames[fitting] as string
      guarded(`command ${name}.${command}`, () => {
        host.command(name, command, args)
        learn(fitting, command)
      })
    }
    for (const { cell, hook, now, before } of outcome.afters)
      guarded(`after of ${cell}`, () => hook(now as never, before as never))
  }

  /** A command that changes values without reporting it: its caller knows, so the owner reads what they are now. */
  function learn(fitting: number, command: string): void {
    const { contract, bound, name } = plan.fittings[fitting] as Plan['fittings'][number]
    const clause = contract.commands[command]
    if (clause === undefined || clause.reports || clause.effect !== 'reset') return
    const values = bound
      .filter((one) => Object.hasOwn(contract.values, one.name))
      .map((one) => [one.name, host.read(name, one.name)] as const)
    queue.push({ kind: 'learn', fitting, values: Object.fromEntries(values) })
  }

  function stopCircle(settledSlots: Slots): void {
    const moving = plan.cells.filter((_, at) => !equal(slots[at], settledSlots[at])).map((cell) => cell.name)
    const back = settledSlots.slice()
    for (const bound of plan.bound) back[bound.known] = slots[bound.known]
    slots = back
    restoring = true
    for (const fitting of plan.fittings) {
      const changes: Record<string, unknown> = {}
      for (const bound of fitting.bound)
        if (!equal(back[bound.known], settledSlots[bound.known]))
          changes[bound.name] = back[bound.known] = settledSlots[bound.known]
      if (Object.keys(changes).length > 0) guarded(`tell of ${fitting.name}`, () => host.tell(fitting.name, changes))
    }
    restoring = false
    const error = new Error(
      `reports and tells go round in a circle through ${moving.length === 0 ? 'the screen' : moving.join(', ')}; the last settled state was brought back`,
    )
    host.fault?.({ place: 'circle', error })
  }

  function guarded(place: string, work: () => void): void {
    try {
      work()
    } catch (error) {
      host.fault?.({ place, error })
    }
  }

  function index(kind: string, name: string, names: readonly string[]): number {
    const at = names.indexOf(name)
    if (at < 0)
      throw new CaulkerError(
        'unknown-name',
        `screen '${plan.screen.name}' has no ${kind} '${name}'${hint(name, names)}`,
      )
    return at
  }

  const cellNamed = (name: string) => cellSlots.get(name) ?? index('cell', name, [...cellSlots.keys()])

  for (const fault of first.faults) host.fault?.(fault)
  return {
    plan,
    read: (name) => slots[index('cell', name, plan.names)],
    set: (cell, value) => dispatch({ kind: 'set', changes: [[cellNamed(cell), value]] }),
    setAll: (changes) =>
      dispatch({
        kind: 'set',
        changes: Object.entries(changes).map(([cell, value]) => [cellNamed(cell), value] as const),
      }),
    hear: (fitting, event, payload) =>
      dispatch({ kind: 'hear', fitting: index('fitting', fitting, fittingNames), event, payload }),
    vetoes(fitting, event, proposed) {
      const { contract, bound } = plan.fittings[index('fitting', fitting, fittingNames)] as Plan['fittings'][number]
      return valueClauses(contract)
        .filter((value) => value.vetoEvent === event)
        .flatMap((value) => bound.filter(({ name, cell }) => name === value.name && cell >= 0))
        .some(({ cell }) => !settle(plan.cells[cell] as Plan['cells'][number], proposed, slots[cell]).stands)
    },
    act(name) {
      const action = plan.screen.actions[name]
      if (action === undefined)
        throw new CaulkerError(
          'unknown-name',
          `screen '${plan.screen.name}' has no action '${name}'${hint(name, Object.keys(plan.screen.actions))}`,
        )
      dispatch({ kind: 'act', action: name, steps: planned(action, cellSlots, plan.cells, fittingNames) })
    },
    given: (fitting) => givenTo(plan, slots, index('fitting', fitting, fittingNames)),
    slots: () => slots,
  }
}

/** A fault in one line, for a console or a report. */
export function faultText({ place, error }: Fault): string {
  return `${place}: ${messageOf(error)}`
}
