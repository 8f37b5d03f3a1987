import { Bench } from 'tinybench'
import { JSDOM } from 'jsdom'
import { contract, oneWay, reckon, rehearsal, screen, twoWay, Type } from 'caulker'
import { compile, drive, firstState, scratchFor, step } from 'caulker/inside/machine'
import { createLoader } from '../packages/caulker-cli/dist/node/load.js'

// npm run bench: ratios measured in this one run. They say how a thing compares on this machine now, not how fast it is.
const { window } = new JSDOM('<!doctype html><body></body>')
Object.assign(globalThis, {
  window,
  document: window.document,
  HTMLElement: window.HTMLElement,
  customElements: window.customElements,
  FocusEvent: window.FocusEvent,
  CustomEvent: window.CustomEvent,
})
const { mountScreen } = await import('caulker/dom')

const load = createLoader()
const { baleStepper } = await load(
  new URL('../examples/haul-out/contracts/bale-stepper.contract.ts', import.meta.url).pathname,
)
await load(new URL('../examples/haul-out/elements/bale-stepper.ts', import.meta.url).pathname)

/** Both are timed in turn, over and over, so that what warms up or slows down meets the one as it meets the other. */
async function ratio(title, aim, ours, byHand) {
  const times = { hand: [], caulker: [] }
  for (let round = 0; round < ROUNDS; round++) {
    const bench = new Bench({ time: 200, warmupTime: 50 })
    const tasks = [
      ['hand', byHand],
      ['caulker', ours],
    ]
    for (const [name, work] of round % 2 === 0 ? tasks : tasks.reverse()) bench.add(name, work)
    await bench.run()
    for (const { name, result } of bench.tasks) times[name].push(result.latency.p50)
  }
  const [hand, caulker] = [median(times.hand), median(times.caulker)]
  const value = (caulker / hand).toFixed(2)
  console.log(`${title.padEnd(72)} ${value}x  (aim ${aim}x; ${micro(caulker)} against ${micro(hand)})`)
}

const ROUNDS = 8
const median = (all) => all.sort((one, other) => one - other)[all.length >> 1]
const micro = (milliseconds) => `${(milliseconds * 1000).toFixed(2)} µs`

// A change told through a two-way binding of the boatyard's stepper, against a setter and a listener.
const order = screen('order', {
  cells: { bales: { type: Type.Integer(), initial: 0 } },
  fittings: { bales: baleStepper },
  bind: ({ cells }) => ({ bales: { label: 'Bales', most: 1000, bales: twoWay(cells.bales) } }),
})
const place = document.body.appendChild(document.createElement('div'))
place.innerHTML = '<bale-stepper data-fitting="bales"></bale-stepper>'
const mounted = mountScreen(order, place)
const beside = document.body.appendChild(document.createElement('div'))
const element = Object.assign(beside.appendChild(document.createElement('bale-stepper')), {
  label: 'Bales',
  most: 1000,
})
const held = { bales: 0 }
element.addEventListener('bales-set', (event) => {
  held.bales = event.detail.value
})
const setByHand = (bales) => {
  if (!Number.isInteger(bales) || bales === held.bales) return
  held.bales = bales
  element.bales = bales
}
let count = 0
const next = () => ++count % 1000
await ratio(
  'tell one change through a two-way binding of a live element',
  1.2,
  () => mounted.set('bales', next()),
  () => setByHand(next()),
)
const report = (target) => target.dispatchEvent(new CustomEvent('bales-set', { detail: { value: next() } }))
await ratio(
  'hear one report through a two-way binding of a live element',
  1.3,
  () => report(place.firstChild),
  () => report(element),
)

// One change on its whole way: a cell is set, what is reckoned from it follows, and both are shown by elements.
customElements.define(
  'yard-plate',
  class extends HTMLElement {
    set words(words) {
      this.textContent = words
    }
    get words() {
      return this.textContent
    }
  },
)
const plate = contract('yard-plate', { properties: { words: { type: Type.String(), default: '' } } })
const bill = screen('bill', {
  cells: { bales: { type: Type.Integer(), initial: 0 } },
  fittings: { bales: baleStepper, words: plate },
  reckoned: ({ cells }) => ({ words: reckon([cells.bales], (bales) => `${bales * 18.5} marks`) }),
  bind: ({ cells, reckoned }) => ({
    bales: { label: 'Bales', most: 1000, bales: twoWay(cells.bales) },
    words: { words: oneWay(reckoned.words) },
  }),
})
const paper = document.body.appendChild(document.createElement('div'))
paper.innerHTML = '<bale-stepper data-fitting="bales"></bale-stepper><yard-plate data-fitting="words"></yard-plate>'
const billed = mountScreen(bill, paper)
const shown = beside.appendChild(document.createElement('yard-plate'))
await ratio(
  'one change through screen, cell, reckoned cell and elements',
  1.5,
  () => billed.set('bales', next()),
  () => {
    setByHand(next())
    shown.words = `${held.bales * 18.5} marks`
  },
)

// An edit over an ideal component, with its cell and what is reckoned from it, against an object and a function.
const rehearsed = rehearsal(bill)
const model = { bales: 0, shown: 0, words: '' }
const edit = (bales) => {
  const inside = Math.min(Math.max(bales, 0), 1000)
  if (!Number.isInteger(inside) || inside === model.bales) return
  model.bales = model.shown = inside
  model.words = `${inside * 18.5} marks`
}
await ratio(
  'an edit over ideal components, against plain objects',
  1,
  () => rehearsed.edit('bales', 'bales', next()),
  () => edit(next()),
)

// A transaction over a chain of 100 reckoned cells, against the same functions called by hand.
const functions = Array.from({ length: 100 }, (_, at) => (value) => value * 0.5 + at)
const chain = compile(
  screen('chain', {
    cells: { first: { type: Type.Number(), initial: 1 } },
    fittings: {},
    reckoned({ cells }) {
      const links = {}
      functions.reduce((before, compute, at) => (links[`link${at}`] = reckon([before], compute)), cells.first)
      return links
    },
    bind: () => ({}),
  }),
)
const scratch = scratchFor(chain)
let state = firstState(chain, {}, scratch).state
const byHand = Array.from({ length: 101 }, () => 0)
let value = 0
await ratio(
  'one transaction over a chain of 100 reckoned cells',
  1.5,
  () => {
    state = step(chain, state, { kind: 'set', changes: [[0, ++value]] }, scratch).state
  },
  () => {
    byHand[0] = ++value
    for (let at = 0; at < 100; at++) byHand[at + 1] = functions[at](byHand[at])
  },
)

// What a step does not touch costs nothing: a report on a screen of 1,000 fittings against one on a screen of 10.
const counter = contract('yard-count', {
  properties: { label: { type: Type.String(), default: '' } },
  values: { n: { type: Type.Integer(), default: 0 } },
})
const screenOf = (size) => {
  const names = Array.from({ length: size }, (_, at) => `count${at}`)
  const each = (make) => Object.fromEntries(names.map((name) => [name, make(name)]))
  return screen(`counts-${size}`, {
    cells: each(() => ({ type: Type.Integer(), initial: 0 })),
    fittings: each(() => counter),
    bind: ({ cells }) => each((name) => ({ label: name, n: twoWay(cells[name]) })),
  })
}
const driverOf = (size) => drive(compile(screenOf(size)), { tell() {}, command() {}, read() {} })
const [few, many] = [driverOf(10), driverOf(1000)]
await ratio(
  'a report on a screen of 1,000 fittings, against one of 10',
  1.5,
  () => many.hear('count3', 'n-set', ++value, { n: value }),
  () => few.hear('count3', 'n-set', ++value, { n: value }),
)

// A screen of 100 fittings is mounted, against making the same elements and listening to them.
const counts = screenOf(100)
const tags = Object.keys(counts.fittings).map((name) => `<yard-count data-fitting="${name}"></yard-count>`)
customElements.define(
  'yard-count',
  class extends HTMLElement {
    n = 0
    label = ''
  },
)
const ground = document.body.appendChild(document.createElement('div'))
await ratio(
  'mounting a screen of 100 fittings, and removing it',
  1.5,
  () => {
    ground.innerHTML = tags.join('')
    mountScreen(counts, ground).remove()
  },
  () => {
    ground.innerHTML = tags.join('')
    const held = {}
    for (const element of ground.children) {
      element.label = element.dataset.fitting
      element.n = held[element.label] = 0
      element.addEventListener('n-set', ({ detail }) => (held[element.label] = detail.value))
    }
  },
)
