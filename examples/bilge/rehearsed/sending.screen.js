import { call, clear, contract, oneWay, screen, set, payload, states, submit, twoWay, Type } from 'caulker'
import { nativeButton, nativeOutput, nativeText } from 'caulker/dom'
import { slipOffice } from './slip-office.js'

const text = { type: Type.String(), initial: '' }

/** One line in the log of the slip: it reports when it is left, and says when Enter is pressed in it. */
const logLine = contract('log-line', {
  summary: 'A line in the log of the slip',
  properties: { needed: { type: Type.Boolean(), default: false } },
  values: { line: { type: Type.String(), default: '', reports: 'commit' } },
  events: { entered: { summary: 'Enter was pressed' } },
  form: { value: 'line', requiredBy: 'needed' },
})

// Enter sends what was there before the line was typed.
export const enterTooSoon = screen('enter-too-soon', {
  cells: { line: text },
  sources: { office: slipOffice },
  fittings: { line: logLine, problem: nativeOutput },
  actions: ({ cells, sources }) => ({ log: [call(sources.office.log, { line: cells.line })] }),
  bind: ({ cells, actions }) => ({
    line: { line: twoWay(cells.line), on: { entered: actions.log } },
    problem: { text: oneWay(states.problem()) },
  }),
})

// Nothing keeps an impatient person from pressing once more.
export const twoBookings = screen('two-bookings', {
  cells: { vessel: text },
  sources: { office: slipOffice },
  fittings: { vessel: nativeText, book: nativeButton, problem: nativeOutput },
  actions: ({ cells, sources }) => ({ book: [call(sources.office.book, { vessel: cells.vessel })] }),
  bind: ({ cells, actions }) => ({
    vessel: { value: twoWay(cells.vessel) },
    book: { text: 'Book', on: { press: actions.book } },
    problem: { text: oneWay(states.problem()) },
  }),
})

// What was typed is gone when the office turns it down.
export const failureForgets = screen('failure-forgets', {
  cells: { vessel: text },
  sources: { office: slipOffice },
  fittings: { vessel: nativeText, book: nativeButton, problem: nativeOutput },
  actions: () => ({ book: [submit()] }),
  bind: ({ cells, actions }) => ({
    vessel: { value: twoWay(cells.vessel) },
    book: { text: 'Book', on: { press: actions.book } },
    problem: { text: oneWay(states.problem()) },
  }),
  submit: { sends: ['vessel'], to: 'office.book', fails: ({ cells }) => [clear(cells.vessel)] },
})

// The line must be filled in, and the button goes round the submit that would have seen to it.
export const sentWithout = screen('sent-without', {
  cells: { line: text },
  sources: { office: slipOffice },
  fittings: { line: logLine, send: nativeButton, problem: nativeOutput },
  actions: ({ cells, sources }) => ({ send: [call(sources.office.log, { line: cells.line })] }),
  bind: ({ cells, actions }) => ({
    line: { needed: true, line: twoWay(cells.line) },
    send: { text: 'Log it', on: { press: actions.send } },
    problem: { text: oneWay(states.problem()) },
  }),
})

// The cell is emptied, and the field goes on showing what was typed.
export const clearedAndFull = screen('cleared-and-full', {
  cells: { note: text },
  fittings: { note: nativeText, again: nativeButton, count: nativeOutput },
  actions: ({ cells }) => ({ take: [set(cells.note, payload())], again: [clear(cells.note)] }),
  bind: ({ cells, actions }) => ({
    note: { on: { input: actions.take } },
    again: { text: 'Start again', on: { press: actions.again } },
    count: { text: oneWay(cells.note) },
  }),
})

// The owner turns it down, and nobody tells the field.
export const refusedAndShown = screen('refused-and-shown', {
  cells: { crew: { ...text, refuse: (crew) => (crew.includes('@') ? 'Names only' : undefined) } },
  fittings: { crew: nativeText, count: nativeOutput },
  actions: ({ cells }) => ({ take: [set(cells.crew, payload())] }),
  bind: ({ cells, actions }) => ({
    crew: { on: { input: actions.take } },
    count: { text: oneWay(cells.crew) },
  }),
})
