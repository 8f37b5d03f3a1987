import {
  announce,
  back,
  discard,
  draft,
  go,
  oneWay,
  payload,
  reckon,
  save,
  screen,
  set,
  states,
  submit,
  Type,
} from 'caulker'
import { nativeButton, nativeOutput, nativeText } from 'caulker/dom'
import { yardText } from '../contracts/yard-text.contract.js'
import { berthTaken, yardOffice } from '../office/yard-office.js'
import { orderCells } from './order-cells.js'

const text = { type: Type.String(), initial: '' }

/** The order once more before it is sent, with a note and a contact that are kept or forgotten one by one. */
export const reviewScreen = screen('review', {
  cells: {
    ...orderCells,
    note: text,
    contact: { ...text, refuse: (contact) => (contact.includes('@') ? 'A name at the quay, no address' : undefined) },
  },
  sources: { office: yardOffice },
  topics: { berthTaken },
  fittings: {
    summary: nativeOutput,
    note: nativeText,
    keepNote: nativeButton,
    dropNote: nativeButton,
    contact: yardText,
    keepContact: nativeButton,
    dropContact: nativeButton,
    problem: nativeOutput,
    back: nativeButton,
    book: nativeButton,
  },
  reckoned: ({ cells }) => ({
    summary: reckon(
      [cells.vessel, cells.feet, cells.hull, cells.damage, cells.bales, cells.low, cells.high, cells.berth, cells.from],
      (vessel, feet, hull, damage, bales, low, high, berth, from) =>
        [
          `${vessel}${feet === null ? '' : `, ${feet} feet`}${hull === '' ? '' : `, ${hull}`}`,
          damage === '' ? '' : `damaged: ${damage}`,
          `${bales} bales of oakum, pitch at ${low} to ${high} °C`,
          berth === '' ? 'no berth yet' : berth,
          from === '' ? '' : `from ${from}`,
        ]
          .filter((part) => part !== '')
          .join('; '),
    ),
    book: reckon([states.sending()], (isSending) => (isSending ? 'Booking…' : 'Book the haul-out')),
  }),
  actions: ({ fittings }) => ({
    keepNote: [save(fittings.note)],
    dropNote: [discard(fittings.note)],
    keepContact: [save(fittings.contact)],
    dropContact: [discard(fittings.contact)],
    back: [back()],
    book: [submit()],
  }),
  bind: ({ cells, reckoned, actions }) => ({
    summary: { text: oneWay(reckoned.summary) },
    note: { value: draft(cells.note), placeholder: 'What the yard should know' },
    keepNote: { text: 'Keep the note', on: { press: actions.keepNote } },
    dropNote: { text: 'Forget it', on: { press: actions.dropNote } },
    contact: { label: 'Who is at the quay', text: draft(cells.contact) },
    keepContact: { text: 'Keep the name', on: { press: actions.keepContact } },
    dropContact: { text: 'Forget it', on: { press: actions.dropContact } },
    problem: { text: oneWay(states.problem()) },
    back: { text: 'Back to the work order', on: { press: actions.back } },
    book: { text: oneWay(reckoned.book), on: { press: actions.book } },
  }),
  submit: {
    sends: [
      'vessel',
      'feet',
      'hull',
      'damage',
      'bales',
      'seams',
      'low',
      'high',
      'berth',
      'from',
      'until',
      'note',
      'contact',
    ],
    needs: { vessel: 'Name the vessel first', berth: 'Choose a berth first' },
    to: 'office.book',
    then: ({ cells, topics }) => [
      set(cells.number, payload('/number')),
      announce(topics.berthTaken, cells.berth),
      go('confirmation'),
    ],
  },
  keeps: ['note', 'contact'],
})
