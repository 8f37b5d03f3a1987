import {
  CaulkerError,
  rememberPlace,
  type After,
  type Amend,
  type OneOrMore,
  type Refuse,
  type SchemaMap,
  type Static,
  type TSchema,
} from '../contract/index.js'
import { compose } from './compose.js'
import type { AnySource, Source } from './source.js'
import type { AnyOperation, OperationRef, Steps } from './steps.js'
import type { Cell, DraftOf, OneWay, Reckoned, Rows, Showing, TwoWay } from './tokens.js'
import type { AnyTopic, Topic } from './topic.js'
import type {
  AnyFittings,
  CellsOf,
  FittingsOf,
  GivenOf,
  OnlyKnown,
  OperationName,
  RowsOf,
  SourcesOf,
  TopicsOf,
} from './types.js'

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
  /** In the interior of a component: whether it stands for a property or a value of its face. */
  readonly face?: 'property' | 'value'
  /** There: whether its owner must supply it. */
  readonly isRequired?: boolean
}

/** What stands for a name of a fitting: a constant, or a binding. */
export type Binding =
  { readonly kind: 'constant'; readonly value: unknown } | OneWay<unknown> | TwoWay<unknown> | DraftOf<unknown>

/** The steps that hear one event; the name is that of the action, or empty for steps written in place. */
export interface Action {
  readonly name: string
  readonly steps: Steps
}

/** What fills a cell when the screen is entered, and again by `refresh`. */
export interface Load<T> {
  readonly kind: 'load'
  readonly operation: AnyOperation
  readonly given: unknown
  readonly gives?: T
}

/** What is sent, and where; the names are cells or reckoned cells, by the member that each becomes. */
export interface SubmitClause {
  readonly sends: Readonly<Record<string, string>>
  /** Cells that are edited here and knowingly not sent. */
  readonly leaves: readonly string[]
  readonly to: string
  readonly then: Steps
  readonly fails: Steps
}

export interface ResetClause {
  readonly to: 'initial' | 'default' | 'saved'
  /** The cells in its scope; all of them where it is left out. */
  readonly cells: readonly string[] | undefined
  readonly leaves: readonly string[]
}

/** One composition: what it holds, what stands on it and how they are wired. */
export interface Screen<
  S extends SchemaMap = SchemaMap,
  U extends AnyFittings = AnyFittings,
  D = Record<string, Reckoned<unknown>>,
  A = unknown,
> {
  readonly kind: 'screen'
  readonly name: string
  readonly cells: { readonly [K in keyof S]: CellClause }
  readonly fittings: U
  readonly sources: Readonly<Record<string, AnySource>>
  readonly topics: Readonly<Record<string, AnyTopic>>
  readonly reckoned: D
  readonly rows: Readonly<Record<string, Rows<unknown>>>
  readonly shown: Readonly<Record<string, Showing>>
  readonly loads: Readonly<Record<string, Load<unknown>>>
  readonly actions: { readonly [K in keyof A]: Action }
  readonly bindings: Readonly<Record<string, Readonly<Record<string, Binding>>>>
  readonly on: Readonly<Record<string, Readonly<Record<string, Action>>>>
  /** What runs when the screen is entered, and what hears the topics. */
  readonly enters: Action
  readonly hears: Readonly<Record<string, Action>>
  readonly submit: SubmitClause | undefined
  readonly reset: ResetClause | undefined
  /** The cells that outlive the screen in its journey. */
  readonly keeps: readonly string[]
  /** In the interior of a component: what carries out each command, and what each reading is. */
  readonly commands: Readonly<Record<string, Action>>
  readonly readings: Readonly<Record<string, Cell<unknown> | Reckoned<unknown>>>
  /** Only for the compiler: the types of the cells. */
  readonly types?: { cells: { [K in keyof S]: Static<S[K]> } }
}

// A typed seam: any screen.
export type AnyScreen = Screen<any, any, any, any>

type Sections<S extends SchemaMap, U, O, T, D> = {
  cells: CellsOf<S>
  reckoned: NoInfer<D>
  fittings: FittingsOf<U>
  sources: SourcesOf<O>
  topics: TopicsOf<T>
}
type Names<T> = Extract<keyof T, string>
type StepsOf<I> = Steps | ((its: I) => Steps)

export interface ScreenDraft<
  S extends SchemaMap,
  U extends AnyFittings,
  O extends Record<string, Source<any>>,
  T extends Record<string, Topic<any>>,
  D,
  W,
  A,
  B,
> {
  cells: { [K in keyof S]: CellDraft<S[K]> }
  fittings: U
  sources?: O
  topics?: T
  reckoned?: (its: { cells: CellsOf<S> }) => D
  /** Fittings that stand once for each entry of a list. */
  rows?: (its: { cells: CellsOf<S> }) => W
  /** Fittings that are shown only while a cell holds. */
  shown?: (its: { cells: CellsOf<S>; reckoned: NoInfer<D> }) => { readonly [K in keyof U]?: Showing }
  /** What each cell is loaded with when the screen is entered. */
  loads?: (its: { cells: CellsOf<S>; sources: SourcesOf<O> }) => { readonly [K in keyof S]?: Load<Static<S[K]>> }
  actions?: (its: Sections<S, U, O, T, D>) => A
  enters?: StepsOf<Sections<S, U, O, T, D>>
  hears?: (its: Sections<S, U, O, T, D>) => { readonly [K in keyof T]?: Steps }
  bind: (its: {
    cells: CellsOf<S>
    reckoned: NoInfer<D>
    actions: NoInfer<A>
    row: RowsOf<NoInfer<W>>
  }) => B & OnlyKnown<B, U>
  submit?: {
    sends: readonly NoInfer<Names<S> | Names<D>>[] | Readonly<Record<string, NoInfer<Names<S> | Names<D>>>>
    leaves?: readonly NoInfer<Names<S>>[]
    to: OperationName<NoInfer<O>>
    then?: StepsOf<Sections<S, U, O, T, D>>
    fails?: StepsOf<Sections<S, U, O, T, D>>
  }
  reset?: {
    to: 'initial' | 'default' | 'saved'
    cells?: readonly NoInfer<Names<S>>[]
    leaves?: readonly NoInfer<Names<S>>[]
  }
  keeps?: readonly NoInfer<Names<S>>[]
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
  U extends AnyFittings,
  B extends { [K in keyof U]: GivenOf<U[K]> },
  D extends Record<string, Reckoned<any>> = {},
  A extends { [K in keyof A]: Steps } = {},
  O extends Record<string, Source<any>> = {},
  T extends Record<string, Topic<any>> = {},
  W extends Record<string, Rows<any>> = {},
>(name: string, draft: ScreenDraft<S, U, O, T, D, W, A, B>): Screen<S, U, D, A> {
  if (typeof name !== 'string' || name === '')
    throw new CaulkerError(
      'malformed-screen',
      `screen '${String(name)}': the name must be a text, such as 'work-order'`,
    )
  const made = compose(`screen '${name}'`, name, draft as never)
  rememberPlace(made, screen)
  return Object.freeze(made) as never
}

/** What a cell is loaded with: an operation that reads, and what it is given. */
export function load<Takes, Gives>(
  operation: OperationRef<Takes, Gives>,
  ...given: undefined extends Takes ? [] : [Takes]
): Load<Gives> {
  return { kind: 'load', operation, given: given[0] }
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
