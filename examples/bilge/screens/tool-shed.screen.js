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

const hook = contract('tool-hook', {
  summary: 'The tool that hangs on a hook',
  properties: {
    tools: { type: Type.Array(Type.String()), default: [] },
    shut: { type: Type.Boolean(), default: false },
  },
  values: { tool: { type: Type.String(), default: '', among: { list: 'tools', gone: 'kept' } } },
  locks: { disabled: 'shut' },
})

export const toolShed = screen('tool-shed', {
  cells: {
    // A count that starts as a text.
    seams: { type: Type.Integer(), initial: 'none' },
    chest: { type: Type.Object({ size: Type.Number() }), initial: { size: 2 } },
    isOpen: { type: Type.Boolean(), initial: false },
    saws: { type: Type.Array(Type.String()), initial: [] },
    // The adze was lent out.
    hung: { type: Type.String(), initial: 'adze' },
  },
  fittings: { plank, hook, tool: nativeNumber, close: nativeButton },
  // Nobody has looked into the chest yet, and its first saw is asked for.
  reckoned: ({ cells }) => ({
    sharpest: reckon([cells.saws], (saws) => saws[0].toUpperCase()),
    // Nothing but the hook itself says what hangs on it, and it is shut until that is another tool.
    isLent: reckon([cells.hung], (tool) => tool === 'adze'),
  }),
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
    hook: { tools: ['saw', 'plane'], tool: twoWay(cells.hung), shut: oneWay(reckoned.isLent) },
    tool: { value: twoWay(row.tool.size) },
    close: { text: 'Close', on: { press: [set(cells.isOpen, false), set(cells.saws, [])] } },
  }),
})
