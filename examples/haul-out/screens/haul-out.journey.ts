import { journey } from 'caulker'
import { confirmationScreen } from './confirmation.screen.js'
import { orderCells } from './order-cells.js'
import { reviewScreen } from './review.screen.js'
import { vesselScreen } from './vessel.screen.js'
import { workOrder } from './work-order.screen.js'

/** From the name of a vessel to the number of her order. */
export const haulOut = journey('haul-out', {
  cells: orderCells,
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
    review: { ...cells },
    confirmation: { number: cells.number },
  }),
  leaving: 'stay',
})
