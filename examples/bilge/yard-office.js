import { source, topic, Type } from 'caulker'

export const leakingOffice = source('leaking-office', {
  loads: { effect: 'reads', gives: Type.Array(Type.Object({ id: Type.String(), tons: Type.Number() })) },
  unload: { effect: 'removes', key: 'id', takes: Type.Object({ id: Type.String() }) },
  berths: { effect: 'reads', gives: Type.Array(Type.String()) },
  orders: { effect: 'reads', takes: Type.Object({ vessel: Type.String() }), gives: Type.Array(Type.String()) },
  order: { effect: 'reads', takes: Type.Object({ vessel: Type.String() }) },
  name: { effect: 'creates', takes: Type.Object({ vessel: Type.String() }) },
  // The office wants the bales as a text.
  book: { effect: 'creates', takes: Type.Object({ vessel: Type.String(), bales: Type.String() }) },
  remark: {
    effect: 'updates',
    key: 'number',
    takes: Type.Object({ number: Type.String(), remark: Type.String(), foreman: Type.String() }),
  },
})

export const craneFree = topic('crane-free')

export const ropeCut = topic('rope-cut')
