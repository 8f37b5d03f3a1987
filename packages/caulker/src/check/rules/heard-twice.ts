import type { AnyCell, Step } from '../../wiring/index.js'
import { leak, screenRule } from './rule.js'
import { isShared } from '../reading/screen-view.js'

/** A report that is taken by a two-way binding and by a handler into the same cell. */
export const heardTwice = screenRule({
  id: 'heard-twice',
  level: 'warning',
  title: 'One report is taken twice',
  why: 'The binding sets the cell, and the handler sets it again: the second goes past what the first was amended to, and whoever drops one of them believes to have changed something.',
  mend: 'Drop the handler: the binding takes the report, and what has to be made of it belongs under amend of the cell.',
  leaking: `
import { contract, payload, screen, set, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns), on: { 'turns-set': [set(cells.turns, payload())] } } }),
})`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) } }),
})`,
  *find({ fittings }) {
    for (const fitting of fittings)
      for (const [value, binding] of fitting.boundValues()) {
        const steps = fitting.handlers.get(value.event)?.steps ?? []
        if (isShared(binding) && steps.some((step) => writes(step, binding.source)))
          yield leak(
            ['bind', fitting.name, 'on', value.event],
            `'${fitting.name}.${value.name}' is bound two-way to '${binding.source.name}', and the handler of '${value.event}' sets it once more`,
          )
      }
  },
})

/** Of a list of rows every entry has its own. */
function writes(step: Step, cell: AnyCell): boolean {
  return (step.step === 'set' || step.step === 'clear') && step.cell.name === cell.name && step.cell.row === cell.row
}
