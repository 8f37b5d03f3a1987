import { equal } from '../../contract/index.js'
import { isPayload, type AnyCell, type Steps } from '../../wiring/index.js'
import { isReadable } from '../reading/given.js'
import type { ScreenView } from '../reading/screen-view.js'
import { sequencesOf } from '../reading/sequences.js'
import { leak, screenRule } from './rule.js'

/** A step that changes nothing, whatever stands when it is reached. */
export const idleStep = screenRule({
  id: 'idle-step',
  level: 'warning',
  title: 'A step changes nothing',
  why: 'It sets a cell to what the cell holds by then, or asks a second time for what the step before has asked for: what was meant, such as two cells that change places, does not happen.',
  mend: 'Drop it, or set it to what was meant; what is to change places needs a third cell.',
  leaking: `
import { contract, screen, set, twoWay, Type } from 'caulker'
const span = contract('rope-span', { values: { from: { type: Type.Integer(), default: 0 }, to: { type: Type.Integer(), default: 0 } }, events: { turned: {} } })
export const rope = screen('rope', {
  cells: { from: { type: Type.Integer(), initial: 0 }, to: { type: Type.Integer(), initial: 0 } },
  fittings: { span },
  actions: ({ cells }) => ({ turn: [set(cells.from, cells.to), set(cells.to, cells.from)] }),
  bind: ({ cells, actions }) => ({ span: { from: twoWay(cells.from), to: twoWay(cells.to), on: { turned: actions.turn } } }),
})`,
  mended: `
import { contract, screen, set, twoWay, Type } from 'caulker'
const span = contract('rope-span', { values: { from: { type: Type.Integer(), default: 0 }, to: { type: Type.Integer(), default: 0 } }, events: { turned: {} } })
export const rope = screen('rope', {
  cells: { from: { type: Type.Integer(), initial: 0 }, to: { type: Type.Integer(), initial: 0 }, other: { type: Type.Integer(), initial: 0 } },
  fittings: { span },
  actions: ({ cells }) => ({ turn: [set(cells.other, cells.from), set(cells.from, cells.to), set(cells.to, cells.other)] }),
  bind: ({ cells, actions }) => ({ span: { from: twoWay(cells.from), to: twoWay(cells.to), on: { turned: actions.turn } } }),
})`,
  *find(view) {
    for (const { at, action } of view.actions)
      for (const steps of sequencesOf(action.steps)) for (const says of idleIn(view, steps)) yield leak(at, says)
    // Written in place, an empty handler says that nothing has to be done; an action with a name was meant to do something.
    for (const placed of view.actions)
      if (placed.action.name !== '' && placed.action.steps.length === 0)
        for (const { fitting, event } of view.triggersOf(placed).slice(0, 1))
          yield leak(placed.at, `nothing is done where '${fitting.name}' sends '${event}'`, {
            mend: 'Write the steps that belong there, or leave the handler out.',
          })
    for (const step of view.screen.enters.steps)
      if (step.step === 'refresh' && view.screen.loads[step.cell.name] !== undefined)
        yield leak(
          ['enters'],
          `'${step.cell.name}' is loaded when the screen is entered, and asked for once more at once`,
        )
  },
})

/** Follows what each cell holds through steps that run one after the other. */
function* idleIn(view: ScreenView, steps: Steps): Iterable<string> {
  const held = new Map<string, unknown>()
  const asked = new Set<string>()
  for (const step of steps) {
    if (step.step === 'submit' || step.step === 'refresh') {
      const what = step.step === 'submit' ? 'the submit' : `'${step.cell.name}'`
      if (asked.has(what)) yield `${what} is asked for twice in one go: the second does nothing that the first does not`
      asked.add(what)
    } else if (step.step === 'set' && isPlain(step.cell)) {
      const { name } = step.cell
      const value = heldBy(held, step.value)
      if (value !== undefined && equal(value, heldBy(held, step.cell)) && !isMadeAnew(view, name, step.value))
        yield `sets '${name}' to what it holds by then`
      held.set(name, value ?? Symbol(name))
    } else if (step.step === 'clear' && isPlain(step.cell))
      held.set(step.cell.name, { is: view.cells.get(step.cell.name)?.initial })
    else if (step.step === 'run' || step.step === 'reset' || step.step === 'announce' || step.step === 'report') {
      // Who is told of it may change anything.
      for (const name of view.cells.keys()) held.set(name, Symbol(name))
      asked.clear()
    }
  }
}

/** A row's member is another cell in each row. */
function isPlain({ row, member }: AnyCell): boolean {
  return row === undefined && member === undefined
}

/** What stands for a value: the same for the same; nothing where it is not known. */
function heldBy(held: ReadonlyMap<string, unknown>, value: unknown): unknown {
  if (isPayload(value)) return { payload: value.at }
  if (!isReadable(value)) return { is: value }
  if (value.kind !== 'cell' || !isPlain(value as AnyCell)) return undefined
  return held.get(value.name) ?? { of: value.name }
}

/** What an amendment or a bound makes of a value on the way is not the value any more. */
function isMadeAnew(view: ScreenView, cell: string, value: unknown): boolean {
  const names = isReadable(value) ? [cell, value.name] : [cell]
  return new Set(names).size > 1 && names.some((name) => (view.cells.get(name)?.amend.length ?? 0) > 0)
}
