import { accepts, Type, type TSchema } from 'caulker'
import { expect } from 'chai'
import fc from 'fast-check'
import { Check } from 'typebox/value'
import { anySchema, anyValue } from './support/schemas.js'

describe('the check of a data type', () => {
  it('agrees with a whole validator, whatever the type and the value', () =>
    fc.assert(
      fc.property(anySchema, fc.array(anyValue, { minLength: 4, maxLength: 8 }), (type, values) => {
        for (const one of values)
          expect(accepts(type as TSchema, one), JSON.stringify([type, one])).to.equal(Check(type as TSchema, one))
      }),
      { numRuns: 4000, seed: 7 },
    ))

  const tree = {
    $defs: { node: { type: 'object', properties: { next: { $ref: '#/$defs/node' } }, required: ['id'] } },
    $ref: '#/$defs/node',
  }
  for (const [says, type, yes, no] of [
    ['what refers to itself', tree, { id: 1, next: { id: 2 } }, { id: 1, next: {} }],
    ['a tuple of the builder', Type.Tuple([Type.String(), Type.Integer()]), ['oak', 1], ['oak', 1, 2]],
    ['a record of the builder', Type.Record(Type.String(), Type.Number()), { a: 1 }, { a: '1' }],
    ['a template of the builder', Type.TemplateLiteral('MC-${number}'), 'MC-101', 'MC'],
    ['what refines itself', Type.Refine(Type.Integer(), (n) => n % 2 === 0), 4, 5],
    ['a list of different things', { uniqueItems: true }, [1, '1'], [{ a: 1 }, { a: 1 }]],
    [
      'how often it is contained',
      { contains: { type: 'integer' }, minContains: 2, maxContains: 2 },
      [1, 2, 'a'],
      [1, 2, 3],
    ],
    ['a moment', { format: 'date-time' }, '2031-05-14T10:00:00Z', '2031-05-14'],
    ['an unknown format as none', { type: 'string', format: 'knot' }, 'bowline', 3],
  ] as const)
    it(`knows ${says}`, () => {
      expect([accepts(type as TSchema, yes), accepts(type as TSchema, no)]).to.eql([true, false])
    })
})
