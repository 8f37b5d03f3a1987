import { equal } from '../../contract/index.js'
import type { Showing } from '../../wiring/index.js'
import { leak, screenRule } from './rule.js'
import type { Placed, ScreenView } from '../reading/screen-view.js'

/** A command of a fitting that may not be there yet. */
export const commandTooEarly = screenRule({
  id: 'command-too-early',
  level: 'error',
  title: 'A command is called before its component is there',
  why: 'The fitting is only shown while a cell holds, and nothing says that it does: the call finds nobody, and the focus or the reset that was meant is lost.',
  mend: 'Call it from an event of the fitting itself or of one that is shown with it, or keep the fitting and lock it.',
  leaking: `
import { contract, run, screen, set, shownWhile, twoWay, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } }, commands: { focus: { effect: 'focus' } } })
const more = contract('more-button', { summary: 'A button', events: { press: {} } })
export const log = screen('deck-log', {
  cells: { open: { type: Type.Boolean(), initial: false }, text: { type: Type.String(), initial: '' } },
  fittings: { note, more },
  shown: ({ cells }) => ({ note: shownWhile(cells.open) }),
  actions: ({ cells, fittings }) => ({ write: [set(cells.open, true), run(fittings.note, 'focus')] }),
  bind: ({ cells, actions }) => ({ note: { text: twoWay(cells.text) }, more: { on: { press: actions.write } } }),
})`,
  mended: `
import { contract, run, screen, set, twoWay, oneWay, Type } from 'caulker'
const note = contract('log-note', { summary: 'A note', properties: { faint: { type: Type.Boolean(), default: true } }, values: { text: { type: Type.String() } }, commands: { focus: { effect: 'focus' } } })
const more = contract('more-button', { summary: 'A button', events: { press: {} } })
export const log = screen('deck-log', {
  cells: { faint: { type: Type.Boolean(), initial: true }, text: { type: Type.String(), initial: '' } },
  fittings: { note, more },
  actions: ({ cells, fittings }) => ({ write: [set(cells.faint, false), run(fittings.note, 'focus')] }),
  bind: ({ cells, actions }) => ({ note: { text: twoWay(cells.text), faint: oneWay(cells.faint) }, more: { on: { press: actions.write } } }),
})`,
  *find(view) {
    for (const placed of view.actions)
      for (const step of placed.all) {
        const showing = step.step === 'run' ? view.screen.shown[step.fitting.name] : undefined
        if (step.step !== 'run' || showing === undefined || isThereThen(view, placed, showing)) continue
        yield leak(
          placed.at,
          `'${step.fitting.name}.${step.command}' is called, and '${step.fitting.name}' is only there while '${showing.source.name}' holds`,
        )
      }
  },
})

/** Whether every fitting that sets the steps off is shown under the same condition. */
function isThereThen(view: ScreenView, placed: Placed, showing: Showing): boolean {
  const triggers = view.triggersOf(placed)
  // An action that no event sets off is called by the page, which may know.
  if (triggers.length === 0) return placed.at[0] === 'actions'
  return triggers.every(({ fitting }) => {
    const its = view.screen.shown[fitting.name]
    return its !== undefined && its.source.name === showing.source.name && equal(its.is, showing.is)
  })
}
