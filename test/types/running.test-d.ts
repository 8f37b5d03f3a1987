import {
  back,
  contract,
  go,
  interior,
  journey,
  oneWay,
  reckon,
  screen,
  set,
  source,
  states,
  twoWay,
  Type,
} from 'caulker'
import { elementFrom, mountJourney, mountScreen, nativeNumber, nativeOutput, nativeText } from 'caulker/dom'

const office = source('yard-office', {
  berths: { effect: 'reads', gives: Type.Array(Type.String()) },
  book: {
    effect: 'creates',
    takes: Type.Object({ name: Type.String() }),
    gives: Type.Object({ number: Type.String() }),
  },
})
const text = { type: Type.String(), initial: '' }
const order = screen('order', {
  cells: { name: text, bales: { type: Type.Union([Type.Number(), Type.Null()]), initial: null } },
  sources: { office },
  fittings: { name: nativeText, bales: nativeNumber, why: nativeOutput },
  reckoned: ({ cells }) => ({ isNamed: reckon([cells.name], (name) => name !== '') }),
  actions: ({ cells, reckoned }) => ({
    on: [go('second', { when: reckoned.isNamed, otherwise: 'Name her first' }), back()],
    copy: [set(cells.name, cells.name)],
    // @ts-expect-error a cell of another type
    cross: [set(cells.name, cells.bales)],
    // @ts-expect-error a condition that is no flag
    odd: [go('second', { when: cells.name })],
  }),
  bind: ({ cells }) => ({
    name: { value: twoWay(cells.name), disabled: oneWay(states.sending()) },
    // @ts-expect-error a state of another type
    bales: { value: twoWay(cells.bales), disabled: oneWay(states.problem(cells.bales)) },
    why: { text: oneWay(states.problem()) },
  }),
  submit: { sends: ['name'], needs: { name: 'Name her first' }, to: 'office.book' },
})

const mounted = mountScreen(order, document.body, {
  sources: {
    office: { berths: () => ['A1'], book: async ({ name }, { signal }) => ({ number: signal.aborted ? '' : name }) },
  },
})
mounted.setAll({ name: 'Heron', bales: 3 })
mounted.component('bales')
const counted = screen('counted', {
  cells: { name: text },
  fittings: { name: nativeText },
  reckoned: ({ cells }) => ({ isNamed: reckon([cells.name], (name) => name !== '') }),
  bind: ({ cells }) => ({ name: { value: twoWay(cells.name) } }),
})
const isNamed: boolean = mountScreen(counted, document.body).read('isNamed')
// @ts-expect-error a reckoned cell of another type
const named: string = mountScreen(counted, document.body).read('isNamed')
console.assert(isNamed && named !== '')
// @ts-expect-error a value off the cell's type
mounted.setAll({ name: 3 })
// @ts-expect-error a fitting that is not there
mounted.component('blaes')
// @ts-expect-error an operation that nobody answers
mountScreen(order, document.body, { sources: { office: { berths: () => [] } } })
// @ts-expect-error an answer off its type
mountScreen(order, document.body, { sources: { office: { berths: () => [3], book: () => ({ number: '' }) } } })
screen('x', {
  cells: { name: text },
  fittings: {},
  sources: { office },
  bind: () => ({}),
  // @ts-expect-error a cell that is not there
  submit: { sends: ['name'], needs: ['nmae'], to: 'office.book' },
})

const trip = journey('trip', { screens: { order }, start: 'order' })
mountJourney(trip, document.body, { sources: { office: { berths: () => [], book: () => ({ number: '' }) } } })
// @ts-expect-error an answer off its type
mountJourney(trip, document.body, { sources: { office: { berths: () => [], book: () => 3 } } })

const yardName = contract('yard-name', {
  properties: { label: { type: Type.String(), default: '' } },
  values: { name: { type: Type.String(), default: '' } },
  commands: { reset: { effect: 'reset' }, count: { gives: Type.Integer() } },
})
const inside = interior(yardName, {
  fittings: { field: nativeText },
  reckoned: ({ face }) => ({ letters: reckon([face.values.name], (name) => name.length) }),
  answers: ({ reckoned }) => ({ count: reckoned.letters }),
  bind: ({ face }) => ({ field: { value: twoWay(face.values.name) } }),
})
const element = new (elementFrom(inside, { markup: '<input data-fitting="field">' }))()
element.name = 'Heron'
element.reset()
element.count().toFixed()
interior(yardName, {
  fittings: { field: nativeText },
  // @ts-expect-error an answer off its type
  answers: ({ face }) => ({ count: face.values.name }),
  bind: ({ face }) => ({ field: { value: twoWay(face.values.name) } }),
})
element.addEventListener('name-set', ({ detail }) => detail.value.trim())
// @ts-expect-error a value off its type
element.name = 3
// @ts-expect-error a command that is not there
element.rest()
