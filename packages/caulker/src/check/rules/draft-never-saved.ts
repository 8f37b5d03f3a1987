import { allSteps } from '../../wiring/index.js'
import { leak, screenRule } from './rule.js'

/** A draft that nothing saves. */
export const draftNeverSaved = screenRule({
  id: 'draft-never-saved',
  level: 'error',
  title: 'A draft is never saved',
  why: 'The person edits a copy, and nothing on the screen ever writes it back: the edit is lost when the screen is left.',
  mend: 'Save it in an action, such as that of a button; or bind it with twoWay, which needs no saving.',
  leaking: `
import { contract, draft, screen, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  fittings: { note },
  bind: ({ cells }) => ({ note: { text: draft(cells.text) } }),
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
    const saved = new Set(
      view.actions.flatMap(({ action }) =>
        [...allSteps(action.steps)].flatMap((step) => (step.step === 'save' ? [step.fitting.name] : [])),
      ),
    )
    for (const fitting of view.fittings)
      for (const [name, binding] of fitting.bindings)
        if (binding.kind === 'draft' && !saved.has(fitting.name))
          yield leak(
            ['bind', fitting.name, name],
            `'${fitting.name}.${name}' edits a draft of '${binding.source.name}', and nothing saves it`,
          )
  },
})
