import {
  clauseOf,
  givenClauses,
  valueClauses,
  type AnyContract,
  type PropertyClause,
  type ValueClause,
} from '../contract/index.js'
import type { Action, AnyCell, AnyScreen, Binding, CellClause, Reckoned, Source, Step } from '../wiring/index.js'
import { isPayload } from '../wiring/index.js'

/** A screen as the rules read it: fittings with what is bound on them, and who writes and reads each cell. */
export interface ScreenView {
  readonly screen: AnyScreen
  readonly cells: ReadonlyMap<string, CellClause>
  readonly fittings: readonly FittingView[]
  /** Bindings and handlers of fittings that the screen does not have. */
  readonly strays: readonly string[]
  /** Every action, named or written in place, with where it stands. */
  readonly actions: readonly { readonly at: readonly string[]; readonly action: Action }[]
  /** The cells that a source depends on, through any number of reckoned cells. */
  cellsBehind(source: Source<unknown>): ReadonlySet<string>
  /** Where a cell is written from: two-way bindings and steps, each named by its place. */
  writersOf(cell: string): readonly string[]
}

export interface FittingView {
  readonly name: string
  readonly contract: AnyContract
  readonly bindings: ReadonlyMap<string, Binding>
  readonly handlers: ReadonlyMap<string, Action>
  /** The values that are bound, each with its clause. */
  boundValues(): readonly (readonly [ValueClause, Binding])[]
  /** The cells that take a value from the report of it. */
  takersOf(value: ValueClause): readonly AnyCell[]
  /** The cells that take any of its reports by a handler. */
  boundTakers(): readonly string[]
  /** Whether the person can never propose anything here. */
  isLocked(): boolean
}

export function viewOf(screen: AnyScreen): ScreenView {
  const cells = new Map(Object.values<CellClause>(screen.cells).map((cell) => [cell.name, cell]))
  const fittings = Object.entries<AnyContract>(screen.fittings).map(([name, contract]) =>
    fittingView(screen, name, contract, cells),
  )
  const actions = [
    ...Object.values<Action>(screen.actions).map((action) => ({ at: ['actions', action.name], action })),
    ...fittings.flatMap((fitting) =>
      [...fitting.handlers]
        .filter(([, action]) => action.name === '')
        .map(([event, action]) => ({ at: ['bind', fitting.name, 'on', event], action })),
    ),
  ]
  return {
    screen,
    cells,
    fittings,
    strays: [...new Set([...Object.keys(screen.bindings), ...Object.keys(screen.on)])].filter(
      (name) => !Object.hasOwn(screen.fittings, name),
    ),
    actions,
    cellsBehind: (source) => cellsBehind(screen, source),
    writersOf: (cell) => [
      ...fittings.flatMap((fitting) =>
        [...fitting.bindings]
          .filter(([, one]) => one.kind === 'two-way' && one.source.name === cell)
          .map(([name]) => `${fitting.name}.${name}`),
      ),
      ...actions.filter(({ action }) => action.steps.some((step) => writes(step, cell))).map(({ at }) => at.join('.')),
    ],
  }
}

function fittingView(
  screen: AnyScreen,
  name: string,
  contract: AnyContract,
  cells: ReadonlyMap<string, CellClause>,
): FittingView {
  const bindings = new Map(Object.entries(screen.bindings[name] ?? {}))
  const handlers = new Map(Object.entries(screen.on[name] ?? {}))
  const takersOf = (value: ValueClause): AnyCell[] => {
    const steps = handlers.get(value.event)?.steps ?? []
    return steps.flatMap((step) => (step.step === 'set' && isPayload(step.value) ? [step.cell] : []))
  }
  return {
    name,
    contract,
    bindings,
    handlers,
    boundValues: () =>
      valueClauses(contract).flatMap((value) => {
        const binding = bindings.get(value.name)
        return binding === undefined ? [] : [[value, binding] as const]
      }),
    takersOf,
    boundTakers: () => valueClauses(contract).flatMap((value) => takersOf(value).map((cell) => cell.name)),
    isLocked: () =>
      [contract.locks.readonly, contract.locks.disabled].some(
        (lock) => lock !== undefined && isAlwaysTrue(screen, cells, bindings.get(lock), clauseOf(contract, lock)),
      ),
  }
}

/** A lock bound to a cell that nobody writes counts too. */
function isAlwaysTrue(
  screen: AnyScreen,
  cells: ReadonlyMap<string, CellClause>,
  binding: Binding | undefined,
  clause: PropertyClause | undefined,
): boolean {
  if (binding === undefined) return clause?.default === true
  if (binding.kind === 'constant') return binding.value === true
  if (binding.kind !== 'one-way' || binding.source.kind !== 'cell') return false
  const cell = binding.source.name
  const isWritten = Object.values<Action>(screen.actions).some((action) =>
    action.steps.some((step) => writes(step, cell)),
  )
  return cells.get(cell)?.initial === true && !isWritten
}

function writes(step: Step, cell: string): boolean {
  return (step.step === 'set' || step.step === 'clear') && step.cell.name === cell
}

function cellsBehind(screen: AnyScreen, source: Source<unknown>, seen = new Set<Source<unknown>>()): Set<string> {
  if (seen.has(source)) return new Set()
  seen.add(source)
  if (source.kind === 'cell') return new Set([source.name])
  const inputs = source.inputs ?? (screen.reckoned as Record<string, Reckoned<unknown>>)[source.name]?.inputs ?? []
  return new Set(inputs.flatMap((input) => [...cellsBehind(screen, input, seen)]))
}

/** Every name that may be bound on a fitting, and every event that it can be heard by. */
export function bindableNames(contract: AnyContract): string[] {
  return givenClauses(contract).map((clause) => clause.name)
}

export function eventNames(contract: AnyContract): string[] {
  return [...Object.keys(contract.events), ...valueClauses(contract).map((value) => value.event)]
}
