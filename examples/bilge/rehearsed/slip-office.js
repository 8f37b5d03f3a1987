import { source, Type } from 'caulker'

/** The office of the slip, for what is rehearsed here. */
export const slipOffice = source('slip-office', {
  book: { effect: 'creates', takes: Type.Object({ vessel: Type.String() }) },
  log: { effect: 'creates', takes: Type.Object({ line: Type.String() }) },
  pitch: { effect: 'creates', takes: Type.Object({ low: Type.Integer(), high: Type.Integer() }) },
  feet: { effect: 'reads', gives: Type.Integer({ minimum: 8, maximum: 90 }) },
  crew: { effect: 'reads', gives: Type.String({ minLength: 1 }) },
  berths: { effect: 'reads', gives: Type.Array(Type.String()) },
  record: {
    effect: 'updates',
    key: 'number',
    takes: Type.Object({ number: Type.String(), remark: Type.String(), foreman: Type.String() }),
  },
})
