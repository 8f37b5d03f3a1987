import { journeyRule, leak } from './rule.js'
import { waysOf } from '../reading/ways.js'

/** A screen of a journey that nothing leads to. */
export const unreachedScreen = journeyRule({
  id: 'unreached-screen',
  level: 'warning',
  title: 'Nothing leads to a screen',
  why: 'It was built, and no person ever sees it; or the way there was forgotten, and what it asks for is never entered.',
  mend: 'Lead to it with go from another screen, or take it out of the journey.',
  leaking: `
import { contract, go, journey, screen } from 'caulker'
const next = contract('next-button', { summary: 'A button', events: { press: {} } })
const first = screen('first', { cells: {}, fittings: { next }, bind: () => ({ next: { on: { press: [go('third')] } } }) })
const second = screen('second', { cells: {}, fittings: { next }, bind: () => ({ next: { on: { press: [go('third')] } } }) })
const third = screen('third', { cells: {}, fittings: {}, bind: () => ({}) })
export const trip = journey('trip', { screens: { first, second, third }, start: 'first', ends: ['third'] })`,
  mended: `
import { contract, go, journey, screen } from 'caulker'
const next = contract('next-button', { summary: 'A button', events: { press: {} } })
const first = screen('first', { cells: {}, fittings: { next }, bind: () => ({ next: { on: { press: [go('second')] } } }) })
const second = screen('second', { cells: {}, fittings: { next }, bind: () => ({ next: { on: { press: [go('third')] } } }) })
const third = screen('third', { cells: {}, fittings: {}, bind: () => ({}) })
export const trip = journey('trip', { screens: { first, second, third }, start: 'first', ends: ['third'] })`,
  *find({ journey, screens }) {
    const reached = new Set([journey.start])
    for (const name of reached) {
      const view = screens.get(name)
      for (const to of view === undefined ? [] : waysOf(view)) reached.add(to)
    }
    for (const name of screens.keys())
      if (!reached.has(name)) yield leak(['screens', name], `no way leads from '${journey.start}' to '${name}'`)
  },
})
