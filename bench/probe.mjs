import { resolve } from 'node:path'
import { probe } from 'caulker/probe'
import { openEmbeddedWindow } from '../packages/caulker-cli/dist/node/embedded-window.js'
import { createLoader } from '../packages/caulker-cli/dist/node/load.js'

// npm run bench: a whole probe of the bale stepper, against code by hand that mounts it and operates it the same number of times.
const TURNS = 3
const { document, frames, close } = openEmbeddedWindow()
const load = createLoader()
const { baleStepper } = await load(resolve('examples/haul-out/contracts/bale-stepper.contract.ts'))
await load(resolve('examples/haul-out/elements/bale-stepper.ts'))
const trails = new Map()
let plays = 0
const probing = () =>
  probe(baleStepper, {
    document,
    frames,
    onStep: (trail, row) => row === 0 && trails.set(plays++, trail),
  })
await probing()
const played = [...trails.values()]
const times = []
for (let turn = 0; turn < TURNS; turn++) times.push([await timed(probing), await timed(() => byHand(played))])
const [probed, hand] = [0, 1].map((side) => Math.min(...times.map((pair) => pair[side])))
const steps = played.reduce((sum, { moves }) => sum + moves.length, 0)
console.log(
  `${`probe of the bale stepper, against ${played.length} mounts and ${steps} steps by hand`.padEnd(84)} ${(probed / hand).toFixed(2)}x  (aim 2x)`,
)
close()

async function timed(work) {
  const start = process.hrtime.bigint()
  await work()
  return Number(process.hrtime.bigint() - start) / 1e6
}

/** What a careful developer writes: mount, do one thing, let it settle, read what it says and shows, and take it away. */
async function byHand(all) {
  for (const { given, moves } of all) {
    const place = document.body.appendChild(document.createElement('div'))
    const element = document.createElement('bale-stepper')
    Object.assign(element, given)
    place.append(element)
    await settled(element)
    for (const move of moves) {
      if ('tell' in move) Object.assign(element, move.tell)
      else if ('gesture' in move) operate(place, move.gesture)
      else if ('command' in move) element[move.command]()
      await settled(element)
    }
    place.remove()
  }
}

function operate(place, { do: what, on, text, key }) {
  if (what === 'leave') return document.activeElement?.blur()
  const root = place.querySelector('bale-stepper').shadowRoot
  const control = root.querySelectorAll(on.kind === 'button' ? 'button' : 'input')[on.nth]
  control.focus()
  if (what === 'press') control.click()
  else if (text !== undefined) {
    for (let length = 1; length <= text.length; length++) {
      control.dispatchEvent(new window.KeyboardEvent('keydown', { key: text[length - 1], bubbles: true }))
      control.value = text.slice(0, length)
      control.dispatchEvent(new window.InputEvent('input', { bubbles: true, composed: true }))
    }
    control.dispatchEvent(new window.Event('change', { bubbles: true }))
  } else control.dispatchEvent(new window.KeyboardEvent('keydown', { key: key ?? 'Enter', bubbles: true }))
}

/** Two frames, then everything that it says of itself and shows. */
async function settled(element) {
  await frames.next()
  await frames.next()
  return [
    element.bales,
    element.label,
    element.fewest,
    element.most,
    element.shadowRoot?.textContent,
    element.shadowRoot?.querySelector('input')?.value,
  ]
}
