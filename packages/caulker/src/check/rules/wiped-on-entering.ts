import { wipedBy } from '../reading/given.js'
import type { JourneyView } from '../reading/design-view.js'
import { journeyRule, leak } from './rule.js'

/** What is kept for a screen, or shared with others, is thrown away whenever the screen is entered. */
export const wipedOnEntering = journeyRule({
  id: 'wiped-on-entering',
  level: 'warning',
  title: 'What a person entered is wiped when a screen is entered',
  why: 'Who goes back, or on, finds their entries gone: what one line keeps or shares, another throws away on the way in.',
  mend: 'Wipe it where the person asks for it or where it was sent, not on entering.',
  leaking: `
import { back, clear, contract, go, journey, screen, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String(), default: '' } }, events: { press: {} } })
const cells = { name: { type: Type.String(), initial: '' } }
const first = screen('first', { cells, fittings: { text }, enters: ({ cells }) => [clear(cells.name)], bind: ({ cells }) => ({ text: { text: twoWay(cells.name), on: { press: [go('last')] } } }), keeps: ['name'] })
const last = screen('last', { cells: { other: { type: Type.String(), initial: '' } }, fittings: { text }, bind: ({ cells }) => ({ text: { text: twoWay(cells.other), on: { press: [back()] } } }) })
export const trip = journey('trip', { screens: { first, last }, start: 'first', ends: ['last'] })`,
  mended: `
import { back, contract, go, journey, screen, twoWay, Type } from 'caulker'
const text = contract('yard-text', { summary: 'A text', values: { text: { type: Type.String(), default: '' } }, events: { press: {} } })
const cells = { name: { type: Type.String(), initial: '' } }
const first = screen('first', { cells, fittings: { text }, bind: ({ cells }) => ({ text: { text: twoWay(cells.name), on: { press: [go('last')] } } }), keeps: ['name'] })
const last = screen('last', { cells: { other: { type: Type.String(), initial: '' } }, fittings: { text }, bind: ({ cells }) => ({ text: { text: twoWay(cells.other), on: { press: [back()] } } }) })
export const trip = journey('trip', { screens: { first, last }, start: 'first', ends: ['last'] })`,
  *find(view) {
    const { journey, screens } = view
    for (const [name, one] of screens) {
      // Once the last screen is reached, what was entered has served.
      if (journey.ends.includes(name)) continue
      for (const step of one.screen.enters.steps) {
        const wiped = wipedBy(step)
        if (wiped === undefined || wiped.row !== undefined) continue
        const cell = wiped.name
        const isKept = one.screen.keeps.includes(cell) && one.editedCells().has(cell)
        const editor = editorsOf(view, name, cell)
        if (!isKept && editor === undefined) continue
        yield leak(
          ['screens', name],
          `'${cell}' is ${isKept ? `kept by '${name}'` : `edited on '${editor}'`}, and wiped whenever '${name}' is entered`,
        )
      }
    }
  },
})

/** A screen where a person edits the cell of the journey that a screen shares. */
function editorsOf({ journey, screens }: JourneyView, name: string, cell: string): string | undefined {
  const held = journey.shares[name]?.[cell]
  if (held === undefined) return undefined
  for (const [other, { editedCells }] of screens)
    for (const [theirs, from] of Object.entries(journey.shares[other] ?? {}))
      if (from === held && editedCells().has(theirs)) return other
  return undefined
}
