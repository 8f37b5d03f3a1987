import {
  back,
  clear,
  contract,
  discard,
  draft,
  go,
  journey,
  oneWay,
  payload,
  reckon,
  save,
  screen,
  set,
  shownWhile,
  source,
  states,
  submit,
  twoWay,
  Type,
} from 'caulker'
import { nativeButton, nativeCheckbox, nativeOutput, nativeText } from 'caulker/dom'

/** Sound wirings of many kinds: whatever is done with them, nothing is said of them. */

const text = { type: Type.String(), initial: '' }
const whole = { type: Type.Integer(), initial: 0 }
const problem = { problem: nativeOutput }
const told = { problem: { text: oneWay(states.problem()) } }
const office = source('slip-office', {
  book: {
    effect: 'creates',
    takes: Type.Object({ name: Type.String(), count: Type.Integer() }),
    gives: Type.Object({ number: Type.String() }),
  },
  find: { effect: 'reads', takes: Type.Object({ text: Type.String() }), gives: Type.Array(Type.String()) },
})
const winch = contract('quay-winch', {
  properties: { least: { type: Type.Integer(), default: 0 }, most: { type: Type.Integer(), default: 20 } },
  values: {
    turns: {
      type: Type.Integer(),
      default: 0,
      reports: 'commit',
      bounds: { least: 'least', most: 'most' },
      outside: 'clamp',
    },
  },
})
const strict = contract('strict-winch', {
  properties: { most: { type: Type.Integer(), default: 9 }, why: { type: Type.String(), default: '' } },
  values: { turns: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 'most' }, outside: 'refuse' } },
  problem: 'why',
})
const proposing = contract('asking-winch', {
  values: { turns: { type: Type.Integer(), default: 0, applies: 'when-told' } },
})
const slow = contract('slow-line', {
  values: { line: { type: Type.String(), default: '', within: 300 } },
  events: { entered: {} },
})
const lockable = contract('lockable-line', {
  properties: { locked: { type: Type.Boolean(), default: false } },
  values: { line: { type: Type.String(), default: '' } },
  locks: { readonly: 'locked' },
})

const range = screen('pitch-range', {
  cells: { low: { ...whole, initial: 3 }, high: { ...whole, initial: 9 } },
  fittings: { low: winch, high: winch },
  always: ({ cells }) => ({
    'the coldest is not above the hottest': reckon([cells.low, cells.high], (low, high) => low <= high),
  }),
  bind: ({ cells }) => ({
    low: { most: oneWay(cells.high), turns: twoWay(cells.low) },
    high: { least: oneWay(cells.low), turns: twoWay(cells.high) },
  }),
})

const refusing = screen('refusing', {
  cells: {
    turns: whole,
    most: { ...whole, initial: 9 },
    name: {
      ...text,
      refuse: (name) => (name.length > 5 ? 'Too long' : undefined),
      amend: (name) => name.toUpperCase(),
    },
  },
  sources: { office },
  fittings: { winch: strict, name: nativeText, book: nativeButton, ...problem },
  bind: ({ cells }) => ({
    winch: { most: oneWay(cells.most), turns: twoWay(cells.turns) },
    name: { value: twoWay(cells.name) },
    book: { text: 'Book', on: { press: [submit()] } },
    ...told,
  }),
  submit: { sends: { name: 'name', count: 'turns' }, to: 'office.book' },
})

const asking = screen('asking', {
  cells: { turns: { ...whole, refuse: (turns) => (turns > 5 ? 'The chain is short' : undefined) } },
  fittings: { winch: proposing, ...problem },
  bind: ({ cells }) => ({
    winch: { turns: twoWay(cells.turns) },
    problem: { text: oneWay(states.problem(cells.turns)) },
  }),
})

const search = screen('search', {
  cells: { text, found: { type: Type.Array(Type.String()), initial: [] } },
  sources: { office },
  fittings: { line: slow, list: nativeOutput, ...problem },
  reckoned: ({ cells }) => ({ list: reckon([cells.found], (found) => found.join(', ')) }),
  bind: ({ cells, reckoned }) => ({
    line: { line: twoWay(cells.text), on: { entered: [submit()] } },
    list: { text: oneWay(reckoned.list) },
    ...told,
  }),
  submit: { sends: ['text'], to: 'office.find', then: ({ cells }) => [set(cells.found, payload())] },
})

const locked = screen('locked', {
  cells: { isLocked: { type: Type.Boolean(), initial: false }, line: text },
  fittings: { lock: nativeCheckbox, line: lockable, fill: nativeButton },
  bind: ({ cells }) => ({
    lock: { checked: twoWay(cells.isLocked) },
    line: { locked: oneWay(cells.isLocked), line: twoWay(cells.line) },
    fill: { text: 'Fill', on: { press: [set(cells.line, 'full')] } },
  }),
})

const hidden = screen('hidden', {
  cells: { isDamaged: { type: Type.Boolean(), initial: false }, damage: text, name: text },
  sources: { office },
  fittings: { damaged: nativeCheckbox, damage: nativeText, name: nativeText, book: nativeButton, ...problem },
  reckoned: ({ cells }) => ({ letters: reckon([cells.damage], (damage) => damage.length) }),
  shown: ({ cells }) => ({ damage: shownWhile(cells.isDamaged, { hidden: 'cleared' }) }),
  bind: ({ cells }) => ({
    damaged: { checked: twoWay(cells.isDamaged) },
    damage: { value: twoWay(cells.damage) },
    name: { value: twoWay(cells.name) },
    book: { text: 'Book', on: { press: [submit()] } },
    ...told,
  }),
  submit: { sends: { name: 'name', count: 'letters' }, leaves: ['damage', 'isDamaged'], to: 'office.book' },
})

const first = screen('first', {
  cells: { name: text, extra: text },
  fittings: { name: nativeText, extra: nativeText, next: nativeButton, ...problem },
  reckoned: ({ cells }) => ({ isNamed: reckon([cells.name], (name) => name !== '') }),
  bind: ({ cells, reckoned }) => ({
    name: { value: twoWay(cells.name) },
    extra: { value: twoWay(cells.extra) },
    next: { text: 'Next', on: { press: [go('second', { when: reckoned.isNamed, otherwise: 'Name her first' })] } },
    ...told,
  }),
  keeps: ['extra'],
})
const second = screen('second', {
  cells: { name: text, count: { ...whole, initial: 1 }, number: text, remark: text },
  sources: { office },
  fittings: {
    name: nativeOutput,
    count: winch,
    remark: nativeText,
    keep: nativeButton,
    drop: nativeButton,
    back: nativeButton,
    book: nativeButton,
    ...problem,
  },
  actions: ({ fittings }) => ({ keep: [save(fittings.remark)], drop: [discard(fittings.remark)] }),
  bind: ({ cells, actions }) => ({
    name: { text: oneWay(cells.name) },
    count: { turns: twoWay(cells.count) },
    remark: { value: draft(cells.remark) },
    keep: { text: 'Keep', on: { press: actions.keep } },
    drop: { text: 'Forget', on: { press: actions.drop } },
    back: { text: 'Back', on: { press: [back()] } },
    book: { text: 'Book', on: { press: [submit()] } },
    ...told,
  }),
  submit: {
    sends: ['name', 'count'],
    leaves: ['remark'],
    to: 'office.book',
    then: ({ cells }) => [set(cells.number, payload('/number')), clear(cells.remark), go('third')],
  },
  keeps: ['count', 'remark'],
})
const third = screen('third', {
  cells: { number: text },
  fittings: { number: nativeOutput, again: nativeButton },
  bind: ({ cells }) => ({
    number: { text: oneWay(cells.number) },
    again: { text: 'Another', on: { press: [go('first')] } },
  }),
})
const trip = (leaving: 'discard' | 'stay') =>
  journey(`trip-${leaving}`, {
    cells: { name: text, number: text },
    screens: { first, second, third },
    start: 'first',
    ends: ['third'],
    shares: ({ cells }) => ({
      first: { name: cells.name },
      second: { name: cells.name, number: cells.number },
      third: { number: cells.number },
    }),
    leaving,
  })

export const soundWirings = [range, refusing, asking, search, locked, hidden, trip('discard'), trip('stay')]
