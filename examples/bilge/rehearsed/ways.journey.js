import { back, draft, go, journey, oneWay, reckon, save, screen, set, states, submit, twoWay, Type } from 'caulker'
import { nativeButton, nativeOutput, nativeText } from 'caulker/dom'
import { slipOffice } from './slip-office.js'

const text = { type: Type.String(), initial: '' }

/** The end of each of these journeys. */
const done = screen('done', { cells: {}, fittings: { done: nativeOutput }, bind: () => ({ done: { text: 'Done' } }) })

const next = { text: 'Next' }

// The hull lives on the first screen alone: who comes back chooses anew.
const hullScreen = screen('hull', {
  cells: { hull: text },
  fittings: { hull: nativeText, next: nativeButton },
  actions: () => ({ next: [go('done')] }),
  bind: ({ cells, actions }) => ({
    hull: { value: twoWay(cells.hull) },
    next: { ...next, on: { press: actions.next } },
  }),
})
export const lostChoice = journey('lost-choice', { screens: { hull: hullScreen, done }, start: 'hull', ends: ['done'] })

// The summary copies the vessel once, and the vessel can still be corrected below it.
const orderScreen = screen('order', {
  cells: { vessel: text, copy: text },
  fittings: { vessel: nativeText, next: nativeButton },
  actions: ({ cells }) => ({ next: [set(cells.copy, cells.vessel), go('review')] }),
  bind: ({ cells, actions }) => ({
    vessel: { value: twoWay(cells.vessel) },
    next: { ...next, on: { press: actions.next } },
  }),
})
const reviewScreen = screen('review', {
  cells: { vessel: text, copy: text },
  sources: { office: slipOffice },
  fittings: { summary: nativeOutput, vessel: nativeText, book: nativeButton, problem: nativeOutput },
  reckoned: ({ cells }) => ({ summary: reckon([cells.copy], (copy) => `You book: ${copy}`) }),
  actions: () => ({ book: [submit()] }),
  bind: ({ cells, reckoned, actions }) => ({
    summary: { text: oneWay(reckoned.summary) },
    vessel: { value: twoWay(cells.vessel) },
    book: { text: 'Book', on: { press: actions.book } },
    problem: { text: oneWay(states.problem()) },
  }),
  submit: { sends: { vessel: 'copy' }, leaves: ['vessel'], to: 'office.book', then: [go('done')] },
})
export const staleCopy = journey('stale-copy', {
  cells: { vessel: text, copy: text },
  screens: { order: orderScreen, review: reviewScreen, done },
  start: 'order',
  ends: ['done'],
  shares: ({ cells }) => ({
    order: { vessel: cells.vessel, copy: cells.copy },
    review: { vessel: cells.vessel, copy: cells.copy },
  }),
})

// Leaving forgets what was being edited, says the journey; the way back saves it first.
const firstScreen = screen('first', {
  cells: {},
  fittings: { next: nativeButton, leave: nativeButton },
  actions: () => ({ next: [go('note')], leave: [go('done')] }),
  bind: ({ actions }) => ({
    next: { ...next, on: { press: actions.next } },
    leave: { text: 'Leave', on: { press: actions.leave } },
  }),
})
const noteScreen = screen('note', {
  cells: { note: text },
  fittings: { note: nativeText, back: nativeButton },
  actions: ({ fittings }) => ({ back: [save(fittings.note), back()] }),
  bind: ({ cells, actions }) => ({
    note: { value: draft(cells.note) },
    back: { text: 'Back', on: { press: actions.back } },
  }),
  keeps: ['note'],
})
export const savedByLeaving = journey('saved-by-leaving', {
  screens: { first: firstScreen, note: noteScreen, done },
  start: 'first',
  ends: ['done'],
  leaving: 'discard',
})
