import { isWithin, samplesOf } from 'caulker/inside/contract'
import { isPage } from 'caulker/inside/page'
import { expect } from 'chai'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import {
  accepts,
  type Finding,
  check,
  contract,
  designOf,
  oneWay,
  payload,
  rules,
  screen,
  set,
  twoWay,
  Type,
  type TSchema,
} from 'caulker'
import { checkPages, pageRules } from 'caulker/page'
import { createLoader } from '../packages/caulker-cli/dist/node/load.js'
import { caulker, folderWith } from './support/cli.js'

const load = createLoader()
const found = async (file: string) => {
  const exported = await load(file)
  const design = designOf(exported)
  return [...check(design), ...checkPages(Object.values(exported).filter(isPage), design.contracts)]
}
const heavier = (findings: Finding[], than: string) =>
  findings.filter((finding) => finding.level !== 'note' || finding.rule === than)

describe('each rule', () => {
  for (const rule of [...rules, ...pageRules]) {
    it(`${rule.id} finds its leaking example, and nothing in the mended one`, async () => {
      const folder = folderWith({ 'leaking.ts': rule.leaking, 'mended.ts': rule.mended })
      expect(heavier(await found(`${folder}/leaking.ts`), rule.id).map((finding) => finding.rule)).to.eql([rule.id])
      expect(heavier(await found(`${folder}/mended.ts`), rule.id)).to.eql([])
    })
  }
})

describe('the boatyards at rest', () => {
  it('finds nothing in the sound one', async () => {
    const { code, out } = await caulker('check', 'examples/haul-out')
    expect([code, out]).to.eql([0, 'No leaks found in 4 contracts, 4 screens, 1 interior, 1 journey and 1 page.\n'])
  })

  const leaks: [string, string, number, string][] = [
    ['default-off-type', 'contracts/tally-board.contract.ts', 8, 'tally-board / planks'],
    ['required-missing', 'work-order.screen.js', 22, 'leaking-order / vessel'],
    ['unknown-name', 'work-order.screen.js', 24, 'leaking-order / bales.fewset'],
    ['frozen-value', 'work-order.screen.js', 24, 'leaking-order / bales.bales'],
    ['half-bound', 'work-order.screen.js', 26, 'leaking-order / note'],
    ['type-mismatch', 'work-order.screen.js', 28, 'leaking-order / total.amount'],
  ]
  it('shows every rule at work on the leaking one, each leak with its line', async () => {
    const { code, out } = await caulker('check', 'examples/bilge', '--format', 'json')
    const { findings } = JSON.parse(out) as {
      findings: { rule: string; file: string; line: number; subject: string }[]
    }
    expect(code).to.equal(1)
    const found = findings.map(({ rule, file, line, subject }) => [
      rule,
      file.replace('examples/bilge/', ''),
      line,
      subject,
    ])
    expect(found).to.include.deep.members(leaks)
    expect([...new Set(findings.map(({ rule }) => rule))]).to.have.members([...rules, ...pageRules].map(({ id }) => id))
  })
})

describe('a page', () => {
  it('is checked by itself against the contracts beside it, with line and column', async () => {
    const { code, out } = await caulker('check', 'examples/bilge/notice-board.html', '--format', 'json')
    const { findings } = JSON.parse(out) as { findings: { rule: string; line: number; column: number; mend: string }[] }
    expect(code).to.equal(1)
    expect(findings.map(({ rule, line, column }) => [rule, line, column])).to.have.deep.members([
      ['label-points-nowhere', 9, 14],
      ['attribute-off-type', 10, 47],
      ['unknown-attribute', 10, 64],
      ['missing-attribute', 11, 7],
      ['duplicate-id', 11, 20],
      ['not-registered', 12, 7],
      ['loose-button', 13, 7],
    ])
    expect(findings.find(({ rule }) => rule === 'not-registered')!.mend).to.equal("Did you mean 'twice-text'?")
  })

  const winch = contract('chain-winch', {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      wet: { type: Type.Boolean(), default: false },
      wood: { type: Type.Enum(['oak', 'pine']) },
      lines: { type: Type.Array(Type.String()) },
    },
    values: { turns: { type: Type.Union([Type.Integer(), Type.Null()]) } },
  })
  const sound = [
    '<chain-winch label="a" wet turns="3" wood="oak" class="x" data-y="1" aria-label="b" onclick="go()"></chain-winch>',
    '<chain-winch data-fitting="winch"></chain-winch><svg><font-face></font-face></svg>',
    '<template><chain-winch label=""></chain-winch></template><form><button type="reset">Again</button></form><button>Free</button>',
  ]
  for (const html of sound)
    it(`is not accused: ${html}`, () => expect(checkPages([{ kind: 'page', html }], [winch])).to.eql([]))

  it('says that a flag written as false is true', () => {
    const [finding] = checkPages([{ kind: 'page', html: '<chain-winch label="a" wet="false"></chain-winch>' }], [winch])
    expect(finding).to.include({
      rule: 'attribute-off-type',
      says: 'wet="false" means true: a flag is true by being there',
      mend: "Leave 'wet' out.",
    })
  })

  it('ends in findings, whatever stands in it', () => {
    const page = readFileSync('examples/bilge/notice-board.html', 'utf8')
    const junk = fc.constantFrom(
      '<',
      '>',
      '"',
      '</form>',
      '<template>',
      '<chain-winch',
      ' __proto__="1"',
      ' constructor',
      '&#0;',
      '<!--',
      '<svg>',
      '\u0000',
    )
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(page.length), fc.nat(12), junk), { minLength: 1, maxLength: 4 }), (cuts) => {
        const html = cuts.reduce((text, [at, length, put]) => text.slice(0, at) + put + text.slice(at + length), page)
        for (const { place } of checkPages([{ kind: 'page', html }], [winch])) expect(place!.line).to.be.at.least(1)
      }),
      { numRuns: 5000, seed: 5 },
    )
  })
})

describe('bindings that are sound', () => {
  const note = contract('log-note', {
    properties: { locked: { type: Type.Boolean(), default: false }, echo: { type: Type.String() } },
    values: { text: { type: Type.String(), default: '' }, own: { type: Type.String(), default: '', lastWord: 'self' } },
    locks: { readonly: 'locked' },
  })
  const cells = {
    text: { type: Type.String(), initial: '' },
    count: { type: Type.Integer({ minimum: 0 }), initial: 0 },
  }
  const sound: [string, Parameters<typeof bound>[0]][] = [
    ['a value that is shown only', ({ text }) => ({ text: oneWay(text, { showOnly: true }) })],
    ['a value that is locked', ({ text }) => ({ text: oneWay(text), locked: true })],
    ['a value that holds itself', ({ text }) => ({ text: twoWay(text), own: oneWay(text) })],
    ['two halves of one binding', ({ text }) => ({ text: oneWay(text), on: { 'text-set': [set(text, payload())] } })],
    [
      'a listener, where nobody else writes',
      ({ text }) => ({ echo: oneWay(text), on: { 'text-set': [set(text, payload())] } }),
    ],
  ]
  const bound = (bind: (of: any) => object) =>
    screen('log', { cells, fittings: { note }, bind: ({ cells: of }) => ({ note: bind(of) as {} }) })
  for (const [what, bind] of sound)
    it(`says nothing of ${what}`, () => expect(heavier(check(designOf([bound(bind)])), '')).to.eql([]))

  it('takes the bounds of a value into account when it asks what may be reported', () => {
    const stepper = contract('bale-stepper', {
      properties: { fewest: { type: Type.Integer(), default: 0 } },
      values: { bales: { type: Type.Integer(), default: 0, bounds: { least: 'fewest' } } },
    })
    const of = (fewest: number) =>
      check(
        designOf([
          screen('order', {
            cells,
            fittings: { stepper },
            bind: ({ cells: its }) => ({ stepper: { fewest, bales: twoWay(its.count) } }),
          }),
        ]),
      )
    expect(heavier(of(0), '')).to.eql([])
    expect(heavier(of(-5), '').map((finding) => finding.says)).to.eql([
      "'stepper.bales' may report -5, and the cell 'count' takes integer",
    ])
  })
})

describe('whether one type is within another', () => {
  const known: [TSchema, TSchema, string][] = [
    [Type.Integer(), Type.Number(), 'yes'],
    [Type.Number(), Type.Integer(), 'no'],
    [Type.Enum(['pine', 'oak']), Type.String(), 'yes'],
    [Type.String(), Type.Enum(['pine', 'oak']), 'no'],
    [Type.Literal('oak'), Type.Enum(['pine', 'oak']), 'yes'],
    [Type.Integer({ minimum: 2, maximum: 6 }), Type.Integer({ minimum: 0 }), 'yes'],
    [Type.Integer({ minimum: 0 }), Type.Integer({ exclusiveMinimum: 0 }), 'no'],
    [Type.Union([Type.String(), Type.Null()]), Type.String(), 'no'],
    [Type.String(), Type.Union([Type.String(), Type.Null()]), 'yes'],
    [Type.Boolean(), Type.Union([Type.Literal(true), Type.Literal(false)]), 'yes'],
    [Type.Tuple([Type.Integer(), Type.Integer()]), Type.Array(Type.Number()), 'yes'],
    [Type.Array(Type.Number()), Type.Tuple([Type.Number(), Type.Number()]), 'no'],
    [Type.Object({ berth: Type.Integer(), note: Type.String() }), Type.Object({ berth: Type.Number() }), 'yes'],
    [Type.Object({ berth: Type.Integer() }), Type.Object({ berth: Type.Integer(), note: Type.String() }), 'no'],
    [
      Type.Object({ berth: Type.Integer() }),
      Type.Object({ berth: Type.Integer() }, { additionalProperties: false }),
      'no',
    ],
    [Type.String({ pattern: '^MC-' }), Type.String({ pattern: '^M' }), 'unknown'],
  ]
  for (const [narrow, wide, answer] of known)
    it(`${JSON.stringify(narrow)} in ${JSON.stringify(wide)}: ${answer}`, () =>
      expect(isWithin(narrow, wide).answer).to.equal(answer))

  const leaf: fc.Arbitrary<TSchema> = fc.oneof(
    fc.constantFrom<TSchema>(
      Type.Null(),
      Type.Boolean(),
      Type.String(),
      Type.Integer(),
      Type.Number(),
      Type.Literal('oak'),
      Type.Enum([1, 'oak']),
    ),
    fc
      .tuple(fc.integer({ min: -3, max: 3 }), fc.integer({ min: 0, max: 4 }))
      .map(([minimum, span]) => Type.Integer({ minimum, maximum: minimum + span })),
    fc.tuple(fc.nat(3), fc.nat(4)).map(([minLength, more]) => Type.String({ minLength, maxLength: minLength + more })),
    fc.integer({ min: 1, max: 3 }).map((multipleOf) => Type.Integer({ multipleOf })),
  )
  const { schema } = fc.letrec<{ schema: TSchema }>((tie) => ({
    schema: fc.oneof(
      { maxDepth: 2 },
      leaf,
      fc.array(tie('schema'), { minLength: 1, maxLength: 3 }).map((parts) => Type.Union(parts)),
      fc.tuple(tie('schema'), fc.nat(2)).map(([items, minItems]) => Type.Array(items, { minItems })),
      fc.array(tie('schema'), { minLength: 1, maxLength: 2 }).map((parts) => Type.Tuple(parts)),
      fc
        .tuple(tie('schema'), tie('schema'), fc.boolean(), fc.boolean())
        .map(([one, other, closed, optional]) =>
          Type.Object(
            { berth: one, note: optional ? Type.Optional(other) : other },
            closed ? { additionalProperties: false } : {},
          ),
        ),
    ),
  }))

  it('is never wrong: a yes refuses no value of the narrower type, and a no shows one', () => {
    const value = fc.oneof(fc.jsonValue({ maxDepth: 2 }) as fc.Arbitrary<unknown>, fc.integer({ min: -4, max: 8 }))
    fc.assert(
      fc.property(schema, schema, fc.array(value, { maxLength: 8 }), (narrow, wide, values) => {
        const answer = isWithin(narrow, wide)
        if (answer.answer === 'no') return accepts(narrow, answer.witness) && !accepts(wide, answer.witness)
        return (
          answer.answer === 'unknown' ||
          [...values, ...samplesOf(narrow)].every((one) => !accepts(narrow, one) || accepts(wide, one))
        )
      }),
      { numRuns: 500, seed: 7 },
    )
  })
})
