import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import { explore, oneWay, reckon, screen, set, twoWay, Type } from 'caulker'
import { nativeButton, nativeOutput, nativeText } from 'caulker/dom'
import { createLoader } from '../packages/caulker-cli/dist/node/load.js'

// npm run bench: how fast states are looked at, in ratios within this one run, and how that grows.
const ENOUGH = { failures: 0, pending: 0, moves: 100, states: 2_000_000 }

/** Fields that all say how long they are together, so that every combination of them counts. */
function loft(fields) {
  const names = Array.from({ length: fields }, (_, at) => `rope${at}`)
  const text = { type: Type.String(), initial: '' }
  return screen('loft', {
    cells: Object.fromEntries(names.map((name) => [name, text])),
    fittings: {
      ...Object.fromEntries(names.map((name) => [name, nativeText])),
      total: nativeOutput,
      none: nativeButton,
    },
    reckoned: ({ cells }) => ({
      total: reckon(
        names.map((name) => cells[name]),
        (...all) => `${all.join('').length} letters`,
      ),
    }),
    always: ({ cells }) => ({
      'a rope has a name of some length': reckon(
        names.map((name) => cells[name]),
        (...all) => all.join('').length >= 0,
      ),
    }),
    bind: ({ cells, reckoned }) => ({
      ...Object.fromEntries(names.map((name) => [name, { value: twoWay(cells[name]) }])),
      total: { text: oneWay(reckoned.total) },
      none: { text: 'None', on: { press: names.map((name) => set(cells[name], '')) } },
    }),
  })
}

/** The same by hand: an object for the screen, fields that hold what they show, and a search over copies of both. */
function byHand(fields, edits) {
  const values = ['oakum', '', 'x']
  const first = { cells: Array(fields).fill(''), shown: Array(fields).fill(''), total: '0 letters', edits }
  const seen = new Set([JSON.stringify(first)])
  const waiting = [first]
  let moves = 0
  const told = (state) => {
    state.total = `${state.cells.join('').length} letters`
    state.cells.forEach((cell, at) => {
      if (state.shown[at] !== cell) state.shown[at] = cell
    })
    if (!state.cells.every((cell, at) => cell === state.shown[at])) throw new Error('what is shown is not held')
    const key = JSON.stringify(state)
    if (seen.has(key)) return
    seen.add(key)
    waiting.push(state)
  }
  const copied = ({ cells, shown, total, edits: left }) => ({
    cells: [...cells],
    shown: [...shown],
    total,
    edits: left,
  })
  for (let at = 0; at < waiting.length; at++) {
    const state = waiting[at]
    if (state.edits > 0)
      for (let field = 0; field < fields; field++)
        for (const value of values) {
          if (state.shown[field] === value) continue
          moves++
          const next = copied(state)
          next.shown[field] = value
          next.cells[field] = value
          next.edits--
          told(next)
        }
    moves++
    const next = copied(state)
    next.cells.fill('')
    told(next)
  }
  return moves
}

function timed(work) {
  const start = performance.now()
  const result = work()
  return [performance.now() - start, result]
}

const line = (title, value) => console.log(`${title.padEnd(72)} ${value}`)

timed(() => explore(loft(5), { ...ENOUGH, edits: 3 }))
timed(() => byHand(5, 3))
const [hand, handMoves] = timed(() => byHand(7, 4))
const [ours, explored] = timed(() => explore(loft(7), { ...ENOUGH, edits: 4 }))
line(
  'moves a second, against an object model by hand under the same search',
  `${(explored.passages / ours / (handMoves / hand)).toFixed(2)}x  (aim 1x; ${explored.states} states)`,
)
const [short, few] = timed(() => explore(loft(6), { ...ENOUGH, edits: 4 }))
const [long, many] = timed(() => explore(loft(8), { ...ENOUGH, edits: 5 }))
line(
  `time a move with ${many.states} states, against ${few.states}`,
  `${(long / many.passages / (short / few.passages)).toFixed(2)}x  (aim 1.3x)`,
)

setFlagsFromString('--expose-gc')
const collect = runInNewContext('gc')
const resident = () => {
  collect()
  const { heapUsed, arrayBuffers } = process.memoryUsage()
  return heapUsed + arrayBuffers
}
/** Seen states at two points of one exploration, and what is resident there. */
const marks = []
const progress = ({ states }) => {
  if (marks.length < 2 && states >= [20_000, 60_000][marks.length]) marks.push([states, resident()])
}
explore(loft(10), { ...ENOUGH, edits: 6, states: 65_000, progress })
const [[first, before], [last, after]] = marks
line(
  `bytes a state, between ${first} and ${last} states`,
  `${((after - before) / (last - first)).toFixed(0)}  (aim 150)`,
)

const load = createLoader()
const { haulOut } = await load(new URL('../examples/haul-out/screens/haul-out.journey.ts', import.meta.url).pathname)
const [journey, trip] = timed(() => explore(haulOut))
line(
  'the haul-out, two edits and one failing answer a trail',
  `${(journey / 1000).toFixed(1)} s  (aim 20 s; ${trip.states} states)`,
)
const [twelve, wide] = timed(() => explore(loft(12), { edits: 3 }))
line('a screen of twelve fields, three edits', `${(twelve / 1000).toFixed(1)} s  (aim 5 s; ${wide.states} states)`)
