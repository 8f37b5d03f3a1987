import type {
  CommandMap,
  Contract,
  ContractTypes,
  Named,
  ReportName,
  SchemaMap,
  Static,
  TSchema,
} from '../contract/index.js'

/** The object that has a `T` where a JSON Pointer leads (RFC 6901). */
type AtPointer<P extends string, T> = P extends `/${infer Head}/${infer Rest}`
  ? { readonly [K in Head]: AtPointer<`/${Rest}`, T> }
  : P extends `/${infer Last}`
    ? { readonly [K in Last]: T }
    : T

/** The event that carries a value at some place. */
type Carrying<P extends string, T> = P extends '/detail'
  ? CustomEvent<T>
  : P extends `/detail/${infer Rest}`
    ? CustomEvent<AtPointer<`/${Rest}`, T>>
    : Event & AtPointer<P, T>

type Names<T> = Extract<keyof T, string>
type ValueEvent<T extends ContractTypes, K extends string> = Carrying<
  Named<T['payloadsAt'], K, '/detail/value'>,
  K extends keyof T['values'] ? Static<T['values'][K]> : never
>

type EventsFrom<T extends ContractTypes> = { [K in Names<T['events']>]: CustomEvent<Static<T['events'][K]>> } & {
  [K in Names<T['values']> as ReportName<T, K>]: ValueEvent<T, K>
} & { [K in Names<T['vetoNames']> as Extract<T['vetoNames'][K], string>]: ValueEvent<T, K> }

type TypesOf<S extends SchemaMap> = { -readonly [K in keyof S]: Static<S[K]> }
type CommandsOf<C extends CommandMap> = {
  [K in keyof C]: (
    ...args: C[K] extends { takes: infer S extends TSchema } ? [Static<S>] : []
  ) => C[K] extends { gives: infer S extends TSchema } ? Static<S> : void
}

interface Listening<E> {
  addEventListener<K extends keyof E & string>(
    type: K,
    listener: (event: E[K]) => void,
    options?: boolean | AddEventListenerOptions,
  ): void
  removeEventListener<K extends keyof E & string>(
    type: K,
    listener: (event: E[K]) => void,
    options?: boolean | EventListenerOptions,
  ): void
}

/** The element that keeps the contract of these types. */
export type ElementFrom<T extends ContractTypes> = Omit<
  HTMLElement,
  'addEventListener' | 'removeEventListener' | keyof T['properties'] | keyof T['values'] | keyof T['commands']
> &
  TypesOf<T['properties']> &
  TypesOf<T['values']> &
  Readonly<TypesOf<T['readings']>> &
  CommandsOf<T['commands']> &
  Listening<EventsFrom<T> & HTMLElementEventMap>

/**
 * The element that keeps a contract, with its properties, commands and events. In your tag-name map it types `querySelector` and
 * `createElement`: `declare global { interface HTMLElementTagNameMap { 'bale-stepper': ElementOf<typeof baleStepper> } }`.
 */
export type ElementOf<C> = C extends Contract<infer T> ? ElementFrom<T> : never

/** The events of a component, by name: those that it declares, and those that report its values. */
export type EventsOf<C> = C extends Contract<infer T> ? EventsFrom<T> : never
