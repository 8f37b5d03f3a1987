import { call, contract, oneWay, reckon, screen, shownWhile, twoWay, Type } from 'caulker'
import { nativeButton, nativeOutput } from 'caulker/dom'
import { yardText } from '../../haul-out/contracts/yard-text.contract.js'
import { leakingOffice } from '../yard-office.js'

/** How warm the pitch may be, from the least to the most. */
const pitchHeat = contract('pitch-heat', {
  summary: 'Two degrees, between which the pitch is kept',
  values: { least: { type: Type.Integer(), default: 90 }, most: { type: Type.Integer(), default: 120 } },
})

/** Whom to call when the pitch is warm. */
const pitchHand = contract('pitch-hand', {
  summary: 'The name of a hand',
  properties: { needed: { type: Type.Boolean(), default: false } },
  values: { name: { type: Type.String(), default: '', reports: 'commit' } },
  form: { value: 'name', requiredBy: 'needed' },
})

const text = { type: Type.String(), initial: '' }

// Where pitch is warmed: every name here is right, and every condition stands the wrong way round.
export const pitchHouse = screen('pitch-house', {
  cells: {
    degrees: { type: Type.Integer(), initial: 100 },
    hand: text,
    vessel: text,
    orders: { type: Type.Array(Type.String()), initial: [] },
  },
  sources: { office: leakingOffice },
  fittings: {
    heat: pitchHeat,
    hand: pitchHand,
    vessel: yardText,
    ask: nativeButton,
    line: nativeOutput,
    wrong: nativeOutput,
  },
  reckoned: ({ cells }) => ({
    isNamed: reckon([cells.hand], (hand) => hand !== ''),
    wrong: reckon([cells.hand], (hand) => (hand === '' ? 'Nobody stirs it' : '')),
    // The orders of the vessel that was asked for, beside the name of the one that is typed by now.
    line: reckon([cells.vessel, cells.orders], (vessel, orders) => `${orders.length} orders for ${vessel}`),
  }),
  shown: ({ reckoned }) => ({ wrong: shownWhile(reckoned.isNamed) }),
  actions: ({ cells, sources }) => ({
    ask: [call(sources.office.orders, { vessel: cells.vessel }, { into: cells.orders })],
  }),
  bind: ({ cells, reckoned, actions }) => ({
    heat: { least: twoWay(cells.degrees), most: twoWay(cells.degrees) },
    hand: { name: twoWay(cells.hand), needed: oneWay(reckoned.isNamed) },
    vessel: { label: 'Vessel', text: twoWay(cells.vessel) },
    ask: { text: 'Ask for her orders', on: { press: actions.ask } },
    line: { text: oneWay(reckoned.line) },
    wrong: { text: oneWay(reckoned.wrong) },
  }),
})
