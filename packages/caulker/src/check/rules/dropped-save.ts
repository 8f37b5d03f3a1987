import type { Steps } from '../../wiring/index.js'
import { sequencesOf } from '../reading/sequences.js'
import { leak, screenRule } from './rule.js'

/** A draft that is given up before the save of it has been answered. */
export const droppedSave = screenRule({
  id: 'dropped-save',
  level: 'error',
  title: 'A draft is dropped while it is being saved',
  why: 'The save is on its way, and the draft is gone: where it fails, what was typed is lost, and nobody can try again.',
  mend: 'Put what gives the draft up under then of the save, so that it follows the answer.',
  played: 'leaving-discards',
  leaking: `
import { contract, discard, draft, payload, save, screen, source, Type } from 'caulker'
const office = source('yard-office', { note: { effect: 'updates', takes: Type.String() } })
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  fittings: { note },
  sources: { office },
  actions: ({ fittings, sources }) => ({ keep: [save(fittings.note, { to: sources.office.note, given: payload() }), discard(fittings.note)] }),
  bind: ({ cells, actions }) => ({ note: { text: draft(cells.text), on: { done: actions.keep } } }),
})`,
  mended: `
import { contract, draft, payload, save, screen, source, Type } from 'caulker'
const office = source('yard-office', { note: { effect: 'updates', takes: Type.String() } })
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  fittings: { note },
  sources: { office },
  actions: ({ fittings, sources }) => ({ keep: [save(fittings.note, { to: sources.office.note, given: payload() })] }),
  bind: ({ cells, actions }) => ({ note: { text: draft(cells.text), on: { done: actions.keep } } }),
})`,
  *find(view) {
    for (const { at, action } of view.actions)
      for (const saving of unanswered(action.steps, ({ step }) => step === 'discard' || step === 'reset'))
        yield leak(at, `the draft of '${saving}' is given up while its save is on its way`)
  },
  *findAcross({ journey, screens }) {
    if (journey.leaving !== 'discard') return
    for (const [name, view] of screens)
      for (const { action } of view.actions)
        for (const saving of unanswered(action.steps, ({ step }) => step === 'go' || step === 'back'))
          yield leak(
            ['screens', name],
            `'${name}' is left, which discards its drafts, while the save of '${saving}' is on its way`,
            { mend: 'Go on under then of the save, so that the way follows the answer.' },
          )
  },
})

/** The fittings whose save has not been answered when a step gives drafts up. */
function* unanswered(steps: Steps, givesUp: (step: Steps[number]) => boolean): Iterable<string> {
  for (const sequence of sequencesOf(steps)) {
    const saving = new Set<string>()
    for (const step of sequence) {
      if (step.step === 'save' && step.to !== undefined) saving.add(step.fitting.name)
      if (!givesUp(step)) continue
      const lost = step.step === 'discard' ? [...saving].filter((name) => name === step.fitting.name) : saving
      yield* lost
      saving.clear()
    }
  }
}
