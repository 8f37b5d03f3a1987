import { announce, call, contract, load, oneWay, payload, reckon, refresh, reset, rowsOf, run } from 'caulker'
import { screen, set, shownWhile, submit, twoWay, Type } from 'caulker'
import { nativeButton, nativeNumber } from 'caulker/dom'
import { baleStepper } from '../../haul-out/contracts/bale-stepper.contract.js'
import { yardText } from '../../haul-out/contracts/yard-text.contract.js'
import { craneFree, leakingOffice } from '../yard-office.js'

/** A text that the person may be obliged to fill in. */
const dutyText = contract('duty-text', {
  summary: 'A text that may have to be filled in',
  properties: { needed: { type: Type.Boolean(), default: false } },
  values: { text: { type: Type.String(), default: '' } },
  commands: { focus: { effect: 'focus' }, reset: { effect: 'reset' } },
  form: { value: 'text', requiredBy: 'needed' },
})

// Booking a berth, as it grew over a winter.
export const leakingBerth = screen('leaking-berth', {
  cells: {
    vessel: { type: Type.String(), initial: '', refuse: (name) => (name.length > 20 ? 'too long' : undefined) },
    bales: { type: Type.Integer(), initial: 0 },
    isRush: { type: Type.Boolean(), initial: false },
    reason: { type: Type.String(), initial: '' },
    free: { type: Type.Array(Type.String()), initial: [] },
    seams: {
      type: Type.Array(Type.Object({ side: Type.String(), feet: Type.Number() })),
      initial: [
        { side: 'port', feet: 12 },
        { side: 'port', feet: 9 },
      ],
    },
  },
  sources: { office: leakingOffice },
  topics: { craneFree },
  fittings: {
    vessel: yardText,
    bales: baleStepper,
    reason: dutyText,
    seam: nativeNumber,
    rush: nativeButton,
    crane: nativeButton,
    send: nativeButton,
    book: nativeButton,
    again: nativeButton,
  },
  reckoned: ({ cells }) => ({ hint: reckon([cells.free], (free) => `${free.length} berths are free`) }),
  // Both seams are on the port side.
  rows: ({ cells }) => ({ seam: rowsOf(cells.seams, 'side') }),
  shown: ({ cells }) => ({ reason: shownWhile(cells.isRush) }),
  loads: ({ sources }) => ({ free: load(sources.office.berths) }),
  actions: ({ cells, fittings, sources, topics }) => ({
    // Passed on as it was typed, refused or not.
    tell: [call(sources.office.name, { vessel: payload() })],
    // The field is not there yet when it is to be focused.
    rush: [set(cells.isRush, true), run(fittings.reason, 'focus')],
    // Nobody hears of it.
    crane: [announce(topics.craneFree)],
    // The bales are reported when their field is left, and the berths are read before the office has answered.
    book: [call(sources.office.book, { vessel: cells.vessel, bales: cells.bales }), refresh(cells.free)],
    send: [submit()],
    again: [reset()],
    // The reset reports, and its report starts it once more.
    settle: [run(fittings.bales, 'reset')],
  }),
  bind: ({ cells, reckoned, row, actions }) => ({
    vessel: {
      label: 'Vessel',
      hint: oneWay(reckoned.hint),
      text: twoWay(cells.vessel),
      on: { 'text-set': actions.tell },
    },
    bales: { label: 'Bales', bales: twoWay(cells.bales), on: { 'bales-set': actions.settle } },
    // It must be filled in, and is hidden unless there is a rush.
    reason: { needed: true, text: twoWay(cells.reason) },
    // A native field may be empty, and then it holds null.
    seam: { value: twoWay(row.seam.feet) },
    rush: { text: 'In a rush', on: { press: actions.rush } },
    crane: { text: 'The crane is free', on: { press: actions.crane } },
    book: { text: 'Book', on: { press: actions.book } },
    send: { text: 'Send', on: { press: actions.send } },
    again: { text: 'Start again', on: { press: actions.again } },
  }),
  // It only reads, and the reason is left out.
  submit: { sends: ['vessel'], to: 'office.order' },
  // The bales stay.
  reset: { to: 'initial', cells: ['vessel', 'reason', 'seams'] },
})
