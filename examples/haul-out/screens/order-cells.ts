import { Type } from 'caulker'
import { Berth, Day, Seam } from '../office/yard-office.js'

const text = { type: Type.String(), initial: '' }

export const Hull = Type.Enum(['', 'oak', 'larch', 'steel'])

/** What an order is made of: the journey holds it, and the review shows all of it. */
export const orderCells = {
  vessel: text,
  feet: { type: Type.Union([Type.Number(), Type.Null()]), initial: null },
  hull: { type: Hull, initial: '' as const },
  damage: text,
  bales: { type: Type.Integer(), initial: 10 },
  seams: { type: Type.Array(Seam), initial: [] },
  low: { type: Type.Integer(), initial: 60 },
  high: { type: Type.Integer(), initial: 75 },
  berth: { type: Berth, initial: '' as const },
  from: { type: Day, initial: '' },
  until: { type: Day, initial: '' },
  number: text,
}
