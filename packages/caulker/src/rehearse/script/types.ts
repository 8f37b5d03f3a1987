import type { Contract, SchemaMap, Static } from '../../contract/index.js'
import type { AnyFittings, AnySource, Journey, OperationName, Screen, Source } from '../../wiring/index.js'

// The steps of a script, typed from the screen or journey that it is of: names complete in the editor, and misspelt ones are errors.

type Names<T> = Extract<keyof T, string>
type OneOf<T> = T[keyof T]

/** Every screen of a wiring. */
type ScreensOf<W> = W extends Journey<infer U> ? OneOf<U> : W
type Parts<K> =
  K extends Screen<infer S, infer U, any, any, infer O, any> ? { cells: S; fittings: U; sources: O } : never

type Row = { readonly row?: string }
type Which = { readonly which?: number }

type EditOf<U extends AnyFittings> = OneOf<{
  [F in Names<U>]: U[F] extends Contract<infer T>
    ? OneOf<{ [V in Names<T['values']>]: { readonly edit: `${F}.${V}`; readonly to: Static<T['values'][V]> } & Row }>
    : never
}>
type ShowOf<U extends AnyFittings> = OneOf<{
  [F in Names<U>]: U[F] extends Contract<infer T>
    ? | OneOf<{ [V in Names<T['values']>]: { readonly shows: `${F}.${V}`; readonly as: Static<T['values'][V]> } & Row }>
      | OneOf<{
          [V in Names<T['properties']>]: {
            readonly shows: `${F}.${V}`
            readonly as: Static<T['properties'][V]>
          } & Row
        }>
    : never
}>
type PressOf<U extends AnyFittings> = OneOf<{
  [F in Names<U>]: U[F] extends Contract<infer T>
    ? OneOf<{
        [E in Names<T['events']>]: {
          readonly press: E extends 'press' ? F : `${F}.${E}`
          readonly with?: unknown
        } & Row
      }>
    : never
}>
type AtOf<U> = { readonly leave: Names<U> } & Row

type CellOf<S extends SchemaMap> = OneOf<{
  [C in Names<S>]: { readonly holds: C; readonly as: Static<S[C]> }
}>
type SetOf<S extends SchemaMap> = { readonly set: { readonly [C in keyof S]?: Static<S[C]> } }

type Gives<O, N extends string> = N extends `${infer A}.${infer B}`
  ? A extends keyof O
    ? O[A] extends Source<infer M>
      ? B extends keyof M
        ? M[B] extends { gives: infer G }
          ? Static<Extract<G, SchemaMap[string]>>
          : unknown
        : never
      : never
    : never
  : never
type SourceOf<O extends Readonly<Record<string, AnySource>>> = OneOf<{
  [N in Extract<OperationName<O>, string>]:
    | ({ readonly answer: N; readonly given?: Gives<O, N> } & Which)
    | { readonly late: N; readonly given?: Gives<O, N> }
    | ({
        readonly fail: N
        readonly because: string
        readonly problems?: Readonly<Record<string, string>>
      } & Which)
    | ({ readonly never: N } & Which)
    | { readonly sent: N; readonly with?: unknown; readonly times?: number }
}>

type StepsOn<P> = P extends {
  cells: infer S extends SchemaMap
  fittings: infer U extends AnyFittings
  sources: infer O extends Readonly<Record<string, AnySource>>
}
  ? | EditOf<U>
    | ShowOf<U>
    | PressOf<U>
    | AtOf<U>
    | CellOf<S>
    | SetOf<S>
    | SourceOf<O>
    | { readonly says: string; readonly beside?: Names<U> }
  : never

/** One step of a script of a wiring. */
export type ScriptStepOf<W> =
  | StepsOn<Parts<ScreensOf<W>>>
  | { readonly on: W extends Journey<infer U> ? Names<U> : string }
  | { readonly pass: number }
  | { readonly travel: 'back' | 'forward' }
  | { readonly form: 'submit' | 'reset' }
  | { readonly lost: 'nothing' }
