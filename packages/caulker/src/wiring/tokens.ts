import { CaulkerError } from '../words/index.js'
import { asked } from './asked.js'

/** What a screen holds, as its bindings and steps name it. `T` is the type of its value. */
export interface Cell<T> {
  readonly kind: 'cell'
  readonly name: string
  /** For the entry of a row: the member of it that is meant, and the fitting that repeats. */
  readonly member?: string
  readonly row?: string
  /** Only for the compiler: a cell is read and written, so its type must be the same both ways. */
  readonly both?: (value: T) => T
}

// A typed seam: a cell of any type, where only its name matters.
export type AnyCell = Cell<any>

/** A cell that may be written with a `T`, and may hold more than that. */
export interface Into<T> {
  readonly kind: 'cell'
  readonly name: string
  readonly both?: (value: T) => unknown
}

/** What a screen computes from cells. */
export interface Reckoned<T> {
  readonly kind: 'reckoned'
  readonly name: string
  readonly inputs: readonly (AnyCell | Reckoned<unknown>)[]
  readonly compute: (...inputs: never[]) => T
}

export type Readable<T> = Cell<T> | Reckoned<T>

/** A cell or reckoned cell that is only read: it may hold less than a `T`. */
export type Followed<T> =
  | { readonly kind: 'cell'; readonly name: string; readonly both?: (value: never) => T }
  | { readonly kind: 'reckoned'; readonly name: string; readonly compute: (...inputs: never[]) => T }

export type ValueOf<S> = S extends Cell<infer T> ? T : S extends Reckoned<infer T> ? T : never

/** The fitting shows what the cell holds. */
export interface OneWay<T> {
  readonly kind: 'one-way'
  // A typed seam: what is followed may hold less than what is shown takes.
  readonly source: Readable<any>
  readonly showOnly: boolean
  /** Only for the compiler. */
  readonly gives?: () => T
}

/** Owner and fitting share one cell. */
export interface TwoWay<T> {
  readonly kind: 'two-way'
  readonly source: Cell<T>
}

/** The fitting edits a copy of the cell, which is saved or discarded. */
export interface DraftOf<T> {
  readonly kind: 'draft'
  readonly source: Cell<T>
}

/** A fitting, as the steps of an action name it. */
export interface FittingRef<C> {
  readonly kind: 'fitting'
  readonly name: string
  /** Only for the compiler: its commands. */
  readonly commands?: C
}

/** A fitting that stands once for each entry of a list, told apart by a key. */
export interface Rows<T> {
  readonly kind: 'rows'
  readonly source: Cell<readonly T[]>
  readonly key: string
  readonly entry?: T
}

/** When a fitting is shown, and what becomes of its values while it is not. */
export interface Showing {
  readonly kind: 'shown-while'
  readonly source: Readable<unknown>
  readonly is: unknown
  readonly hidden: 'kept' | 'cleared'
}

/**
 * Follows a cell or a reckoned cell: the fitting shows what the owner holds, and its edits go nowhere.
 *
 * @param options `showOnly: true` says that a value is only meant to be shown, so that no finding asks for the way back
 * @example
 * ```ts
 * import { contract, oneWay, screen, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   bind: ({ cells }) => ({ winch: { turns: oneWay(cells.turns) } }),
 * })
 * console.assert(slip.bindings['winch']?.['turns']?.kind === 'one-way')
 * ```
 */
export function oneWay<T>(source: Cell<T> | Reckoned<T>, options?: { showOnly?: boolean }): OneWay<T> {
  return { kind: 'one-way', source: asked('oneWay', 'readable', source), showOnly: options?.showOnly ?? false }
}

/**
 * Shares a cell: the fitting shows what the owner holds, and the owner takes what the fitting reports.
 *
 * @example
 * ```ts
 * import { contract, screen, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
 * })
 * console.assert(slip.bindings['winch']?.['turns']?.kind === 'two-way')
 * ```
 */
export function twoWay<T>(cell: Cell<T>): TwoWay<T> {
  return { kind: 'two-way', source: asked('twoWay', 'cell', cell) }
}

/**
 * Edits a copy of a cell: it is opened by the first edit, written back by {@link save} and forgotten by {@link discard}.
 *
 * @example
 * ```ts
 * import { contract, draft, screen, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   bind: ({ cells }) => ({ winch: { turns: draft(cells.turns) } }),
 * })
 * console.assert(slip.bindings['winch']?.['turns']?.kind === 'draft')
 * ```
 */
export function draft<T>(cell: Cell<T>): DraftOf<T> {
  return { kind: 'draft', source: asked('draft', 'cell', cell) }
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
  if (!Array.isArray(inputs) || typeof compute !== 'function')
    throw new CaulkerError(
      'bad-argument',
      'reckon takes a list of cells and a function of what they hold, such as reckon([cells.feet], (feet) => feet / 3)',
    )
  for (const input of inputs) asked('reckon', 'readable', input)
  return { kind: 'reckoned', name: '', inputs: inputs as never, compute: compute as never }
}

/**
 * Repeats a fitting for each entry of a list; `key` is the member that tells the entries apart.
 *
 * @example
 * ```ts
 * import { contract, rowsOf, screen, twoWay, Type } from 'caulker'
 * const seam = contract('seam-length', { values: { feet: { type: Type.Number(), default: 0 } } })
 * const order = screen('order', {
 *   cells: { seams: { type: Type.Array(Type.Object({ id: Type.String(), feet: Type.Number() })), initial: [] } },
 *   fittings: { seam },
 *   rows: ({ cells }) => ({ seam: rowsOf(cells.seams, 'id') }),
 *   bind: ({ row }) => ({ seam: { feet: twoWay(row.seam.feet) } }),
 * })
 * console.assert(order.rows['seam']?.key === 'id')
 * ```
 */
export function rowsOf<T>(cell: Cell<T[]>, key: NoInfer<Extract<keyof T, string>>): Rows<T> {
  return { kind: 'rows', source: asked('rowsOf', 'cell', cell) as never, key }
}

/**
 * Shows a fitting only while a cell is true, or is `is`.
 *
 * @param options `hidden` says what becomes of its values while it is not shown: `kept` (the default) or `cleared`
 * @example
 * ```ts
 * import { contract, screen, shownWhile, twoWay, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { slipped: { payload: Type.Integer() } }, commands: { reset: { effect: 'reset' } } })
 * const slip = screen('slipway', {
 *   cells: { turns: { type: Type.Integer(), initial: 0 } },
 *   fittings: { winch },
 *   shown: ({ cells }) => ({ winch: shownWhile(cells.turns, { is: 3 }) }),
 *   bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
 * })
 * console.assert(slip.shown['winch']?.is === 3)
 * ```
 */
export function shownWhile<T>(
  source: Cell<T> | Reckoned<T>,
  options: { is?: NoInfer<T>; hidden?: 'kept' | 'cleared' } = {},
): Showing {
  return {
    kind: 'shown-while',
    source: asked('shownWhile', 'readable', source) as Readable<unknown>,
    is: 'is' in options ? options.is : true,
    hidden: options.hidden ?? 'kept',
  }
}
