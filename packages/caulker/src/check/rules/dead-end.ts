import { journeyRule, leak } from './rule.js'
import { leadsBack, waysOf } from '../reading/ways.js'

/** A screen of a journey that cannot be left, and is no end of it. */
export const deadEnd = journeyRule({
  id: 'dead-end',
  level: 'error',
  title: 'A screen cannot be left',
  why: 'Whoever gets there is stuck: nothing on the screen leads on, and the journey does not end there.',
  mend: 'Give it a way on with go, or name it under ends.',
  leaking: `
import { contract, go, journey, screen } from 'caulker'
const next = contract('next-button', { summary: 'A button', events: { press: {} } })
const first = screen('first', { cells: {}, fittings: { next }, bind: () => ({ next: { on: { press: [go('second')] } } }) })
const second = screen('second', { cells: {}, fittings: {}, bind: () => ({}) })
export const trip = journey('trip', { screens: { first, second }, start: 'first' })`,
  mended: `
import { contract, go, journey, screen } from 'caulker'
const next = contract('next-button', { summary: 'A button', events: { press: {} } })
const first = screen('first', { cells: {}, fittings: { next }, bind: () => ({ next: { on: { press: [go('second')] } } }) })
const second = screen('second', { cells: {}, fittings: {}, bind: () => ({}) })
export const trip = journey('trip', { screens: { first, second }, start: 'first', ends: ['second'] })`,
  *find({ journey, screens }) {
    for (const [name, view] of screens)
      if (
        !journey.ends.includes(name) &&
        waysOf(view).every((to) => to === name) &&
        (name === journey.start || !leadsBack(view))
      )
        yield leak(
          ['screens', name],
          `nothing on '${name}' leads to another screen, and the journey does not end there`,
        )
  },
})
