import { allSteps, isPayload, type Step, type Steps } from '../../wiring/index.js'
import { valueAt } from '../../contract/index.js'
import { isReadable } from '../reading/given.js'
import { sharedBy, type ScreenView } from '../reading/screen-view.js'
import { sequencesOf } from '../reading/sequences.js'
import { letsGo } from '../reading/wiped.js'
import { leak, screenRule } from './rule.js'

/** Success that is said, or gone on from, before the answer has come. */
export const saidTooEarly = screenRule({
  id: 'said-too-early',
  level: 'warning',
  title: 'Success is said before the answer',
  why: 'Steps beside a call do not wait for it: where it fails, or a submit is held back, the person reads that all went well, or is taken away from what they would have to mend.',
  mend: 'Put it under then.',
  played: 'failure-is-said',
  leaking: `
import { contract, oneWay, screen, set, source, states, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { note: { effect: 'updates', takes: Type.Object({ text: Type.String() }) } })
const note = contract('log-note', { summary: 'A note', properties: { said: { type: Type.String() }, wrong: { type: Type.String() } }, values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' }, said: { type: Type.String(), initial: '' } },
  sources: { office },
  fittings: { note },
  actions: ({ cells }) => ({ keep: [submit(), set(cells.said, 'It is in the log')] }),
  bind: ({ cells, actions }) => ({ note: { text: twoWay(cells.text), said: oneWay(cells.said), wrong: oneWay(states.problem()), on: { done: actions.keep } } }),
  submit: { sends: ['text'], to: 'office.note' },
})`,
  mended: `
import { contract, oneWay, screen, set, source, states, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { note: { effect: 'updates', takes: Type.Object({ text: Type.String() }) } })
const note = contract('log-note', { summary: 'A note', properties: { said: { type: Type.String() }, wrong: { type: Type.String() } }, values: { text: { type: Type.String() } }, events: { done: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' }, said: { type: Type.String(), initial: '' } },
  sources: { office },
  fittings: { note },
  actions: () => ({ keep: [submit()] }),
  bind: ({ cells, actions }) => ({ note: { text: twoWay(cells.text), said: oneWay(cells.said), wrong: oneWay(states.problem()), on: { done: actions.keep } } }),
  submit: { sends: ['text'], to: 'office.note', then: ({ cells }) => [set(cells.said, 'It is in the log')] },
})`,
  *find(view) {
    for (const { at, action } of view.actions)
      for (const steps of sequencesOf(action.steps))
        for (const { what, isSubmit, then, fails, place } of changesAsked(view, steps)) {
          for (const step of steps)
            if (isMessage(view, step) && ![...then, ...fails].some((one) => letsGo(one, step.cell.name)))
              yield leak(at, `'${step.cell.name}' says “${String(step.value)}” before ${what} has been answered`)
          for (const step of steps.slice(place + 1))
            if (isSubmit && (step.step === 'go' || step.step === 'back') && !waits(step))
              yield leak(at, `'${view.screen.name}' is left before ${what} has been answered`)
        }
  },
})

interface Asked {
  readonly what: string
  readonly isSubmit: boolean
  readonly place: number
  readonly then: readonly Step[]
  readonly fails: readonly Step[]
}

/** The steps that ask for a change, with all that follows their answer. */
function* changesAsked(view: ScreenView, steps: Steps): Iterable<Asked> {
  const { submit } = view.screen
  for (const [place, step] of steps.entries()) {
    if (step.step === 'submit' && submit !== undefined)
      yield {
        what: 'the submit',
        isSubmit: true,
        place,
        then: [...allSteps(submit.then)],
        fails: [...allSteps(submit.fails)],
      }
    else if (step.step === 'call' && view.operation(step.operation)?.effect !== 'reads')
      yield {
        what: `'${step.operation.source}.${step.operation.name}'`,
        isSubmit: false,
        place,
        then: [...allSteps(step.then)],
        fails: [...allSteps(step.fails)],
      }
  }
}

/** A text that is written down, for a cell that is only there to be read. */
function isMessage(view: ScreenView, step: Step): step is Step & { step: 'set' } {
  if (step.step !== 'set' || step.cell.row !== undefined) return false
  const { name } = step.cell
  const isText = valueAt(view.cells.get(name)?.type, ['type']) === 'string'
  if (!isText || isPayload(step.value) || isReadable(step.value) || step.value === '') return false
  const isEdited = view.fittings.some((fitting) => sharedBy(fitting).includes(name))
  return !isEdited && isRead(view, name) && !isDecisive(view, name)
}

function isRead({ fittings }: ScreenView, cell: string): boolean {
  return fittings.some(({ bindings }) =>
    [...bindings.values()].some((binding) => binding.kind === 'one-way' && binding.source.name === cell),
  )
}

/** What is shown or computed by it may be anything but a message. */
function isDecisive({ screen }: ScreenView, cell: string): boolean {
  return (
    Object.values(screen.shown).some(({ source }) => source.name === cell) ||
    Object.values(screen.reckoned as Readonly<Record<string, { inputs: readonly { name: string }[] }>>).some(
      ({ inputs }) => inputs.some(({ name }) => name === cell),
    )
  )
}

/** A way that has a condition of its own may well be the answer. */
function waits(step: Step): boolean {
  return step.step === 'go' && step.when !== undefined
}
