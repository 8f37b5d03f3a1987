import { typedBy } from '../reading/each-key.js'
import type { FittingView } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** A draft that each letter saves. */
export const savesEachKey = screenRule({
  id: 'saves-each-key',
  level: 'warning',
  title: 'A draft is saved at each key',
  why: 'What is typed is written back letter by letter: there is nothing left to cancel, and half a word is stored.',
  mend: 'Save it when the field is left or a button is pressed; or bind it with twoWay, if each letter is to count.',
  leaking: `
import { contract, draft, save, screen, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  fittings: { note },
  actions: ({ fittings }) => ({ keep: [save(fittings.note)] }),
  bind: ({ cells, actions }) => ({ note: { text: draft(cells.text), on: { 'text-set': actions.keep, done: actions.keep } } }),
})`,
  mended: `
import { contract, draft, save, screen, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  fittings: { note },
  actions: ({ fittings }) => ({ keep: [save(fittings.note)] }),
  bind: ({ cells, actions }) => ({ note: { text: draft(cells.text), on: { done: actions.keep } } }),
})`,
  *find(view) {
    for (const placed of view.actions)
      for (const step of placed.action.steps) {
        if (step.step !== 'save') continue
        const typed = view
          .triggersOf(placed)
          .find(({ fitting, event }) => fitting.name === step.fitting.name && typesADraft(fitting, event))
        if (typed !== undefined)
          yield leak(
            ['bind', typed.fitting.name, 'on', typed.event],
            `'${typed.event}' saves the draft of '${typed.fitting.name}' at each key that is typed`,
          )
      }
  },
})

function typesADraft(fitting: FittingView, event: string): boolean {
  return typedBy(fitting, event).some(({ name }) => fitting.bindings.get(name)?.kind === 'draft')
}
