import { accepts, printed, typeText } from '../../contract/index.js'
import { leak, screenRule } from './rule.js'

/** A cell starts with what is not of its type. */
export const initialOffType = screenRule({
  id: 'initial-off-type',
  level: 'error',
  title: 'A cell starts with what is not of its type',
  why: 'Whatever follows the cell is given something that it cannot take, from the first moment on.',
  mend: 'Give an initial value of the type, or widen the type.',
  leaking: `
import { contract, oneWay, screen, Type } from 'caulker'
const tag = contract('price-tag', { properties: { amount: { type: Type.Number() } } })
export const bill = screen('bill', {
  cells: { price: { type: Type.Number(), initial: null as never } },
  fittings: { tag },
  bind: ({ cells }) => ({ tag: { amount: oneWay(cells.price) } }),
})`,
  mended: `
import { contract, oneWay, screen, Type } from 'caulker'
const tag = contract('price-tag', { properties: { amount: { type: Type.Number() } } })
export const bill = screen('bill', {
  cells: { price: { type: Type.Number(), initial: 18.5 } },
  fittings: { tag },
  bind: ({ cells }) => ({ tag: { amount: oneWay(cells.price) } }),
})`,
  *find(view) {
    for (const [name, cell] of view.cells)
      if (cell.initial !== undefined && !accepts(cell.type, cell.initial))
        yield leak(
          ['cells', name],
          `the cell '${name}' starts as ${printed(cell.initial)}, and its type is ${typeText(cell.type)}`,
          { mend: 'Give an initial value of the type, or widen the type.' },
        )
  },
})
