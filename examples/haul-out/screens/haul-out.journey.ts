import { journey, Type } from 'caulker'
import { Berth, Day, Seam } from '../office/yard-office.js'
import { confirmationScreen } from './confirmation.screen.js'
import { reviewScreen } from './review.screen.js'
import { Hull, vesselScreen } from './vessel.screen.js'
import { workOrder } from './work-order.screen.js'

const text = { type: Type.String(), initial: '' }

/** From the name of a vessel to the number of her order. */
export const haulOut = journey('haul-out', {
  cells: {
    vessel: text,
    feet: { type: Type.Union([Type.Number(), Type.Null()]), initial: null },
    hull: { type: Hull, initial: '' },
    damage: text,
    bales: { type: Type.Integer(), initial: 10 },
    seams: { type: Type.Array(Seam), initial: [] },
    low: { type: Type.Integer(), initial: 60 },
    high: { type: Type.Integer(), initial: 75 },
    berth: { type: Berth, initial: '' },
    from: { type: Day, initial: '' },
    until: { type: Day, initial: '' },
    number: text,
  },
  screens: { vessel: vesselScreen, 'work-order': workOrder, review: reviewScreen, confirmation: confirmationScreen },
  start: 'vessel',
  ends: ['confirmation'],
  shares: ({ cells }) => ({
    vessel: { name: cells.vessel, feet: cells.feet, hull: cells.hull, damage: cells.damage },
    'work-order': {
      vessel: cells.vessel,
      bales: cells.bales,
      seams: cells.seams,
      low: cells.low,
      high: cells.high,
      berth: cells.berth,
      from: cells.from,
      until: cells.until,
    },
    review: {
      vessel: cells.vessel,
      feet: cells.feet,
      hull: cells.hull,
      damage: cells.damage,
      bales: cells.bales,
      seams: cells.seams,
      low: cells.low,
      high: cells.high,
      berth: cells.berth,
      from: cells.from,
      until: cells.until,
      number: cells.number,
    },
    confirmation: { number: cells.number },
  }),
  leaving: 'stay',
})
