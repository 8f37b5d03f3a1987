import { leak, screenRule } from './rule.js'

/** A cell that nothing on the screen writes. */
export const unsetCell = screenRule({
  id: 'unset-cell',
  level: 'note',
  title: 'Nothing sets a cell',
  why: 'It stays at its initial value for good, unless the page itself sets it; then a reader of the screen cannot see where it comes from.',
  mend: 'Give the fitting a constant instead, or bind what is meant to set it.',
  leaking: `
import { contract, oneWay, screen, Type } from 'caulker'
const tag = contract('price-tag', { properties: { amount: { type: Type.Number() } } })
export const bill = screen('bill', {
  cells: { amount: { type: Type.Number(), initial: 18.5 } },
  fittings: { tag },
  bind: ({ cells }) => ({ tag: { amount: oneWay(cells.amount) } }),
})`,
  mended: `
import { contract, screen, Type } from 'caulker'
const tag = contract('price-tag', { properties: { amount: { type: Type.Number() } } })
export const bill = screen('bill', { cells: {}, fittings: { tag }, bind: () => ({ tag: { amount: 18.5 } }) })`,
  *find(view) {
    for (const [name, { face }] of view.cells)
      if (face === undefined && !view.shared.has(name) && view.writersOf(name).length === 0)
        yield leak(['cells', name], `nothing on the screen sets '${name}'`)
  },
})
