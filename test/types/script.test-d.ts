import { contract, go, journey, screen, script, source, submit, twoWay, Type } from 'caulker'
import { nativeButton } from 'caulker/dom'

const office = source('yard-office', {
  book: {
    effect: 'creates',
    takes: Type.Object({ bales: Type.Integer() }),
    gives: Type.Object({ number: Type.String() }),
  },
})
const stepper = contract('bale-stepper', {
  properties: { label: { type: Type.String() } },
  values: { bales: { type: Type.Integer(), default: 0 } },
  events: { full: {} },
})
const order = screen('order', {
  cells: { bales: { type: Type.Integer(), initial: 0 } },
  sources: { office },
  fittings: { stepper, book: nativeButton },
  bind: ({ cells }) => ({
    stepper: { label: 'Bales', bales: twoWay(cells.bales) },
    book: { text: 'Book', on: { press: [submit(), go('done')] } },
  }),
  submit: { sends: ['bales'], to: 'office.book' },
})
const done = screen('done', {
  cells: {},
  fittings: { again: nativeButton },
  bind: () => ({ again: { text: 'Again' } }),
})
const trip = journey('trip', { screens: { order, done }, start: 'order', ends: ['done'] })

script('all that there is', order, [
  { edit: 'stepper.bales', to: 3 },
  { leave: 'stepper' },
  { press: 'book' },
  { press: 'stepper.full' },
  { set: { bales: 4 } },
  { answer: 'office.book', given: { number: 'MC-104' } },
  { fail: 'office.book', because: 'closed' },
  { never: 'office.book' },
  { shows: 'stepper.bales', as: 3 },
  { shows: 'stepper.label', as: 'Bales' },
  { holds: 'bales', as: 3 },
  { sent: 'office.book', with: { bales: 3 } },
  { says: '', beside: 'stepper' },
  { lost: 'nothing' },
  { pass: 400 },
])
script('a journey', trip, [{ press: 'book' }, { on: 'done' }, { press: 'again' }, { travel: 'back' }])

// @ts-expect-error There is no such fitting.
script('wrong', order, [{ edit: 'steper.bales', to: 3 }])
// @ts-expect-error There is no such value.
script('wrong', order, [{ edit: 'stepper.bale', to: 3 }])
// @ts-expect-error Bales are counted.
script('wrong', order, [{ edit: 'stepper.bales', to: 'three' }])
// @ts-expect-error Nobody presses a stepper.
script('wrong', order, [{ press: 'stepper' }])
// @ts-expect-error There is no such cell.
script('wrong', order, [{ holds: 'bale', as: 3 }])
// @ts-expect-error There is no such operation.
script('wrong', order, [{ sent: 'office.bok' }])
// @ts-expect-error The office gives a number, and as a text.
script('wrong', order, [{ answer: 'office.book', given: { number: 104 } }])
// @ts-expect-error There is no such screen.
script('wrong', trip, [{ on: 'don' }])
// @ts-expect-error There is no such step.
script('wrong', order, [{ pres: 'book' }])
