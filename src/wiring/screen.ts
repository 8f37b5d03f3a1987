import type {
  After,
  Amend,
  AnyContract,
  Contract,
  OneOrMore,
  Refuse,
  SchemaMap,
  Static,
  TSchema,
} from '../contract/index.js'
import { CaulkerError, hint, isContract, listed, mapValues, rememberPlace } from '../contract/index.js'
import type { Cell, FittingRef, OneWay, Reckoned, Step, Steps, TwoWay } from './tokens.js'

/** The clauses of a cell, as a developer writes them. */
export interface CellDraft<S extends TSchema> {
  type: S
  initial: Static<NoInfer<S>>
  summary?: string
  amend?: OneOrMore<Amend<Static<NoInfer<S>>>>
  refuse?: OneOrMore<Refuse<Static<NoInfer<S>>>>
  after?: OneOrMore<After<Static<NoInfer<S>>>>
}

export interface CellClause {
  readonly name: string
  readonly type: TSchema
  readonly initial: unknown
  readonly amend: readonly Amend<unknown>[]
  readonly refuse: readonly Refuse<unknown>[]
  readonly after: readonly After<unknown>[]
}

/** What stands for a name of a fitting: a constant, or a binding. */
export type Binding = { readonly kind: 'constant'; readonly value: unknown } | OneWay<unknown> | TwoWay<unknown>

/** The steps that hear one event; the name is that of the action, or empty for steps written in place. */
export interface Action {
  readonly name: string
  readonly steps: Steps
}

/** One composition: what it holds, what stands on it and how they are wired. */
export interface Screen<
  S extends SchemaMap = SchemaMap,
  U extends Record<string, AnyContract> = Record<string, AnyContract>,
  D = Record<string, Reckoned<unknown>>,
  A = unknown,
> {
  readonly kind: 'screen'
  readonly name: string
  readonly cells: { readonly [K in keyof S]: CellClause }
  readonly fittings: U
  readonly reckoned: D
  readonly actions: { readonly [K in keyof A]: Action }
  readonly bindings: Readonly<Record<string, Readonly<Record<string, Binding>>>>
  readonly on: Readonly<Record<string, Readonly<Record<string, Action>>>>
  /** Only for the compiler: the types of the cells. */
  readonly types?: { cells: { [K in keyof S]: Static<S[K]> } }
}

export type AnyScreen = Screen<any, any, any, any>

type Kebab<S extends string> = S extends `${infer First}${infer Rest}`
  ? Rest extends Uncapitalize<Rest>
    ? `${Lowercase<First>}${Kebab<Rest>}`
    : `${Lowercase<First>}-${Kebab<Rest>}`
  : S
type ReportName<V, N> =
  | { [K in keyof N]: N[K] extends string ? (string extends N[K] ? never : N[K]) : never }[keyof N]
  | `${Kebab<Extract<keyof V, string>>}-set`
type Down<T> = T | OneWay<T>
type Optional<T> = { [K in keyof T]?: T[K] | undefined }

/** Everything that may be bound on a fitting. */
type Given<P extends SchemaMap, R extends string, V extends SchemaMap, E extends SchemaMap, N> = {
  [K in Extract<keyof P, R>]: Down<Static<P[K]>>
} & Optional<{ [K in Exclude<keyof P, R>]: Down<Static<P[K]>> }> & {
    [K in Extract<keyof V, R>]: Down<Static<V[K]>> | TwoWay<Static<V[K]>>
  } & Optional<{ [K in Exclude<keyof V, R>]: Down<Static<V[K]>> | TwoWay<Static<V[K]>> }> & {
    on?: { [K in Extract<keyof E, string> | ReportName<V, N>]?: Steps }
  }
type GivenOf<U> = U extends Contract<infer P, infer R, infer V, infer E, any, infer N> ? Given<P, R, V, E, N> : never
type KeysOf<U> = U extends Contract<infer P, any, infer V, any, any, any> ? keyof P | keyof V | 'on' : never
type OnlyKnown<B, U> = {
  [K in keyof B]: K extends keyof U
    ? { [N in keyof B[K]]: N extends KeysOf<U[K]> ? unknown : ['no such name on this component', N] }
    : ['no such fitting', K]
}
type FittingOf<U> = U extends Contract<any, any, any, any, infer C, any> ? FittingRef<C> : never
type CellsOf<S extends SchemaMap> = { readonly [K in keyof S]: Cell<Static<S[K]>> }

export interface ScreenDraft<S extends SchemaMap, U extends Record<string, AnyContract>, D, A, B> {
  cells: { [K in keyof S]: CellDraft<S[K]> }
  fittings: U
  reckoned?: (its: { cells: CellsOf<S> }) => D
  actions?: (its: {
    cells: CellsOf<S>
    reckoned: NoInfer<D>
    fittings: { readonly [K in keyof U]: FittingOf<U[K]> }
  }) => A
  bind: (its: { cells: CellsOf<S>; reckoned: NoInfer<D>; actions: NoInfer<A> }) => B & OnlyKnown<B, U>
}

/**
 * Wires components into a screen: the cells that it holds, the components placed on it, and what is bound to what.
 *
 * Names that do not exist are compile errors in TypeScript and findings of `check` everywhere; nothing is thrown for them. Throws a
 * {@link CaulkerError} `malformed-screen` only where a part is missing or is no function.
 *
 * @example
 * ```ts
 * import { contract, screen, set, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 3 } },
 *   fittings: { winch },
 *   actions: ({ cells }) => ({ slack: [set(cells.turns, 0)] }),
 *   bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
 * })
 * console.assert(slip.bindings.winch.turns.kind === 'two-way')
 * ```
 */
export function screen<
  S extends SchemaMap,
  U extends Record<string, AnyContract>,
  D extends Record<string, Reckoned<any>>,
  A extends { [K in keyof A]: Steps },
  B extends { [K in keyof U]: GivenOf<U[K]> },
>(name: string, draft: ScreenDraft<S, U, D, A, B>): Screen<S, U, D, A> {
  refuseMalformed(name, draft)
  const cells = named('cell', draft.cells)
  const reckoned = withNames(draft.reckoned?.({ cells: cells as never }) ?? {})
  const known = named('reckoned', reckoned, (key) => (reckoned as Record<string, unknown>)[key])
  const written =
    draft.actions?.({
      cells: cells as never,
      reckoned: known as never,
      fittings: named('fitting', draft.fittings) as never,
    }) ?? {}
  const actions = named('action', written, (key) => (written as Record<string, unknown>)[key])
  const bound = draft.bind({ cells: cells as never, reckoned: known as never, actions: actions as never }) as Record<
    string,
    Record<string, unknown>
  >
  const made: AnyScreen = {
    kind: 'screen',
    name,
    cells: mapValues(draft.cells, cellClause),
    fittings: { ...draft.fittings },
    reckoned,
    actions: mapValues(written, (steps: Steps, key) => ({ name: key, steps })),
    bindings: mapValues(bound, bindingsOf),
    on: mapValues(bound, (entries) =>
      mapValues((entries['on'] ?? {}) as Record<string, unknown>, (steps) => actionOf(steps, written)),
    ),
  }
  rememberPlace(made, screen)
  return Object.freeze(made) as never
}

/** Whether something is a screen, by its own mark. */
export function isScreen(value: unknown): value is AnyScreen {
  return (
    typeof value === 'object' &&
    value !== null &&
    (value as { kind?: unknown }).kind === 'screen' &&
    'bindings' in value
  )
}

/**
 * Names as tokens. An unknown name gives a token too, so that a slip in plain JavaScript becomes a finding with the closest right name
 * instead of a crash while the screen is being written.
 */
function named(kind: string, section: object, make: (name: string) => unknown = (name) => ({ kind, name })): object {
  return new Proxy(
    {},
    {
      get: (_target, name) =>
        typeof name !== 'string' ? undefined : Object.hasOwn(section, name) ? make(name) : { kind, name },
      ownKeys: () => Object.keys(section),
      getOwnPropertyDescriptor: (_target, name) =>
        Object.hasOwn(section, name) ? { enumerable: true, configurable: true } : undefined,
    },
  )
}

function withNames<D>(reckoned: D): D {
  for (const [name, one] of Object.entries(reckoned as Record<string, { name: string }>)) one.name = name
  return reckoned
}

function cellClause(draft: CellDraft<TSchema>, name: string): CellClause {
  return {
    name,
    type: draft.type,
    initial: draft.initial,
    amend: listed(draft.amend),
    refuse: listed(draft.refuse),
    after: listed(draft.after),
  }
}

function bindingsOf(entries: Record<string, unknown>): Record<string, Binding> {
  return mapValues(Object.fromEntries(Object.entries(entries).filter(([name]) => name !== 'on')), (value) =>
    isBinding(value) ? value : { kind: 'constant', value },
  )
}

function isBinding(value: unknown): value is OneWay<unknown> | TwoWay<unknown> {
  const kind = (value as { kind?: unknown } | null)?.kind
  return (kind === 'one-way' || kind === 'two-way') && 'source' in (value as object)
}

function actionOf(steps: unknown, written: object): Action {
  if (Array.isArray(steps)) {
    const name = Object.entries(written).find(([, one]) => one === steps)?.[0]
    return { name: name ?? '', steps: steps as Step[] }
  }
  return { name: String((steps as { name?: unknown } | null)?.name ?? steps), steps: [] }
}

function refuseMalformed(name: unknown, draft: unknown): void {
  const fail = (wrong: string): never => {
    throw new CaulkerError('malformed-screen', `screen '${String(name)}': ${wrong}`)
  }
  if (typeof name !== 'string' || name === '') fail("the name must be a text, such as 'work-order'")
  if (typeof draft !== 'object' || draft === null) fail('must be an object with cells, fittings and bind')
  const parts = draft as Record<string, unknown>
  const sections = ['cells', 'fittings', 'reckoned', 'actions', 'bind']
  for (const section of Object.keys(parts))
    if (!sections.includes(section)) fail(`the part '${section}' does not exist${hint(section, sections)}`)
  if (typeof parts['cells'] !== 'object' || parts['cells'] === null)
    fail('cells must be an object with a clause for each cell; {} for none')
  for (const [cell, clause] of Object.entries(parts['cells'] as object))
    if (typeof clause !== 'object' || clause === null || !('type' in clause))
      fail(`cells.${cell} has no type; write { type: Type.String(), initial: '' }`)
  if (typeof parts['fittings'] !== 'object' || parts['fittings'] === null)
    fail('fittings must be an object with a contract for each fitting')
  for (const [fitting, contract] of Object.entries(parts['fittings'] as object))
    if (!isContract(contract)) fail(`fittings.${fitting} is no contract; give what contract(…) returned`)
  for (const part of ['bind', 'reckoned', 'actions'])
    if (typeof parts[part] !== 'function' && (part === 'bind' || parts[part] !== undefined))
      fail(`${part} must be a function of { cells, … }`)
}
