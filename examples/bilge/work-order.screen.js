import { clear, oneWay, payload, screen, set, twoWay, Type } from 'caulker'
import { nativeButton, nativeText } from 'caulker/dom'
import { baleStepper } from '../haul-out/contracts/bale-stepper.contract.js'
import { priceTag } from '../haul-out/contracts/price-tag.contract.js'
import { yardText } from '../haul-out/contracts/yard-text.contract.js'

// The work order once more, written in a hurry and in plain JavaScript, where no compiler looks on.
export const leakingOrder = screen('leaking-order', {
  cells: {
    vessel: { type: Type.String(), initial: 'Bittern' },
    bales: { type: Type.Integer(), initial: 10 },
    price: { type: Type.Union([Type.Number(), Type.Null()]), initial: 185 },
    note: { type: Type.String(), initial: '' },
  },
  fittings: { vessel: yardText, bales: baleStepper, note: nativeText, total: priceTag, again: nativeButton },
  actions: ({ cells }) => ({
    takeNote: [set(cells.note, payload())],
    again: [clear(cells.vessel), clear(cells.bales), clear(cells.note)],
  }),
  bind: ({ cells, actions }) => ({
    // The label was forgotten.
    vessel: { text: twoWay(cells.vessel) },
    // A value that can be seen and not kept, and a name that nobody knows.
    bales: { label: 'Bales of oakum', bales: oneWay(cells.bales), fewset: 2 },
    // The edit is taken; what "Start again" does is not shown.
    note: { on: { input: actions.takeNote } },
    // The price may be null, and the tag takes a number.
    total: { amount: oneWay(cells.price) },
    again: { text: 'Start again', on: { press: actions.again } },
  }),
})
