import { CaulkerError, hint } from '../words/index.js'
import {
  isContract,
  isValue,
  mapValues,
  rememberPlace,
  type AnyContract,
  type Contract,
  type ContractTypes,
  type PropertyClause,
  type SchemaMap,
  type Static,
  type TSchema,
  type Waivers,
} from '../contract/index.js'
import { compose, named } from './compose.js'
import type { AnyScreen, CellClause, CellDraft } from './screen-model.js'
import type { Steps } from './steps.js'
import type { Followed, Reckoned } from './tokens.js'
import type { AnyFittings, CellsOf, FaceOf, FittingsOf, GivenOf, OnlyKnown } from './types.js'

/** What stands behind the face of a component: its own cells, and the controls that are wired to its properties and values. */
export interface Interior<C extends AnyContract = AnyContract> {
  readonly kind: 'interior'
  readonly contract: C
  readonly screen: AnyScreen
}

interface InteriorDraft<T extends ContractTypes, S extends SchemaMap, U extends AnyFittings, D, A, B> {
  cells?: { [K in keyof S]: CellDraft<S[K]> }
  fittings: U
  reckoned?: (its: { face: FaceOf<T>; cells: CellsOf<S>; fittings: FittingsOf<U> }) => D
  actions?: (its: { face: FaceOf<T>; cells: CellsOf<S>; reckoned: NoInfer<D>; fittings: FittingsOf<U> }) => A
  /** What carries out each command of the contract. */
  commands?: (its: { face: FaceOf<T>; cells: CellsOf<S>; fittings: FittingsOf<U> }) => {
    readonly [K in keyof T['commands']]?: Steps
  }
  /** What each reading of the contract is. */
  readings?: (its: { face: FaceOf<T>; cells: CellsOf<S>; reckoned: NoInfer<D> }) => {
    readonly [K in keyof T['readings']]: Followed<Static<T['readings'][K]>>
  }
  /** What each command that gives something gives back, once it is carried out. */
  answers?: (its: { face: FaceOf<T>; cells: CellsOf<S>; reckoned: NoInfer<D> }) => {
    readonly [
      K in keyof T['commands'] as T['commands'][K] extends { gives: TSchema } ? K : never
    ]?: T['commands'][K] extends {
      gives: infer G extends TSchema
    }
      ? Followed<Static<G>>
      : never
  }
  /** Rules of `check` that it knowingly breaks, each with the reason. */
  waives?: Waivers
  bind: (its: {
    face: FaceOf<T>
    cells: CellsOf<S>
    reckoned: NoInfer<D>
    fittings: FittingsOf<U>
    actions: NoInfer<A>
  }) => B & OnlyKnown<B, U>
}

/**
 * Wires the inside of a component like a screen: controls bound to the properties and values of its face, so that the same rules
 * follow every edit on its way through the contract's interception.
 *
 * Throws a {@link CaulkerError} `malformed-screen` where a part is missing or is no function, and where it carries out, reads or
 * answers what the contract does not have.
 *
 * @example
 * ```ts
 * import { contract, interior, oneWay, twoWay, Type } from 'caulker'
 * import { nativeText } from 'caulker/dom'
 * const yardText = contract('yard-text', {
 *   properties: { hint: { type: Type.String(), default: '' } },
 *   values: { text: { type: Type.String(), default: '' } },
 * })
 * const inside = interior(yardText, {
 *   fittings: { field: nativeText },
 *   bind: ({ face }) => ({ field: { value: twoWay(face.values.text), placeholder: oneWay(face.properties.hint) } }),
 * })
 * console.assert(inside.screen.cells['text']?.face === 'value')
 * ```
 */
export function interior<
  T extends ContractTypes,
  U extends AnyFittings,
  B extends { [K in keyof U]: GivenOf<U[K]> },
  S extends SchemaMap = {},
  D extends Record<string, Reckoned<any>> = {},
  A extends { [K in keyof A]: Steps } = {},
>(contract: Contract<T>, draft: InteriorDraft<T, S, U, D, A, B>): Interior<Contract<T>> {
  const of = contract as AnyContract
  if (!isContract(of))
    throw new CaulkerError('malformed-screen', 'an interior needs what contract(…) returned, and its parts')
  const screen = compose(`the interior of '${of.tag}'`, of.tag, draft as never, {
    cells: { ...mapValues(of.properties, faceCell), ...mapValues(of.values, faceCell) },
    its: {
      face: {
        properties: named('cell', of.properties),
        values: named('cell', of.values),
        events: named('event', of.events),
      },
    },
  })
  for (const part of ['commands', 'readings', 'answers'] as const) refuseUnknown(of, part, screen[part])
  const made: Interior = { kind: 'interior', contract: of, screen: Object.freeze(screen) }
  rememberPlace(made, interior)
  rememberPlace(screen, interior)
  return Object.freeze(made) as never
}

/** What an interior carries out, reads or answers is what its contract has. */
function refuseUnknown(of: AnyContract, part: 'commands' | 'readings' | 'answers', written: object): void {
  const known = Object.keys(part === 'readings' ? of.readings : of.commands)
  for (const name of Object.keys(written))
    if (!known.includes(name))
      throw new CaulkerError(
        'malformed-screen',
        `the interior of '${of.tag}': ${part}.${name}: its contract has no ${part === 'readings' ? 'reading' : 'command'} '${name}'${hint(name, known)}`,
      )
}

/** Whether something is an interior, by its own mark. */
export function isInterior(value: unknown): value is Interior {
  return typeof value === 'object' && value !== null && (value as Interior).kind === 'interior' && 'screen' in value
}

function faceCell(clause: PropertyClause): CellClause {
  const { name, type, amend, refuse, after, kind, required } = clause
  const blank = isValue(clause) ? { becomes: clause.blank, empty: clause.empty } : undefined
  return { name, type, initial: clause.default, amend, refuse, after, face: kind, isRequired: required, blank }
}
