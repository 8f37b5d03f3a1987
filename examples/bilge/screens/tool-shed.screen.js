import { contract, oneWay, payload, reckon, rowsOf, screen, set, shownWhile, twoWay, Type } from 'caulker'
import { nativeButton, nativeNumber } from 'caulker/dom'

// Written beside the shed door, before anybody had looked whether there is one of the name already.
const plank = contract('wormy-plank', {
  summary: 'A plank, as the shed counts it',
  properties: {
    rings: { type: Type.Integer(), default: 40 },
    wood: { type: Type.String(), default: 'oak' },
  },
  values: { seams: { type: Type.Integer(), default: 0 } },
  events: { 'split-open': { payload: Type.Object({ feet: Type.String() }) } },
})

export const toolShed = screen('tool-shed', {
  cells: {
    // A count that starts as a text.
    seams: { type: Type.Integer(), initial: 'none' },
    chest: { type: Type.Object({ size: Type.Number() }), initial: { size: 2 } },
    isOpen: { type: Type.Boolean(), initial: false },
    saws: { type: Type.Array(Type.String()), initial: [] },
  },
  fittings: { plank, tool: nativeNumber, close: nativeButton },
  // Nobody has looked into the chest yet, and its first saw is asked for.
  reckoned: ({ cells }) => ({ sharpest: reckon([cells.saws], (saws) => saws[0].toUpperCase()) }),
  // The chest is one, and no list of them.
  rows: ({ cells }) => ({ tool: rowsOf(cells.chest, 'size') }),
  // A flag is never 'yes'.
  shown: ({ cells }) => ({ close: shownWhile(cells.isOpen, { is: 'yes' }) }),
  bind: ({ cells, reckoned, row }) => ({
    // The feet are a text, and the seams a count.
    plank: {
      rings: 40,
      wood: oneWay(reckoned.sharpest),
      seams: twoWay(cells.seams),
      on: { 'split-open': [set(cells.seams, payload('/feet'))] },
    },
    tool: { value: twoWay(row.tool.size) },
    close: { text: 'Close', on: { press: [set(cells.isOpen, false), set(cells.saws, [])] } },
  }),
})
