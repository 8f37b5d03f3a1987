import {
  accepts,
  clauseOf,
  isKept,
  isValue,
  isWithin,
  printed,
  typeText,
  valueClauses,
  type PropertyClause,
  type TSchema,
  type ValueClause,
} from '../../contract/index.js'
import type { Readable } from '../../wiring/index.js'
import { isShared, type FittingView, type ScreenView } from '../reading/screen-view.js'
import { compared } from './compared.js'
import { leak, screenRule, type Leak } from './rule.js'

/** Two ends of a binding whose types do not go together. */
export const typeMismatch = screenRule({
  id: 'type-mismatch',
  level: 'error',
  title: 'Two ends of a binding have different types',
  why: 'Sooner or later the cell holds what the component cannot take, or the component reports what the cell refuses; then one of the two is wrong.',
  mend: 'Make the types the same, or put a reckoned cell between them that converts.',
  leaking: `
import { contract, screen, oneWay, Type } from 'caulker'
const tag = contract('price-tag', { properties: { amount: { type: Type.Number() } } })
export const bill = screen('bill', {
  cells: { price: { type: Type.Union([Type.Number(), Type.Null()]), initial: null } },
  fittings: { tag },
  bind: ({ cells }) => ({ tag: { amount: oneWay(cells.price) as never } }),
})`,
  mended: `
import { contract, screen, oneWay, reckon, Type } from 'caulker'
const tag = contract('price-tag', { properties: { amount: { type: Type.Number() } } })
export const bill = screen('bill', {
  cells: { price: { type: Type.Union([Type.Number(), Type.Null()]), initial: null } },
  fittings: { tag },
  reckoned: ({ cells }) => ({ due: reckon([cells.price], (price) => price ?? 0) }),
  bind: ({ reckoned }) => ({ tag: { amount: oneWay(reckoned.due) } }),
})`,
  *find(view) {
    const reckonedNow = reckonedValues(view)
    for (const fitting of view.fittings) {
      yield* downward(view, fitting, reckonedNow)
      yield* upward(view, fitting)
    }
  },
  *findAcross({ journey, screens }) {
    for (const [name, cells] of Object.entries(journey.shares))
      for (const [cell, shared] of Object.entries(cells)) {
        const own = screens.get(name)?.cells.get(cell)?.type
        const held = Object.hasOwn(journey.cells, shared) ? journey.cells[shared]?.type : undefined
        if (own === undefined || held === undefined) continue
        const at = ['shares', name, cell]
        const says = (witness: string, one: string, other: string) => `${one} may hold ${witness}, and ${other} may not`
        yield* compared(at, held, own, (witness) =>
          says(witness, `'${shared}' of the journey`, `'${cell}' of '${name}'`),
        )
        yield* compared(at, own, held, (witness) =>
          says(witness, `'${cell}' of '${name}'`, `'${shared}' of the journey`),
        )
      }
  },
})

/** Down: is all that the owner may hold allowed by the clause? */
function* downward(view: ScreenView, fitting: FittingView, reckonedNow: ReadonlyMap<string, unknown>): Iterable<Leak> {
  for (const [name, binding] of fitting.bindings) {
    const clause = clauseOf(fitting.contract, name)
    if (clause === undefined) continue
    const at = ['bind', fitting.name, name]
    if (binding.kind === 'constant') {
      if (binding.value !== undefined && !accepts(clause.type, binding.value))
        yield leak(
          at,
          `'${fitting.name}.${name}' is given ${printed(binding.value)}, and its type is ${typeText(clause.type)}`,
          { mend: `Give '${name}' a value of its type.` },
        )
    } else if (binding.source.kind === 'reckoned') {
      const value = reckonedNow.get(binding.source.name)
      if (value !== undefined && !accepts(clause.type, value))
        yield leak(
          at,
          `'${binding.source.name}' comes to ${printed(value)}, and '${fitting.name}.${name}' takes ${typeText(clause.type)}`,
        )
    } else {
      const { source } = binding
      const held = view.typeOf(source)
      if (held !== undefined)
        yield* compared(
          at,
          held,
          clause.type,
          (witness) =>
            `the cell '${cellText(source)}' may hold ${witness}, and '${fitting.name}.${name}' takes ${typeText(clause.type)}`,
        )
    }
  }
}

/** Up: is all that is reported allowed by the cell that takes it? */
function* upward(view: ScreenView, fitting: FittingView): Iterable<Leak> {
  for (const value of valueClauses(fitting.contract)) {
    const binding = fitting.bindings.get(value.name)
    const takers = [...fitting.takersOf(value), ...(binding && isShared(binding) ? [binding.source] : [])]
    for (const taker of takers) {
      const takes = view.typeOf(taker)
      // What all of the type allows, its bounds cannot make worse.
      if (takes === undefined || isWithin(value.type, takes).answer === 'yes') continue
      const reported = reportedType(value, fitting)
      if (reported !== undefined)
        yield* compared(
          ['bind', fitting.name, value.name],
          reported,
          takes,
          (witness) =>
            `'${fitting.name}.${value.name}' may report ${witness}, and the cell '${cellText(taker)}' takes ${typeText(takes)}`,
        )
    }
  }
}

function cellText(source: Readable<unknown>): string {
  return source.kind === 'cell' && source.member !== undefined ? `${source.name}[].${source.member}` : source.name
}

/** What a value can report: its type inside those of its bounds that are known here; undefined where they change while it runs. */
function reportedType(value: ValueClause, fitting: FittingView): TSchema | undefined {
  const least = boundOf(value.bounds.least, fitting)
  const most = boundOf(value.bounds.most, fitting)
  if (least === 'varies' || most === 'varies') return undefined
  if (isKept(value.outside) || (typeof least !== 'number' && typeof most !== 'number')) return value.type
  return {
    ...value.type,
    ...(typeof least === 'number' ? { minimum: least } : {}),
    ...(typeof most === 'number' ? { maximum: most } : {}),
  } as TSchema
}

function boundOf(bound: string | number | undefined, fitting: FittingView): unknown {
  if (typeof bound !== 'string') return bound
  const binding = fitting.bindings.get(bound)
  const clause: PropertyClause | undefined = clauseOf(fitting.contract, bound)
  if (clause === undefined) return undefined
  if (binding === undefined) return isValue(clause) ? 'varies' : clause.default
  return binding.kind === 'constant' ? binding.value : 'varies'
}

/** What the reckoned cells come to at first; one that throws is not judged here. */
function reckonedValues(view: ScreenView): ReadonlyMap<string, unknown> {
  return new Map(view.firstReckoned().map(({ name, value }) => [name, value]))
}
