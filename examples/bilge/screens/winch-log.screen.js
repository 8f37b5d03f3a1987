import { clear, contract, draft, handlers, interior, oneWay, payload, reckon, save } from 'caulker'
import { reset, screen, set, shownWhile, submit, twoWay, Type } from 'caulker'
import { nativeButton, nativeNumber } from 'caulker/dom'
import { yardText } from '../../haul-out/contracts/yard-text.contract.js'
import { leakingOffice } from '../yard-office.js'

/** A chalk line keeps what was written on it, whatever its owner says. */
const chalkLine = contract('chalk-line', {
  summary: 'A line of chalk on the winch house',
  values: { line: { type: Type.String(), default: '', lastWord: 'self', accepts: 'never' } },
})

const mark = { type: Type.Union([Type.Number(), Type.Null()]), default: null }

/** How far the chain is out, in fathoms, from one mark to another. */
const chainSpan = contract('chain-span', {
  summary: 'A length of chain between two marks',
  properties: { shut: { type: Type.Boolean(), default: false } },
  values: { from: mark, to: mark },
  commands: { slack: { summary: 'Pays all of it out' } },
  events: { slipped: { summary: 'It ran out by itself' } },
  readings: { out: { type: Type.Number(), from: ['from', 'to'], summary: 'How much of it is out' } },
  locks: { disabled: 'shut' },
})

// The lock reaches the first field alone, nothing pays the chain out, nothing says how much of it is, and nobody hears it slip.
export const chainSpanInside = interior(chainSpan, {
  fittings: { from: nativeNumber, to: nativeNumber },
  bind: ({ face }) => ({
    from: { value: twoWay(face.values.from), disabled: oneWay(face.properties.shut) },
    to: { value: twoWay(face.values.to) },
  }),
})

// A bracket was left open, and the same button counts twice.
export const chainSpanHandlers = handlers(chainSpan, [
  { event: 'click', at: '.slack[data-mark', does: 'slack' },
  { event: 'dblclick', at: '.mark', does: 'slack' },
  { event: 'dblclick', at: '.mark', does: 'slack' },
])

const count = { type: Type.Union([Type.Number(), Type.Null()]), initial: 0 }
const text = { type: Type.String(), initial: '' }

// The log of the winch: every entry has a draft of its own, or was meant to.
export const winchLog = screen('winch-log', {
  cells: { line: text, remark: text, isOpen: { type: Type.Boolean(), initial: false }, fathoms: count, turns: count },
  sources: { office: leakingOffice },
  fittings: {
    chalk: chalkLine,
    span: chainSpan,
    remark: yardText,
    metres: nativeNumber,
    turns: nativeNumber,
    turnsAgain: nativeNumber,
    open: nativeButton,
    cancel: nativeButton,
    keep: nativeButton,
    send: nativeButton,
  },
  reckoned: ({ cells }) => ({ metres: reckon([cells.fathoms], (fathoms) => (fathoms ?? 0) * 1.8288) }),
  shown: ({ cells }) => ({ remark: shownWhile(cells.isOpen) }),
  actions: ({ cells, fittings, sources }) => ({
    open: [set(cells.isOpen, true), set(cells.line, 'open')],
    // The field is gone, and its draft is not.
    cancel: [set(cells.isOpen, false)],
    // The office has not answered yet.
    keep: [save(fittings.remark, { to: sources.office.name, given: { vessel: cells.line } }), reset()],
    // Its button was taken away.
    slack: [set(cells.turns, 0)],
    // There is no draft of the turns.
    send: [save(fittings.turns), submit()],
  }),
  bind: ({ cells, reckoned, actions }) => ({
    chalk: { line: twoWay(cells.line) },
    // Its ends are bound to nothing.
    span: {},
    remark: { label: 'Remark', text: draft(cells.remark) },
    // What is entered in metres is put where the fathoms are.
    metres: { value: oneWay(reckoned.metres), on: { input: [set(cells.fathoms, payload())] } },
    turns: { value: twoWay(cells.turns), max: 40 },
    turnsAgain: { value: twoWay(cells.turns), max: 60 },
    open: { text: 'Remark', on: { press: actions.open } },
    cancel: { text: 'Cancel', on: { press: actions.cancel } },
    keep: { text: 'Keep', on: { press: actions.keep } },
    send: { text: 'Send', on: { press: actions.send } },
  }),
  // The remark that is sent is the one before the draft, and a failure wipes the line.
  submit: { sends: { vessel: 'remark' }, to: 'office.book', fails: ({ cells }) => [clear(cells.line)] },
})
