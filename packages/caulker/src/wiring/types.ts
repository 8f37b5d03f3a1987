import type { AnyContract, Contract, ContractTypes, SchemaMap, Static, ValueEventNames } from '../contract/index.js'
import type { OperationMap, OperationsOf, Source } from './source.js'
import type { EventRef, Steps, TopicRef } from './steps.js'
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
    on?: { [K in Names<T['events']> | ValueEventNames<T>]?: Steps }
  }
export type GivenOf<U> = U extends Contract<infer T> ? Given<T> : never
type KeysOf<U> = U extends Contract<infer T> ? keyof T['properties'] | keyof T['values'] | 'on' : never

/** Excess names in what a callback returns are not refused by themselves. */
export type OnlyKnown<B, U> = {
  [K in keyof B]: K extends keyof U
    ? { [N in keyof B[K]]: N extends KeysOf<U[K]> ? unknown : ['no such name on this component', N] }
    : ['no such fitting', K]
}

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
