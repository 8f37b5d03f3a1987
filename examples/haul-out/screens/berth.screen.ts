import {
  announce,
  go,
  load,
  oneWay,
  payload,
  reckon,
  refresh,
  reset,
  rowsOf,
  screen,
  set,
  submit,
  twoWay,
  Type,
} from 'caulker'
import { nativeButton, nativeNumber, nativeText } from 'caulker/dom'
import { yardText } from '../contracts/yard-text.contract.js'
import { berthTaken, yardOffice } from '../yard-office.js'

const Seam = Type.Object({ id: Type.String(), feet: Type.Union([Type.Number(), Type.Null()]) })

/** Where she lies, how long her seams are, and the order that goes to the office. */
export const berthScreen = screen('berth', {
  cells: {
    vessel: { type: Type.String(), initial: '' },
    damage: { type: Type.String(), initial: '' },
    free: { type: Type.Array(Type.String()), initial: [] },
    berth: { type: Type.String(), initial: '' },
    seams: { type: Type.Array(Seam), initial: [] },
    number: { type: Type.String(), initial: '' },
    problem: { type: Type.String(), initial: '' },
  },
  sources: { office: yardOffice },
  topics: { berthTaken },
  fittings: { berth: yardText, seam: nativeNumber, problem: nativeText, again: nativeButton, book: nativeButton },
  reckoned: ({ cells }) => ({ hint: reckon([cells.free], (free) => `Free: ${free.join(', ')}`) }),
  rows: ({ cells }) => ({ seam: rowsOf(cells.seams, 'id') }),
  loads: ({ sources }) => ({ free: load(sources.office.berths), seams: load(sources.office.seams) }),
  actions: () => ({ book: [submit()], again: [reset()] }),
  hears: ({ cells }) => ({ berthTaken: [refresh(cells.free)] }),
  bind: ({ cells, reckoned, row, actions }) => ({
    berth: { label: 'Berth', hint: oneWay(reckoned.hint), text: twoWay(cells.berth) },
    seam: { min: 0, value: twoWay(row.seam.feet) },
    problem: { value: oneWay(cells.problem, { showOnly: true }), readOnly: true },
    again: { text: 'Start again', on: { press: actions.again } },
    book: { text: 'Book', on: { press: actions.book } },
  }),
  submit: {
    sends: ['vessel', 'berth', 'damage'],
    leaves: ['seams'],
    to: 'office.book',
    then: ({ cells, topics }) => [
      set(cells.number, payload('/number')),
      announce(topics.berthTaken, cells.berth),
      go('review'),
    ],
    fails: ({ cells }) => [set(cells.problem, 'The office did not answer. Nothing is lost: try again.')],
  },
  reset: { to: 'initial' },
})
