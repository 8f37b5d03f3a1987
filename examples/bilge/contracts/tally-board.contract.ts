import { contract, Type } from 'caulker'

const unknown: any = null

/** Counts planks. The component is sound, and its contract is not: the default is not of its own type. */
export const tallyBoard = contract('tally-board', {
  summary: 'Planks that are still to be replaced',
  properties: { planks: { type: Type.Integer(), default: unknown } },
})
