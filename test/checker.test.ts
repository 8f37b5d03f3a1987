import { accepts, Type, type TSchema } from 'caulker'
import { expect } from 'chai'
import fc from 'fast-check'
import { Check } from 'typebox/value'

const value = fc.oneof(
  fc.jsonValue({ maxDepth: 2 }),
  fc.integer({ min: -5, max: 45 }),
  fc.constantFrom(0.1, 0.3, 2.5, '', 'oak', 'larch', '2031-05-14', '2031-02-30', 'ines@quay.test', null, true, [], {}),
  fc.array(fc.oneof(fc.integer({ min: 0, max: 3 }), fc.constantFrom('oak', null)), { maxLength: 4 }),
  fc.record({ a: fc.oneof(fc.integer(), fc.string()), b: fc.boolean(), c: fc.string() }, { requiredKeys: [] }),
)

const leaf: fc.Arbitrary<object> = fc.oneof(
  fc.record({ type: fc.constantFrom('string', 'number', 'integer', 'boolean', 'null', 'array', 'object') }),
  fc.record({ type: fc.constant(['string', 'null']) }),
  fc.record({ const: fc.constantFrom(0, '', 'oak', null, [1]) }),
  fc.record({ enum: fc.constantFrom([1, 'oak'], ['', null], [[], {}]) }),
  fc.record({
    type: fc.constant('number'),
    minimum: fc.integer({ min: -2, max: 2 }),
    exclusiveMaximum: fc.integer({ min: 3, max: 40 }),
  }),
  fc.record({ multipleOf: fc.constantFrom(2, 0.1, 5), maximum: fc.constantFrom(10, 30) }),
  fc.record({ minLength: fc.nat(2), maxLength: fc.nat(6) }),
  fc.record({ type: fc.constant('string'), pattern: fc.constantFrom('^o', 'a', '^$') }),
  fc.record({ type: fc.constant('string'), format: fc.constantFrom('date', 'email', 'uuid') }),
)
const { schema } = fc.letrec<{ schema: object }>((tie) => ({
  schema: fc.oneof(
    { maxDepth: 2, withCrossShrink: true },
    leaf,
    fc.record({ anyOf: fc.array(tie('schema'), { minLength: 1, maxLength: 3 }) }),
    fc.record({ oneOf: fc.array(tie('schema'), { minLength: 1, maxLength: 3 }) }),
    fc.record({ allOf: fc.array(tie('schema'), { minLength: 1, maxLength: 2 }) }),
    fc.record({ not: tie('schema') }),
    fc.record({ if: tie('schema'), then: tie('schema'), else: tie('schema') }),
    fc.record({ type: fc.constant('array'), items: tie('schema'), minItems: fc.nat(1), uniqueItems: fc.boolean() }),
    fc.record({ prefixItems: fc.array(tie('schema'), { minLength: 1, maxLength: 2 }), items: tie('schema') }),
    fc.record({ contains: tie('schema') }),
    fc.record({
      type: fc.constant('object'),
      properties: fc.record({ a: tie('schema'), b: tie('schema') }),
      required: fc.constantFrom(['a'], [], ['a', 'b']),
      additionalProperties: fc.oneof(fc.boolean(), tie('schema')),
    }),
    fc.record({ patternProperties: fc.record({ '^[ab]': tie('schema') }), propertyNames: tie('schema') }),
    fc.record({ dependentRequired: fc.constant({ a: ['b'] }), maxProperties: fc.nat(3) }),
  ),
}))

describe('the check of a data type', () => {
  it('agrees with a whole validator, whatever the type and the value', () =>
    fc.assert(
      fc.property(schema, fc.array(value, { minLength: 4, maxLength: 8 }), (type, values) => {
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
