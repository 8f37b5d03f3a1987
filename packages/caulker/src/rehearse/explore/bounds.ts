import { kinds, refuseOther } from '../../contract/index.js'
import type { MakeHost } from '../play/values.js'

/** How far an exploration goes: what may happen on one trail, and how many states are looked at. */
export interface Bounds {
  /** How often a person edits, or the owner sets something. */
  readonly edits: number
  /** How many answers fail or stay away. */
  readonly failures: number
  /** How many calls may be out at once. */
  readonly pending: number
  /** How many moves a trail has at the most. */
  readonly moves: number
  readonly states: number
}

export const USUAL_BOUNDS: Bounds = { edits: 2, failures: 1, pending: 3, moves: 40, states: 200_000 }

export interface ExploreOptions extends Partial<Bounds> {
  /** Where some cells start instead of at their initial values. */
  readonly initial?: Readonly<Record<string, unknown>>
  /** What makes host objects, such as files, where a type asks for some. */
  readonly makeHost?: MakeHost
  /** Is told now and then how far it has come; false ends it with what was found. */
  readonly progress?: (progress: Progress) => boolean | void
}

export interface Progress {
  readonly states: number
  readonly left: number
  readonly depth: number
  readonly leaks: number
}

const { anything, count, made, partsOf } = kinds
const isFunction = (value: unknown): boolean => typeof value === 'function'
const OPTIONS = partsOf(
  {
    edits: count,
    failures: count,
    pending: count,
    moves: count,
    states: count,
    initial: anything,
    makeHost: made(isFunction, 'must be a function'),
    progress: made(isFunction, 'must be a function'),
  },
  'must be an object, such as { edits: 3 }',
)

export function boundsOf(options: ExploreOptions): Bounds {
  refuseOther('bad-argument', 'explore', options, OPTIONS)
  const given = Object.entries(options).filter(([name, value]) => name in USUAL_BOUNDS && value !== undefined)
  return { ...USUAL_BOUNDS, ...Object.fromEntries(given) }
}
