import { call, contract, load, oneWay, refresh, reset, screen, states, submit, twoWay, Type } from 'caulker'
import { nativeButton, nativeNumber, nativeOutput, nativeText } from 'caulker/dom'
import { slipOffice } from './slip-office.js'

const text = { type: Type.String(), initial: '' }
const Feet = Type.Union([Type.Number(), Type.Null()])

/** A berth out of those that are offered. */
const berthChoice = contract('berth-choice', {
  summary: 'A berth, out of a list',
  properties: { berths: { type: Type.Array(Type.String()), default: [] } },
  values: { berth: { type: Type.String(), default: '', among: { list: 'berths' } } },
})

// Asking again wipes out what was typed in the meantime.
export const readOver = screen('read-over', {
  cells: { crew: text },
  sources: { office: slipOffice },
  fittings: { crew: nativeText, again: nativeButton, problem: nativeOutput },
  loads: ({ sources }) => ({ crew: load(sources.office.crew) }),
  actions: ({ cells }) => ({ again: [refresh(cells.crew)] }),
  bind: ({ cells, actions }) => ({
    crew: { value: twoWay(cells.crew) },
    again: { text: 'Ask again', on: { press: actions.again } },
    problem: { text: oneWay(states.problem(cells.crew)) },
  }),
})

// The berths are asked for before the booking has been taken.
export const readTooSoon = screen('read-too-soon', {
  cells: { vessel: text, free: { type: Type.Array(Type.String()), initial: [] } },
  sources: { office: slipOffice },
  fittings: { vessel: nativeText, book: nativeButton, problem: nativeOutput, berths: berthChoice },
  loads: ({ sources }) => ({ free: load(sources.office.berths) }),
  actions: ({ cells, sources }) => ({
    book: [call(sources.office.book, { vessel: cells.vessel }), refresh(cells.free)],
  }),
  bind: ({ cells, actions }) => ({
    vessel: { value: twoWay(cells.vessel) },
    book: { text: 'Book', on: { press: actions.book } },
    problem: { text: oneWay(states.problem()) },
    berths: { berths: oneWay(cells.free) },
  }),
})

// Starting again forgets what the survey had measured.
export const resetBeforeLoad = screen('reset-before-load', {
  cells: { feet: { type: Feet, initial: null } },
  sources: { office: slipOffice },
  fittings: { feet: nativeNumber, again: nativeButton, problem: nativeOutput },
  loads: ({ sources }) => ({ feet: load(sources.office.feet) }),
  actions: () => ({ again: [reset()] }),
  bind: ({ cells, actions }) => ({
    feet: { value: twoWay(cells.feet) },
    again: { text: 'Start again', on: { press: actions.again } },
    problem: { text: oneWay(states.problem(cells.feet)) },
  }),
  reset: { to: 'initial' },
})

// The berth was taken by somebody else, and is sent all the same.
export const goneChoice = screen('gone-choice', {
  cells: { free: { type: Type.Array(Type.String()), initial: ['Slip 1', 'Slip 2'] }, vessel: text },
  sources: { office: slipOffice },
  fittings: { berth: berthChoice, book: nativeButton, problem: nativeOutput },
  actions: () => ({ book: [submit()] }),
  bind: ({ cells, actions }) => ({
    berth: { berths: oneWay(cells.free), berth: twoWay(cells.vessel) },
    book: { text: 'Book', on: { press: actions.book } },
    problem: { text: oneWay(states.problem()) },
  }),
  submit: { sends: ['vessel'], to: 'office.book' },
})
