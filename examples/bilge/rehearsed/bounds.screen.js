import { contract, oneWay, screen, states, submit, twoWay, Type } from 'caulker'
import { nativeButton, nativeOutput } from 'caulker/dom'
import { slipOffice } from './slip-office.js'

/** A length of rope: what is longer than the store has is kept as it is. */
const ropeLength = contract('rope-length', {
  summary: 'Fathoms of rope',
  properties: { most: { type: Type.Integer(), default: 40 } },
  values: { fathoms: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 'most' }, outside: 'keep' } },
})

/** Between which temperatures the pitch is to be kept; either end takes what it is given. */
const pitchRange = contract('pitch-range', {
  summary: 'The coldest and the hottest that the pitch may be',
  values: {
    low: { type: Type.Integer(), default: 60, bounds: { most: 'high' }, outside: 'keep' },
    high: { type: Type.Integer(), default: 75, bounds: { least: 'low' }, outside: 'keep' },
  },
})

// The store is emptied, and the order goes on asking for what was there.
export const leftAbove = screen('left-above', {
  cells: { fathoms: { type: Type.Integer(), initial: 0 }, stock: { type: Type.Integer(), initial: 40 } },
  fittings: { rope: ropeLength, stock: nativeOutput },
  bind: ({ cells }) => ({
    rope: { most: oneWay(cells.stock), fathoms: twoWay(cells.fathoms) },
    stock: { text: 'Fathoms of rope' },
  }),
})

// The coldest may be hotter than the hottest, and off it goes.
export const crossedEnds = screen('crossed-ends', {
  cells: { low: { type: Type.Integer(), initial: 60 }, high: { type: Type.Integer(), initial: 75 } },
  sources: { office: slipOffice },
  fittings: { pitch: pitchRange, heat: nativeButton, problem: nativeOutput },
  actions: () => ({ heat: [submit()] }),
  bind: ({ cells, actions }) => ({
    pitch: { low: twoWay(cells.low), high: twoWay(cells.high) },
    heat: { text: 'Heat the pitch', on: { press: actions.heat } },
    problem: { text: oneWay(states.problem()) },
  }),
  submit: { sends: ['low', 'high'], to: 'office.pitch' },
})
