import { settle, valueClauses } from '../contract/index.js'
import { CaulkerError, hint, messageOf } from '../words/index.js'
import type { Amendment, Effect, Fault, Input, Refusal, State } from './input.js'
import { placesOf, planned, type Machine } from './plan.js'
import { scratchFor } from './scratch.js'
import { firstState, givenTo, step } from './step.js'

/** Who carries out what a transaction owes: a mounted page, a probe, a test. */
export interface Host {
  tell(fitting: string, changes: Readonly<Record<string, unknown>>): void
  command(fitting: string, name: string, args: readonly unknown[]): unknown
  /** What a fitting says that one of its values is; asked after a command that changes values without a report. */
  read(fitting: string, name: string): unknown
  fault?(fault: Fault): void
  refused?(refusal: Refusal): void
  amended?(amendment: Amendment): void
  settled?(): void
}

/** A running screen: it takes inputs in order of arrival, one transaction each. */
export interface Driver {
  readonly machine: Machine
  read(name: string): unknown
  /** Gives why it was turned down, where it was. */
  set(cell: string, value: unknown): string | undefined
  /** Several cells in one transaction; gives why some were turned down. */
  setAll(changes: Readonly<Record<string, unknown>>): string | undefined
  hear(fitting: string, event: string, payload: unknown, values?: Readonly<Record<string, unknown>>): void
  act(action: string): void
  /** Whether the owner vetoes what an event asks for: a change that the cell of its value would refuse. */
  vetoes(fitting: string, event: string, proposed: unknown): boolean
  given(fitting: string): Record<string, unknown>
  state(): State
  /** Everything is mounted: what was heard meanwhile is taken now. */
  begin(): void
  /** Nothing is heard, told or called any more. */
  end(): void
}

/** How many transactions one input may set off before it counts as a circle. */
const MOST_IN_A_CHAIN = 100

/** An input that waits for its turn, and whether it belongs to the chain that is running. */
interface Waiting {
  readonly input: Input
  readonly inChain: boolean
}

/**
 * Runs a machine for a host. What is heard while telling queues behind the transaction that told; more than 100 in one chain is a
 * circle: what stood before it is brought back, in cells and components, and the cells that moved are named in a fault.
 *
 * @param isMounting whether fittings are still to be mounted: until {@link Driver.begin}, what they report waits
 */
export function drive(
  machine: Machine,
  host: Host,
  { initial = {}, isMounting = false }: { initial?: Readonly<Record<string, unknown>>; isMounting?: boolean } = {},
): Driver {
  const scratch = scratchFor(machine)
  const places = placesOf(machine)
  const fittingNames = machine.fittings.map(({ name }) => name)
  const first = firstState(machine, initial, scratch)
  let state = first.state
  let queue: Waiting[] = []
  let phase: 'mounting' | 'quiet' | 'busy' | 'restoring' | 'ended' = isMounting ? 'mounting' : 'quiet'
  /** Whether what comes in now was set off by what is being carried out. */
  let inChain = false
  let stepping = false
  /** What was turned down since somebody asked. */
  let refusals: Refusal[] = []

  function take(input: Input): void {
    if (phase === 'ended' || phase === 'restoring') return
    queue.push({ input, inChain })
    if (phase === 'quiet' && !stepping) run()
  }

  function run(): void {
    phase = 'busy'
    while (queue.length > 0 && isRunning()) runChain()
    if (isRunning()) phase = 'quiet'
    outside(() => host.settled?.(), 'the host, told that all has settled')
    // What a host asked for while it was told that all has settled.
    if (phase === 'quiet' && queue.length > 0) run()
  }

  function runChain(): void {
    const settled = state
    const moved = new Set<number>()
    for (let count = 0; queue.length > 0 && isRunning(); count++) {
      const next = queue.shift() as Waiting
      // A new cause from outside begins a new chain.
      if (count > 0 && !next.inChain) return void queue.unshift(next)
      if (count >= MOST_IN_A_CHAIN) return stopCircle(settled, moved)
      const before = state
      transact(next.input)
      machine.cells.forEach((_, cell) => before[cell] !== state[cell] && moved.add(cell))
    }
  }

  function transact(input: Input): void {
    stepping = true
    const outcome = step(machine, state, input, scratch)
    stepping = false
    state = outcome.state
    for (const effect of outcome.effects) if (isRunning()) carryOut(effect)
  }

  /** A throw from here on rolls nothing back: it is reported with its place, and the rest runs. */
  function carryOut(effect: Effect): void {
    if (effect.effect === 'fault') outside(() => host.fault?.(effect.fault))
    else if (effect.effect === 'refusal') {
      refusals.push(effect.refusal)
      outside(() => host.refused?.(effect.refusal), 'the host, told of a refusal')
    } else if (effect.effect === 'amendment')
      outside(() => host.amended?.(effect.amendment), 'the host, told of an amendment')
    else if (effect.effect === 'tell') {
      const name = fittingNames[effect.fitting] as string
      within(`tell of ${name}`, () => host.tell(name, effect.changes))
    } else if (effect.effect === 'command') {
      const name = fittingNames[effect.fitting] as string
      within(`command ${name}.${effect.command}`, () => {
        host.command(name, effect.command, effect.args)
        learn(effect.fitting, effect.command)
      })
    } else within(`after of ${effect.cell}`, () => effect.hook(effect.now as never, effect.before as never))
  }

  /** A command that changes values without reporting it: its caller knows, so the owner reads what they are now. */
  function learn(fitting: number, command: string): void {
    const { contract, bound, name } = machine.fittings[fitting] as Machine['fittings'][number]
    const clause = contract.commands[command]
    if (clause === undefined || clause.reports || clause.effect !== 'reset') return
    const values = bound
      .filter((one) => Object.hasOwn(contract.values, one.name))
      .map((one) => [one.name, host.read(name, one.name)] as const)
    take({ kind: 'known', fitting, values: Object.fromEntries(values) })
  }

  /** Back to what stood before the chain, components too; what came from outside meanwhile still runs. */
  function stopCircle(settled: State, moved: ReadonlySet<number>): void {
    const given = queue.filter((waiting) => waiting.inChain).length + 1
    queue = queue.filter((waiting) => !waiting.inChain)
    const now = state
    state = settled
    phase = 'restoring'
    for (const fitting of machine.fittings) {
      const changes = Object.fromEntries(
        fitting.bound
          .filter((bound) => now[bound.known] !== settled[bound.known])
          .map((bound) => [bound.name, settled[bound.known]]),
      )
      if (Object.keys(changes).length > 0) within(`tell of ${fitting.name}`, () => host.tell(fitting.name, changes))
    }
    phase = 'busy'
    const cells = [...moved].map((cell) => machine.cells[cell]?.name).join(', ')
    const error = new Error(
      `reports and tells go round in a circle through ${cells || 'the screen'}; what stood before was brought back, and ${given === 1 ? 'one more was' : `${given} more were`} given up`,
    )
    outside(() => host.fault?.({ place: 'circle', error }))
  }

  /** Work that belongs to the chain: what it sets off does, too. */
  function within(place: string, work: () => void): void {
    const before = inChain
    inChain = true
    try {
      work()
    } catch (error) {
      outside(() => host.fault?.({ place, error }))
    } finally {
      inChain = before
    }
  }

  /** A host that throws changes nothing, and keeps nothing from what is owed. */
  function outside(work: () => void, place?: string): void {
    const before = inChain
    inChain = false
    try {
      work()
    } catch (error) {
      if (place !== undefined) outside(() => host.fault?.({ place, error }))
    } finally {
      inChain = before
    }
  }

  function isRunning(): boolean {
    return phase !== 'ended'
  }

  function asked(input: Input): string | undefined {
    refusals = []
    take(input)
    return refusals[0]?.reason
  }

  function index(kind: string, name: string, names: readonly string[]): number {
    const at = names.indexOf(name)
    if (at < 0)
      throw new CaulkerError(
        'unknown-name',
        `screen '${machine.screen.name}' has no ${kind} '${name}'${hint(name, names)}`,
      )
    return at
  }

  const cellNamed = (name: string) => places.cells.get(name) ?? index('cell', name, [...places.cells.keys()])

  for (const effect of first.effects) carryOut(effect)
  return {
    machine,
    read: (name) => state[index('cell', name, machine.names)],
    set: (cell, value) => asked({ kind: 'set', changes: [[cellNamed(cell), value]] }),
    setAll: (changes) =>
      asked({
        kind: 'set',
        changes: Object.entries(changes).map(([cell, value]) => [cellNamed(cell), value] as const),
      }),
    hear(fitting, event, payload, values) {
      const at = index('fitting', fitting, fittingNames)
      const reported = values ?? valuesOf(machine, at, event, payload)
      take({ kind: 'report', fitting: at, event, payload, values: reported })
    },
    vetoes(fitting, event, proposed) {
      const { contract, bound } = machine.fittings[
        index('fitting', fitting, fittingNames)
      ] as Machine['fittings'][number]
      return valueClauses(contract)
        .filter((value) => value.vetoEvent === event)
        .flatMap((value) => bound.filter(({ name, cell }) => name === value.name && cell >= 0))
        .some(({ cell }) => !settle(machine.cells[cell] as Machine['cells'][number], proposed, state[cell]).stands)
    },
    act(name) {
      const action = machine.screen.actions[name]
      if (action === undefined)
        throw new CaulkerError(
          'unknown-name',
          `screen '${machine.screen.name}' has no action '${name}'${hint(name, Object.keys(machine.screen.actions))}`,
        )
      take({ kind: 'action', name, steps: planned(action, places) })
    },
    given: (fitting) => givenTo(machine, state, index('fitting', fitting, fittingNames)),
    state: () => state,
    begin() {
      if (phase !== 'mounting') return
      phase = 'quiet'
      if (queue.length > 0) run()
    },
    end() {
      phase = 'ended'
      queue = []
    },
  }
}

/** Where only one value is reported by an event, what it carries is that value. */
function valuesOf(machine: Machine, fitting: number, event: string, payload: unknown): Record<string, unknown> {
  const bound = machine.fittings[fitting]?.hears.get(event)?.bound ?? []
  return Object.fromEntries(bound.map(({ name }) => [name, payload]))
}

/** A fault in one line, for a console or a report. */
export function faultText({ place, error }: Fault): string {
  return `${place}: ${messageOf(error)}`
}
