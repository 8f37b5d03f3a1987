import type { Step } from '../../wiring/index.js'
import { leak, screenRule } from './rule.js'
import type { ScreenView } from '../reading/screen-view.js'

/** A step that needs a clause or a draft which the screen does not have. */
export const undeclaredStep = screenRule({
  id: 'undeclared-step',
  level: 'error',
  title: 'A step finds nothing to do',
  why: 'The person presses the button, and nothing is sent, reset, saved or discarded.',
  mend: 'Say on the screen what the step is about, or drop the step.',
  leaking: `
import { contract, screen, submit, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } }, events: { send: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name: text },
  bind: ({ cells }) => ({ name: { text: twoWay(cells.name), on: { send: [submit()] } } }),
})`,
  mended: `
import { contract, screen, source, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { book: { effect: 'creates', takes: Type.Object({ name: Type.String() }) } })
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } }, events: { send: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name: text },
  sources: { office },
  bind: ({ cells }) => ({ name: { text: twoWay(cells.name), on: { send: [submit()] } } }),
  submit: { sends: ['name'], to: 'office.book' },
})`,
  *find(view) {
    for (const { at, all } of view.actions)
      for (const step of all) {
        const missing = missingFor(view, step)
        if (missing !== undefined) yield leak(at, missing.says, { mend: missing.mend })
      }
  },
})

function missingFor({ screen, fittings }: ScreenView, step: Step): { says: string; mend: string } | undefined {
  if (step.step === 'submit' && screen.submit === undefined)
    return {
      says: `'${screen.name}' is to be submitted, and does not say what it sends`,
      mend: "Give the screen a submit clause, such as submit: { sends: ['bales'], to: 'office.book' }.",
    }
  if (step.step === 'reset' && screen.reset === undefined)
    return {
      says: `'${screen.name}' is to be reset, and does not say to what`,
      mend: "Give the screen a reset clause, such as reset: { to: 'initial' }.",
    }
  if (step.step !== 'save' && step.step !== 'discard') return undefined
  const fitting = fittings.find(({ name }) => name === step.fitting.name)
  if (fitting === undefined || [...fitting.bindings.values()].some(({ kind }) => kind === 'draft')) return undefined
  return {
    says: `'${fitting.name}' is to ${step.step} a draft, and none of its values edits one`,
    mend: `Bind a value of '${fitting.name}' with draft(cells.…), or drop the step.`,
  }
}
