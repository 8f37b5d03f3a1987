import {
  accepts,
  clauseOf,
  isValue,
  isWithin,
  printed,
  typeText,
  valueClauses,
  type PropertyClause,
  type TSchema,
  type ValueClause,
} from '../../contract/index.js'
import { firstSlots } from '../../engine/index.js'
import { compile, isPayload } from '../../wiring/index.js'
import { leak, screenRule, type Leak } from '../rule.js'
import type { FittingView, ScreenView } from '../screen-view.js'

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
    for (const [name, cell] of view.cells)
      if (cell.initial !== undefined && !accepts(cell.type, cell.initial))
        yield leak(
          ['cells', name],
          `the cell '${name}' starts as ${printed(cell.initial)}, and its type is ${typeText(cell.type)}`,
          { mend: 'Give an initial value of the type, or widen the type.' },
        )
    const reckonedNow = reckonedValues(view)
    for (const fitting of view.fittings) {
      yield* downward(view, fitting, reckonedNow)
      yield* upward(view, fitting)
    }
    for (const { at, action } of view.actions)
      for (const step of action.steps) {
        const cell = step.step === 'set' ? view.cells.get(step.cell.name) : undefined
        if (
          step.step === 'set' &&
          cell !== undefined &&
          !isPayload(step.value) &&
          step.value !== undefined &&
          !accepts(cell.type, step.value)
        )
          yield leak(
            at,
            `sets '${cell.name}' to ${printed(step.value)}, and the type of '${cell.name}' is ${typeText(cell.type)}`,
            { mend: `Set '${cell.name}' to a value of its type.` },
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
      const cell = view.cells.get(binding.source.name)
      if (cell !== undefined)
        yield* compared(
          at,
          cell.type,
          clause.type,
          (witness) =>
            `the cell '${cell.name}' may hold ${witness}, and '${fitting.name}.${name}' takes ${typeText(clause.type)}`,
        )
    }
  }
}

/** Up: is all that is reported allowed by the cell that takes it? */
function* upward(view: ScreenView, fitting: FittingView): Iterable<Leak> {
  for (const value of valueClauses(fitting.contract)) {
    const reported = reportedType(value, fitting)
    if (reported === undefined) continue
    const binding = fitting.bindings.get(value.name)
    const takers = [...fitting.takersOf(value), ...(binding?.kind === 'two-way' ? [binding.source] : [])]
    for (const { name } of takers) {
      const cell = view.cells.get(name)
      if (cell !== undefined)
        yield* compared(
          ['bind', fitting.name, value.name],
          reported,
          cell.type,
          (witness) =>
            `'${fitting.name}.${value.name}' may report ${witness}, and the cell '${name}' takes ${typeText(cell.type)}`,
        )
    }
  }
  for (const [event, action] of fitting.handlers) {
    const carried = fitting.contract.events[event]?.payload
    if (carried === undefined) continue
    for (const step of action.steps) {
      const cell = step.step === 'set' && isPayload(step.value) ? view.cells.get(step.cell.name) : undefined
      if (cell !== undefined)
        yield* compared(
          ['bind', fitting.name, 'on', event],
          carried,
          cell.type,
          (witness) =>
            `'${event}' of '${fitting.name}' may carry ${witness}, and the cell '${cell.name}' takes ${typeText(cell.type)}`,
        )
    }
  }
}

function* compared(
  at: readonly string[],
  narrower: TSchema,
  wider: TSchema,
  says: (witness: string) => string,
): Iterable<Leak> {
  const found = isWithin(narrower, wider)
  if (found.answer === 'no') yield leak(at, says(printed(found.witness)))
}

/** What a value can report: its type inside those of its bounds that are known here; undefined where they change while it runs. */
function reportedType(value: ValueClause, fitting: FittingView): TSchema | undefined {
  const least = boundOf(value.bounds.least, fitting)
  const most = boundOf(value.bounds.most, fitting)
  if (least === 'varies' || most === 'varies') return undefined
  if (value.outside === 'keep' || (typeof least !== 'number' && typeof most !== 'number')) return value.type
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
  const plan = compile(view.screen)
  const { slots } = firstSlots(plan)
  return new Map(plan.reckoned.map((one) => [one.name, slots[one.slot]]))
}
