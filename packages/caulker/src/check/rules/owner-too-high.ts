import { journeyRule, leak } from './rule.js'

/** A cell of a journey that only one screen uses. */
export const ownerTooHigh = journeyRule({
  id: 'owner-too-high',
  level: 'note',
  title: 'A journey holds what only one screen needs',
  why: 'Whoever reads the journey looks for the other screens that share it; and it lives on when its screen is long gone.',
  mend: 'Hold it in the screen; name it under keeps there if it must outlive a visit.',
  leaking: `
import { contract, journey, screen, twoWay, Type } from 'caulker'
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String() } } })
const vessel = screen('vessel', { cells: { name: { type: Type.String(), initial: '' } }, fittings: { name }, bind: ({ cells }) => ({ name: { name: twoWay(cells.name) } }) })
export const trip = journey('trip', {
  cells: { name: { type: Type.String(), initial: '' } },
  screens: { vessel },
  start: 'vessel',
  ends: ['vessel'],
  shares: ({ cells }) => ({ vessel: { name: cells.name } }),
})`,
  mended: `
import { contract, journey, screen, twoWay, Type } from 'caulker'
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String() } } })
const vessel = screen('vessel', { cells: { name: { type: Type.String(), initial: '' } }, fittings: { name }, bind: ({ cells }) => ({ name: { name: twoWay(cells.name) } }) })
export const trip = journey('trip', { screens: { vessel }, start: 'vessel', ends: ['vessel'] })`,
  *find({ journey }) {
    for (const cell of Object.keys(journey.cells)) {
      const users = Object.entries(journey.shares).filter(([, cells]) => Object.values(cells).includes(cell))
      const [only] = users
      if (users.length < 2)
        yield leak(
          ['cells', cell],
          only === undefined ? `no screen shares '${cell}'` : `only '${only[0]}' shares '${cell}'`,
        )
    }
  },
})
