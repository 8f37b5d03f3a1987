import { few } from './all.js'

export const contracts = few.map(({ contract }) => contract)
