import { isPayload, type Step } from '../../wiring/index.js'
import { givenReadables } from '../reading/given.js'
import type { ScreenView } from '../reading/screen-view.js'
import { cellsGiven, sendings } from '../reading/sends.js'
import { sequencesOf } from '../reading/sequences.js'
import { wipedCells } from '../reading/wiped.js'
import { leak, screenRule, type Leak } from './rule.js'

/** A submit after steps that have wiped all that it sends. */
export const wipedBeforeSent = screenRule({
  id: 'wiped-before-sent',
  level: 'error',
  title: 'What is handed on is wiped first',
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
    yield* wipedBeforeRead(view)
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

/** A step that is given nothing but what the steps before it have wiped. */
function* wipedBeforeRead(view: ScreenView): Iterable<Leak> {
  for (const { at, action } of view.actions)
    for (const steps of sequencesOf(action.steps)) {
      const wiped = new Set<string>()
      for (const step of steps) {
        const read = step.step === 'run' ? [] : givenReadables(step).flatMap((one) => [...view.cellsBehind(one)])
        if (read.length > 0 && read.every((cell) => wiped.has(cell)))
          yield leak(at, `${stepText(step)} what '${read[0]}' holds, which has been wiped just before`, {
            mend: 'Wipe it afterwards.',
          })
        for (const cell of wipedCells(view, step)) if (isEntered(view, cell)) wiped.add(cell)
        if (step.step === 'set' && !wipedCells(view, step).includes(step.cell.name)) wiped.delete(step.cell.name)
      }
    }
}

function stepText(step: Step): string {
  if (step.step === 'set') return `'${step.cell.name}' is set to`
  if (step.step === 'announce') return `the topic '${step.topic.name}' carries`
  return step.step === 'call' ? `'${step.operation.source}.${step.operation.name}' is given` : 'a step takes'
}

/** What nobody enters, loads or picks may well be nothing. */
function isEntered(view: ScreenView, cell: string): boolean {
  const isPicked = (step: Step): boolean => step.step === 'set' && step.cell.name === cell && isPayload(step.value)
  return (
    view.editedCells().has(cell) ||
    view.screen.loads[cell] !== undefined ||
    view.actions.some(({ all }) => all.some(isPicked))
  )
}
