import type { Step, Steps } from '../../wiring/index.js'
import { leak, screenRule } from './rule.js'
import type { ScreenView } from '../reading/screen-view.js'
import { changeAskedBy } from '../reading/sends.js'

/** A cell that is loaded again before the change it should show has been answered. */
export const refreshBeforeAnswer = screenRule({
  id: 'refresh-before-answer',
  level: 'error',
  title: 'A list is loaded again before the change has arrived',
  why: 'Both calls are on their way at once, and the load mostly wins: the person sees the old list, and only a reload brings the new entry.',
  mend: 'Put the refresh under then of the call, so that it follows the answer.',
  played: 'read-after-write',
  leaking: `
import { call, contract, load, oneWay, refresh, screen, source, Type } from 'caulker'
const office = source('yard-office', { berths: { effect: 'reads', gives: Type.Array(Type.String()) }, free: { effect: 'creates' } })
const board = contract('berth-board', { summary: 'A board', properties: { berths: { type: Type.Array(Type.String()), default: [] } }, events: { freed: {} } })
export const berths = screen('berths', {
  cells: { berths: { type: Type.Array(Type.String()), initial: [] } },
  fittings: { board },
  sources: { office },
  loads: ({ sources }) => ({ berths: load(sources.office.berths) }),
  actions: ({ cells, sources }) => ({ free: [call(sources.office.free), refresh(cells.berths)] }),
  bind: ({ cells, actions }) => ({ board: { berths: oneWay(cells.berths), on: { freed: actions.free } } }),
})`,
  mended: `
import { call, contract, load, oneWay, refresh, screen, source, Type } from 'caulker'
const office = source('yard-office', { berths: { effect: 'reads', gives: Type.Array(Type.String()) }, free: { effect: 'creates' } })
const board = contract('berth-board', { summary: 'A board', properties: { berths: { type: Type.Array(Type.String()), default: [] } }, events: { freed: {} } })
export const berths = screen('berths', {
  cells: { berths: { type: Type.Array(Type.String()), initial: [] } },
  fittings: { board },
  sources: { office },
  loads: ({ sources }) => ({ berths: load(sources.office.berths) }),
  actions: ({ cells, sources }) => ({ free: [call(sources.office.free, undefined, { then: [refresh(cells.berths)] })] }),
  bind: ({ cells, actions }) => ({ board: { berths: oneWay(cells.berths), on: { freed: actions.free } } }),
})`,
  *find(view) {
    for (const { at, action } of view.actions)
      for (const { change, cell, isListedFirst } of tooEarly(view, action.steps))
        yield leak(
          at,
          isListedFirst === true
            ? `'${cell}' is loaded again before ${change} has even been asked for`
            : `'${cell}' is loaded again while ${change} is still on its way`,
        )
  },
})

function* tooEarly(view: ScreenView, steps: Steps): Iterable<{ change: string; cell: string; isListedFirst?: true }> {
  const changed = new Map<string, string>()
  const loading = new Map<string, string>()
  for (const step of steps) {
    const change =
      step.step === 'refresh' ? changed.get(view.screen.loads[step.cell.name]?.operation.source ?? '') : undefined
    if (step.step === 'refresh' && change !== undefined) yield { change, cell: step.cell.name }
    const made = changeOf(view, step)
    if (made !== undefined) changed.set(made.source, made.change)
    const early = made === undefined ? undefined : loading.get(made.source)
    if (made !== undefined && early !== undefined) yield { change: made.change, cell: early, isListedFirst: true }
    if (step.step === 'refresh') loading.set(view.screen.loads[step.cell.name]?.operation.source ?? '', step.cell.name)
    if (step.step !== 'call' && step.step !== 'save') continue
    yield* tooEarly(view, step.then)
    yield* tooEarly(view, step.fails)
  }
}

/** Which source a step changes, and in words how. */
function changeOf(view: ScreenView, step: Step): { source: string; change: string } | undefined {
  const ref = changeAskedBy(view, step)
  if (ref === undefined) return undefined
  return {
    source: ref.source,
    change: step.step === 'submit' ? 'what is submitted' : `'${ref.source}.${ref.name}'`,
  }
}
