import { allSteps, type Step } from '../../wiring/index.js'
import { clauseIn, type ScreenView } from '../reading/screen-view.js'
import { changeAskedBy } from '../reading/sends.js'
import { sequencesOf } from '../reading/sequences.js'
import { designRule, leak } from './rule.js'

/** A change that is announced beside its call, to screens that then load what has not changed yet. */
export const announcedTooEarly = designRule({
  id: 'announced-too-early',
  level: 'error',
  title: 'A change is announced before it is made',
  why: 'The steps beside a call do not wait for it: whoever hears of the change asks at once, and is given what stood before.',
  mend: 'Announce it under then.',
  leaking: `
import { announce, call, contract, load, oneWay, refresh, screen, source, topic, twoWay, Type } from 'caulker'
const office = source('yard-office', { names: { effect: 'reads', gives: Type.Array(Type.String()) }, name: { effect: 'creates', takes: Type.Object({ name: Type.String() }) } })
const named = topic('vessel-named')
const text = contract('yard-text', { summary: 'A text', properties: { names: { type: Type.Array(Type.String()), default: [] } }, values: { text: { type: Type.String(), default: '' } }, events: { done: {} } })
export const slip = screen('slipway', {
  cells: { name: { type: Type.String(), initial: '' } },
  sources: { office },
  topics: { named },
  fittings: { text },
  actions: ({ cells, sources, topics }) => ({ keep: [call(sources.office.name, { name: cells.name }), announce(topics.named)] }),
  bind: ({ cells, actions }) => ({ text: { text: twoWay(cells.name), on: { done: actions.keep } } }),
})
export const gate = screen('lock-gate', {
  cells: { names: { type: Type.Array(Type.String()), initial: [] }, name: { type: Type.String(), initial: '' } },
  sources: { office },
  topics: { named },
  fittings: { text },
  loads: ({ sources }) => ({ names: load(sources.office.names) }),
  hears: ({ cells }) => ({ named: [refresh(cells.names)] }),
  bind: ({ cells }) => ({ text: { names: oneWay(cells.names), text: twoWay(cells.name) } }),
})`,
  mended: `
import { announce, call, contract, load, oneWay, refresh, screen, source, topic, twoWay, Type } from 'caulker'
const office = source('yard-office', { names: { effect: 'reads', gives: Type.Array(Type.String()) }, name: { effect: 'creates', takes: Type.Object({ name: Type.String() }) } })
const named = topic('vessel-named')
const text = contract('yard-text', { summary: 'A text', properties: { names: { type: Type.Array(Type.String()), default: [] } }, values: { text: { type: Type.String(), default: '' } }, events: { done: {} } })
export const slip = screen('slipway', {
  cells: { name: { type: Type.String(), initial: '' } },
  sources: { office },
  topics: { named },
  fittings: { text },
  actions: ({ cells, sources, topics }) => ({ keep: [call(sources.office.name, { name: cells.name }, { then: [announce(topics.named)] })] }),
  bind: ({ cells, actions }) => ({ text: { text: twoWay(cells.name), on: { done: actions.keep } } }),
})
export const gate = screen('lock-gate', {
  cells: { names: { type: Type.Array(Type.String()), initial: [] }, name: { type: Type.String(), initial: '' } },
  sources: { office },
  topics: { named },
  fittings: { text },
  loads: ({ sources }) => ({ names: load(sources.office.names) }),
  hears: ({ cells }) => ({ named: [refresh(cells.names)] }),
  bind: ({ cells }) => ({ text: { names: oneWay(cells.names), text: twoWay(cells.name) } }),
})`,
  *find({ screens }) {
    const asking = new Map<string, Set<string>>()
    for (const view of screens)
      for (const [name, heard] of Object.entries(view.screen.hears))
        for (const source of sourcesAsked(view, [...allSteps(heard.steps)])) {
          const topic = topicNamed(view, name)
          asking.set(topic, (asking.get(topic) ?? new Set()).add(source))
        }
    for (const view of screens)
      for (const { at, action } of view.actions)
        for (const steps of sequencesOf(action.steps))
          for (const step of steps) {
            if (step.step !== 'announce') continue
            const topic = topicNamed(view, step.topic.name)
            const change = steps
              .map((one) => changeAskedBy(view, one))
              .find((ref) => ref !== undefined && asking.get(topic)?.has(sourceNamed(view, ref.source)))
            if (change !== undefined)
              yield {
                ...leak(
                  at,
                  `'${topic}' is announced while '${change.source}.${change.name}' is still on its way, and who hears it asks '${sourceNamed(view, change.source)}' at once`,
                ),
                of: { name: view.screen.name, written: view.screen },
              }
          }
  },
})

/** A screen may call a topic by another name. */
function topicNamed(view: ScreenView, name: string): string {
  return clauseIn(view.screen.topics, name)?.name ?? name
}

/** The names of the sources that some steps load from; a source may be called by another name on each screen. */
function* sourcesAsked(view: ScreenView, steps: readonly Step[]): Iterable<string> {
  for (const step of steps) {
    const operation =
      step.step === 'refresh'
        ? view.screen.loads[step.cell.name]?.operation
        : step.step === 'call'
          ? step.operation
          : undefined
    if (operation !== undefined && view.operation(operation)?.effect === 'reads')
      yield sourceNamed(view, operation.source)
  }
}

function sourceNamed({ screen }: ScreenView, name: string): string {
  const sources: Readonly<Record<string, { name: string }>> = screen.sources
  return clauseIn(sources, name)?.name ?? name
}
