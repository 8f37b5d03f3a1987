import type { Source } from '../../wiring/index.js'
import { leak, nearestMend, screenRule, type Leak } from '../rule.js'
import { bindableNames, eventNames, type FittingView, type ScreenView } from '../screen-view.js'

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
    const fittingNames = view.fittings.map((fitting) => fitting.name)
    for (const stray of view.strays)
      yield unknown(['bind', stray], `the screen has no fitting '${stray}'`, stray, fittingNames)
    for (const fitting of view.fittings) {
      yield* unknownOnFitting(fitting)
      for (const [name, binding] of fitting.bindings)
        if (binding.kind !== 'constant') yield* unknownSource(view, ['bind', fitting.name, name], binding.source)
      for (const [event, action] of fitting.handlers)
        if (action.name !== '' && !Object.hasOwn(view.screen.actions, action.name))
          yield unknown(
            ['bind', fitting.name, 'on', event],
            `the screen has no action '${action.name}'`,
            action.name,
            Object.keys(view.screen.actions),
          )
    }
    for (const [name, reckoned] of Object.entries<{ inputs: readonly Source<unknown>[] }>(view.screen.reckoned))
      for (const input of reckoned.inputs) yield* unknownSource(view, ['reckoned', name], input)
    for (const { at, action } of view.actions) {
      for (const step of action.steps) {
        if (step.step !== 'run') {
          if (!view.cells.has(step.cell.name))
            yield unknown(at, `the screen has no cell '${step.cell.name}'`, step.cell.name, view.cells.keys())
          continue
        }
        const fitting = view.fittings.find((one) => one.name === step.fitting.name)
        if (fitting === undefined)
          yield unknown(at, `the screen has no fitting '${step.fitting.name}'`, step.fitting.name, fittingNames)
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

function* unknownSource(view: ScreenView, at: readonly string[], source: Source<unknown>): Iterable<Leak> {
  if (source.kind === 'cell' && !view.cells.has(source.name))
    yield unknown(at, `the screen has no cell '${source.name}'`, source.name, view.cells.keys())
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
