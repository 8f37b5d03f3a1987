import { equal } from '../../contract/index.js'
import { allSteps, type Showing, type Step } from '../../wiring/index.js'
import { isReadable } from '../reading/given.js'
import { leak, screenRule } from './rule.js'
import { isPayload } from '../../wiring/index.js'
import type { ScreenView } from '../reading/screen-view.js'

/** An action that hides a field and keeps its open draft. */
export const hiddenDraft = screenRule({
  id: 'hidden-draft',
  level: 'warning',
  title: 'A cancel only hides its draft',
  why: 'The field is gone from the screen and its draft is not: when it is shown again, what was cancelled is there, and may be saved.',
  mend: 'Discard the draft in the same action, or show the fitting with hidden: cleared.',
  played: 'draft-stays-gone',
  leaking: `
import { contract, draft, save, screen, set, shownWhile, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {}, cancel: {} } })
const more = contract('more-button', { summary: 'A button', events: { press: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' }, open: { type: Type.Boolean(), initial: false } },
  fittings: { note, more },
  shown: ({ cells }) => ({ note: shownWhile(cells.open) }),
  actions: ({ cells, fittings }) => ({ keep: [save(fittings.note)], cancel: [set(cells.open, false)] }),
  bind: ({ cells, actions }) => ({ note: { text: draft(cells.text), on: { done: actions.keep, cancel: actions.cancel } }, more: { on: { press: [set(cells.open, true)] } } }),
})`,
  mended: `
import { contract, discard, draft, save, screen, set, shownWhile, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, events: { done: {}, cancel: {} } })
const more = contract('more-button', { summary: 'A button', events: { press: {} } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' }, open: { type: Type.Boolean(), initial: false } },
  fittings: { note, more },
  shown: ({ cells }) => ({ note: shownWhile(cells.open) }),
  actions: ({ cells, fittings }) => ({ keep: [save(fittings.note)], cancel: [discard(fittings.note), set(cells.open, false)] }),
  bind: ({ cells, actions }) => ({ note: { text: draft(cells.text), on: { done: actions.keep, cancel: actions.cancel } }, more: { on: { press: [set(cells.open, true)] } } }),
})`,
  *find(view) {
    for (const { name, bindings } of view.fittings) {
      const showing = view.screen.shown[name]
      if (showing === undefined || showing.hidden === 'cleared') continue
      if (![...bindings.values()].some(({ kind }) => kind === 'draft')) continue
      for (const { at, action } of view.actions) {
        const steps = [...allSteps(action.steps)]
        const isSettled = steps.some(
          (step) => (step.step === 'save' || step.step === 'discard') && step.fitting.name === name,
        )
        if (!isSettled && steps.some((step) => hides(view, step, showing)))
          yield leak(
            at,
            `'${name}' is hidden, and its draft is kept: what was cancelled is there again when it is shown`,
            {
              mend: `Write discard(fittings.${name}) before it, or show '${name}' with { hidden: 'cleared' }.`,
            },
          )
      }
    }
  },
})

function hides(view: ScreenView, step: Step, { source, is }: Showing): boolean {
  if ((step.step !== 'set' && step.step !== 'clear') || source.kind !== 'cell' || step.cell.name !== source.name)
    return false
  if (step.step === 'clear') return !equal(view.cells.get(source.name)?.initial, is)
  return !isPayload(step.value) && !isReadable(step.value) && !equal(step.value, is)
}
