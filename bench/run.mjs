import { Bench } from 'tinybench'
import { JSDOM } from 'jsdom'
import { contract, reckon, screen, twoWay, Type } from 'caulker'
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

async function ratio(title, aim, ours, byHand) {
  const bench = new Bench({ time: 1500, warmupTime: 300 })
  bench.add('by hand', byHand).add('caulker', ours)
  await bench.run()
  const [hand, caulker] = bench.tasks.map((task) => task.result.latency.p50)
  const value = caulker / hand
  console.log(`${title.padEnd(72)} ${value.toFixed(2)}x  (aim ${aim}x; ${micro(caulker)} against ${micro(hand)})`)
}

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
const element = Object.assign(document.body.appendChild(document.createElement('bale-stepper')), {
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
  1.5,
  () => mounted.set('bales', next()),
  () => setByHand(next()),
)
const report = (target) => target.dispatchEvent(new CustomEvent('bales-set', { detail: { value: next() } }))
await ratio(
  'hear one report through a two-way binding of a live element',
  1.5,
  () => report(place.firstChild),
  () => report(element),
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
  3,
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
