import { equal, printed } from '../../contract/index.js'
import { isPayload } from '../../wiring/index.js'
import { givenReadables, isReadable } from '../reading/given.js'
import { isReset } from '../reading/wiped.js'
import { leak, screenRule } from './rule.js'

/** Two steps of one transaction that set one cell to different values. */
export const twoWriters = screenRule({
  id: 'two-writers',
  level: 'warning',
  title: 'One cell is set twice in one transaction',
  why: 'Only the last of the two is ever seen; the other is lost, and which one it is depends on the order of the lines.',
  mend: 'Keep the step that is meant.',
  leaking: `
import { contract, screen, set, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { jammed: {} } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { winch },
  actions: ({ cells }) => ({ ease: [set(cells.turns, 0), set(cells.turns, 3)] }),
  bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { jammed: actions.ease } } }),
})`,
  mended: `
import { contract, screen, set, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } }, events: { jammed: {} } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { winch },
  actions: ({ cells }) => ({ ease: [set(cells.turns, 3)] }),
  bind: ({ cells, actions }) => ({ winch: { turns: twoWay(cells.turns), on: { jammed: actions.ease } } }),
})`,
  *find(view) {
    for (const { at, action } of view.actions) {
      const written = new Map<string, unknown>()
      for (const step of action.steps) {
        if (step.step === 'reset')
          for (const [name, value] of written)
            if (isReset(view, name))
              yield leak(at, `'${name}' is set to ${valueText(value)} and then reset: what was set is never seen`, {
                mend: `Reset first, or name '${name}' under leaves of the reset.`,
              })
        // What a step in between has read was there for it.
        for (const one of givenReadables(step)) for (const read of view.cellsBehind(one)) written.delete(read)
        if ((step.step !== 'set' && step.step !== 'clear') || step.cell.row !== undefined) continue
        const value = step.step === 'clear' ? view.cells.get(step.cell.name)?.initial : step.value
        const name = step.cell.name
        if (written.has(name) && !equal(written.get(name), value))
          yield leak(
            at,
            `'${name}' is set to ${valueText(written.get(name))} and then to ${valueText(value)}: the first is never seen`,
          )
        written.set(name, value)
      }
    }
  },
})

function valueText(value: unknown): string {
  if (isPayload(value)) return 'what the event carried'
  return isReadable(value) ? `what '${value.name}' holds` : printed(value)
}
