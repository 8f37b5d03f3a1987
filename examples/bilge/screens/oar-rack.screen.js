import {
  call,
  clear,
  contract,
  draft,
  load,
  oneWay,
  payload,
  reckon,
  reset,
  rowsOf,
  save,
  screen,
  set,
  source,
  submit,
  twoWay,
  Type,
} from 'caulker'
import { nativeButton, nativeOutput } from 'caulker/dom'

const oar = Type.Object({ id: Type.String(), name: Type.String() })
const oars = { type: Type.Array(oar), initial: [] }
const text = { type: Type.String(), initial: '' }
const feet = { type: Type.Integer(), initial: 0 }

/** Where the oars of the yard are written down. */
const rack = source('oar-rack', {
  oars: { effect: 'reads', gives: Type.Array(oar) },
  add: { effect: 'creates', takes: Type.Object({ name: Type.String() }), gives: oar },
  rename: { effect: 'updates', key: 'id', takes: oar },
  drop: { effect: 'removes', key: 'id', takes: Type.Object({ id: Type.String() }) },
  order: { effect: 'updates', takes: Type.Object({ ids: Type.Array(Type.String()) }) },
  price: {
    effect: 'reads',
    takes: Type.Object({ feet: Type.Integer() }),
    gives: Type.Object({ marks: Type.Integer() }),
  },
  lend: { effect: 'creates', takes: Type.Object({ name: Type.String() }), gives: Type.Object({ slip: Type.String() }) },
  bringBack: { effect: 'removes', key: 'slip', takes: Type.Object({ slip: Type.String() }) },
})

/** The oars on their rack: one is picked to be dropped, and all are put in order. */
const oarBoard = contract('oar-board', {
  summary: 'The oars, one below the other',
  properties: { oars: { type: Type.Array(oar), default: [] } },
  events: { picked: { payload: Type.String() }, ordered: { payload: Type.Array(oar) } },
})

/** A name that is written when its field is left. */
const oarName = contract('oar-name', {
  summary: 'The name of an oar',
  properties: { shut: { type: Type.Boolean(), default: false } },
  values: { name: { type: Type.String(), default: '', reports: 'commit' } },
  locks: { readonly: 'shut' },
})

/** How long an oar is. */
const oarFeet = contract('oar-feet', {
  summary: 'Feet of an oar',
  values: { feet: { type: Type.Integer(), default: 0 } },
})

// Where oars are kept in order: the rack shows none of what is done to it, and each step comes after the one that needs it.
export const oarRack = screen('oar-rack', {
  cells: { oars, name: text, picked: text, edits: { type: Type.Boolean(), initial: false }, title: text },
  sources: { rack },
  fittings: {
    board: oarBoard,
    name: oarName,
    keep: nativeButton,
    drop: nativeButton,
    title: oarName,
    edit: nativeButton,
    stop: nativeButton,
    save: nativeButton,
  },
  loads: ({ sources }) => ({ oars: load(sources.rack.oars) }),
  reckoned: ({ cells }) => ({
    ids: reckon([cells.oars], (all) => all.map(({ id }) => id)),
    isShut: reckon([cells.edits], (edits) => !edits),
  }),
  actions: ({ cells, reckoned, fittings, sources }) => ({
    // The new name is wiped before it is sent, and the rack goes on without it.
    keep: [submit(), reset()],
    pick: [set(cells.picked, payload())],
    drop: [clear(cells.picked), call(sources.rack.drop, { id: cells.picked })],
    order: [call(sources.rack.order, { ids: reckoned.ids }), set(cells.oars, payload())],
    edit: [set(cells.edits, true)],
    // What was being written stands there as if it had been saved.
    stop: [set(cells.edits, false)],
    save: [save(fittings.title, { to: sources.rack.rename, given: { id: cells.picked, name: cells.title } })],
  }),
  bind: ({ cells, reckoned, actions }) => ({
    board: { oars: oneWay(cells.oars), on: { picked: actions.pick, ordered: actions.order } },
    name: { name: twoWay(cells.name) },
    keep: { text: 'Add it', on: { press: actions.keep } },
    drop: { text: 'Drop it', on: { press: actions.drop } },
    title: { name: draft(cells.title), shut: oneWay(reckoned.isShut) },
    edit: { text: 'Edit', on: { press: actions.edit } },
    stop: { text: 'Stop', on: { press: actions.stop } },
    save: { text: 'Save', on: { press: actions.save } },
  }),
  submit: { sends: ['name'], to: 'rack.add' },
  reset: { to: 'initial', leaves: ['oars', 'picked', 'edits', 'title'] },
})

// Where oars are lent: the slip that is given is thrown away, and the price is of other feet.
export const oarDesk = screen('oar-desk', {
  cells: { oars, feet, marks: feet, name: text, slip: text },
  sources: { rack },
  fittings: {
    feet: oarFeet,
    ask: nativeButton,
    line: nativeOutput,
    name: oarName,
    lend: nativeButton,
    back: nativeButton,
    later: nativeButton,
    row: oarName,
    rename: nativeButton,
  },
  loads: ({ sources }) => ({ oars: load(sources.rack.oars) }),
  rows: ({ cells }) => ({ row: rowsOf(cells.oars, 'id'), rename: rowsOf(cells.oars, 'id') }),
  reckoned: ({ cells }) => ({
    line: reckon([cells.feet, cells.marks], (long, marks) => `${long} feet: ${marks} marks`),
  }),
  actions: ({ cells, fittings, row, sources }) => ({
    ask: [call(sources.rack.price, { feet: cells.feet }, { then: [set(cells.marks, payload('/marks'))] })],
    lend: [submit()],
    back: [call(sources.rack.bringBack, { slip: cells.slip }, { then: [clear(cells.slip)] })],
    later: [],
    // The name of the entry is edited, and its number sent.
    rename: [save(fittings.row, { to: sources.rack.rename, given: { id: row.row.id, name: row.row.id } })],
  }),
  bind: ({ cells, reckoned, row, actions }) => ({
    feet: { feet: twoWay(cells.feet) },
    ask: { text: 'What is it?', on: { press: actions.ask } },
    line: { text: oneWay(reckoned.line) },
    name: { name: twoWay(cells.name) },
    lend: { text: 'Lend it', on: { press: actions.lend } },
    back: { text: 'It is back', on: { press: actions.back } },
    later: { text: 'Later', on: { press: actions.later } },
    row: { name: draft(row.row.name) },
    rename: { text: 'Rename', on: { press: actions.rename } },
  }),
  submit: { sends: ['name'], leaves: ['oars', 'feet', 'marks', 'slip'], to: 'rack.lend' },
})
