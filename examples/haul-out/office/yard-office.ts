import { source, topic, Type } from 'caulker'

export const Seam = Type.Object({
  id: Type.String(),
  name: Type.String(),
  feet: Type.Union([Type.Number(), Type.Null()]),
})
export const Berth = Type.Enum(['', 'Slip 1', 'Slip 2', 'Pontoon A'])
/** A date, or nothing yet. */
export const Day = Type.Union([Type.String({ format: 'date' }), Type.Literal('')])

/** The yard office: where berths and seams come from, and where orders go. */
export const yardOffice = source('yard-office', {
  berths: { effect: 'reads', gives: Type.Array(Type.String()), summary: 'The berths that are free' },
  seams: { effect: 'reads', gives: Type.Array(Seam), summary: 'The seams that the survey found open' },
  book: {
    effect: 'creates',
    takes: Type.Object({
      vessel: Type.String(),
      feet: Type.Union([Type.Number(), Type.Null()]),
      hull: Type.String(),
      damage: Type.String(),
      bales: Type.Integer(),
      seams: Type.Array(Seam),
      low: Type.Integer(),
      high: Type.Integer(),
      berth: Berth,
      from: Day,
      until: Day,
      note: Type.String(),
      contact: Type.String(),
    }),
    gives: Type.Object({ number: Type.String() }),
  },
  remark: {
    effect: 'updates',
    key: 'number',
    takes: Type.Object({ number: Type.String(), remark: Type.String() }),
  },
})

/** The slip and the office have no owner in common. */
export const berthTaken = topic('berth-taken', { payload: Type.String(), summary: 'The berth that was booked' })
