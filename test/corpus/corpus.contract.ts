import { corpus } from './all.js'

/** Every component of the corpus, for `npm run corpus`. */
export const contracts = corpus.flat().map(({ contract }) => contract)
