import { contractFileSchema } from 'caulker/inside/contract'
import { expect } from 'chai'
import { Ajv2020 } from 'ajv/dist/2020.js'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import {
  compareContracts,
  contract,
  contractFromJson,
  contractToJson,
  designOf,
  nextVersion,
  Type,
  type AnyContract,
  type Change,
} from 'caulker'
import { createLoader } from '../packages/caulker-cli/dist/node/load.js'
import { corpus } from './corpus/all.js'
import { caulker, folderWith, run } from './support/cli.js'

const isContractFile = new Ajv2020({ strict: false }).compile(contractFileSchema)
const load = createLoader()
const boatyard = async () => {
  const files = ['bale-stepper', 'price-tag', 'survey-photo', 'yard-text'].map(
    (name) => `${process.cwd()}/examples/haul-out/contracts/${name}.contract.ts`,
  )
  return (await Promise.all(files.map(load))).flatMap((module) => [...designOf(module).contracts])
}

describe('a contract as a file', () => {
  it('publishes the schema that its files are checked by', () => {
    expect(JSON.parse(readFileSync('packages/caulker/schema/contract-1.json', 'utf8'))).to.eql(
      JSON.parse(JSON.stringify(contractFileSchema)),
    )
  })

  it('is written and read again without loss, and its own schema accepts it', async () => {
    const all = [...(await boatyard()), ...corpus.map(([sound]) => sound!.contract)]
    for (const one of all) {
      const json: unknown = JSON.parse(JSON.stringify(contractToJson(one)))
      expect(isContractFile(json), `${one.tag}: ${JSON.stringify(isContractFile.errors)}`).to.equal(true)
      expect(contractToJson(contractFromJson(json)), one.tag).to.eql(json)
      expect(compareContracts([one], [contractFromJson(json)]), one.tag).to.eql([])
    }
  })

  it('says which functions stay in the module', () => {
    const json = contractToJson(
      contract('deck-note', { values: { note: { type: Type.String(), amend: (note) => note.trim(), refuse: [] } } }),
    )
    expect(json['values']).to.eql({ note: { type: { type: 'string' }, code: ['amend'] } })
    expect(contractToJson(contractFromJson(json))).to.eql(json)
  })

  it('writes tuples as the standard has them', () => {
    const json = contractToJson(
      contract('pitch-range', {
        values: { range: { type: Type.Tuple([Type.Integer(), Type.Integer()]), default: [1, 2] } },
      }),
    )
    expect((json['values'] as { range: { type: object } }).range.type)
      .to.include({ items: false, minItems: 2 })
      .and.have.property('prefixItems')
    expect(compareContracts([contractFromJson(json)], [contractFromJson(json)])).to.eql([])
  })

  it('ends every mutation of a valid file in a contract or in one clear error', async () => {
    const texts = (await boatyard()).map((one) => JSON.stringify({ ...contractToJson(one) }))
    const junk = fc.constantFrom<unknown>(null, 0, '', [], {}, 'x', true, { type: 'integer' }, 'constructor', [
      '__proto__',
    ])
    const prototype = JSON.stringify(Object.getOwnPropertyNames(Object.prototype))
    fc.assert(
      fc.property(
        fc.constantFrom(...texts),
        fc.array(fc.tuple(fc.nat(400), junk), { minLength: 1, maxLength: 3 }),
        (text, mutations) => {
          const json = JSON.parse(text) as object
          for (const [at, value] of mutations) mutate(json, at, value)
          try {
            contractToJson(contractFromJson(json))
          } catch (thrown) {
            expect(thrown).to.have.property('code', 'malformed-contract')
          }
        },
      ),
      { numRuns: 5000, seed: 11 },
    )
    expect(JSON.stringify(Object.getOwnPropertyNames(Object.prototype))).to.equal(prototype)
  })

  it('is checked and probed like a module, and says where it is no JSON', async () => {
    const winch = {
      tag: 'chain-winch',
      summary: 'A winch',
      values: { turns: { type: { type: 'integer' }, default: '0' } },
    }
    const folder = folderWith({
      'a.contract.json': JSON.stringify(winch, null, 2),
      'b.contract.json': '{\n  "tag": nothing }',
      'c.contract.json': '{ "tag": "c-c", "values": { "__proto__": {} } }',
    })
    const { code, out } = await caulker('check', folder)
    expect(code).to.equal(2)
    expect(out).to.match(/a\.contract\.json:5:5, in .*\n +default-off-type, error/)
    expect(out).to.match(/b\.contract\.json:2:10: is no JSON: .*\n/)
    expect(out).to.match(/c\.contract\.json:\d+:\d+: contract 'c-c': values\.__proto__ cannot have this name/)
  })
})

/** Replaces, adds or takes away what stands at some place of a structure. */
function mutate(json: object, at: number, value: unknown): void {
  const places: [Record<string, unknown>, string][] = []
  const visit = (part: unknown) => {
    if (typeof part !== 'object' || part === null) return
    for (const key of Object.keys(part)) {
      places.push([part as Record<string, unknown>, key])
      visit((part as Record<string, unknown>)[key])
    }
  }
  visit(json)
  const [of, key] = places[at % Math.max(1, places.length)] ?? []
  if (of === undefined || key === undefined) return
  if (at % 3 === 0) delete of[key]
  else if (at % 3 === 1) of[key] = value
  else of[JSON.stringify(value)] = of[key]
}

describe('two versions of a contract', () => {
  const base = {
    required: ['label'] as const,
    properties: {
      label: { type: Type.String() },
      most: { type: Type.Integer(), default: 40 },
      wood: { type: Type.Enum(['oak', 'pine']), default: 'oak' as const },
    },
    values: { bales: { type: Type.Integer(), default: 0, bounds: { most: 'most' as const } } },
    events: { 'limit-met': { payload: Type.Object({ limit: Type.String() }) } },
    commands: { reset: { effect: 'reset' as const }, focus: {} },
  }
  const of = (draft: object) => (contract as (tag: string, draft: unknown) => AnyContract)('bale-stepper', draft)
  const { properties, values } = base
  const cases: [string, object, Change['weight'], RegExp][] = [
    [
      'a name that must be supplied now',
      { ...base, required: ['label', 'most'] },
      'major',
      /^'most' must be supplied now$/,
    ],
    [
      'a new name that must be supplied',
      { ...base, required: ['label', 'unit'], properties: { ...properties, unit: { type: Type.String() } } },
      'major',
      /^'unit' is new, and its owner must supply it$/,
    ],
    [
      'a new name',
      { ...base, properties: { ...properties, unit: { type: Type.String() } } },
      'minor',
      /^'unit' is new$/,
    ],
    ['a name that need not be supplied', { ...base, required: [] }, 'minor', /^'label' need not be supplied any more$/],
    [
      'a name that is gone',
      { ...base, properties: { label: properties.label, most: properties.most } },
      'major',
      /^'wood' is gone$/,
    ],
    [
      'a narrower type',
      { ...base, properties: { ...properties, most: { type: Type.Integer({ minimum: 1 }), default: 40 } } },
      'major',
      /^'most' no longer takes 0$/,
    ],
    [
      'a wider type',
      { ...base, properties: { ...properties, wood: { type: Type.Enum(['oak', 'pine', 'elm']), default: 'oak' } } },
      'minor',
      /^'wood' takes "oak" or "pine" or "elm" now/,
    ],
    [
      'another default',
      { ...base, properties: { ...properties, most: { type: Type.Integer(), default: 24 } } },
      'major',
      /^the default of 'most' is 24, and was 40$/,
    ],
    [
      'a report of its own name',
      { ...base, values: { bales: { ...values.bales, event: 'drawn' } } },
      'major',
      /^'bales' reports with drawn, and did with bales-set$/,
    ],
    [
      'reports only at the end of an edit',
      { ...base, values: { bales: { ...values.bales, reports: 'commit' } } },
      'major',
      /^'bales' reports only when an edit ends/,
    ],
    [
      'a value that reports more than it did',
      { ...base, values: { bales: { ...values.bales, type: Type.Number() } } },
      'major',
      /^'bales' may report .* now, which owners do not expect$/,
    ],
    [
      'other bounds',
      { ...base, values: { bales: { ...values.bales, bounds: { most: 20 } } } },
      'major',
      /^bounds of 'bales' is {"most":20}/,
    ],
    [
      'a value renamed with its report',
      { ...base, values: { rolls: values.bales } },
      'major',
      /^'bales' is renamed to 'rolls', and its report from bales-set to rolls-set$/,
    ],
    [
      'an event that carries more kinds',
      {
        ...base,
        events: { 'limit-met': { payload: Type.Object({ limit: Type.Union([Type.String(), Type.Null()]) }) } },
      },
      'major',
      /^'limit-met' may carry/,
    ],
    [
      'an event that must be heard',
      { ...base, events: { 'limit-met': { ...base.events['limit-met'], mustHear: true } } },
      'major',
      /^'limit-met' must be heard now$/,
    ],
    [
      'a command that is gone',
      { ...base, commands: { reset: { effect: 'reset' } } },
      'major',
      /^the command 'focus' is gone$/,
    ],
    [
      'a promise that is waived',
      { ...base, waives: { 'resets-fully': 'no drum goes back' } },
      'major',
      /^'resets-fully' is no longer promised$/,
    ],
    ['other words', { ...base, summary: 'Bales' }, 'patch', /^the summary is another$/],
  ]
  for (const [what, after, weight, says] of cases)
    it(`are told apart by ${what}`, () => {
      const changes = compareContracts([of(base)], [of(after)])
      expect(changes.map((change) => change.weight)).to.include(weight)
      expect(
        changes.find((change) => says.test(change.says)),
        JSON.stringify(changes),
      ).to.include({ weight })
    })

  it('ask for the next version number', () => {
    const change = (weight: Change['weight']): Change => ({ contract: 'a-b', path: [], weight, says: '' })
    expect([
      nextVersion('1.4.2', [change('patch'), change('major')]),
      nextVersion('1.4.2', [change('minor')]),
      nextVersion('1.4.2', [change('patch')]),
      nextVersion('0.4.2', [change('major')]),
      nextVersion('1.4.2', []),
    ]).to.eql(['2.0.0', '1.5.0', '1.4.3', '0.5.0', '1.4.2'])
  })

  const files = (name: string, report = '') => ({
    'package.json': '{ "version": "2.3.1", "type": "module" }',
    'winch.contract.ts': `import { contract, Type } from 'caulker'\nexport const winch = contract('chain-winch', { summary: 'A winch', values: { ${name}: { type: Type.Integer(), default: 0${report} } }, commands: { reset: { effect: 'reset' } } })\n`,
    'slip.screen.ts': `import { screen, twoWay, Type } from 'caulker'\nimport { winch } from './winch.contract.js'\nexport const slip = screen('slipway', {\n  cells: { turns: { type: Type.Integer(), initial: 0 } },\n  fittings: { winch },\n  bind: ({ cells }) => ({\n    winch: { turns: twoWay(cells.turns) },\n  }),\n})\n`,
  })

  it('are compared from the command line, with the screens that are hit and their lines', async () => {
    const [old, now] = [folderWith(files('turns')), folderWith(files('rounds'))]
    const { code, out } = await caulker('compare', old, now, '--screens', old)
    expect(code).to.equal(1)
    expect(out.split('\n').slice(0, 4)).to.eql([
      '1 of 1 change breaks owners. The next version after 2.3.1 is 3.0.0 at least.',
      '',
      'Breaks owners',
      "  ✗ chain-winch / turns  'turns' is renamed to 'rounds', and its report from turns-set to rounds-set",
    ])
    expect(out).to.match(/hits slipway \/ winch {2}.*slip\.screen\.ts:7:14/)
    expect(await caulker('compare', old, old)).to.include({ code: 0, out: 'The contracts are the same.\n' })
  })

  it('are taken from a revision of the repository', async () => {
    const folder = folderWith(files('turns'))
    const git = (...args: string[]) =>
      run('git', ['-c', 'user.name=yard', '-c', 'user.email=yard@marrow-creek.example', ...args], folder)
    await git('init', '-q')
    await git('add', '.')
    await git('commit', '-qm', 'Launch')
    await run('bash', ['-c', "sed -i 's/default: 0/default: 3/' winch.contract.ts"], folder)
    const compared = await run(
      process.execPath,
      [join(process.cwd(), 'packages/caulker-cli/bin/caulker.js'), 'compare', 'HEAD', '.'],
      folder,
    )
    expect(compared.out).to.include("✗ chain-winch / turns  the default of 'turns' is 3, and was 0")
    const missing = await run(
      process.execPath,
      [join(process.cwd(), 'packages/caulker-cli/bin/caulker.js'), 'compare', 'HEAD:decks', '.'],
      folder,
    )
    expect(missing).to.include({ code: 2, err: "caulker: HEAD:decks: the revision HEAD has no 'decks'\n" })
  })

  it('do not call a contract gone that could not be read', async () => {
    const [old, now] = [
      folderWith(files('turns')),
      folderWith({ ...files('turns'), 'winch.contract.ts': "throw new Error('no keel')" }),
    ]
    const { code, out } = await caulker('compare', old, now)
    expect([code, out.includes('is gone')]).to.eql([2, false])
    expect(out.match(/no keel/g)).to.have.length(1)
  })
})
