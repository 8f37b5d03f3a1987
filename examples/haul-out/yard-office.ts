import { source, topic, Type } from 'caulker'

const Seam = Type.Object({ id: Type.String(), feet: Type.Union([Type.Number(), Type.Null()]) })

/** The yard office: where berths come from, and where orders go. */
export const yardOffice = source('yard-office', {
  berths: { effect: 'reads', gives: Type.Array(Type.String()), summary: 'The berths that are free' },
  seams: { effect: 'reads', gives: Type.Array(Seam), summary: 'The seams that the survey found open' },
  book: {
    effect: 'creates',
    takes: Type.Object({ vessel: Type.String(), berth: Type.String(), damage: Type.String() }),
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
