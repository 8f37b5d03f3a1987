import { cellsGiven, sendings } from '../reading/sends.js'
import { sequencesOf } from '../reading/sequences.js'
import { wipedCells } from '../reading/wiped.js'
import { leak, screenRule } from './rule.js'

/** A submit after steps that have wiped all that it sends. */
export const wipedBeforeSent = screenRule({
  id: 'wiped-before-sent',
  level: 'error',
  title: 'All that is sent is wiped first',
  why: 'The person fills in the form and presses; what arrives is an empty one.',
  mend: 'Submit, and reset under then.',
  leaking: `
import { contract, reset, screen, source, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { note: { effect: 'creates', takes: Type.Object({ text: Type.String() }) } })
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  sources: { office },
  fittings: { note },
  actions: () => ({ keep: [reset(), submit()] }),
  bind: ({ cells, actions }) => ({ note: { text: twoWay(cells.text), on: { done: actions.keep } } }),
  submit: { sends: ['text'], to: 'office.note' },
  reset: { to: 'initial' },
})`,
  mended: `
import { contract, reset, screen, source, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { note: { effect: 'creates', takes: Type.Object({ text: Type.String() }) } })
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  sources: { office },
  fittings: { note },
  actions: () => ({ keep: [submit()] }),
  bind: ({ cells, actions }) => ({ note: { text: twoWay(cells.text), on: { done: actions.keep } } }),
  submit: { sends: ['text'], to: 'office.note', then: () => [reset()] },
  reset: { to: 'initial' },
})`,
  *find(view) {
    const submitted = sendings(view).find(({ how }) => how === 'submit')
    if (submitted === undefined) return
    const edited = [...cellsGiven(view, submitted)].filter((cell) => view.editedCells().has(cell))
    for (const { at, action } of view.actions)
      for (const steps of sequencesOf(action.steps)) {
        const sends = steps.findIndex(({ step }) => step === 'submit')
        const wiped = steps.slice(0, Math.max(0, sends)).flatMap((step) => wipedCells(view, step))
        const isEmpty = edited.length > 0 && edited.every((cell) => wiped.includes(cell))
        if (isEmpty) yield leak(at, `all that '${submitted.ref.source}.${submitted.ref.name}' is sent is wiped before`)
      }
  },
})
