import { typedBy } from '../reading/each-key.js'
import type { Step } from '../../wiring/index.js'
import type { FittingView, Placed, ScreenView } from '../reading/screen-view.js'
import { changeAskedBy } from '../reading/sends.js'
import { leak, screenRule, type Leak } from './rule.js'

/** A draft that each letter saves. */
export const savesEachKey = screenRule({
  id: 'saves-each-key',
  level: 'warning',
  title: 'Each key saves a draft, or makes a new one at a source',
  why: 'What is typed is written back letter by letter: there is nothing left to cancel, and half a word is stored; what a source makes anew is made once for each letter.',
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
        yield* sendsEachKey(view, placed, step)
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

/** What is made anew each time is made letter by letter. */
function* sendsEachKey(view: ScreenView, placed: Placed, step: Step): Iterable<Leak> {
  const asked = step.step === 'submit' || step.step === 'call' ? changeAskedBy(view, step) : undefined
  if (asked === undefined || view.operation(asked)?.effect !== 'creates') return
  for (const { fitting, event } of view.triggersOf(placed))
    if (typedBy(fitting, event).some(({ name }) => fitting.bindings.get(name)?.kind === 'two-way'))
      yield leak(
        ['bind', fitting.name, 'on', event],
        `'${event}' sends '${asked.source}.${asked.name}' at each key that is typed in '${fitting.name}', and each makes a new one`,
        { mend: 'Send it when a button is pressed or the field is left; or let it wait (within) until the keys rest.' },
      )
}

function typesADraft(fitting: FittingView, event: string): boolean {
  return typedBy(fitting, event).some(({ name }) => fitting.bindings.get(name)?.kind === 'draft')
}
