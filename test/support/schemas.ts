import fc from 'fast-check'

/** Values and data types of every kind that plain JSON Schema has, for laws. */
export const anyValue = fc.oneof(
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
export const { schema: anySchema } = fc.letrec<{ schema: object }>((tie) => ({
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
