import { CaulkerError } from '../words/index.js'
import { rememberPlace, type SchemaMap, type Static, type Waivers } from '../contract/index.js'
import { asked } from './asked.js'
import { compose } from './compose.js'
import type { AnyScreen, CellDraft, Load, Screen } from './screen-model.js'
import type { Source } from './source.js'
import type { Failed, OperationRef, Steps, StepsOf } from './steps.js'
import type { Reckoned, Rows, Showing } from './tokens.js'
import type { Topic } from './topic.js'
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
  WaysIn,
} from './types.js'

type Sections<S extends SchemaMap, U, O, T, D> = {
  cells: CellsOf<S>
  reckoned: NoInfer<D>
  fittings: FittingsOf<U>
  sources: SourcesOf<O>
  topics: TopicsOf<T>
}
type Names<T> = Extract<keyof T, string>
type Listed<I, P = unknown> = StepsOf<P> | ((its: I) => StepsOf<P>)

declare const PENDING: unique symbol
/** What `bind` returns, as long as the compiler has not come to it: until then it does not know what is reckoned either. */
type Pending<U extends AnyFittings> = { [K in keyof U]: GivenOf<U[K]> } & { [PENDING]?: true }
/** The names that a submit may send. */
type Sent<S, D, B> = typeof PENDING extends keyof B ? string : NoInfer<Names<S> | Names<D>>

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
  reckoned?: (its: { cells: CellsOf<S>; fittings: FittingsOf<U> }) => D
  /** Fittings that stand once for each entry of a list. */
  rows?: (its: { cells: CellsOf<S> }) => W
  /** Fittings that are shown only while a cell holds. */
  shown?: (its: { cells: CellsOf<S>; reckoned: NoInfer<D>; fittings: FittingsOf<U> }) => {
    readonly [K in keyof U]?: Showing
  }
  /** What each cell is loaded with when the screen is entered. */
  loads?: (its: { cells: CellsOf<S>; sources: SourcesOf<O> }) => { readonly [K in keyof S]?: Load<Static<S[K]>> }
  /** Steps by name; `row` stands for the entry of the row that sets them off. */
  actions?: (its: Sections<S, U, O, T, D> & { row: RowsOf<NoInfer<W>> }) => A
  enters?: Listed<Sections<S, U, O, T, D>>
  hears?: (its: Sections<S, U, O, T, D>) => {
    readonly [K in keyof T]?: StepsOf<T[K] extends Topic<infer P> ? Static<P> : unknown>
  }
  bind: (its: {
    cells: CellsOf<S>
    reckoned: NoInfer<D>
    fittings: FittingsOf<U>
    actions: NoInfer<A>
    row: RowsOf<NoInfer<W>>
  }) => B & OnlyKnown<B, U>
  submit?: {
    sends: readonly Sent<S, D, B>[] | Readonly<Record<string, Sent<S, D, B>>>
    leaves?: readonly NoInfer<Names<S>>[]
    /** Cells that must not be empty when it is sent; what is missing is said beside their fields. */
    needs?: readonly NoInfer<Names<S>>[] | { readonly [K in NoInfer<Names<S>>]?: string }
    /** Rules across cells: by cell, the reckoned text that says what is wrong with it; an empty one lets the submit pass. */
    heldBy?: { readonly [K in NoInfer<Names<S>>]?: Sent<S, D, B> }
    to: OperationName<NoInfer<O>>
    then?: Listed<Sections<S, U, O, T, D>, any>
    fails?: Listed<Sections<S, U, O, T, D>, Failed>
  }
  reset?: {
    to: 'initial' | 'default' | 'saved'
    cells?: readonly NoInfer<Names<S>>[]
    leaves?: readonly NoInfer<Names<S>>[]
  }
  keeps?: readonly NoInfer<Names<S>>[]
  /** What holds at every moment of a rehearsal, by its sentence: `{ 'the pitch is in order': reckon([low, high], (low, high) => low <= high) }`. */
  always?: (its: { cells: CellsOf<S>; reckoned: NoInfer<D> }) => Readonly<Record<string, Reckoned<boolean>>>
  /** What never happens, by its sentence. */
  never?: (its: { cells: CellsOf<S>; reckoned: NoInfer<D> }) => Readonly<Record<string, Reckoned<boolean>>>
  /** Rules of `check` that it knowingly breaks: the reason, or the reason for each fitting, cell or action that it is waived for. */
  waives?: Waivers
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
  B extends { [K in keyof U]: GivenOf<U[K]> } = Pending<U>,
  D extends Record<string, Reckoned<any>> = {},
  A extends { [K in keyof A]: Steps } = {},
  O extends Record<string, Source<any>> = {},
  T extends Record<string, Topic<any>> = {},
  W extends Record<string, Rows<any>> = {},
>(name: string, draft: ScreenDraft<S, U, O, T, D, W, A, B>): Screen<S, U, D, A, O, WaysIn<A, B>> {
  if (typeof name !== 'string' || name === '')
    throw new CaulkerError(
      'malformed-screen',
      `screen '${String(name)}': the name must be a text, such as 'work-order'`,
    )
  const made = compose(`screen '${name}'`, name, draft as never)
  rememberPlace(made, screen)
  return Object.freeze(made) as never
}

/**
 * What a cell is loaded with: an operation that reads, and what it is given.
 *
 * @example
 * ```ts
 * import { source } from 'caulker'
 * import { contract, load, screen, twoWay, Type } from 'caulker'
 * const office = source('yard-office', { turns: { effect: 'reads', gives: Type.Integer() }, book: { effect: 'creates', takes: Type.Object({ turns: Type.Integer() }) } })
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   sources: { office },
 *   loads: ({ sources }) => ({ turns: load(sources.office.turns) }),
 *   bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
 * })
 * console.assert(slip.loads['turns']?.operation.name === 'turns')
 * ```
 */
export function load<Takes, Gives>(
  operation: OperationRef<Takes, Gives>,
  ...given: undefined extends Takes ? [] : [Takes]
): Load<Gives> {
  return { kind: 'load', operation: asked('load', 'operation', operation), given: given[0] }
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
