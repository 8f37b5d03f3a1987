import { leadsBack, waysOf } from '../reading/ways.js'
import { journeyRule, leak } from './rule.js'

/** A way back on the first screen, where nobody has come from anywhere. */
export const noWayBack = journeyRule({
  id: 'no-way-back',
  level: 'warning',
  title: 'A way back leads nowhere',
  why: 'The person presses Back on the first screen, and nothing happens.',
  mend: 'Take it off the first screen, or say with go where it leads.',
  leaking: `
import { back, contract, go, journey, screen } from 'caulker'
const button = contract('yard-button', { summary: 'A button', events: { press: {} } })
const first = screen('first', { cells: {}, fittings: { back: button, next: button }, bind: () => ({ back: { on: { press: [back()] } }, next: { on: { press: [go('last')] } } }) })
const last = screen('last', { cells: {}, fittings: {}, bind: () => ({}) })
export const trip = journey('trip', { screens: { first, last }, start: 'first', ends: ['last'] })`,
  mended: `
import { back, contract, go, journey, screen } from 'caulker'
const button = contract('yard-button', { summary: 'A button', events: { press: {} } })
const first = screen('first', { cells: {}, fittings: { next: button }, bind: () => ({ next: { on: { press: [go('last')] } } }) })
const last = screen('last', { cells: {}, fittings: { back: button }, bind: () => ({ back: { on: { press: [back()] } } }) })
export const trip = journey('trip', { screens: { first, last }, start: 'first', ends: ['last'] })`,
  *find({ journey, screens }) {
    const first = screens.get(journey.start)
    if (first === undefined || !leadsBack(first)) return
    // Where another screen leads to it, there is something to go back to.
    if ([...screens.values()].some((view) => waysOf(view).includes(journey.start))) return
    yield leak(['screens', journey.start], `'${journey.start}' leads back, and nothing leads to it`)
  },
})
