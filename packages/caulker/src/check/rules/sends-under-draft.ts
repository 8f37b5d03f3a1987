import type { Steps } from '../../wiring/index.js'
import { sequencesOf } from '../reading/sequences.js'
import { leak, screenRule, type Leak } from './rule.js'
import type { ScreenView } from '../reading/screen-view.js'

/** A submit that sends a cell of which a field may hold a newer draft. */
export const sendsUnderDraft = screenRule({
  id: 'sends-under-draft',
  level: 'warning',
  title: 'A submit sends what lies under an open draft',
  why: 'The person sees what they typed; what would be sent is the cell under it. The submit is held back as long as the draft is open, and nothing on the screen discards it.',
  mend: 'Save the draft in the action that submits, let the person discard it, or bind the field with twoWay.',
  leaking: `
import { contract, draft, save, screen, source, submit, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ name: Type.String() }) } })
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } }, events: { send: {}, keep: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name: text },
  sources: { office },
  actions: ({ fittings }) => ({ keep: [save(fittings.name)], send: [submit()] }),
  bind: ({ cells, actions }) => ({ name: { text: draft(cells.name), on: { send: actions.send, keep: actions.keep } } }),
  submit: { sends: ['name'], to: 'office.book' },
})`,
  mended: `
import { contract, draft, save, screen, source, submit, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ name: Type.String() }) } })
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } }, events: { send: {}, keep: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name: text },
  sources: { office },
  actions: ({ fittings }) => ({ keep: [save(fittings.name)], send: [save(fittings.name), submit()] }),
  bind: ({ cells, actions }) => ({ name: { text: draft(cells.name), on: { send: actions.send, keep: actions.keep } } }),
  submit: { sends: ['name'], to: 'office.book' },
})`,
  *find(view) {
    const { submit, reckoned } = view.screen
    if (submit === undefined) return
    yield* submittedWhileSaving(view)
    const sent = new Set(
      Object.values(submit.sends).flatMap((name) => [
        ...view.cellsBehind(reckoned[name] ?? ({ kind: 'cell', name } as const)),
      ]),
    )
    for (const { name, bindings } of view.fittings)
      for (const [value, binding] of bindings)
        if (
          binding.kind === 'draft' &&
          binding.source.row === undefined &&
          sent.has(binding.source.name) &&
          !isSettled(view, name)
        )
          yield leak(
            ['bind', name, value],
            `'${name}.${value}' edits a draft of '${binding.source.name}', and the submit sends '${binding.source.name}' without saving it: nothing discards it either`,
          )
  },
})

/** A draft that is saved to somewhere is open until the answer: a submit beside it is held back each time. */
function* submittedWhileSaving(view: ScreenView): Iterable<Leak> {
  for (const { at, action } of view.actions)
    for (const steps of sequencesOf(action.steps)) {
      const submits = steps.findIndex(({ step }) => step === 'submit')
      for (const step of steps.slice(0, Math.max(0, submits)))
        if (step.step === 'save' && step.to !== undefined && sendsDraftOf(view, step.fitting.name))
          yield leak(
            at,
            `submits while the draft of '${step.fitting.name}' is still being saved to '${step.to.source}.${step.to.name}', which holds the submit back`,
            { mend: 'Submit under then of the save.' },
          )
    }
}

function sendsDraftOf({ screen, fittings, cellsBehind }: ScreenView, fitting: string): boolean {
  const names = Object.values(screen.submit?.sends ?? {})
  const sent = names.flatMap((name) => [...cellsBehind(screen.reckoned[name] ?? ({ kind: 'cell', name } as const))])
  const bindings = fittings.find(({ name }) => name === fitting)?.bindings.values() ?? []
  return [...bindings].some((binding) => binding.kind === 'draft' && sent.includes(binding.source.name))
}

/** Whether the person can discard the draft, or every list of steps that submits has saved it before or follows its save. */
function isSettled({ actions }: ScreenView, fitting: string): boolean {
  const isDiscarded = actions.some(({ all }) =>
    all.some((step) => step.step === 'discard' && step.fitting.name === fitting),
  )
  if (isDiscarded) return true
  const saves = (step: Steps[number]) => step.step === 'save' && step.fitting.name === fitting
  const submitting = actions.flatMap(({ action, all }) =>
    [...sequencesOf(action.steps)].flatMap((sequence) => {
      const at = sequence.findIndex(({ step }) => step === 'submit')
      const follows = all.some(
        (step) => step.step === 'save' && saves(step) && [...sequencesOf(step.then)].includes(sequence),
      )
      return at < 0 ? [] : [follows || sequence.slice(0, at).some(saves)]
    }),
  )
  return submitting.length > 0 && submitting.every(Boolean)
}
