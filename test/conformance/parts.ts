import { contract, source, topic, Type } from 'caulker'

/** The components and the office that the rows are about: each has what a few sentences need, and nothing else. */

export const count = contract('crew-count', {
  properties: {
    fewest: { type: Type.Integer(), default: 0 },
    most: { type: Type.Integer(), default: 40 },
    stride: { type: Type.Integer({ minimum: 1 }), default: 1 },
  },
  values: { n: { type: Type.Integer(), default: 0, bounds: { least: 'fewest', most: 'most' }, step: 'stride' } },
  commands: { reset: { effect: 'reset' }, hush: { effect: 'reset', reports: false } },
})

export const strict = contract('strict-count', {
  properties: { most: { type: Type.Integer(), default: 40 } },
  values: { n: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 'most' }, outside: 'refuse' } },
})

export const loose = contract('loose-count', {
  properties: { most: { type: Type.Integer(), default: 40 } },
  values: { n: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 'most' }, outside: 'keep' } },
})

export const season = contract('season-count', {
  values: {
    n: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 9 }, outside: 'refuse', outsideTold: 'keep' },
  },
})

export const marked = contract('marked-count', {
  values: { n: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 9 }, outside: 'mark' } },
})

export const note = contract('yard-note', {
  properties: {
    label: { type: Type.String(), default: '' },
    needed: { type: Type.Boolean(), default: false },
    disabled: { type: Type.Boolean(), default: false },
  },
  values: { text: { type: Type.String(), default: '', reports: 'commit' } },
  form: { value: 'text', requiredBy: 'needed' },
  locks: { disabled: 'disabled' },
})

export const span = contract('seam-span', {
  values: {
    low: { type: Type.Number(), default: 0, event: 'span-set', payloadAt: '/detail/low' },
    high: { type: Type.Number(), default: 9, event: 'span-set', payloadAt: '/detail/high' },
  },
})

export const pair = contract('pitch-pair', {
  values: { pair: { type: Type.Array(Type.Number()), default: [0, 9], ordered: true, outside: 'clamp' } },
})

export const button = contract('yard-press', { events: { press: {} } })

export const tag = contract('yard-tag', {
  properties: { amount: { type: Type.Number(), default: 0 }, text: { type: Type.String(), default: '' } },
})

/** It cannot stand a seven. */
export const moody = contract('moody-tag', {
  properties: {
    amount: {
      type: Type.Number(),
      default: 0,
      amend(amount) {
        if (amount === 7) throw new Error('no sevens')
        return amount
      },
    },
  },
})

export const line = contract('seam-line', {
  values: { n: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 90 } } },
  events: { kept: {}, dropped: {} },
})

export const all = [moody, count, strict, loose, season, marked, note, span, pair, button, tag, line]

const Seam = Type.Object({ id: Type.String(), feet: Type.Number() })

export const office = source('yard-office', {
  berths: { effect: 'reads', gives: Type.Array(Type.String()) },
  bales: { effect: 'reads', takes: Type.Integer(), gives: Type.Integer() },
  book: {
    effect: 'creates',
    takes: Type.Object({ bales: Type.Integer(), name: Type.String() }),
    gives: Type.Object({ number: Type.String() }),
  },
  seams: { effect: 'reads', gives: Type.Array(Seam) },
  record: { effect: 'reads', gives: Type.Object({ name: Type.String(), id: Type.Integer() }) },
  remark: { effect: 'updates', key: 'id', takes: Type.Object({ id: Type.Integer(), name: Type.String() }) },
})

export const freed = topic('berth-freed', { payload: Type.Integer() })

export const text = { type: Type.String(), initial: '' }
export const whole = { type: Type.Integer(), initial: 0 }
export const seams = {
  type: Type.Array(Seam),
  initial: [
    { id: 'a', feet: 3 },
    { id: 'b', feet: 4 },
  ],
}
