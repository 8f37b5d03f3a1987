import { seenOnce } from './all.js'

/** Every component that was seen once, for `npm run corpus`. */
export const contracts = seenOnce.flat().map(({ contract }) => contract)
