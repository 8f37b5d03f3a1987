import {
  kinds,
  refuseOther,
  mapValues,
  rememberPlace,
  type SchemaMap,
  type Static,
  type Waivers,
} from '../contract/index.js'
import { asked } from './asked.js'
import { cellClause, named, sentencesOf } from './compose.js'
import { cells, section } from './malformed.js'
import { isScreen } from './screen.js'
import type { AnyScreen, CellClause, CellDraft, Screen } from './screen-model.js'
import type { AnyCell, Cell, Reckoned } from './tokens.js'
import type { CellsOf, Wrong } from './types.js'

/** Several screens that share cells, with ways between them. */
export interface Journey<U extends Record<string, AnyScreen> = Record<string, AnyScreen>> {
  readonly kind: 'journey'
  readonly name: string
  readonly cells: Readonly<Record<string, CellClause>>
  readonly screens: Readonly<Record<string, AnyScreen>>
  readonly start: string
  /** The screens at which a person may stop. */
  readonly ends: readonly string[]
  /** By screen and cell: the cell of the journey that it is. */
  readonly shares: Readonly<Record<string, Readonly<Record<string, string>>>>
  /** What becomes of open drafts when a screen is left. */
  readonly leaving: 'keep' | 'discard' | 'stay'
  /** What holds at every moment of every rehearsal, and what never happens, each by its sentence. */
  readonly always: Readonly<Record<string, Reckoned<unknown>>>
  readonly never: Readonly<Record<string, Reckoned<unknown>>>
  /** Rules that it knowingly breaks, each with the reason. */
  readonly waives: Waivers
  /** Only for the compiler: its screens. */
  readonly types?: U
}

type Names<T> = Extract<keyof T, string>
type CellTypes<K> =
  K extends Screen<infer S, any, any, any, any, any> ? { readonly [N in keyof S]?: Cell<Static<S[N]>> } : never

/** Each way has to lead to a screen of the journey; else a sentence names the closest. */
type Connected<U> = {
  [K in keyof U]: [Nowhere<U[K], keyof U>] extends [never]
    ? unknown
    : Wrong<'screen of this journey', Nowhere<U[K], keyof U>, keyof U>
}
type Nowhere<K, All> =
  K extends Screen<any, any, any, any, any, infer W> ? (string extends W ? never : Exclude<W, All>) : never

export interface JourneyDraft<S extends SchemaMap, U extends Record<string, AnyScreen>> {
  cells?: { [K in keyof S]: CellDraft<S[K]> }
  screens: U & Connected<NoInfer<U>>
  start: NoInfer<Names<U>>
  ends?: readonly NoInfer<Names<U>>[]
  shares?: (its: { cells: CellsOf<S> }) => { readonly [K in keyof U]?: CellTypes<U[K]> }
  leaving?: 'keep' | 'discard' | 'stay'
  /** What holds at every moment of a rehearsal, by its sentence, reckoned from the cells that the screens share. */
  always?: (its: { cells: CellsOf<S> }) => Readonly<Record<string, Reckoned<boolean>>>
  /** What never happens, by its sentence. */
  never?: (its: { cells: CellsOf<S> }) => Readonly<Record<string, Reckoned<boolean>>>
  waives?: Waivers
}

/**
 * Puts screens into a journey: the cells that they share live as long as it does, and `go` leads from one to the other.
 *
 * Throws a {@link CaulkerError} `malformed-journey` where a part is missing; names that do not exist are findings of `check`.
 *
 * @example
 * ```ts
 * import { contract, go, journey, screen, twoWay, Type } from 'caulker'
 * const name = contract('vessel-name', { values: { name: { type: Type.String() } }, events: { next: {} } })
 * const vessel = screen('vessel', {
 *   cells: { name: { type: Type.String(), initial: '' } },
 *   fittings: { name },
 *   bind: ({ cells }) => ({ name: { name: twoWay(cells.name), on: { next: [go('done')] } } }),
 * })
 * const done = screen('done', { cells: {}, fittings: {}, bind: () => ({}) })
 * const trip = journey('trip', {
 *   cells: { vessel: { type: Type.String(), initial: '' } },
 *   screens: { vessel, done },
 *   start: 'vessel',
 *   ends: ['done'],
 *   shares: ({ cells }) => ({ vessel: { name: cells.vessel } }),
 * })
 * console.assert(trip.shares['vessel']?.['name'] === 'vessel')
 * ```
 */
export function journey<S extends SchemaMap, const U extends Record<string, AnyScreen>>(
  name: string,
  draft: JourneyDraft<S, U>,
): Journey<U> {
  refuseOther('malformed-journey', `journey '${String(name)}'`, draft, JOURNEY)
  const its = { cells: named('cell', draft.cells ?? {}) }
  const made: Journey<U> = {
    kind: 'journey',
    name,
    cells: mapValues(draft.cells, cellClause),
    screens: { ...draft.screens },
    start: draft.start,
    ends: [...(draft.ends ?? [])],
    shares: mapValues(draft.shares?.(its as never), (of) =>
      mapValues(of as object, (cell) => asked('shares', 'cell', cell as AnyCell).name),
    ),
    leaving: draft.leaving ?? 'keep',
    always: sentencesOf(`journey '${name}'`, 'always', draft.always?.(its as never)),
    never: sentencesOf(`journey '${name}'`, 'never', draft.never?.(its as never)),
    waives: { ...draft.waives },
  }
  rememberPlace(made, journey)
  return Object.freeze(made)
}

/** Whether something is a journey, by its own mark. */
export function isJourney(value: unknown): value is Journey {
  return typeof value === 'object' && value !== null && (value as Journey).kind === 'journey' && 'screens' in value
}

const { anything, choice, eachOf, made, names, partsOf } = kinds
const JOURNEY = partsOf(
  {
    cells,
    screens: eachOf(
      made(isScreen, 'is no screen; give what screen(…) returned'),
      'must be an object with a screen for each name',
    ),
    start: made((value) => typeof value === 'string', 'must name the screen that comes first'),
    ends: names,
    shares: section,
    leaving: choice('keep', 'discard', 'stay'),
    always: section,
    never: section,
    waives: anything,
  },
  'must be an object with screens and start',
  ['screens', 'start'],
)
