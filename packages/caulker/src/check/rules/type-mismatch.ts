import {
  accepts,
  clauseOf,
  isValue,
  isWithin,
  printed,
  typeText,
  valueClauses,
  type CommandClause,
  type PropertyClause,
  type TSchema,
  type ValueClause,
} from '../../contract/index.js'
import { isPayload, type AnyCell, type Readable, type Step } from '../../wiring/index.js'
import { carriedSteps, typeAt } from '../reading/carried.js'
import { isReadable } from '../reading/given.js'
import { leak, screenRule, type Leak } from './rule.js'
import { clauseIn, isShared, type FittingView, type ScreenView } from '../reading/screen-view.js'

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
    for (const { at, step, carried } of carriedSteps(view)) yield* stepMismatch(view, at, step, carried)
    for (const [name, { source }] of Object.entries(view.screen.rows)) {
      const list = view.typeOf(source as AnyCell)
      if (list !== undefined && (list as { type?: unknown }).type !== 'array')
        yield leak(['rows', name], `'${name}' is repeated for '${source.name}', which holds ${typeText(list)}`, {
          mend: 'Repeat it for a cell that holds a list.',
        })
    }
    for (const [name, { source, is }] of Object.entries(view.screen.shown)) {
      const type = view.typeOf(source)
      if (type !== undefined && !accepts(type, is))
        yield leak(
          ['shown', name],
          `'${name}' is shown while '${source.name}' is ${printed(is)}, which it can never be: it holds ${typeText(type)}`,
          { mend: `Say what '${source.name}' has to be, with { is: … }.` },
        )
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

/** What a step sets, announces, reports or hands to a command, against what is there to take it. */
function* stepMismatch(
  view: ScreenView,
  at: readonly string[],
  step: Step,
  carried: TSchema | undefined,
): Iterable<Leak> {
  if (step.step === 'set') {
    const takes = view.typeOf(step.cell)
    if (takes !== undefined && !isPayload(step.value) && step.value !== undefined && !accepts(takes, step.value))
      yield leak(
        at,
        `sets '${step.cell.name}' to ${printed(step.value)}, and the type of '${step.cell.name}' is ${typeText(takes)}`,
        { mend: `Set '${step.cell.name}' to a value of its type.` },
      )
    else if (isPayload(step.value)) yield* handed(view, at, step.value, takes, `the cell '${step.cell.name}'`, carried)
  }
  if (step.step === 'announce')
    yield* handed(
      view,
      at,
      step.value,
      view.screen.topics[step.topic.name]?.payload,
      `the topic '${step.topic.name}'`,
      carried,
    )
  if (step.step === 'run') {
    const command = clauseIn<CommandClause>(view.screen.fittings[step.fitting.name]?.commands, step.command)
    if (command === undefined) return
    const target = `'${step.fitting.name}.${step.command}'`
    if (command.takes === undefined && step.args.length > 0)
      yield leak(at, `${target} takes nothing, and is given ${printed(step.args[0])}`, { mend: 'Leave it out.' })
    else if (command.takes !== undefined && step.args.length === 0)
      yield leak(at, `${target} takes ${typeText(command.takes)}, and is given nothing`, {
        mend: 'Give it what it takes.',
      })
    else yield* handed(view, at, step.args[0], command.takes, target, carried)
  }
}

/** A constant, a cell or a payload that is handed to something with a type. */
function* handed(
  view: ScreenView,
  at: readonly string[],
  value: unknown,
  takes: TSchema | undefined,
  target: string,
  carried: TSchema | undefined,
): Iterable<Leak> {
  if (takes === undefined || value === undefined) return
  if (isPayload(value)) {
    const part = typeAt(carried, value.at)
    const where = value.at === '' ? 'what is heard' : `what is heard, at ${value.at},`
    if (part !== undefined)
      yield* compared(
        at,
        part,
        takes,
        (witness) => `${where} may be ${witness}, and ${target} takes ${typeText(takes)}`,
      )
    else if (hasMembers(carried))
      yield leak(at, `what is heard carries nothing at ${value.at}, and ${target} takes ${typeText(takes)}`, {
        mend: `It carries ${typeText(carried as TSchema)}; point into it, or leave the pointer out.`,
      })
  } else if (isReadable(value)) {
    const held = view.typeOf(value)
    if (held !== undefined)
      yield* compared(
        at,
        held,
        takes,
        (witness) => `'${value.name}' may hold ${witness}, and ${target} takes ${typeText(takes)}`,
      )
  } else if (!accepts(takes, value))
    yield leak(at, `${target} takes ${typeText(takes)}, and is given ${printed(value)}`, {
      mend: 'Give it a value of its type.',
    })
}

function hasMembers(type: TSchema | undefined): boolean {
  return type !== undefined && 'properties' in type
}

function cellText(source: Readable<unknown>): string {
  return source.kind === 'cell' && source.member !== undefined ? `${source.name}[].${source.member}` : source.name
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
  return new Map(view.firstReckoned().map(({ name, value }) => [name, value]))
}
