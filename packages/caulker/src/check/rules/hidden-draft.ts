import { equal } from '../../contract/index.js'
import type { Showing, Step } from '../../wiring/index.js'
import { givenReadables, readablesIn } from '../reading/given.js'
import { heldAfter, isHeldOutside, type FittingView, type ScreenView } from '../reading/screen-view.js'
import { letsGo } from '../reading/wiped.js'
import { leak, screenRule, type Leak } from './rule.js'

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
    for (const fitting of view.fittings) {
      yield* lockedDrafts(view, fitting)
      const showing = view.screen.shown[fitting.name]
      if (showing === undefined || showing.hidden === 'cleared') continue
      if ([...fitting.bindings.values()].some(({ kind }) => kind === 'draft')) yield* keptDrafts(view, fitting, showing)
      yield* keptCopies(view, fitting, showing)
    }
  },
})

/** A field that is locked by a step which neither saves nor discards what is being edited there. */
function* lockedDrafts(view: ScreenView, { name, contract, bindings }: FittingView): Iterable<Leak> {
  if (![...bindings.values()].some(({ kind }) => kind === 'draft')) return
  for (const lock of [contract.locks.disabled, contract.locks.readonly]) {
    const binding = bindings.get(lock ?? '')
    if (binding?.kind !== 'one-way') continue
    for (const { at, all } of view.actions)
      if (all.some((step) => heldAfter(view, binding.source, step) === true) && !isSettled(all, name))
        yield leak(at, `'${name}' is locked, and its draft is kept: what was cancelled is shown as if it stood`, {
          mend: `Write discard(fittings.${name}) before it.`,
        })
  }
}

function isSettled(steps: readonly Step[], fitting: string): boolean {
  return steps.some((step) => (step.step === 'save' || step.step === 'discard') && step.fitting.name === fitting)
}

function* keptDrafts(view: ScreenView, { name }: FittingView, showing: Showing): Iterable<Leak> {
  for (const { at, steps } of hidings(view, showing)) {
    if (!isSettled(steps, name))
      yield leak(at, `'${name}' is hidden, and its draft is kept: what was cancelled is there again when it is shown`, {
        mend: `Write discard(fittings.${name}) before it, or show '${name}' with { hidden: 'cleared' }.`,
      })
  }
}

/** The same with a cell of its own for the copy: one way of hiding it writes the copy where it belongs, another one leaves it standing. */
function* keptCopies(view: ScreenView, { name, bindings }: FittingView, showing: Showing): Iterable<Leak> {
  const all = hidings(view, showing)
  for (const binding of bindings.values()) {
    if (binding.kind !== 'two-way' || isHeldOutside(view, binding.source.name)) continue
    const copy = binding.source.name
    const isBegunAnew = openings(view, showing).some((steps) => steps.some((step) => letsGo(step, copy)))
    const kept = all.filter(({ steps }) => steps.some((step) => writesFrom(step, copy)))
    if (kept.length === 0 || isBegunAnew) continue
    for (const { at, steps } of all)
      if (!steps.some((step) => letsGo(step, copy) || writesFrom(step, copy) || handsOver(step, copy)))
        yield leak(at, `'${name}' is hidden, and '${copy}' stands as it was typed: what was cancelled is there again`, {
          mend: `Clear '${copy}' in it, or set it anew where '${name}' is shown; or bind it as draft(cells.…), which save and discard let go.`,
        })
  }
}

interface Hiding {
  readonly at: readonly string[]
  readonly steps: readonly Step[]
}

function hidings(view: ScreenView, showing: Showing): Hiding[] {
  return view.actions
    .map(({ at, all }) => ({ at, steps: all }))
    .filter(({ steps }) => steps.some((step) => hides(view, step, showing)))
}

/** The lists of steps that show it. */
function openings(view: ScreenView, { source, is }: Showing): (readonly Step[])[] {
  return view.actions
    .map(({ all }) => all)
    .filter((steps) => steps.some((step) => equal(heldAfter(view, source, step), is)))
}

/** Whether a step writes another cell from it. */
function writesFrom(step: Step, copy: string): boolean {
  return step.step === 'set' && step.cell.name !== copy && readablesIn(step.value).some(({ name }) => name === copy)
}

function handsOver(step: Step, copy: string): boolean {
  return step.step !== 'set' && (step.step === 'submit' || givenReadables(step).some(({ name }) => name === copy))
}

function hides(view: ScreenView, step: Step, { source, is }: Showing): boolean {
  const value = heldAfter(view, source, step)
  return value !== undefined && !equal(value, is)
}
