import { eventNames } from '../../contract/index.js'
import type { Action, AnyCell, AnyOperation, Readable, Step } from '../../wiring/index.js'
import { givenReadables } from '../reading/given.js'
import { leak, nearestMend, screenRule, type Leak } from './rule.js'
import {
  bindableNames,
  membersOfRow,
  operationNamed,
  type FittingView,
  type ScreenView,
} from '../reading/screen-view.js'

/** A name that does not exist: of a fitting, a property, an event, a command, a cell or an action. */
export const unknownName = screenRule({
  id: 'unknown-name',
  level: 'error',
  title: 'A name does not exist',
  why: 'A misspelt property is set on the element and read by nobody; a handler of a misspelt event is never called. Both fail silently.',
  mend: 'Use the name as the contract or the screen declares it.',
  leaking: `
import { contract, screen, Type } from 'caulker'
const winch = contract('chain-winch', { properties: { label: { type: Type.String() } } })
const misspelt: any = { winch: { lable: 'Anchor chain' } }
export const slip = screen('slipway', { cells: {}, fittings: { winch }, bind: () => misspelt })`,
  mended: `
import { contract, screen, Type } from 'caulker'
const winch = contract('chain-winch', { properties: { label: { type: Type.String() } } })
export const slip = screen('slipway', { cells: {}, fittings: { winch }, bind: () => ({ winch: { label: 'Anchor chain' } }) })`,
  *find(view) {
    const { screen } = view
    const fittingNames = view.fittings.map((fitting) => fitting.name)
    for (const stray of view.strays)
      yield unknown(['bind', stray], `the screen has no fitting '${stray}'`, stray, fittingNames)
    for (const fitting of view.fittings) {
      yield* unknownOnFitting(fitting)
      for (const [name, binding] of fitting.bindings)
        if (binding.kind !== 'constant') yield* unknownSource(view, ['bind', fitting.name, name], binding.source)
      for (const [event, action] of fitting.handlers)
        yield* unknownAction(view, ['bind', fitting.name, 'on', event], action)
    }
    for (const [name, reckoned] of Object.entries<{ inputs: readonly Readable<unknown>[] }>(screen.reckoned))
      for (const input of reckoned.inputs) yield* unknownSource(view, ['reckoned', name], input)
    for (const [name, { source }] of Object.entries(screen.rows))
      yield* unknownSource(view, ['rows', name], source as AnyCell)
    for (const [name, { source }] of Object.entries(screen.shown)) yield* unknownSource(view, ['shown', name], source)
    for (const [name, { operation }] of Object.entries(screen.loads)) {
      yield* unknownCell(view, ['loads', name], name)
      yield* unknownOperation(view, ['loads', name], operation)
    }
    for (const [name, action] of Object.entries(screen.hears)) {
      if (!Object.hasOwn(screen.topics, name))
        yield unknown(['hears', name], `the screen has no topic '${name}'`, name, Object.keys(screen.topics))
      yield* unknownAction(view, ['hears', name], action)
    }
    for (const { at, all } of view.actions) for (const step of all) yield* unknownInStep(view, at, step)
    yield* unknownInScopes(view)
  },
  *findAcross({ journey, screens }) {
    const names = [...screens.keys()]
    const noScreen = (at: readonly string[], name: string) =>
      unknown(at, `the journey has no screen '${name}'`, name, names)
    for (const name of [journey.start, ...journey.ends]) if (!screens.has(name)) yield noScreen(['screens'], name)
    for (const [name, view] of screens)
      for (const { all } of view.actions)
        for (const step of all)
          if (step.step === 'go' && !screens.has(step.to)) yield noScreen(['screens', name], step.to)
    for (const [name, cells] of Object.entries(journey.shares)) {
      const view = screens.get(name)
      if (view === undefined) yield noScreen(['shares', name], name)
      for (const [cell, shared] of Object.entries(cells)) {
        if (view !== undefined && !view.cells.has(cell))
          yield unknown(['shares', name, cell], `the screen '${name}' has no cell '${cell}'`, cell, view.cells.keys())
        if (!Object.hasOwn(journey.cells, shared))
          yield unknown(
            ['shares', name, cell],
            `the journey has no cell '${shared}'`,
            shared,
            Object.keys(journey.cells),
          )
      }
    }
  },
})

function* unknownOnFitting({ name, contract, bindings, handlers }: FittingView): Iterable<Leak> {
  const names = bindableNames(contract)
  const events = eventNames(contract)
  for (const bound of bindings.keys())
    if (!names.includes(bound))
      yield unknown(
        ['bind', name, bound],
        `'${name}' (${contract.tag}) has no property or value '${bound}'`,
        bound,
        names,
      )
  for (const event of handlers.keys())
    if (!events.includes(event))
      yield unknown(
        ['bind', name, 'on', event],
        `'${name}' (${contract.tag}) sends no event '${event}', so its handler is never called`,
        event,
        events,
      )
}

function* unknownInStep(view: ScreenView, at: readonly string[], step: Step): Iterable<Leak> {
  if (step.step === 'set' || step.step === 'clear' || step.step === 'refresh') yield* unknownSource(view, at, step.cell)
  if (step.step === 'run' || step.step === 'save' || step.step === 'discard') {
    const { name } = step.fitting
    if (!Object.hasOwn(view.screen.fittings, name))
      yield unknown(at, `the screen has no fitting '${name}'`, name, Object.keys(view.screen.fittings))
  }
  if (step.step === 'call') {
    yield* unknownOperation(view, at, step.operation)
    if (step.into !== undefined) yield* unknownSource(view, at, step.into)
  }
  if (step.step === 'save' && step.to !== undefined) yield* unknownOperation(view, at, step.to)
  if (step.step === 'announce' && !Object.hasOwn(view.screen.topics, step.topic.name))
    yield unknown(at, `the screen has no topic '${step.topic.name}'`, step.topic.name, Object.keys(view.screen.topics))
  for (const source of givenReadables(step)) yield* unknownSource(view, at, source)
}

/** What is sent, left, reset and kept, and where it is sent to. */
function* unknownInScopes(view: ScreenView): Iterable<Leak> {
  const { submit, reset, keeps, reckoned } = view.screen
  const followed: [string, string[]][] = [
    ['sends', Object.values(submit?.sends ?? {})],
    ['heldBy', Object.values(submit?.heldBy ?? {})],
  ]
  for (const [section, names] of followed)
    for (const name of names)
      if (!Object.hasOwn(reckoned as object, name) && !view.cells.has(name))
        yield unknown(['submit', section], `the screen has neither a cell nor a reckoned cell '${name}'`, name, [
          ...view.cells.keys(),
          ...Object.keys(reckoned),
        ])
  for (const name of Object.keys(submit?.needs ?? {})) yield* unknownCell(view, ['submit', 'needs'], name)
  for (const name of Object.keys(submit?.heldBy ?? {})) yield* unknownCell(view, ['submit', 'heldBy'], name)
  for (const name of submit?.leaves ?? []) yield* unknownCell(view, ['submit', 'leaves'], name)
  for (const name of [...(reset?.cells ?? []), ...(reset?.leaves ?? [])]) yield* unknownCell(view, ['reset'], name)
  for (const name of keeps) yield* unknownCell(view, ['keeps'], name)
  if (submit !== undefined) yield* unknownOperation(view, ['submit', 'to'], operationNamed(submit.to))
}

function* unknownOperation(view: ScreenView, at: readonly string[], operation: AnyOperation): Iterable<Leak> {
  const { source, name } = operation
  if (view.operation(operation) !== undefined) return
  const { sources } = view.screen
  yield Object.hasOwn(sources, source)
    ? unknown(at, `'${source}' has no operation '${name}'`, name, Object.keys(sources[source]?.operations ?? {}))
    : unknown(at, `the screen has no source '${source}'`, source, Object.keys(sources))
}

function* unknownAction({ screen }: ScreenView, at: readonly string[], { name }: Action): Iterable<Leak> {
  if (name !== '' && !Object.hasOwn(screen.actions, name))
    yield unknown(at, `the screen has no action '${name}'`, name, Object.keys(screen.actions))
}

function* unknownCell({ cells }: ScreenView, at: readonly string[], name: string): Iterable<Leak> {
  if (!cells.has(name)) yield unknown(at, `the screen has no cell '${name}'`, name, cells.keys())
}

function* unknownSource(view: ScreenView, at: readonly string[], source: Readable<unknown>): Iterable<Leak> {
  if (source.kind === 'cell') {
    yield* unknownCell(view, at, source.name)
    const members = membersOfRow(view, source)
    if (source.member !== undefined && members !== undefined && !members.includes(source.member))
      yield unknown(at, `an entry of '${source.name}' has no member '${source.member}'`, source.member, members)
  }
  if (source.kind === 'reckoned' && source.inputs === undefined)
    yield unknown(
      at,
      `the screen has no reckoned cell '${source.name}'`,
      source.name,
      Object.keys(view.screen.reckoned),
    )
}

function unknown(at: readonly string[], says: string, wrong: string, names: Iterable<string>): Leak {
  return leak(at, says, nearestMend(wrong, names))
}
