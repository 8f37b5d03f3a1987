import type { AnyCell, FittingRef, Reckoned } from './tokens.js'

/** What a running screen knows about itself beside what its cells hold. */
export type StateName = 'sending' | 'loading' | 'changed' | 'touched' | 'problem' | 'editing' | 'overtaken'

/** A state of the running screen, of one of its cells, or of a draft; it is followed like a reckoned cell. */
export interface StateToken<T> extends Reckoned<T> {
  readonly state: StateName
  /** The cell or fitting that is meant; the whole screen where it is left out. */
  readonly of: string | undefined
}

function token<T>(state: StateName, of: string | undefined, atRest: T): StateToken<T> {
  // No reckoned cell can have such a name.
  const name = of === undefined ? `(${state})` : `(${state} of ${of})`
  return { kind: 'reckoned', name, inputs: [], compute: () => atRest, state, of }
}

/**
 * What a running screen knows about itself: bind it, compute from it, or show a fitting while it holds.
 *
 * `sending` while a submit is out; `loading` while a call that fills the cell (or any) is out; `changed` since it was saved (the cell, or
 * anything that the screen holds); `touched` by a person; `problem`, a text that is empty where there is none; `editing` while a
 * fitting has an open draft, and `overtaken` where its cell changed meanwhile.
 *
 * @example
 * ```ts
 * import { oneWay, screen, states, twoWay, Type } from 'caulker'
 * import { nativeOutput, nativeText } from 'caulker/dom'
 * const slip = screen('slipway', {
 *   cells: { vessel: { type: Type.String(), initial: '', refuse: (name) => (name === 'Kraken' ? 'No krakens' : undefined) } },
 *   fittings: { vessel: nativeText, why: nativeOutput },
 *   bind: ({ cells }) => ({ vessel: { value: twoWay(cells.vessel) }, why: { text: oneWay(states.problem(cells.vessel)) } }),
 * })
 * console.assert(slip.bindings.why.text.kind === 'one-way')
 * ```
 */
export const states = {
  sending: (): Reckoned<boolean> => token('sending', undefined, false),
  loading: (cell?: AnyCell): Reckoned<boolean> => token('loading', cell?.name, false),
  changed: (cell?: AnyCell): Reckoned<boolean> => token('changed', cell?.name, false),
  touched: (cell?: AnyCell): Reckoned<boolean> => token('touched', cell?.name, false),
  problem: (cell?: AnyCell): Reckoned<string> => token('problem', cell?.name, ''),
  editing: (fitting: FittingRef<never>): Reckoned<boolean> => token('editing', fitting.name, false),
  overtaken: (fitting: FittingRef<never>): Reckoned<boolean> => token('overtaken', fitting.name, false),
}

/** Whether what is followed is a state of the running screen. */
export function isStateToken(source: unknown): source is StateToken<unknown> {
  return typeof source === 'object' && source !== null && 'state' in source && 'of' in source
}
