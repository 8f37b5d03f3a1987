import {
  back,
  call,
  clear,
  contract,
  go,
  journey,
  load,
  oneWay,
  reckon,
  rowsOf,
  screen,
  states,
  submit,
  twoWay,
  Type,
} from 'caulker'
import { nativeButton, nativeOutput } from 'caulker/dom'
import { baleStepper } from '../../haul-out/contracts/bale-stepper.contract.js'
import { yardText } from '../../haul-out/contracts/yard-text.contract.js'
import { leakingOffice } from '../yard-office.js'

/** A note that says beside it what is wrong with it. */
const craneNote = contract('crane-note', {
  summary: 'A note at the crane',
  required: ['label'],
  properties: { label: { type: Type.String() }, problem: { type: Type.String(), default: '' } },
  values: { text: { type: Type.String(), default: '' } },
  problem: 'problem',
})

const text = { type: Type.String(), initial: '' }

// What hangs on the crane: each entry has a button that takes it off, and the list is never asked for again.
export const craneLoads = screen('crane-loads', {
  cells: {
    vessel: text,
    // A second full stop with every look at it.
    note: { ...text, amend: (note) => (note === '' ? note : `${note}.`) },
    // The crane lifts no more than forty tons.
    tons: { type: Type.Integer(), initial: 60 },
    isChained: { type: Type.Boolean(), initial: false },
    loads: { type: Type.Array(Type.Object({ id: Type.String(), tons: Type.Number() })), initial: [] },
  },
  sources: { office: leakingOffice },
  fittings: {
    vessel: craneNote,
    note: craneNote,
    tons: baleStepper,
    line: nativeOutput,
    off: nativeButton,
    back: nativeButton,
    on: nativeButton,
  },
  rows: ({ cells }) => ({ line: rowsOf(cells.loads, 'id'), off: rowsOf(cells.loads, 'id') }),
  loads: ({ sources }) => ({ loads: load(sources.office.loads) }),
  // Whoever comes back has to name the vessel anew.
  enters: ({ cells }) => [clear(cells.vessel)],
  actions: ({ cells, sources, row }) => ({
    off: [call(sources.office.unload, { id: row.off.id })],
    back: [back()],
    // Nothing on the screen says that it is chained.
    on: [go('crane-slip', { when: cells.isChained, otherwise: 'Chain it first' })],
  }),
  bind: ({ cells, row, actions }) => ({
    // What is wrong with the note is said beside the vessel.
    vessel: { label: 'Vessel', text: twoWay(cells.vessel), problem: oneWay(states.problem(cells.note)) },
    note: { label: 'Note', text: twoWay(cells.note) },
    tons: { label: 'Tons', bales: twoWay(cells.tons) },
    line: { text: oneWay(row.line.id) },
    off: { text: 'Take it off', on: { press: actions.off } },
    back: { text: 'Back', on: { press: actions.back } },
    on: { text: 'On to the slip', on: { press: actions.on } },
  }),
})

export const craneSlip = screen('crane-slip', {
  cells: { vessel: text },
  sources: { office: leakingOffice },
  fittings: { vessel: yardText, send: nativeButton },
  reckoned: ({ cells }) => ({ isLong: reckon([cells.vessel], (vessel) => vessel.length > 30) }),
  bind: ({ cells }) => ({
    vessel: { label: 'Vessel', text: twoWay(cells.vessel) },
    send: { text: 'Send', on: { press: [submit()] } },
  }),
  // A flag cannot say what is wrong.
  submit: { sends: ['vessel'], heldBy: { vessel: 'isLong' }, to: 'office.name' },
})

export const craneTrip = journey('crane-trip', {
  cells: { vessel: text },
  screens: { 'crane-loads': craneLoads, 'crane-slip': craneSlip },
  start: 'crane-loads',
  ends: ['crane-slip'],
  shares: ({ cells }) => ({ 'crane-loads': { vessel: cells.vessel }, 'crane-slip': { vessel: cells.vessel } }),
})
