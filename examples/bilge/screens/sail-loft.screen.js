import {
  call,
  clear,
  contract,
  interior,
  load,
  oneWay,
  reckon,
  refresh,
  reset,
  screen,
  set,
  submit,
  twoWay,
  Type,
} from 'caulker'
import { nativeButton, nativeOutput, nativeSelect, nativeText } from 'caulker/dom'
import { baleStepper } from '../../haul-out/contracts/bale-stepper.contract.js'
import { yardText } from '../../haul-out/contracts/yard-text.contract.js'
import { leakingOffice, ropeCut } from '../yard-office.js'

/** What is sewn on a sail, and how long that is. */
const sailMark = contract('sail-mark', {
  summary: 'The letters on a sail',
  properties: { ink: { type: Type.Enum(['', 'black', 'red']), default: 'black' } },
  values: { letters: { type: Type.String(), default: '' } },
  readings: { stitches: { type: Type.Integer(), from: ['letters'] } },
})

// The ink is its owner's, and is chosen inside; the stitches are counted by the name of the ink.
export const sailMarkInside = interior(sailMark, {
  fittings: { letters: nativeText, ink: nativeSelect(['black', 'red']) },
  reckoned: ({ face }) => ({ stitches: reckon([face.properties.ink], (ink) => ink.length * 9) }),
  readings: ({ reckoned }) => ({ stitches: reckoned.stitches }),
  bind: ({ face }) => ({
    letters: { value: twoWay(face.values.letters) },
    ink: { value: twoWay(face.properties.ink) },
  }),
})

const text = { type: Type.String(), initial: '' }

const REST = ['luff', 'leech', 'cloth', 'reefs', 'pennant', 'said', 'orders', 'berths']

// Each of these ran, and each did what it says, in the order in which it says it.
export const sailLoft = screen('sail-loft', {
  cells: {
    luff: text,
    leech: text,
    pennant: text,
    vessel: text,
    said: text,
    // The bounds are the wrong way round: whatever is entered, it is 0.
    reefs: { type: Type.Integer(), initial: 0, amend: (reefs) => Math.min(Math.max(reefs, 4), 0) },
    // It starts as what it does not allow.
    cloth: { ...text, refuse: (cloth) => (cloth.length < 3 ? 'Which cloth?' : undefined) },
    orders: { type: Type.Array(Type.String()), initial: [] },
    berths: { type: Type.Array(Type.String()), initial: [] },
  },
  sources: { office: leakingOffice },
  topics: { ropeCut },
  fittings: {
    luff: yardText,
    leech: yardText,
    cloth: yardText,
    vessel: yardText,
    reefs: baleStepper,
    said: nativeOutput,
    orders: nativeOutput,
    berths: nativeOutput,
    turn: nativeButton,
    name: nativeButton,
    hoist: nativeButton,
    sew: nativeButton,
    send: nativeButton,
  },
  reckoned: ({ cells }) => ({
    orders: reckon([cells.orders], (orders) => orders.join(', ')),
    berths: reckon([cells.berths], (berths) => berths.join(', ')),
    isNamed: reckon([cells.vessel], (vessel) => vessel !== ''),
  }),
  // Asked for once, with a name that is only typed later.
  loads: ({ cells, sources }) => ({
    orders: load(sources.office.orders, { vessel: cells.vessel }),
    berths: load(sources.office.berths),
  }),
  hears: ({ cells }) => ({ ropeCut: [refresh(cells.berths)] }),
  actions: ({ cells, sources }) => ({
    // They were to change places.
    turn: [set(cells.luff, cells.leech), set(cells.leech, cells.luff)],
    // What goes out is the pennant of the time before; and it is said to be up before anybody has answered.
    hoist: [
      call(sources.office.name, { vessel: cells.pennant }),
      set(cells.pennant, cells.vessel),
      set(cells.said, 'It is up'),
    ],
    name: [call(sources.office.name, { vessel: cells.luff }, { then: [clear(cells.leech)] })],
    sew: [call(sources.office.name, { vessel: cells.leech }, { then: [clear(cells.leech)] })],
    // An empty order, each time.
    send: [reset(), submit()],
  }),
  bind: ({ cells, reckoned, actions }) => ({
    luff: { label: 'Luff', text: twoWay(cells.luff) },
    leech: { label: 'Leech', text: twoWay(cells.leech) },
    cloth: { label: 'Cloth', text: twoWay(cells.cloth) },
    vessel: { label: 'Vessel', text: twoWay(cells.vessel) },
    reefs: { label: 'Reefs', bales: twoWay(cells.reefs) },
    said: { text: oneWay(cells.said) },
    orders: { text: oneWay(reckoned.orders) },
    berths: { text: oneWay(reckoned.berths) },
    turn: { text: 'Turn it', on: { press: actions.turn } },
    hoist: { text: 'Hoist it', on: { press: actions.hoist } },
    name: { text: 'Sew the luff', on: { press: actions.name } },
    sew: { text: 'Sew the leech', on: { press: actions.sew } },
    // Open as long as there is nothing to send.
    send: { text: 'Send', disabled: oneWay(reckoned.isNamed), on: { press: actions.send } },
  }),
  submit: { sends: ['vessel'], needs: { vessel: 'Name the vessel' }, to: 'office.name', leaves: REST },
  reset: { to: 'initial', leaves: REST },
})
