import { call, contract, go, load, oneWay, reckon, screen, set, shownWhile, twoWay, Type } from 'caulker'
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

/** How full the pot is, between two marks. */
const pitchGauge = contract('pitch-gauge', {
  summary: 'What is in the pot',
  properties: { low: { type: Type.Integer(), default: 0 }, full: { type: Type.Integer(), default: 40 } },
  values: { level: { type: Type.Integer(), default: 20, bounds: { least: 'low', most: 'full' } } },
})

const text = { type: Type.String(), initial: '' }

// Where pitch is warmed: every name here is right, and every condition stands the wrong way round.
export const pitchHouse = screen('pitch-house', {
  cells: {
    degrees: { type: Type.Integer(), initial: 100 },
    level: { type: Type.Integer(), initial: 20 },
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
    gauge: pitchGauge,
    on: nativeButton,
  },
  reckoned: ({ cells }) => ({
    isNamed: reckon([cells.hand], (hand) => hand !== ''),
    wrong: reckon([cells.hand], (hand) => (hand === '' ? 'Nobody stirs it' : '')),
    // The orders of the vessel that was asked for, beside the name of the one that is typed by now.
    line: reckon([cells.vessel, cells.orders], (vessel, orders) => `${orders.length} orders for ${vessel}`),
  }),
  shown: ({ reckoned }) => ({ wrong: shownWhile(reckoned.isNamed) }),
  actions: ({ cells, reckoned, sources }) => ({
    // Where nobody is named the button does nothing, and nothing says why.
    on: [go('seams', { when: reckoned.isNamed, otherwise: '' })],
    ask: [call(sources.office.orders, { vessel: cells.vessel }, { into: cells.orders })],
  }),
  bind: ({ cells, reckoned, actions }) => ({
    heat: { least: twoWay(cells.degrees), most: twoWay(cells.degrees) },
    hand: { name: twoWay(cells.hand), needed: oneWay(reckoned.isNamed) },
    vessel: { label: 'Vessel', text: twoWay(cells.vessel) },
    ask: { text: 'Ask for her orders', on: { press: actions.ask } },
    line: { text: oneWay(reckoned.line) },
    wrong: { text: oneWay(reckoned.wrong) },
    gauge: { low: 40, full: 5, level: oneWay(cells.level, { showOnly: true }) },
    on: { text: 'To the seams', on: { press: actions.on } },
  }),
})

const count = { type: Type.Integer(), initial: 0 }
const names = { type: Type.Array(Type.String()), initial: [] }

/** A count of barrels. */
const barrels = contract('barrel-count', {
  summary: 'How many barrels',
  values: { barrels: { type: Type.Integer(), default: 0 } },
})

/** The names of some berths. */
const berthNames = contract('berth-names', {
  summary: 'Berths by name',
  properties: { names: { type: Type.Array(Type.String()), default: [] } },
})

// Where barrels are counted: the sum is put down when the full ones change, and the berths are asked for twice.
export const barrelStore = screen('barrel-store', {
  cells: { full: count, empty: count, sum: count, berths: names, others: names },
  sources: { office: leakingOffice },
  fittings: { full: barrels, empty: barrels, line: nativeOutput, left: berthNames, right: berthNames },
  loads: ({ sources }) => ({ berths: load(sources.office.berths), others: load(sources.office.berths) }),
  reckoned: ({ cells }) => ({
    all: reckon([cells.full, cells.empty], (full, empty) => full + empty),
    line: reckon([cells.sum], (sum) => `${sum} barrels`),
  }),
  actions: ({ cells, reckoned }) => ({ put: [set(cells.sum, reckoned.all)] }),
  bind: ({ cells, reckoned, actions }) => ({
    full: { barrels: twoWay(cells.full), on: { 'barrels-set': actions.put } },
    empty: { barrels: twoWay(cells.empty) },
    line: { text: oneWay(reckoned.line) },
    left: { names: oneWay(cells.berths) },
    right: { names: oneWay(cells.others) },
  }),
})
