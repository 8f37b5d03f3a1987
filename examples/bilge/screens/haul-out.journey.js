import { journey, Type } from 'caulker'
import { leakingBerth } from './berth.screen.js'
import { leakingReview } from './review.screen.js'

// The screens are there, and nobody has drawn the ways between them.
export const leakingHaulOut = journey('leaking-haul-out', {
  cells: { vessel: { type: Type.String(), initial: '' } },
  screens: { berth: leakingBerth, review: leakingReview },
  start: 'berth',
  ends: ['review'],
  // What only one screen needs.
  shares: ({ cells }) => ({ berth: { vessel: cells.vessel } }),
})
