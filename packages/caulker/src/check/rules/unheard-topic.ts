import { designRule, leak } from './rule.js'
import { clauseIn } from '../reading/screen-view.js'

/** A topic that is announced and that no screen hears, or the other way round. */
export const unheardTopic = designRule({
  id: 'unheard-topic',
  needsWhole: true,
  level: 'error',
  title: 'A topic is announced, and nobody hears it',
  why: 'Siblings have no owner who would notice: one speaks, and the other goes on showing what was true before.',
  mend: 'Hear it under hears on the screen that depends on it, or drop it.',
  leaking: `
import { announce, contract, screen, topic } from 'caulker'
const freed = topic('berth-freed')
const leave = contract('leave-button', { summary: 'A button', events: { press: {} } })
export const berth = screen('berth', {
  cells: {},
  fittings: { leave },
  topics: { freed },
  actions: ({ topics }) => ({ leave: [announce(topics.freed)] }),
  bind: ({ actions }) => ({ leave: { on: { press: actions.leave } } }),
})`,
  mended: `
import { announce, contract, oneWay, screen, set, topic, Type } from 'caulker'
const freed = topic('berth-freed')
const leave = contract('leave-button', { summary: 'A button', events: { press: {} } })
const board = contract('berth-board', { summary: 'A board', properties: { free: { type: Type.Boolean(), default: false } } })
export const berth = screen('berth', {
  cells: {},
  fittings: { leave },
  topics: { freed },
  actions: ({ topics }) => ({ leave: [announce(topics.freed)] }),
  bind: ({ actions }) => ({ leave: { on: { press: actions.leave } } }),
})
export const plan = screen('plan', {
  cells: { free: { type: Type.Boolean(), initial: false } },
  fittings: { board },
  topics: { freed },
  hears: ({ cells }) => ({ freed: [set(cells.free, true)] }),
  bind: ({ cells }) => ({ board: { free: oneWay(cells.free) } }),
})`,
  *find({ screens }) {
    const heard = new Set<string>()
    const announced = new Set<string>()
    const topicOf = (view: (typeof screens)[number], name: string) => clauseIn(view.screen.topics, name)?.name ?? name
    const announcements = screens.flatMap((view) =>
      view.actions.flatMap(({ at, all }) =>
        all.flatMap((step) => (step.step === 'announce' ? [{ view, at, topic: topicOf(view, step.topic.name) }] : [])),
      ),
    )
    for (const { topic } of announcements) announced.add(topic)
    for (const view of screens) for (const name of Object.keys(view.screen.hears)) heard.add(topicOf(view, name))
    for (const { view, at, topic } of announcements)
      if (!heard.has(topic))
        yield {
          ...leak(at, `'${topic}' is announced, and no screen hears it`),
          of: { name: view.screen.name, written: view.screen },
        }
    for (const view of screens)
      for (const name of Object.keys(view.screen.hears))
        if (!announced.has(topicOf(view, name)))
          yield {
            ...leak(['hears', name], `'${topicOf(view, name)}' is heard, and no screen announces it`, {
              mend: 'Announce it where it happens, or drop its steps.',
            }),
            of: { name: view.screen.name, written: view.screen },
          }
  },
})
