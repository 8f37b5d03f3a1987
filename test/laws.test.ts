import { accepts, printed, Type, type TSchema } from 'caulker'
import {
  bring,
  checkOf,
  elementsOfManifest,
  equal,
  isWithin,
  limitsOf,
  outsideText,
  crossedText,
  samplesOf,
  typeText,
} from 'caulker/inside/contract'
import { expect } from 'chai'
import fc from 'fast-check'
import { anySchema, anyValue } from './support/schemas.js'

const number = { type: 'number' } as TSchema
const limits = (more: object) => ({
  least: undefined,
  most: undefined,
  step: undefined,
  ordered: false,
  gap: 0,
  ...more,
})

describe('laws of data types', () => {
  it('samples are of their type, no two are equal, and there is one wherever a plain type has values', () =>
    fc.assert(
      fc.property(anySchema, (type) => {
        const samples = samplesOf(type as TSchema)
        for (const one of samples) expect(accepts(type as TSchema, one), printed(one)).to.equal(true)
        expect(samples.filter((one, at) => samples.findIndex((other) => equal(one, other)) !== at)).to.eql([])
      }),
      { numRuns: 1500, seed: 11 },
    ))

  it('a yes to "is all of this also of that" has no value that shows otherwise; a no shows one', () =>
    fc.assert(
      fc.property(anySchema, anySchema, fc.array(anyValue, { minLength: 10, maxLength: 20 }), (one, other, values) => {
        const [narrow, wide] = [one as TSchema, other as TSchema]
        const answer = isWithin(narrow, wide)
        if (answer.answer === 'no')
          expect([accepts(narrow, answer.witness), accepts(wide, answer.witness)]).to.eql([true, false])
        if (answer.answer === 'yes')
          for (const value of [...values, ...samplesOf(narrow)])
            if (accepts(narrow, value)) expect(accepts(wide, value), JSON.stringify([one, other, value])).to.equal(true)
        expect(isWithin(narrow, narrow).answer).to.equal('yes')
      }),
      { numRuns: 4000, seed: 12 },
    ))

  const text = { type: 'string' }
  const whole = { type: 'integer' }
  for (const [narrow, wide, answer] of [
    [whole, number, 'yes'],
    [number, whole, 'no'],
    [{ type: 'number', multipleOf: 2 }, whole, 'yes'],
    [{ type: 'integer', multipleOf: 4 }, { type: 'integer', multipleOf: 2 }, 'yes'],
    [{ type: 'integer', multipleOf: 2 }, { type: 'integer', multipleOf: 4 }, 'no'],
    [whole, { type: 'number', multipleOf: 0.5 }, 'yes'],
    [number, { type: 'number', multipleOf: 0.5 }, 'no'],
    [{ type: 'number', minimum: 2 }, { type: 'number', minimum: 2 }, 'yes'],
    [{ type: 'number', minimum: 2 }, { type: 'number', exclusiveMinimum: 2 }, 'no'],
    [{ type: 'number', exclusiveMinimum: 2 }, { type: 'number', exclusiveMinimum: 2 }, 'yes'],
    [{ type: 'number', exclusiveMinimum: 2 }, { type: 'number', minimum: 2 }, 'yes'],
    [{ type: 'number', minimum: 1, exclusiveMinimum: 2 }, { type: 'number', exclusiveMinimum: 2 }, 'yes'],
    [{ type: 'number', minimum: 3, exclusiveMinimum: 2 }, { type: 'number', exclusiveMinimum: 2 }, 'yes'],
    [{ type: 'number', maximum: 2 }, { type: 'number', exclusiveMaximum: 2 }, 'no'],
    [{ type: 'number', exclusiveMaximum: 2 }, { type: 'number', maximum: 2 }, 'yes'],
    [{ type: 'number', exclusiveMaximum: 2 }, { type: 'number', exclusiveMaximum: 2 }, 'yes'],
    [{ type: 'string', minLength: 2 }, { type: 'string', minLength: 1 }, 'yes'],
    [{ type: 'string', minLength: 1 }, { type: 'string', minLength: 2 }, 'no'],
    [{ type: 'string', maxLength: 3 }, { type: 'string', maxLength: 2 }, 'no'],
    [{ type: 'string', pattern: '^a' }, text, 'yes'],
    [{ type: 'string', format: 'date' }, { type: 'string', format: 'email' }, 'no'],
    [{ enum: ['oak', 'larch'] }, text, 'yes'],
    [{ enum: ['oak', 3] }, text, 'no'],
    [{ const: 3 }, { enum: [3, 4] }, 'yes'],
    [{ type: 'boolean' }, { enum: [true, false] }, 'yes'],
    [{ type: 'null' }, { enum: [null] }, 'yes'],
    [{ type: ['string', 'null'] }, { anyOf: [text, { type: 'null' }] }, 'yes'],
    [text, { type: ['string', 'null'] }, 'yes'],
    [{ type: ['string', 'null'] }, text, 'no'],
    [{ anyOf: [text, whole] }, { anyOf: [number, text] }, 'yes'],
    [text, { oneOf: [text, { const: 'oakum' }] }, 'no'],
    [{ allOf: [text, { minLength: 3 }] }, text, 'yes'],
    [text, { allOf: [text, { title: 'x' }] }, 'yes'],
    [text, { allOf: [text, { type: 'string', minLength: 4 }] }, 'no'],
    [text, { ...text, title: 'A text' }, 'yes'],
    [text, {}, 'yes'],
    [{}, text, 'no'],
    [{ hostObject: 'File' }, { hostObject: 'Blob' }, 'yes'],
    [{ hostObject: 'Blob' }, { hostObject: 'File' }, 'no'],
    [{ type: 'array', items: whole }, { type: 'array', items: number }, 'yes'],
    [{ type: 'array', items: number }, { type: 'array', items: whole }, 'no'],
    [{ type: 'array', items: text, maxItems: 1 }, { type: 'array', items: text, maxItems: 2 }, 'yes'],
    [{ type: 'array', items: text }, { type: 'array', items: text, uniqueItems: true }, 'unknown'],
    [{ type: 'array', items: text, minItems: 1 }, { type: 'array', minItems: 2 }, 'no'],
    [
      { type: 'array', prefixItems: [text, whole], items: false },
      { type: 'array', prefixItems: [text], items: number },
      'yes',
    ],
    [{ type: 'array', prefixItems: [text, whole], items: false }, { type: 'array', maxItems: 1 }, 'no'],
    [{ type: 'array', items: [text], additionalItems: false }, { type: 'array', items: text }, 'yes'],
    [{ type: 'array', items: whole }, { type: 'array', prefixItems: [text] }, 'no'],
    [
      { type: 'object', properties: { a: whole }, required: ['a'] },
      { type: 'object', properties: { a: number } },
      'yes',
    ],
    [{ type: 'object', properties: { a: whole } }, { type: 'object', properties: { a: whole }, required: ['a'] }, 'no'],
    [{ type: 'object', properties: { a: text } }, { type: 'object', properties: { a: whole } }, 'no'],
    [
      { type: 'object', properties: { a: text } },
      { type: 'object', properties: { a: text }, additionalProperties: false },
      'no',
    ],
    [
      { type: 'object', properties: { a: text }, additionalProperties: false },
      { type: 'object', properties: { a: text }, additionalProperties: whole },
      'yes',
    ],
  ] as const)
    it(`${JSON.stringify(narrow)} within ${JSON.stringify(wide)}: ${answer}`, () =>
      expect(isWithin(narrow as TSchema, wide as TSchema).answer).to.equal(answer))

  for (const [type, among] of [
    [{ type: 'integer', minimum: 3, maximum: 9 }, [3, 4, 8, 9, 7]],
    [{ type: 'integer', exclusiveMinimum: 3, exclusiveMaximum: 9 }, [4, 5, 7, 8]],
    [{ type: 'number', multipleOf: 0.1, minimum: 0, maximum: 1 }, [0, 0.1, 0.9, 1]],
    [{ type: 'number' }, [7, 0, 1, -1, 1000, -3, 0.1, 2.5]],
    [{ type: 'integer', maximum: 5 }, [5, 4, -7, -3]],
    [{ type: 'string', minLength: 3, maxLength: 4 }, ['oaku', '0xx', 'xxx']],
    [{ type: 'string', pattern: '^\\d+$' }, ['1', '12', '0']],
    [{ type: 'string' }, ['oakum', '', '0', 'Ægir – 木 🚢', ' a b ', '<b>x</b>']],
    [
      { type: 'array', items: { type: 'boolean' }, minItems: 2 },
      [
        [true, false],
        [true, true],
        [true, false, true],
      ],
    ],
    [{ type: 'array' }, [['oakum', 'pitch'], ['oakum'], []]],
    [
      { type: 'array', prefixItems: [{ const: 1 }, { enum: ['a', 'b'] }] },
      [
        [1, 'a'],
        [1, 'b'],
      ],
    ],
    [
      { type: 'object', properties: { a: { const: 1 }, b: { const: 2 } }, required: ['a'] },
      [{ a: 1, b: 2 }, { a: 1 }, { a: 1, b: 2, notDeclared: 'extra' }],
    ],
    [{ anyOf: [{ type: 'null' }, { const: 'oak' }] }, [null, 'oak']],
    [{ allOf: [{ type: 'integer', minimum: 4 }, { maximum: 6 }] }, [4, 5, 6]],
    [{ type: ['boolean', 'null'] }, [true, null, false]],
  ] as const)
    it(`samples of ${JSON.stringify(type)} go to its edges`, () =>
      expect(samplesOf(type as never)).to.deep.include.members([...among]))

  it('samples are varied: one of each kind comes before the second of any', () => {
    expect(samplesOf({ anyOf: [{ type: 'boolean' }, { type: 'null' }, { enum: ['a', 'b'] }] } as TSchema)).to.eql([
      true,
      null,
      'a',
      false,
      'b',
    ])
    expect(samplesOf({ hostObject: 'File' } as TSchema)).to.eql([])
  })
})

describe('bounds and steps', () => {
  for (const [value, of, becomes, says] of [
    [5, { least: 0, most: 4 }, 4, '5 is above the most, 4'],
    [-1, { least: 0, most: 4 }, 0, '-1 is below the least, 0'],
    [3, { least: 5, most: 2 }, 5, '3 is below the least, 5'],
    [7, { least: 5, most: 2 }, 5, '7 is above the most, 5'],
    [0.3, { step: 0.1 }, 0.3, undefined],
    [0.31, { step: 0.1 }, 0.3, '0.31 is between two steps of 0.1'],
    [9, { least: 2, step: 4 }, 10, '9 is between two steps of 4'],
    [40, { least: 2, most: 40, step: 4 }, 38, '40 is between two steps of 4'],
    [1e-7, { step: 1e-7 }, 1e-7, undefined],
    ['2031-06-01', { most: '2031-05-14' }, '2031-05-14', '2031-06-01 is above the most, 2031-05-14'],
    ['2031-01-01', { least: '2031-05-14' }, '2031-05-14', '2031-01-01 is below the least, 2031-05-14'],
    ['b', { least: 5 }, 'b', undefined],
    [NaN, { least: 5 }, NaN, undefined],
    [Infinity, { most: 4, step: 1 }, 4, 'Infinity is above the most, 4'],
    [null, { least: 5 }, null, undefined],
    [[1, 9], { least: 2, most: 8 }, [2, 8], '1 is below the least, 2'],
    [[3, 9], { most: 8, step: 2 }, [4, 8], '3 is between two steps of 2'],
    [[6, 4], { ordered: true }, [6, 4], '6 is above 4: the ends of the pair are crossed'],
    [[3, 4], { ordered: true, gap: 2 }, [3, 4], '3 and 4 are less than 2 apart'],
    [[null, 4], { ordered: true }, [null, 4], undefined],
    [['b', 'a'], { ordered: true }, ['b', 'a'], 'b is above a: the ends of the pair are crossed'],
  ] as const)
    it(`${JSON.stringify(value)} at ${JSON.stringify(of)} becomes ${JSON.stringify(becomes)}`, () => {
      expect(bring(value, limits(of) as never)).to.eql(becomes)
      expect(outsideText(value, limits(of) as never)).to.equal(says)
    })

  for (const [from, to, of, becomes] of [
    [[2, 6], [8, 6], {}, [6, 6]],
    [[2, 6], [2, 1], {}, [2, 2]],
    [[2, 6], [5, 6], { gap: 2 }, [4, 6]],
    [[2, 6], [2, 3], { gap: 2 }, [2, 4]],
    [[2, 6], [7, 3], {}, [2, 6]],
    [[1, 2], [2, 2], { gap: 2, least: 1 }, [1, 2]],
    [[1, 2], [1, 1], { gap: 2, most: 2 }, [1, 2]],
  ] as const)
    it(`of the pair ${JSON.stringify(from)}, moved to ${JSON.stringify(to)}, the moved end stops at the other: ${JSON.stringify(of)}`, () =>
      expect(bring(to, limits({ ordered: true, ...of }) as never, from)).to.eql(becomes))

  it('reads bounds from numbers, texts and names, and takes what is none for no bound', () => {
    const clause = (bounds: object, more: object = {}) =>
      ({ bounds, step: undefined, ordered: false, gap: undefined, ...more }) as never
    const held: Record<string, unknown> = { most: 9, odd: {}, nan: NaN, zero: 0 }
    const read = (name: string) => held[name]
    expect(limitsOf(clause({ least: 1, most: 'most' }), read)).to.include({ least: 1, most: 9 })
    expect(limitsOf(clause({ least: '2031-05-14', most: 'odd' }), read)).to.include({
      least: '2031-05-14',
      most: undefined,
    })
    expect(limitsOf(clause({ least: 'nan', most: 'none' }, { step: 'zero', gap: 'most' }), read)).to.include({
      least: undefined,
      most: undefined,
      step: undefined,
      gap: 9,
    })
    expect(limitsOf(clause({}, { step: -1, gap: -1 }), read)).to.include({ step: undefined, gap: 0 })
    expect(crossedText(7, limits({ ordered: true }) as never)).to.equal(undefined)
  })
})

describe('what people read', () => {
  for (const [value, text] of [
    [undefined, 'not given'],
    [NaN, 'NaN'],
    [3n, '3'],
    [() => 1, 'a function'],
    [Symbol('x'), 'Symbol(x)'],
    [new Date(Date.UTC(2031, 4, 14)), '2031-05-14T00:00:00.000Z'],
    [new Date(NaN), 'an invalid Date'],
    [new File(['hull'], 'hull.png', { type: 'image/png' }), 'File hull.png 4 bytes image/png'],
    [new Blob(['x']), 'Blob 1 bytes'],
    [new Map(), 'a Map'],
    [{ a: [new Map()] }, '{"a":["a Map"]}'],
  ] as const)
    it(`prints ${text}`, () => expect(printed(value)).to.equal(text))

  it('prints at most as much as is asked for, and what is circular', () => {
    expect([printed('x'.repeat(99), 10), printed('12345678', 10)]).to.eql(['"xxxxxxxx…', '"12345678"'])
    const circle: Record<string, unknown> = {}
    circle['self'] = circle
    expect(printed(circle)).to.equal('a circular structure')
  })

  for (const [type, text] of [
    [Type.Union([Type.Integer(), Type.Null()]), 'integer or null'],
    [{ oneOf: [{ type: 'string' }, { type: 'string' }] }, 'string'],
    [{ enum: ['a', 1] }, '"a" or 1'],
    [{ const: null }, 'null'],
    [{ hostObject: 'File' }, 'File'],
    [{ type: ['string', 'null'] }, 'string or null'],
    [{}, 'any value'],
  ] as const)
    it(`says ${text}`, () => expect(typeText(type as TSchema)).to.equal(text))

  it('knows two values that are equal', () => {
    const file = new File([], 'a')
    for (const [one, other, is] of [
      [NaN, NaN, true],
      [0, -0, true],
      [{ a: [1] }, { a: [1] }, true],
      [{ a: undefined }, { b: undefined }, false],
      [[], {}, false],
      [null, {}, false],
      [file, file, true],
      [new File([], 'a'), file, false],
      [[file], [file], true],
    ] as const)
      expect(equal(one, other), printed([one, other])).to.equal(is)
    expect(checkOf(number)).to.equal(checkOf(number))
  })

  it('reads a manifest: public members, attributes, summaries, types as programmers write them', () => {
    const manifest = {
      modules: [
        {
          path: 'winch.js',
          exports: [
            { kind: 'custom-element-definition', name: 'yard-winch', declaration: { name: 'Winch' } },
            { kind: 'js', name: 'x' },
          ],
          declarations: [
            {
              name: 'Winch',
              description: ' Hauls boats. \nMore of it.',
              attributes: [{ name: 'max-load', fieldName: 'maxLoad' }, 7],
              members: [
                { kind: 'field', name: 'maxLoad', type: { text: 'number | null' }, summary: 'In tons' },
                { kind: 'field', name: 'hull', type: { text: " 'oak' | 'larch' " }, attribute: 'hull' },
                { kind: 'field', name: 'tags', type: { text: 'string[] | undefined' } },
                { kind: 'field', name: 'odd', type: { text: 'Map<string> | string' } },
                { kind: 'field', name: 'lists', type: { text: 'Foo[]' } },
                { kind: 'field', name: 'one', type: { text: "'oak'" }, privacy: 'public' },
                { kind: 'field', name: 'hidden', privacy: 'private' },
                { kind: 'field', name: 'shared', static: true },
                { kind: 'field', name: '_inner' },
                { kind: 'method', name: 'haul', description: 'Pulls.' },
              ],
              events: [{ name: 'slipped' }, { name: '' }, { summary: 'nameless' }],
              slots: [{ name: 'rope', summary: 'A rope' }],
            },
            { name: 'Rope', tagName: 'yard-rope' },
            { name: 'Helper' },
          ],
        },
        null,
      ],
    }
    const [winch, rope, ...rest] = elementsOfManifest(manifest)
    expect(rest).to.eql([])
    expect(rope).to.deep.include({ tag: 'yard-rope', module: 'winch.js', summary: undefined, fields: [], events: [] })
    expect({ ...winch, fields: undefined }).to.eql({
      tag: 'yard-winch',
      module: 'winch.js',
      summary: 'Hauls boats',
      fields: undefined,
      events: [{ name: 'slipped', summary: undefined }],
      methods: [{ name: 'haul', summary: 'Pulls' }],
      slots: [{ name: 'rope', summary: 'A rope' }],
    })
    const types = Object.fromEntries(
      winch!.fields.map(({ name, type, attribute }) => [name, [type && JSON.parse(JSON.stringify(type)), attribute]]),
    )
    expect(types).to.eql({
      maxLoad: [{ anyOf: [{ type: 'number' }, { type: 'null' }] }, 'max-load'],
      hull: [{ enum: ['oak', 'larch'] }, 'hull'],
      tags: [{ type: 'array', items: { type: 'string' } }, undefined],
      odd: [undefined, undefined],
      lists: [undefined, undefined],
      one: [{ type: 'string', const: 'oak' }, undefined],
    })
    expect(elementsOfManifest(null)).to.eql([])
  })
})
