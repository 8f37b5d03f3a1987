import type {
  AnyContract,
  Contract,
  ContractTypes,
  ReportName,
  SchemaMap,
  Static,
  ValueEventNames,
} from '../contract/index.js'
import type { OperationMap, OperationsOf, Source } from './source.js'
import type { EventRef, StepsOf, TopicRef, WaysOf } from './steps.js'
import type { Cell, DraftOf, FittingRef, OneWay, Reckoned, Rows, TwoWay } from './tokens.js'
import type { Topic } from './topic.js'

/** What the callbacks of a screen are given, and what they may return, for the compiler. */

type Down<T> = T | OneWay<T>
type Shared<T> = Down<T> | TwoWay<T> | DraftOf<T>
type Optional<T> = { [K in keyof T]?: T[K] | undefined }
type Names<T> = Extract<keyof T, string>

/** Everything that may be bound on a fitting. */
type Given<T extends ContractTypes> = {
  [K in Extract<keyof T['properties'], T['required']>]: Down<Static<T['properties'][K]>>
} & Optional<{ [K in Exclude<keyof T['properties'], T['required']>]: Down<Static<T['properties'][K]>> }> & {
    [K in Extract<keyof T['values'], T['required']>]: Shared<Static<T['values'][K]>>
  } & Optional<{ [K in Exclude<keyof T['values'], T['required']>]: Shared<Static<T['values'][K]>> }> & {
    on?: { [K in Names<T['events']> | ValueEventNames<T>]?: StepsOf<Carried<T, K>> }
  }
export type GivenOf<U> = U extends Contract<infer T> ? Given<T> : never

/** What an event carries to the steps that hear it; anything, where its contract does not say. */
type Carried<T extends ContractTypes, K> = K extends keyof T['events']
  ? Known<Static<T['events'][K]>>
  : Known<
      { [V in Names<T['values']>]: ReportName<T, V> extends K ? Static<T['values'][V]> : never }[Names<T['values']>]
    >
// A typed seam: what nobody has declared.
type Known<P> = [P] extends [never] ? any : unknown extends P ? any : P

type KeysOf<U> = U extends Contract<infer T> ? Names<T['properties']> | Names<T['values']> | 'on' : never
type EventsOf<U> = U extends Contract<infer T> ? Names<T['events']> | ValueEventNames<T> : never

/** Excess names in what a callback returns are not refused by themselves. */
export type OnlyKnown<B, U> = {
  [K in keyof B]: K extends keyof U
    ? {
        [N in keyof B[K]]: N extends 'on'
          ? OnlyHeard<B[K][N], EventsOf<U[K]>>
          : N extends KeysOf<U[K]>
            ? unknown
            : Wrong<'name of this component', N, KeysOf<U[K]>>
      }
    : Wrong<'fitting of this screen', K, keyof U>
}
type OnlyHeard<O, E> = { [N in keyof O]: N extends E ? unknown : Wrong<'event of this component', N, E> }

/** The screens to which what is bound and what is named lead. */
export type WaysIn<A, B> = Extract<
  { [K in keyof A]: WaysOf<A[K]> }[keyof A] | { [F in keyof B]: WaysHeard<B[F]> }[keyof B],
  string
>
type WaysHeard<G> = G extends { readonly on?: infer O } ? { [E in keyof O]: WaysOf<O[E]> }[keyof O] : never

/** A sentence that the compiler misses, and so says first: a wrong name, and the closest right one. */
export type Wrong<What extends string, N, All> = N extends string
  ? { readonly [K in Said<What, N, All>]: never }
  : never
type Said<What extends string, N extends string, All> = [Closest<N, All>] extends [never]
  ? `'${N}' is no ${What}`
  : `'${N}' is no ${What}: did you mean '${Closest<N, All>}'?`

/** Names that differ by one letter, or by two neighbours that changed places. */
type Closest<N extends string, All> = All extends string
  ? [(Shortened<All> | All) & (Shortened<N> | N)] extends [never]
    ? never
    : All
  : never
type Shortened<S extends string, Before extends string = ''> = S extends `${infer First}${infer Rest}`
  ? `${Before}${Rest}` | Shortened<Rest, `${Before}${First}`>
  : never

type FittingOf<U> = U extends Contract<infer T> ? FittingRef<T['commands']> : never
export type FittingsOf<U> = { readonly [K in keyof U]: FittingOf<U[K]> }
export type CellsOf<S extends SchemaMap> = { readonly [K in keyof S]: Cell<Static<S[K]>> }
export type SourcesOf<O> = { readonly [K in keyof O]: OperationsOf<O[K]> }
export type TopicsOf<T> = { readonly [K in keyof T]: T[K] extends Topic<infer S> ? TopicRef<Static<S>> : never }
export type RowsOf<W> = {
  readonly [F in keyof W]: W[F] extends Rows<infer E> ? { readonly [M in keyof E]-?: Cell<E[M]> } : never
}

/** The face of a component as its interior sees it: properties to read, values to share, events to send. */
export interface FaceOf<T extends ContractTypes> {
  readonly properties: { readonly [K in keyof T['properties']]: Reckoned<Static<T['properties'][K]>> }
  readonly values: { readonly [K in keyof T['values']]: Cell<Static<T['values'][K]>> }
  readonly events: { readonly [K in keyof T['events']]: EventRef<Static<T['events'][K]>> }
}

/** `office.book`: every operation of every source of a screen. */
export type OperationName<O> = {
  [K in Names<O>]: O[K] extends Source<infer M extends OperationMap> ? `${K}.${Names<M>}` : never
}[Names<O>]

export type AnyFittings = Record<string, AnyContract>
