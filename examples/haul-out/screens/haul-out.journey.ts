import { journey, Type } from 'caulker'
import { berthScreen } from './berth.screen.js'
import { confirmationScreen, reviewScreen } from './review.screen.js'
import { vesselScreen } from './vessel.screen.js'

/** From the name of a vessel to the number of her order. */
export const haulOut = journey('haul-out', {
  cells: {
    vessel: { type: Type.String(), initial: '' },
    damage: { type: Type.String(), initial: '' },
    number: { type: Type.String(), initial: '' },
  },
  screens: { vessel: vesselScreen, berth: berthScreen, review: reviewScreen, confirmation: confirmationScreen },
  start: 'vessel',
  ends: ['confirmation'],
  shares: ({ cells }) => ({
    vessel: { name: cells.vessel, damage: cells.damage },
    berth: { vessel: cells.vessel, damage: cells.damage, number: cells.number },
    review: { number: cells.number },
    confirmation: { number: cells.number },
  }),
  leaving: 'stay',
})
