import { isPayload, type Step } from '../../wiring/index.js'
import { leak, screenRule } from './rule.js'
import type { FittingView, ScreenView } from '../reading/screen-view.js'

/** What a reset does not bring back, and the person filled in. */
export const resetMisses = screenRule({
  id: 'reset-misses',
  level: 'error',
  title: 'A reset forgets a part',
  why: 'The screen looks new, and one field still holds what the last person entered; it is sent with the next order.',
  mend: 'Take it into the scope of the reset, or name it under leaves.',
  played: 'reset-is-whole',
  leaking: `
import { contract, reset, screen, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } }, events: { again: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' }, note: { type: Type.String(), initial: '' } },
  fittings: { name: text, note: text },
  bind: ({ cells }) => ({ name: { text: twoWay(cells.name) }, note: { text: twoWay(cells.note), on: { again: [reset()] } } }),
  reset: { to: 'initial', cells: ['name'] },
})`,
  mended: `
import { contract, reset, screen, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String() } }, events: { again: {} } })
export const berth = screen('berth', {
  cells: { name: { type: Type.String(), initial: '' }, note: { type: Type.String(), initial: '' } },
  fittings: { name: text, note: text },
  bind: ({ cells }) => ({ name: { text: twoWay(cells.name) }, note: { text: twoWay(cells.note), on: { again: [reset()] } } }),
  reset: { to: 'initial' },
})`,
  *find(view) {
    const { reset } = view.screen
    if (reset === undefined) return
    if (reset.cells !== undefined)
      for (const cell of view.editedCells())
        if (view.cells.has(cell) && !reset.cells.includes(cell) && !reset.leaves.includes(cell))
          yield leak(['reset', 'cells'], `'${cell}' is filled in here, and the reset leaves it`, {
            mend: `Add '${cell}' to its cells, or to leaves if it is meant to stay.`,
          })
    if (reset.to === 'saved')
      for (const cell of view.editedCells())
        if (
          view.cells.has(cell) &&
          view.cells.get(cell)?.face === undefined &&
          !isSaved(view, cell) &&
          !reset.leaves.includes(cell)
        )
          yield leak(['reset', 'to'], `'${cell}' is to go back to what was saved, and it is never loaded nor saved`, {
            mend: `Load '${cell}' when the screen is entered, or reset to 'initial'.`,
          })
    for (const fitting of view.fittings)
      for (const value of heldInside(fitting))
        if (!isResetByCommand(view, fitting))
          yield leak(
            ['bind', fitting.name],
            `'${fitting.name}' keeps '${value}' itself, and the reset does not reach it`,
            { mend: `Bind '${value}' with twoWay, or run the reset command of '${fitting.name}' beside reset().` },
          )
  },
})

function isSaved(view: ScreenView, cell: string): boolean {
  return (
    Object.hasOwn(view.screen.loads, cell) ||
    view.shared.has(cell) ||
    view.actions.some(({ all }) =>
      all.some(
        (step) =>
          (step.step === 'call' && (step.into?.name === cell || step.then.some((then) => takesAnswer(then, cell)))) ||
          (step.step === 'save' && drafted(view, step.fitting.name).includes(cell)),
      ),
    )
  )
}

/** A record that is spread over several cells. */
function takesAnswer(step: Step, cell: string): boolean {
  return step.step === 'set' && step.cell.name === cell && isPayload(step.value)
}

function drafted({ fittings }: ScreenView, fitting: string): string[] {
  const bindings = fittings.find(({ name }) => name === fitting)?.bindings.values() ?? []
  return [...bindings].flatMap((binding) => (binding.kind === 'draft' ? [binding.source.name] : []))
}

/** The values that no cell brings back: those that hold the last word themselves, and those that a person edits unbound. */
function heldInside(fitting: FittingView): string[] {
  if (fitting.isLocked()) return []
  return Object.values(fitting.contract.values)
    .filter((value) => {
      const binding = fitting.bindings.get(value.name)
      if (value.lastWord === 'self') return value.accepts === 'never' || binding === undefined
      return binding === undefined && (fitting.handlers.get(value.event)?.steps.length ?? 0) > 0
    })
    .map(({ name }) => name)
}

function isResetByCommand(view: ScreenView, fitting: FittingView): boolean {
  return view.actions.some(({ all }) => {
    return (
      all.some((step) => step.step === 'reset') &&
      all.some(
        (step) =>
          step.step === 'run' &&
          step.fitting.name === fitting.name &&
          fitting.contract.commands[step.command]?.effect === 'reset',
      )
    )
  })
}
