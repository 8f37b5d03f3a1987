import { messageOf } from '../../words/index.js'
import {
  clauseOf,
  givenClauses,
  valueAt,
  valueClauses,
  type AnyContract,
  type PropertyClause,
  type TSchema,
  type ValueClause,
} from '../../contract/index.js'
import type {
  Action,
  AnyCell,
  AnyOperation,
  AnyScreen,
  Binding,
  CellClause,
  OperationClause,
  Readable,
  Reckoned,
  Step,
  Steps,
  AnySource,
} from '../../wiring/index.js'
import { allSteps, inRankOrder, isPayload, isStateToken } from '../../wiring/index.js'
import { givenReadables, isReadable } from './given.js'

/** A screen as the rules read it: fittings with what is bound on them, and who writes and reads each cell. */
export interface ScreenView {
  readonly screen: AnyScreen
  readonly cells: ReadonlyMap<string, CellClause>
  readonly fittings: readonly FittingView[]
  /** Bindings and handlers of fittings that the screen does not have. */
  readonly strays: readonly string[]
  /** Every list of steps, named or written in place, with where it stands. */
  readonly actions: readonly Placed[]
  /** The cells that some journey holds for it. */
  readonly shared: ReadonlySet<string>
  /** The cells that a source depends on, through any number of reckoned cells. */
  cellsBehind(source: Readable<unknown>): ReadonlySet<string>
  /** Where a cell is written from: bindings, steps and loads, each named by its place. */
  writersOf(cell: string): readonly string[]
  /** The cells that anything on the screen reads. */
  readCells(): ReadonlySet<string>
  /** The cells that the person edits, by a binding or by a handler that takes a report. */
  editedCells(): ReadonlySet<string>
  /** What each reckoned cell is computed from at first, and comes to; one that throws has no value. */
  firstReckoned(): readonly FirstReckoned[]
  /** The type of what a binding follows; undefined where it has none of its own. */
  typeOf(source: Readable<unknown>): TSchema | undefined
  operation(ref: AnyOperation): OperationClause | undefined
  /** The fittings and events that set an action off, as `fitting.event`. */
  triggersOf(placed: Placed): readonly Trigger[]
}

export interface Trigger {
  readonly fitting: FittingView
  readonly event: string
}

/** A list of steps with where it is written. */
export interface Placed {
  readonly at: readonly string[]
  readonly action: Action
  /** Every step of it, with those that follow from an answer, in the order in which they are written. */
  readonly all: readonly Step[]
}

export interface FirstReckoned {
  readonly name: string
  /** The names of what it is computed from, and what they hold at first. */
  readonly from: readonly string[]
  readonly inputs: readonly unknown[]
  readonly compute: (...inputs: unknown[]) => unknown
  readonly value: unknown
  /** What it threw, where it threw. */
  readonly threw?: string
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

/** Reads a screen for the rules; `shared` are the cells that a journey holds for it. */
export function viewOf(screen: AnyScreen, shared: ReadonlySet<string> = new Set()): ScreenView {
  const cells = new Map(Object.values<CellClause>(screen.cells).map((cell) => [cell.name, cell]))
  const fittings = Object.entries<AnyContract>(screen.fittings).map(([name, contract]) =>
    fittingView(screen, name, contract, cells),
  )
  const actions = placedActions(screen, fittings)
  const named = once(() => triggersBy(fittings, (_place, action) => action.name))
  const written = once(() => triggersBy(fittings, (place, action) => (action.name === '' ? place : '')))
  const writers = once(() => writersByCell(screen, fittings, actions))
  return {
    screen,
    cells,
    fittings,
    shared,
    strays: [
      ...new Set([screen.bindings, screen.on, screen.rows, screen.shown].flatMap((section) => Object.keys(section))),
    ].filter((name) => !Object.hasOwn(screen.fittings, name)),
    actions,
    cellsBehind: (source) => cellsBehind(screen, [source]),
    writersOf: (cell) => writers().get(cell) ?? NOBODY,
    readCells: once(() => cellsBehind(screen, readables(screen, fittings, actions))),
    editedCells: once(() => new Set(fittings.flatMap((fitting) => [...sharedBy(fitting), ...fitting.boundTakers()]))),
    firstReckoned: once(() => firstReckoned(screen)),
    typeOf: (source) => typeOf(cells, source),
    operation: ({ source, name }) => {
      const sources: Readonly<Record<string, AnySource>> = screen.sources
      const operations: Readonly<Record<string, OperationClause>> | undefined = clauseIn(sources, source)?.operations
      return clauseIn(operations, name)
    },
    triggersOf: ({ at, action }) =>
      action.name === '' ? (written().get(at.join('.')) ?? NO_TRIGGERS) : (named().get(action.name) ?? NO_TRIGGERS),
  }
}

/** Whether what a fitting reports is taken by the cell that it shows, at once or when a draft is saved. */
export function isShared(binding: Binding): binding is Extract<Binding, { kind: 'two-way' | 'draft' }> {
  return binding.kind === 'two-way' || binding.kind === 'draft'
}

/** The cells that take what a fitting reports by a binding. */
export function sharedBy({ bindings }: Pick<FittingView, 'bindings'>): string[] {
  return [...bindings.values()].filter(isShared).map(({ source }) => source.name)
}

/** The cells that take what a fitting reports with one event, by a binding. */
export function editedBy(fitting: FittingView, event: string): string[] {
  return fitting
    .boundValues()
    .flatMap(([value, binding]) => (value.event === event && isShared(binding) ? [binding.source.name] : []))
}

/** Whether a journey or an owner holds a cell, and may set it to anything. */
export function isHeldOutside({ cells, shared }: ScreenView, name: string): boolean {
  return shared.has(name) || cells.get(name)?.face !== undefined
}

/** Whether nothing on the screen sets a cell, nor anybody outside. */
export function isUnset(view: ScreenView, name: string): boolean {
  return !isHeldOutside(view, name) && view.writersOf(name).length === 0
}

/** Whether it follows a state of the running screen, which changes by itself. */
export function followsState({ screen }: ScreenView, source: Readable<unknown>): boolean {
  const follows = (one: Readable<unknown>): boolean => {
    if (one.kind === 'cell') return false
    if (isStateToken(one)) return true
    const reckoned = (screen.reckoned as Readonly<Record<string, typeof one>>)[one.name]
    return (one.inputs ?? reckoned?.inputs ?? []).some(follows)
  }
  return follows(source)
}

/** What a cell or a reckoned cell is at first; nothing for the member of a row, which is not known at rest. */
export function firstHeld(view: ScreenView, source: Readable<unknown>): unknown {
  if (source.kind !== 'cell') return view.firstReckoned().find(({ name }) => name === source.name)?.value
  return source.member === undefined ? view.cells.get(source.name)?.initial : undefined
}

/** What a fitting is given for a name at first; nothing where that is not known at rest. */
export function firstGiven(view: ScreenView, { bindings, contract }: FittingView, name: string): unknown {
  const binding = bindings.get(name)
  if (binding === undefined) return clauseOf(contract, name)?.default
  return binding.kind === 'constant' ? binding.value : firstHeld(view, binding.source)
}

/** What a cell holds after a step that writes it with a constant, and a reckoned cell that is computed from it alone; else nothing. */
export function heldAfter(view: ScreenView, source: Readable<unknown>, step: Step): unknown {
  if ((step.step !== 'set' && step.step !== 'clear') || step.cell.row !== undefined) return undefined
  const { name } = step.cell
  const value = step.step === 'clear' ? view.cells.get(name)?.initial : step.value
  if (isPayload(value) || isReadable(value)) return undefined
  if (source.kind === 'cell') return source.name === name ? value : undefined
  const first = view.firstReckoned().find((one) => one.name === source.name)
  return first?.from.length === 1 && first.from[0] === name ? firstOf(first.compute, [value]).value : undefined
}

/** Only the cells are needed for it. */
function firstReckoned(screen: AnyScreen): FirstReckoned[] {
  const values = new Map<string, unknown>(
    Object.values<CellClause>(screen.cells).map(({ name, initial }) => [name, initial]),
  )
  return inRankOrder(Object.values<Reckoned<unknown>>(screen.reckoned)).map(({ name, inputs, compute }) => {
    const given = inputs.map((input) => values.get(input.name))
    const first = {
      name,
      from: inputs.map((input) => input.name),
      inputs: given,
      compute: compute as FirstReckoned['compute'],
      ...firstOf(compute as never, given),
    }
    values.set(name, first.value)
    return first
  })
}

function firstOf(compute: FirstReckoned['compute'], inputs: readonly unknown[]): { value: unknown; threw?: string } {
  try {
    return { value: compute(...inputs) }
  } catch (thrown) {
    return { value: undefined, threw: messageOf(thrown) }
  }
}

function placedActions(screen: AnyScreen, fittings: readonly FittingView[]): Placed[] {
  const placed = (at: readonly string[], action: Action): Placed => ({ at, action, all: [...allSteps(action.steps)] })
  const inSection = (section: string, actions: Readonly<Record<string, Action>>) =>
    Object.entries(actions)
      .filter(([, action]) => action.name === '')
      .map(([name, action]) => placed([section, name], action))
  const steps = (at: string[], list: Steps) => (list.length === 0 ? [] : [placed(at, { name: '', steps: list })])
  return [
    ...Object.values<Action>(screen.actions).map((action) => placed(['actions', action.name], action)),
    ...fittings.flatMap((fitting) =>
      [...fitting.handlers]
        .filter(([, action]) => action.name === '')
        .map(([event, action]) => placed(['bind', fitting.name, 'on', event], action)),
    ),
    ...steps(['enters'], screen.enters.steps),
    ...inSection('hears', screen.hears),
    ...inSection('commands', screen.commands),
    ...steps(['submit', 'then'], screen.submit?.then ?? []),
    ...steps(['submit', 'fails'], screen.submit?.fails ?? []),
  ]
}

function fittingView(
  screen: AnyScreen,
  name: string,
  contract: AnyContract,
  cells: ReadonlyMap<string, CellClause>,
): FittingView {
  const bindings = new Map(Object.entries(screen.bindings[name] ?? {}))
  const handlers = new Map(Object.entries(screen.on[name] ?? {}))
  const takersOf = (value: ValueClause): readonly AnyCell[] => {
    const steps = handlers.get(value.event)?.steps
    if (steps === undefined) return NO_CELLS
    return steps.flatMap((step) => (step.step === 'set' && isPayload(step.value) ? [step.cell] : []))
  }
  return {
    name,
    contract,
    bindings,
    handlers,
    boundValues: once(() =>
      valueClauses(contract).flatMap((value) => {
        const binding = bindings.get(value.name)
        return binding === undefined ? [] : [[value, binding] as const]
      }),
    ),
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
    [...allSteps(action.steps)].some((step) => writes(step, cell)),
  )
  return cells.get(cell)?.initial === true && !isWritten
}

function writes(step: Step, cell: string): boolean {
  return writtenBy(step) === cell
}

function writtenBy(step: Step): string | undefined {
  if (step.step === 'call') return step.into?.name
  return step.step === 'set' || step.step === 'clear' || step.step === 'refresh' ? step.cell.name : undefined
}

/** The events that set steps off, by the name or the place of those. */
function triggersBy(
  fittings: readonly FittingView[],
  key: (place: string, action: Action) => string,
): Map<string, Trigger[]> {
  const triggers = new Map<string, Trigger[]>()
  for (const fitting of fittings)
    for (const [event, action] of fitting.handlers) {
      const by = key(`bind.${fitting.name}.on.${event}`, action)
      triggers.set(by, [...(triggers.get(by) ?? []), { fitting, event }])
    }
  return triggers
}

const NO_TRIGGERS: readonly Trigger[] = []
const NOBODY: readonly string[] = []
const NO_CELLS: readonly AnyCell[] = []

/** By cell: the bindings, steps and loads that write it. */
function writersByCell(
  screen: AnyScreen,
  fittings: readonly FittingView[],
  actions: readonly Placed[],
): Map<string, string[]> {
  const writers = new Map<string, string[]>()
  const add = (cell: string, writer: string) => {
    const known = writers.get(cell)
    if (known === undefined) writers.set(cell, [writer])
    else if (!known.includes(writer)) known.push(writer)
  }
  for (const fitting of fittings)
    for (const [name, binding] of fitting.bindings)
      if (isShared(binding)) add(binding.source.name, `${fitting.name}.${name}`)
  for (const { at, all } of actions)
    for (const step of all) {
      const cell = writtenBy(step)
      if (cell !== undefined) add(cell, at.join('.'))
    }
  for (const cell of Object.keys(screen.loads)) add(cell, `loads.${cell}`)
  return writers
}

/** The cells behind some sources, in one set, however many ways lead to each. */
function cellsBehind(screen: AnyScreen, sources: Iterable<Readable<unknown>>): Set<string> {
  const cells = new Set<string>()
  const seen = new Set<Readable<unknown>>()
  const follow = (source: Readable<unknown>): void => {
    if (source.kind === 'cell') cells.add(source.name)
    else if (!seen.has(source)) {
      seen.add(source)
      const inputs = source.inputs ?? (screen.reckoned as Record<string, Reckoned<unknown>>)[source.name]?.inputs
      inputs?.forEach(follow)
    }
  }
  for (const source of sources) follow(source)
  return cells
}

/** Everything that is read: by bindings, computations, lists, conditions, calls and what is sent. */
function* readables(
  screen: AnyScreen,
  fittings: readonly FittingView[],
  actions: readonly Placed[],
): Generator<Readable<unknown>> {
  const reckoned = screen.reckoned as Record<string, Reckoned<unknown>>
  for (const { bindings } of fittings)
    for (const binding of bindings.values())
      if (binding.kind !== 'constant' && isReadable(binding.source)) yield binding.source
  const others: readonly unknown[] = [
    ...Object.values(reckoned).flatMap(({ inputs }) => inputs),
    ...Object.values(screen.rows).map(({ source }): unknown => source),
    ...Object.values(screen.shown).map(({ source }) => source),
    ...Object.values(screen.readings),
    ...Object.values(screen.answers),
    ...actions.flatMap(({ all }) => all.flatMap(givenReadables)),
    ...[...Object.values(screen.submit?.sends ?? {}), ...Object.values(screen.submit?.heldBy ?? {})].map(
      (name) => reckoned[name] ?? { kind: 'cell', name },
    ),
  ]
  yield* others.filter(isReadable)
}

function typeOf(cells: ReadonlyMap<string, CellClause>, source: Readable<unknown>): TSchema | undefined {
  if (source.kind !== 'cell') return undefined
  const type = cells.get(source.name)?.type
  if (source.member === undefined || type === undefined) return type
  return valueAt(type, ['items', 'properties', source.member]) as TSchema | undefined
}

/** The members that an entry of a list has, where its type says so. */
export function membersOfRow({ cells }: ScreenView, { name }: AnyCell): string[] | undefined {
  const members = valueAt(cells.get(name)?.type, ['items', 'properties'])
  return typeof members === 'object' && members !== null ? Object.keys(members) : undefined
}

/** `office.book` as an operation; what has no dot is the name of a source without one. */
export function operationNamed(text: string): AnyOperation {
  const [source = '', ...rest] = text.split('.')
  return { kind: 'operation', source, name: rest.join('.') }
}

/** A clause by its own name; nothing for what every object has anyway. */
export function clauseIn<C>(clauses: Readonly<Record<string, C>> | undefined, name: string): C | undefined {
  return clauses !== undefined && Object.hasOwn(clauses, name) ? clauses[name] : undefined
}

/** Computed when it is first asked for. */
export function once<T>(make: () => T): () => T {
  let made: { value: T } | undefined
  return () => (made ??= { value: make() }).value
}

/** Every name that may be bound on a fitting. */
export function bindableNames(contract: AnyContract): string[] {
  return givenClauses(contract).map((clause) => clause.name)
}
