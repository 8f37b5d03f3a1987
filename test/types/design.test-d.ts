import { clear, contract, extend, oneWay, payload, reckon, run, screen, set, twoWay, Type } from 'caulker'
import { nativeButton, nativeText } from 'caulker/dom'

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
