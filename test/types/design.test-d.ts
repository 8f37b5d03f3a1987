import {
  announce,
  call,
  clear,
  contract,
  contractFromJson,
  discard,
  draft,
  extend,
  go,
  handlers,
  interior,
} from 'caulker'
import { journey, load, oneWay, payload, reckon, refresh, reset, rowsOf, run, save, screen, set } from 'caulker'
import { shownWhile, source, submit, topic, twoWay, Type, typeFrom, type TypedContractJson } from 'caulker'
import { nativeButton, nativeNumber, nativeText, type ElementOf, type EventsOf } from 'caulker/dom'
import { z } from 'zod'

const baleStepper = contract('bale-stepper', {
  required: ['label'],
  properties: {
    label: { type: Type.String() },
    fewest: { type: Type.Integer(), default: 0 },
    most: { type: Type.Integer(), default: 40 },
  },
  values: {
    bales: { type: Type.Integer(), default: 0, reports: 'commit', bounds: { least: 'fewest', most: 'most' } },
    deckNote: { type: Type.String(), event: 'noted' },
  },
  events: { 'limit-met': { payload: Type.Object({ limit: Type.Enum(['fewest', 'most']) }) } },
  commands: { reset: { effect: 'reset' }, focus: { effect: 'focus' } },
  form: { value: 'bales' },
})

export const sound = screen('work-order', {
  cells: {
    bales: { type: Type.Integer(), initial: 10 },
    price: { type: Type.Number(), initial: 18.5 },
    note: { type: Type.String(), initial: '' },
  },
  fittings: { stepper: baleStepper, note: nativeText, none: nativeButton },
  reckoned: ({ cells }) => ({ total: reckon([cells.bales, cells.price], (count, each) => count * each) }),
  actions: ({ cells, fittings }) => ({
    none: [set(cells.bales, 0), clear(cells.note), run(fittings.stepper, 'focus')],
    take: [set(cells.note, payload())],
  }),
  bind: ({ cells, reckoned, actions }) => ({
    stepper: {
      label: 'Oakum bales',
      bales: twoWay(cells.bales),
      most: oneWay(reckoned.total),
      on: { 'bales-set': actions.none, noted: actions.take, 'limit-met': [clear(cells.note)] },
    },
    note: { value: twoWay(cells.note), on: { input: actions.take } },
    none: { text: 'None', on: { press: actions.none } },
  }),
})

// @ts-expect-error a tag without a hyphen
contract('stepper', {})
// @ts-expect-error a default off its type
contract('bale-stepper', { properties: { most: { type: Type.Integer(), default: 'forty' } } })
contract('bale-stepper', {
  properties: { most: { type: Type.Integer() } },
  // @ts-expect-error a bound that names nothing
  values: { bales: { type: Type.Integer(), bounds: { most: 'mots' } } },
})
// @ts-expect-error a required name that is not declared
contract('bale-stepper', { required: ['lable'], properties: { label: { type: Type.String() } } })
// @ts-expect-error a form value that is not declared
contract('bale-stepper', { values: { bales: { type: Type.Integer() } }, form: { value: 'balse' } })

screen('leaks', {
  cells: { bales: { type: Type.Integer(), initial: 10 }, note: { type: Type.String(), initial: '' } },
  fittings: { a: baleStepper, b: baleStepper, c: nativeButton },
  actions: ({ cells, fittings }) => ({
    // @ts-expect-error an unknown command
    x: [run(fittings.a, 'focuss')],
    // @ts-expect-error a value off the cell's type
    y: [set(cells.bales, 'z')],
    // @ts-expect-error an unknown cell
    z: [clear(cells.balse)],
  }),
  bind: ({ cells, actions }) => ({
    // @ts-expect-error the label is missing
    a: { bales: twoWay(cells.bales) },
    // @ts-expect-error a cell of another type
    b: { label: 'x', bales: twoWay(cells.note) },
    // @ts-expect-error an unknown action
    c: { text: 'x', on: { press: actions.zz } },
  }),
})

screen('leaks', {
  cells: { bales: { type: Type.Integer(), initial: 10 } },
  fittings: { a: baleStepper },
  bind: ({ cells }) => ({
    // @ts-expect-error a misspelt name
    a: { label: 'x', balse: twoWay(cells.bales) },
  }),
})

screen('leaks', {
  cells: {},
  fittings: { c: nativeButton },
  actions: () => ({ go: [] }),
  bind: ({ actions }) => ({
    // @ts-expect-error an unknown event
    c: { text: 'x', on: { pres: actions.go } },
  }),
})

screen('leaks', {
  cells: { bales: { type: Type.Integer(), initial: 10 } },
  fittings: { a: baleStepper },
  bind: ({ cells }) => ({
    a: { label: 'x', bales: twoWay(cells.bales) },
    // @ts-expect-error an unknown fitting
    zz: { label: 'x' },
  }),
})

// @ts-expect-error an initial value off the cell's type
screen('leaks', { cells: { bales: { type: Type.Integer(), initial: 'ten' } }, fittings: {}, bind: () => ({}) })

const search = extend(baleStepper, {
  tag: 'bale-search',
  required: ['most'],
  properties: { hint: { type: Type.String(), default: '' }, most: { type: Type.Number(), default: 9 } },
  commands: { clear: {} },
})
screen('extended', {
  cells: { bales: { type: Type.Integer(), initial: 1 } },
  fittings: { a: search },
  actions: ({ fittings }) => ({ go: [run(fittings.a, 'focus'), run(fittings.a, 'clear')] }),
  bind: ({ cells, actions }) => ({
    a: { label: 'x', most: 2.5, hint: 'y', bales: twoWay(cells.bales), on: { 'bales-set': actions.go } },
  }),
})
screen('extended', {
  cells: {},
  fittings: { a: search },
  bind: () => ({
    // @ts-expect-error the extension requires the most
    a: { label: 'x' },
  }),
})
// @ts-expect-error a narrowing: owners may tell any text
extend(baleStepper, { tag: 'short-stepper', properties: { label: { type: Type.Literal('Bales') } } })

// The element of a contract: its properties, commands and events.
declare const stepper: ElementOf<typeof baleStepper>
stepper.most = 12
stepper.reset()
stepper.addEventListener('bales-set', ({ detail }) => (stepper.bales = detail.value))
stepper.addEventListener('limit-met', ({ detail }) => detail.limit === 'fewest')
stepper.addEventListener('keydown', (event) => event.key)
// @ts-expect-error a value off its type
stepper.bales = 'many'
// @ts-expect-error the payload has another shape
stepper.addEventListener('limit-met', ({ detail }) => detail.bound)
// @ts-expect-error a command that takes nothing
stepper.reset(3)
const noted: EventsOf<typeof baleStepper>['noted'] = new CustomEvent('noted', { detail: { value: 'x' } })
noted.detail.value.trim()

const gauge = contract('tide-gauge', {
  properties: { feet: { type: Type.Number(), default: 0 }, problem: { type: Type.String(), default: '' } },
  values: {
    range: { type: Type.Tuple([Type.Number(), Type.Number()]), ordered: true, gap: 'feet', payloadAt: '/detail/ends' },
    mark: { type: Type.String(), applies: 'when-told', vetoEvent: 'mark-asks' },
  },
  commands: { goTo: { takes: Type.Number(), gives: Type.Boolean() } },
  readings: { text: { type: Type.String(), from: ['feet'] } },
  problem: 'problem',
})
declare const tide: ElementOf<typeof gauge>
tide.addEventListener('range-set', ({ detail }) => detail.ends[0] + detail.ends[1])
tide.addEventListener('mark-asks', (event) => event.preventDefault())
const isThere: boolean = tide.goTo(3)
// @ts-expect-error a reading cannot be set
tide.text = String(isThere)
// @ts-expect-error a gap that names nothing
contract('tide-gauge', { values: { range: { type: Type.Tuple([Type.Number(), Type.Number()]), gap: 'feat' } } })
// @ts-expect-error a property that is not there to show a problem
contract('tide-gauge', { properties: { problem: { type: Type.String() } }, problem: 'porblem' })
contract('tide-gauge', {
  properties: { feet: { type: Type.Number() } },
  // @ts-expect-error a reading of what is not there
  readings: { text: { type: Type.String(), from: ['feat'] } },
})

const office = source('yard-office', {
  berths: { effect: 'reads', gives: Type.Array(Type.String()) },
  book: {
    effect: 'creates',
    takes: Type.Object({ bales: Type.Integer(), wood: Type.String() }),
    gives: Type.Object({ number: Type.String() }),
  },
})
const freed = topic('berth-freed', { payload: Type.String() })
const parts = {
  bales: { type: Type.Integer(), initial: 1 },
  wood: { type: Type.Enum(['oak', 'pine']), initial: 'oak' as const },
  free: { type: Type.Array(Type.String()), initial: [] },
  lines: { type: Type.Array(Type.Object({ id: Type.String(), feet: Type.Number() })), initial: [] },
  open: { type: Type.Boolean(), initial: false },
  name: { type: Type.String(), initial: '' },
}

export const whole = screen('whole', {
  cells: parts,
  fittings: { stepper: baleStepper, tide: gauge, line: nativeNumber, send: nativeButton },
  sources: { office },
  topics: { freed },
  rows: ({ cells }) => ({ line: rowsOf(cells.lines, 'id') }),
  shown: ({ cells }) => ({
    tide: shownWhile(cells.open),
    stepper: shownWhile(cells.name, { is: 'x', hidden: 'cleared' }),
  }),
  loads: ({ sources }) => ({ free: load(sources.office.berths) }),
  actions: ({ cells, fittings, sources, topics }) => ({
    book: [
      call(
        sources.office.book,
        { bales: cells.bales, wood: cells.wood },
        { then: [set(cells.name, payload('/number')), go('x')] },
      ),
      refresh(cells.free),
      run(fittings.tide, 'goTo', 3),
      save(fittings.stepper),
      discard(fittings.stepper),
      announce(topics.freed, cells.name),
      submit(),
      reset(),
    ],
    // @ts-expect-error an operation that is not there
    none: [call(sources.office.boook)],
    // @ts-expect-error a member of another type
    wrong: [call(sources.office.book, { bales: cells.name, wood: 'oak' })],
    // @ts-expect-error a command without what it takes
    bare: [run(fittings.tide, 'goTo')],
    // @ts-expect-error a payload off the topic's type
    loud: [announce(topics.freed, 3)],
  }),
  hears: ({ cells }) => ({ freed: [set(cells.name, payload())] }),
  bind: ({ cells, row, actions }) => ({
    stepper: { label: oneWay(cells.wood), bales: draft(cells.bales) },
    tide: { mark: twoWay(cells.name), on: { 'mark-asks': actions.book } },
    line: { value: oneWay(row.line.feet) },
    send: { text: 'Send', on: { press: actions.book } },
  }),
  submit: {
    sends: ['bales', 'wood'],
    leaves: ['name'],
    to: 'office.book',
    then: ({ cells }) => [set(cells.name, payload('/number'))],
  },
  reset: { to: 'initial', leaves: ['open'] },
  keeps: ['name'],
})

screen('leaks', {
  cells: parts,
  fittings: { line: nativeNumber },
  sources: { office },
  // @ts-expect-error a key that the entries do not have
  rows: ({ cells }) => ({ line: rowsOf(cells.lines, 'di') }),
  bind: () => ({ line: {} }),
})
screen('leaks', {
  cells: parts,
  fittings: {},
  sources: { office },
  // @ts-expect-error a load of another type
  loads: ({ sources }) => ({ bales: load(sources.office.berths) }),
  bind: () => ({}),
})
screen('leaks', {
  cells: parts,
  fittings: {},
  sources: { office },
  bind: () => ({}),
  // @ts-expect-error an operation that is not there
  submit: { sends: ['bales'], to: 'office.boook' },
})
screen('leaks', {
  cells: parts,
  fittings: {},
  sources: { office },
  bind: () => ({}),
  // @ts-expect-error a cell that is not there
  submit: { sends: ['balse'], to: 'office.book' },
})
// @ts-expect-error a cell that is not there
screen('leaks', { cells: parts, fittings: {}, bind: () => ({}), reset: { to: 'initial', leaves: ['balse'] } })

interior(gauge, {
  fittings: { line: nativeText },
  commands: ({ face }) => ({ goTo: [clear(face.values.range)] }),
  readings: ({ face }) => ({ text: reckon([face.properties.feet], (feet) => `${feet} ft`) }),
  bind: ({ face }) => ({ line: { value: twoWay(face.values.mark), placeholder: oneWay(face.properties.problem) } }),
})
interior(gauge, {
  fittings: { line: nativeText },
  // @ts-expect-error a property of the face is only read
  bind: ({ face }) => ({ line: { value: twoWay(face.properties.problem) } }),
})
interior(gauge, {
  fittings: {},
  // @ts-expect-error a command that is not there
  commands: ({ face }) => ({ gotTo: [clear(face.values.range)] }),
  bind: () => ({}),
})

journey('trip', {
  cells: { name: { type: Type.String(), initial: '' } },
  screens: { whole },
  start: 'whole',
  shares: ({ cells }) => ({ whole: { name: cells.name } }),
})
// @ts-expect-error a screen that is not there
journey('trip', { screens: { whole }, start: 'hwole' })
journey('trip', {
  cells: { name: { type: Type.String(), initial: '' } },
  screens: { whole },
  start: 'whole',
  // @ts-expect-error a cell of another type
  shares: ({ cells }) => ({ whole: { bales: cells.name } }),
})
handlers(baleStepper, [{ event: 'click', at: '.none', does: 'reset' }])
// @ts-expect-error a command that is not there
handlers(baleStepper, [{ event: 'click', does: 'rest' }])

interface WinchTypes {
  properties: { label: string }
  required: 'label'
  values: { turns: number }
  events: { jammed: { at: number } }
  commands: { goTo: { takes: number } }
  readings: {}
  reportNames: { turns: 'turned' }
  payloadsAt: {}
  vetoNames: {}
}
declare const json: TypedContractJson<WinchTypes>
const winch = contractFromJson(json)
declare const chain: ElementOf<typeof winch>
chain.addEventListener('turned', ({ detail }) => (chain.turns = detail.value))
chain.goTo(4)
screen('typed', {
  cells: parts,
  fittings: { winch },
  bind: ({ cells }) => ({
    winch: { label: 'Chain', turns: twoWay(cells.bales), on: { turned: [clear(cells.name)], jammed: [] } },
  }),
})
screen('typed', {
  cells: parts,
  fittings: { winch },
  // @ts-expect-error the label is missing
  bind: ({ cells }) => ({ winch: { turns: twoWay(cells.bales) } }),
})
const fromLibrary = typeFrom(z.object({ berth: z.number() }))
contract('berth-pick', { values: { pick: { type: fromLibrary, default: { berth: 1 } } } })
// @ts-expect-error a default off the library's type
contract('berth-pick', { values: { pick: { type: fromLibrary, default: { berth: 'one' } } } })

// What is carried has to fit where it is put, what is sent may be computed, and ways lead to screens that are there.
const notes = { bales: { type: Type.Integer(), initial: 1 }, note: { type: Type.String(), initial: '' } }
const first = screen('first', {
  cells: notes,
  fittings: { stepper: baleStepper, send: nativeButton },
  sources: { office },
  reckoned: ({ cells }) => ({
    twice: reckon([cells.bales], (bales) => bales * 2),
    wood: reckon([cells.note], () => 'oak'),
  }),
  actions: ({ cells, sources }) => ({
    book: [
      call(
        sources.office.book,
        { bales: 3, wood: 'oak' },
        { then: [go('second'), set(cells.note, payload('/number'))] },
      ),
    ],
    // @ts-expect-error the answer carries a text
    wrong: [call(sources.office.book, { bales: 3, wood: 'oak' }, { then: [set(cells.bales, payload('/number'))] })],
    blame: [call(sources.office.book, { bales: 3, wood: 'oak' }, { fails: [set(cells.note, payload('/reason'))] })],
  }),
  bind: ({ cells, actions }) => ({
    stepper: {
      label: 'x',
      on: { 'bales-set': [set(cells.bales, payload())], 'limit-met': [set(cells.note, payload('/limit'))] },
    },
    send: { text: 'x', on: { press: actions.book } },
  }),
  submit: { sends: { bales: 'twice', wood: 'wood' }, to: 'office.book' },
})
const second = screen('second', {
  cells: notes,
  fittings: { stepper: baleStepper },
  bind: ({ cells }) => ({
    stepper: {
      label: 'x',
      on: {
        // @ts-expect-error the event carries a text
        'limit-met': [set(cells.bales, payload('/limit'))],
      },
    },
  }),
})
screen('leaks', {
  cells: notes,
  fittings: { stepper: baleStepper },
  reckoned: ({ cells }) => ({ twice: reckon([cells.bales], (bales) => bales * 2) }),
  sources: { office },
  bind: ({ cells }) => ({ stepper: { label: 'x', bales: twoWay(cells.bales) } }),
  // @ts-expect-error neither a cell nor reckoned
  submit: { sends: ['twic'], to: 'office.book' },
})
export const way = journey('way', { screens: { first, second }, start: 'first' })
// @ts-expect-error a way that leads to no screen of the journey
journey('way', { screens: { first, secnd: second }, start: 'first' })
