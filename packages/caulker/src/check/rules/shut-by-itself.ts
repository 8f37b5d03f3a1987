import { accepts, equal, printed, valueClauses } from '../../contract/index.js'
import type { Readable } from '../../wiring/index.js'
import {
  firstHeld,
  followsState,
  isHeldOutside,
  sharedBy,
  type FittingView,
  type ScreenView,
} from '../reading/screen-view.js'
import { heldWhile, recomputed } from '../reading/recomputed.js'
import { leak, screenRule, type Leak } from './rule.js'

/** A fitting that is locked or hidden at first, until something is done that only it could do; or as soon as something is typed in it. */
export const shutByItself = screenRule({
  id: 'shut-by-itself',
  level: 'error',
  title: 'A fitting waits for what only it could do',
  why: 'It is locked or hidden from the first moment on, and what would open it comes from it alone: nobody ever gets there.',
  mend: 'Let something else bring it about, or turn the condition round.',
  leaking: `
import { contract, oneWay, reckon, screen, twoWay, Type } from 'caulker'
const name = contract('vessel-name', { properties: { shut: { type: Type.Boolean(), default: false } }, values: { name: { type: Type.String(), default: '' } }, locks: { disabled: 'shut' } })
export const order = screen('order', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name },
  reckoned: ({ cells }) => ({ isShut: reckon([cells.name], (name) => name === '') }),
  bind: ({ cells, reckoned }) => ({ name: { name: twoWay(cells.name), shut: oneWay(reckoned.isShut) } }),
})`,
  mended: `
import { contract, oneWay, reckon, screen, twoWay, Type } from 'caulker'
const name = contract('vessel-name', { properties: { shut: { type: Type.Boolean(), default: false } }, values: { name: { type: Type.String(), default: '' } }, locks: { disabled: 'shut' } })
export const order = screen('order', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name },
  reckoned: ({ cells }) => ({ isShut: reckon([cells.name], (name) => name === 'sealed') }),
  bind: ({ cells, reckoned }) => ({ name: { name: twoWay(cells.name), shut: oneWay(reckoned.isShut) } }),
})`,
  *find(view) {
    for (const fitting of view.fittings) {
      const { name, contract, bindings } = fitting
      yield* closesWhileTyping(view, fitting)
      yield* closesWhenWrong(view, fitting)
      for (const lock of [contract.locks.disabled, contract.locks.readonly]) {
        const binding = lock === undefined ? undefined : bindings.get(lock)
        if (binding?.kind !== 'one-way' || firstHeld(view, binding.source) !== true) continue
        // What is locked may still have a button of its own that says so.
        if (opensItselfAlone(view, fitting, binding.source, valueEvents(fitting)))
          yield leak(
            ['bind', name, lock as string],
            `'${name}' is locked while '${binding.source.name}' holds, as it does at first, and only '${name}' could change that`,
          )
      }
      const shown = view.screen.shown[name]
      if (shown === undefined) continue
      const first = firstHeld(view, shown.source)
      // What can never be is the affair of another rule.
      if (!accepts(view.typeOf(shown.source) ?? {}, shown.is)) continue
      if (first !== undefined && !equal(first, shown.is) && opensItselfAlone(view, fitting, shown.source))
        yield leak(
          ['shown', name],
          `'${name}' is shown while '${shown.source.name}' is ${printed(shown.is)}, which it is not at first, and only '${name}' could change that`,
        )
    }
  },
})

/** The first letter locks or hides the field in which it is typed. */
function* closesWhileTyping(view: ScreenView, fitting: FittingView): Iterable<Leak> {
  const { name, contract, bindings } = fitting
  const typed = valueClauses(contract).flatMap((value) => {
    const binding = bindings.get(value.name)
    return binding?.kind === 'two-way' && value.reports === 'edit' && accepts(value.type, LETTER)
      ? [binding.source.name]
      : []
  })
  for (const { at, source, open, becomes } of closings(view, fitting))
    for (const cell of typed) {
      const isItself = source.kind === 'cell' && source.name === cell
      const after = isItself ? { value: LETTER } : recomputed(view, source.name, cell, LETTER)
      if (after === undefined || followsState(view, source) || !view.cellsBehind(source).has(cell)) continue
      if (equal(firstHeld(view, source), open) && !equal(after.value, open))
        yield leak(at, `'${name}' is ${becomes} as soon as a letter is typed in it, by '${source.name}'`, {
          mend: 'Wait with that until the field is left (states.touched), or for what a button does.',
        })
    }
}

/** What is wrong with a field locks or hides it, and nothing else could put it right. */
function* closesWhenWrong(view: ScreenView, fitting: FittingView): Iterable<Leak> {
  for (const { at, source, open, becomes } of closings(view, fitting))
    for (const cell of sharedBy(fitting)) {
      const saying = (text: string) => heldWhile(view, source.name, new Map([[`(problem of ${cell})`, text]]))
      const [quiet, wrong] = [saying(''), saying('Something is wrong')]
      if (quiet === undefined || wrong === undefined || !equal(quiet.value, open) || equal(wrong.value, open)) continue
      if (isMendedHereAlone(view, fitting, cell))
        yield leak(
          at,
          `'${fitting.name}' is ${becomes} as soon as something is wrong with '${cell}', by '${source.name}', and only '${fitting.name}' could mend it`,
          { mend: 'Leave the field open, and lock what goes on from it.' },
        )
    }
}

function isMendedHereAlone(view: ScreenView, fitting: FittingView, cell: string): boolean {
  const own = boundIn(fitting)
  const steps = view.actions.flatMap(({ all }) => all)
  return (
    !isHeldOutside(view, cell) &&
    view.writersOf(cell).every((writer) => own.includes(writer)) &&
    !steps.some(({ step }) => step === 'reset')
  )
}

const LETTER = 'o'

interface Closing {
  readonly at: readonly string[]
  readonly source: Readable<unknown>
  /** What it holds while the field can be typed in. */
  readonly open: unknown
  readonly becomes: string
}

/** What locks a fitting, and what hides it. */
function closings({ screen }: ScreenView, { name, contract, bindings }: FittingView): Closing[] {
  const locks = [contract.locks.disabled, contract.locks.readonly].flatMap((lock): Closing[] => {
    const binding = lock === undefined ? undefined : bindings.get(lock)
    return binding?.kind === 'one-way'
      ? [{ at: ['bind', name, lock as string], source: binding.source, open: false, becomes: 'locked' }]
      : []
  })
  const shown = screen.shown[name]
  if (shown === undefined) return locks
  return [...locks, { at: ['shown', name], source: shown.source, open: shown.is, becomes: 'hidden' }]
}

function valueEvents({ contract }: FittingView): string[] {
  return valueClauses(contract).map(({ event }) => event)
}

/** Whether all that it depends on is written by this fitting alone, by its bindings or by these of its events. */
function opensItselfAlone(
  view: ScreenView,
  fitting: FittingView,
  source: Readable<unknown>,
  events: readonly string[] = [...fitting.handlers.keys()],
): boolean {
  const cells = [...view.cellsBehind(source)]
  if (cells.length === 0 || followsState(view, source)) return false
  return cells.every((cell) => {
    if (isHeldOutside(view, cell)) return false
    const writers = view.writersOf(cell)
    return writers.length > 0 && writers.every((writer) => isOnlyBy(view, fitting, writer, events))
  })
}

/** Its bindings, as they are named among those that write a cell. */
function boundIn({ name, bindings }: Pick<FittingView, 'name' | 'bindings'>): string[] {
  return [...bindings.keys()].map((key) => `${name}.${key}`)
}

function isOnlyBy(
  view: ScreenView,
  { name, bindings }: FittingView,
  writer: string,
  events: readonly string[],
): boolean {
  // By their whole names: a fitting may be called like a part of the screen, such as its submit.
  const own = [...boundIn({ name, bindings }), ...events.map((event) => `bind.${name}.on.${event}`)]
  if (own.includes(writer)) return true
  const action = view.actions.find(({ at }) => at.join('.') === writer)
  // What is heard, entered, loaded or answered comes from elsewhere.
  if (action === undefined || action.at[0] !== 'actions') return false
  const triggers = view.triggersOf(action)
  const isHeard = Object.values(view.screen.hears).some((heard) => heard.name === action.action.name)
  return (
    !isHeard &&
    triggers.length > 0 &&
    triggers.every(({ fitting, event }) => fitting.name === name && events.includes(event))
  )
}
