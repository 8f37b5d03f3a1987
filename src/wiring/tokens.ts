/** What a screen holds, as its bindings and steps name it. `T` is the type of its value. */
export interface Cell<T> {
  readonly kind: 'cell'
  readonly name: string
  /** Only for the compiler: a cell is read and written, so its type must be the same both ways. */
  readonly both?: (value: T) => T
}

// A typed seam: a cell of any type, where only its name matters.
export type AnyCell = Cell<any>

/** What a screen computes from cells. */
export interface Reckoned<T> {
  readonly kind: 'reckoned'
  readonly name: string
  readonly inputs: readonly (AnyCell | Reckoned<unknown>)[]
  readonly compute: (...inputs: never[]) => T
}

export type Source<T> = Cell<T> | Reckoned<T>

/** The owner follows nothing: the fitting shows what the cell holds. */
export interface OneWay<T> {
  readonly kind: 'one-way'
  readonly source: Source<T>
  readonly showOnly: boolean
}

/** Owner and fitting share one cell. */
export interface TwoWay<T> {
  readonly kind: 'two-way'
  readonly source: Cell<T>
}

/** A fitting, as the steps of an action name it. */
export interface FittingRef<C extends string> {
  readonly kind: 'fitting'
  readonly name: string
  readonly commands?: C
}

/** Stands for what the event carried, inside the steps of an action. */
export interface Payload {
  readonly kind: 'payload'
}

export type Step =
  | { readonly step: 'set'; readonly cell: AnyCell; readonly value: unknown }
  | { readonly step: 'clear'; readonly cell: AnyCell }
  | {
      readonly step: 'run'
      readonly fitting: FittingRef<string>
      readonly command: string
      readonly args: readonly unknown[]
    }

/** Steps that run in the order in which they are listed. */
export type Steps = readonly Step[]

type ValueOf<S> = S extends Cell<infer T> ? T : S extends Reckoned<infer T> ? T : never

/**
 * Follows a cell or a reckoned cell: the fitting shows what the owner holds, and its edits go nowhere.
 *
 * @param options `showOnly: true` says that a value is only meant to be shown, so that no finding asks for the way back
 */
export function oneWay<T>(source: Cell<T> | Reckoned<T>, options?: { showOnly?: boolean }): OneWay<T> {
  return { kind: 'one-way', source: source as Source<T>, showOnly: options?.showOnly ?? false }
}

/** Shares a cell: the fitting shows what the owner holds, and the owner takes what the fitting reports. */
export function twoWay<T>(cell: Cell<T>): TwoWay<T> {
  return { kind: 'two-way', source: cell }
}

/**
 * A value computed from cells or other reckoned cells; it is computed once a transaction, after all that it depends on.
 *
 * @example
 * ```ts
 * import { reckon, screen, Type } from 'caulker'
 * const quote = screen('quote', {
 *   cells: { feet: { type: Type.Number(), initial: 12 } },
 *   fittings: {},
 *   reckoned: ({ cells }) => ({ metres: reckon([cells.feet], (feet) => feet * 0.3048) }),
 *   bind: () => ({}),
 * })
 * console.assert(quote.reckoned.metres.inputs.length === 1)
 * ```
 */
export function reckon<const I extends readonly (Cell<any> | Reckoned<any>)[], T>(
  inputs: I,
  compute: (...inputs: { [K in keyof I]: ValueOf<I[K]> }) => T,
): Reckoned<T> {
  return { kind: 'reckoned', name: '', inputs: inputs as never, compute: compute as never }
}

/** A step that sets a cell to a value, or to what the event carried ({@link payload}). */
export function set<T>(cell: Cell<T>, value: NoInfer<T> | Payload): Step {
  return { step: 'set', cell, value }
}

/** A step that brings a cell back to its initial value. */
export function clear(cell: AnyCell): Step {
  return { step: 'clear', cell }
}

/** A step that calls a command of a fitting. */
export function run<C extends string>(fitting: FittingRef<C>, command: NoInfer<C>, ...args: unknown[]): Step {
  return { step: 'run', fitting: fitting as FittingRef<string>, command, args }
}

/** What the event carried, for `set(cells.note, payload())`. */
export function payload(): Payload {
  return { kind: 'payload' }
}

export function isPayload(value: unknown): value is Payload {
  return (
    typeof value === 'object' &&
    value !== null &&
    (value as Payload).kind === 'payload' &&
    Object.keys(value).length === 1
  )
}
