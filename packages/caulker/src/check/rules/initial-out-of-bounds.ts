import { isKept, limitsOf, outsideText, printed, valueClauses } from '../../contract/index.js'
import { firstGiven, isShared } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** A cell that starts outside of the bounds of the field it is shared with. */
export const initialOutOfBounds = screenRule({
  id: 'initial-out-of-bounds',
  level: 'error',
  title: 'A cell starts outside of the bounds of its field',
  why: 'What was written down as the beginning never stands: the screen opens with another value, and nobody learns why.',
  mend: 'Start inside the bounds and on a step, or move the bounds.',
  leaking: `
import { contract, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { properties: { most: { type: Type.Integer(), default: 12 } }, values: { turns: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 'most' } } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 40 } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { most: 24, turns: twoWay(cells.turns) } }),
})`,
  mended: `
import { contract, screen, twoWay, Type } from 'caulker'
const winch = contract('chain-winch', { properties: { most: { type: Type.Integer(), default: 12 } }, values: { turns: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 'most' } } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 20 } },
  fittings: { winch },
  bind: ({ cells }) => ({ winch: { most: 24, turns: twoWay(cells.turns) } }),
})`,
  *find(view) {
    for (const fitting of view.fittings)
      for (const value of valueClauses(fitting.contract)) {
        const binding = fitting.bindings.get(value.name)
        if (
          binding === undefined ||
          !isShared(binding) ||
          isKept(value.outsideTold) ||
          binding.source.row !== undefined
        )
          continue
        const cell = view.cells.get(binding.source.name)
        if (cell === undefined || cell.face !== undefined || cell.initial === undefined) continue
        const limits = limitsOf(value, (name) => firstGiven(view, fitting, name))
        const outside = outsideText(cell.initial, limits)
        if (outside !== undefined)
          yield leak(
            ['cells', cell.name],
            `the cell '${cell.name}' starts as ${printed(cell.initial)}, which '${fitting.name}' does not take: ${outside}`,
          )
      }
  },
})
