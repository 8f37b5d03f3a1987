import { oneWay, payload, reckon, run, screen, set, twoWay, Type } from 'caulker'
import { wormyPlank } from './contracts/wormy-plank.contract.js'

let planks = 0

// A screen that grew: each line was right when it was written, beside fewer others.
export const plankStore = screen('plank-store', {
  cells: {
    wood: { type: Type.String(), initial: 'oak' },
    seams: { type: Type.Integer(), initial: 12 },
    lastSeams: { type: Type.Integer(), initial: 12 },
    mark: { type: Type.Integer({ minimum: 1 }), initial: 1 },
    thickness: { type: Type.Number(), initial: 2 },
  },
  fittings: { plank: wormyPlank, other: wormyPlank },
  // The number changes with every computation, so no two looks agree.
  reckoned: ({ cells }) => ({ feet: reckon([cells.seams], (seams) => seams + planks++) }),
  actions: ({ cells, fittings }) => ({
    // Two values for one cell, and a command that nobody has.
    split: [set(cells.seams, 12), set(cells.seams, 13), run(fittings.plank, 'dril')],
    // Kept, and shown nowhere.
    measure: [set(cells.thickness, payload())],
  }),
  bind: ({ cells, reckoned, actions }) => ({
    plank: {
      wood: oneWay(cells.wood),
      feet: oneWay(reckoned.feet),
      seams: twoWay(cells.seams),
      // The binding takes the report, and so does the handler.
      mark: twoWay(cells.mark),
      on: {
        splitOpen: actions.split,
        input: [set(cells.mark, payload())],
        // A second copy of the seams.
        'seams-set': [set(cells.lastSeams, payload())],
        'thickness-changed': actions.measure,
      },
    },
    // Nobody hears it split.
    other: { wood: 'pine', seams: twoWay(cells.lastSeams) },
  }),
})
