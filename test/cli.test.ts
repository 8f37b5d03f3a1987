import { expect } from 'chai'
import { Ajv } from 'ajv'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { reportSchema } from 'caulker/report'
import { caulker, folderWith, type Ran } from './support/cli.js'

const CONTRACT = `import { contract, Type } from 'caulker'\nexport const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 0 } } })\n`
const schema = JSON.parse(readFileSync('packages/caulker/schema/report-1.json', 'utf8')) as object
const isReport = new Ajv2020({ strict: false }).compile(schema)
const judged = (text: string) => {
  const report = JSON.parse(text) as { kind: string }
  expect(isReport(report), JSON.stringify(isReport.errors)).to.equal(true)
  return report
}

describe('the command line', () => {
  it('publishes the schema that its reports are made by', () =>
    expect(schema).to.eql(JSON.parse(JSON.stringify(reportSchema))))

  it('prints JSON that its own schema describes, and writes it to a file', async () => {
    const folder = folderWith({})
    const { code, out } = await caulker(
      'probe',
      'examples/bilge',
      '--component',
      'twice-text',
      '--clause',
      'reports-once',
      'keeps-caret',
      '--format',
      'json',
    )
    expect([code, judged(out).kind]).to.eql([1, 'probe'])
    const written = await caulker(
      'check',
      'examples/bilge',
      '--format',
      'json',
      '--output',
      join(folder, 'report.json'),
    )
    expect(written.out).to.match(
      /^88 errors, 57 warnings, 12 notes in 12 contracts, 29 screens, 4 interiors, 5 journeys and 2 pages\.\nWritten to /,
    )
    expect(judged(readFileSync(join(folder, 'report.json'), 'utf8')).kind).to.equal('check')
  })

  it('puts the answer first, and colour nowhere but on a terminal', async () => {
    const { out } = await caulker('probe', 'examples/bilge', '--component', 'stuck-photo', 'tally-board')
    expect(out).to.match(/\n1 of 2 components leaks: 1 broken, \d+ held, \d+ unproven, in an embedded DOM\.\n$/)
    expect(out).to.include(
      'replay    npx caulker probe examples/bilge/contracts/leaks.contract.ts --seed 1 --component stuck-photo --clause takes-empty',
    )
    expect(out).not.to.include('\u001b[')
  })

  it('counts what is unproven as a failure only when it is asked to', async () => {
    const folder = folderWith({
      'chain-winch.contract.ts': CONTRACT,
      'chain-winch.js': `customElements.define('chain-winch', class extends HTMLElement {})`,
    })
    const codes = [[], ['--require-proof']].map((more) =>
      caulker('probe', folder, '--clause', 'follows-change', ...more),
    )
    expect((await Promise.all(codes)).map(({ code }) => code)).to.eql([0, 1])
  })

  it('explains a rule, and names the closest one', async () => {
    const { code, out } = await caulker('check', '--explain', 'frozen-value')
    expect([code, out]).to.satisfy(
      ([ended, text]: [number, string]) =>
        ended === 0 && text.includes('This is mended:') && text.includes('twoWay(cells.turns)'),
    )
    expect(await caulker('check', '--explain', 'frozen-valeu')).to.include({
      code: 2,
      err: "caulker: --explain frozen-valeu: there is no such rule or clause; did you mean 'frozen-value'?\n",
    })
  })

  it('has help with an example for each command', async () => {
    for (const command of [[], ['check'], ['probe']]) {
      const { code, out } = await caulker(...command, '--help')
      expect([code, out]).to.satisfy(
        ([ended, text]: [number, string]) => ended === 0 && /Examples?:\n {2}\$ caulker /.test(text),
      )
    }
  })

  const unusable: [string, string[], RegExp][] = [
    [
      'a path that does not exist',
      ['check', 'examples/bilj'],
      /^caulker: examples\/bilj: there is no such file or folder; did you mean 'examples\/bilge'\?$/,
    ],
    ['an unknown option', ['check', '--fromat', 'json'], /^caulker: unknown option '--fromat'$/],
    ['an unknown command', ['chek'], /^caulker: unknown command 'chek'$/],
    [
      'a format that does not exist',
      ['probe', '--format', 'xml'],
      /^caulker: option '--format <format>' argument 'xml' is invalid\. Allowed choices are text, json, junit\.$/,
    ],
    [
      'a seed that is no number',
      ['probe', '--seed', 'oak'],
      /^caulker: option '--seed <number>' argument 'oak' is invalid\. give a whole number$/,
    ],
    [
      'a clause that does not exist',
      ['probe', 'examples/bilge', '--clause', 'take-empty'],
      /^caulker: --clause take-empty: there is no such clause; did you mean 'takes-empty'\?$/,
    ],
    [
      'a component that is not there',
      ['probe', 'examples/bilge', '--component', 'oak-mast'],
      /^caulker: examples\/bilge: there is no contract of 'oak-mast'$/,
    ],
    [
      'a file that cannot be written',
      ['check', 'examples/bilge', '--output', 'no/such/folder/report.txt'],
      /^caulker: --output no\/such\/folder\/report\.txt: the report cannot be written there/,
    ],
  ]
  for (const [what, args, message] of unusable)
    it(`says in one line what is wrong, and ends with 2: ${what}`, async () => {
      const { code, err, out } = await caulker(...args)
      const lines = err.trim().split('\n')
      expect([code, lines[0], out]).to.satisfy(
        ([ended, line, printed]: [number, string, string]) => ended === 2 && message.test(line) && printed === '',
        JSON.stringify([code, err, out]),
      )
      expect(lines.length).to.be.at.most(2)
    })

  const unreadable: [string, Record<string, string>, RegExp][] = [
    [
      'a module that throws',
      { 'a.contract.ts': `import 'caulker'\nthrow new Error('no keel')\n` },
      /a\.contract\.ts:2:\d+: no keel/,
    ],
    ['a module that does not parse', { 'a.contract.ts': `export const a = {{\n` }, /a\.contract\.ts:1:\d+: /],
    [
      'a contract without a hyphen in its tag',
      { 'a.contract.ts': CONTRACT.replace('chain-winch', 'winch') },
      /a\.contract\.ts:2:\d+: contract 'winch': the tag must be lower case and contain a hyphen/,
    ],
    [
      'a clause that does not exist',
      { 'a.contract.ts': CONTRACT.replace('default', 'defualt') },
      /a\.contract\.ts:2:\d+: contract 'chain-winch': values\.turns has no clause 'defualt'; did you mean 'default'\?/,
    ],
    [
      'a module that exports neither',
      { 'a.contract.ts': 'export const a = 1\n' },
      /a\.contract\.ts: exports no contract, screen, interior or journey/,
    ],
    [
      'a setting that does not exist',
      { 'a.contract.ts': CONTRACT, 'caulker.config.ts': 'export default { define: [] }' },
      /caulker\.config\.ts: there is no setting 'define'; did you mean 'defines'\?/,
    ],
    [
      'an element that nobody registers',
      { 'a.contract.ts': CONTRACT, 'a.ts': 'export {}' },
      /a\.contract\.ts: <chain-winch> is not registered by any module that defines elements/,
    ],
    [
      'an element module that throws',
      { 'a.contract.ts': CONTRACT, 'a.ts': `\nthrow new Error('rotten plank')` },
      /a\.ts:2:\d+: rotten plank/,
    ],
    [
      'no module for a contract',
      { 'a.contract.ts': CONTRACT },
      /a\.contract\.ts: no module is known that defines <chain-winch>; name it in caulker\.config\.ts/,
    ],
  ]
  describe('says which file could not be judged, each in one line, and ends with 2', () => {
    let ran: Ran
    before(async () => {
      const files = unreadable.flatMap(([, some], at) =>
        Object.entries(some).map(([name, text]) => [`case-${at}/${name}`, text] as const),
      )
      ran = await caulker('probe', folderWith(Object.fromEntries(files)))
    })
    for (const [at, [what, , message]] of unreadable.entries())
      it(what, () => {
        const [, troubles = ''] = ran.out.split('Could not be judged\n')
        const lines = troubles.split('\n').filter((line) => line.includes(`case-${at}/`))
        expect([ran.code, lines.length], ran.out).to.eql([2, 1])
        expect(lines[0]).to.match(message)
      })
  })

  it('judges the sound files of a folder even where another cannot be read', async () => {
    const { code, out } = await caulker(
      'check',
      folderWith({ 'a.contract.ts': CONTRACT, 'b.contract.ts': `throw new Error('no keel')` }),
    )
    expect([code, out.split('\n')[0]]).to.eql([2, '1 file could not be judged; no leaks found in 1 contract.'])
  })
})

describe('findings that are known or not wanted', () => {
  const findingsOf = async (...args: string[]) => {
    const { code, out } = await caulker('check', 'examples/bilge', '--format', 'json', ...args)
    return { code, rules: (JSON.parse(out) as { findings: { rule: string }[] }).findings.map(({ rule }) => rule) }
  }

  it('are chosen by level, by rule and by what to ignore', async () => {
    expect((await findingsOf('--level', 'error')).rules.length).to.equal(88)
    expect(await findingsOf('--rule', 'frozen-value', 'two-writers')).to.eql({
      code: 1,
      rules: ['two-writers', 'frozen-value'],
    })
    expect(await findingsOf('--rule', 'frozen-value', '--ignore', 'frozen-value')).to.eql({ code: 0, rules: [] })
    expect(await findingsOf('--rule', 'undocumented')).to.eql({ code: 0, rules: ['undocumented'] })
  })

  it('are not reported again once a baseline knows them, and new ones are', async () => {
    const folder = folderWith({ 'a.contract.ts': CONTRACT.replace('default: 0', 'default: null as any') })
    const baseline = join(folder, 'known.json')
    const check = (...args: string[]) => caulker('check', folder, '--baseline', baseline, ...args)
    expect(await check()).to.include({
      code: 2,
      err: `caulker: --baseline ${baseline}: there is no such file; write it with --update-baseline\n`,
    })
    expect((await check('--update-baseline')).out).to.match(/^1 findings are known from now on/)
    const known = await check()
    expect([known.code, known.out]).to.eql([
      0,
      'No leaks found in 1 contract.\n1 known finding from the baseline not listed.\n',
    ])
    writeFileSync(
      join(folder, 'a.contract.ts'),
      `\n\n${CONTRACT.replace('default: 0', "default: null as any, event: 'turnsSet'")}`,
    )
    const more = await check()
    expect([more.code, more.out.split('\n')[0]]).to.eql([1, '1 warning in 1 contract.'])
    writeFileSync(baseline, '{')
    expect((await check()).err).to.match(/is no JSON .* write it anew with --update-baseline/)
  })

  it("are written as SARIF that the standard's own schema accepts", async () => {
    const { out } = await caulker('check', 'examples/bilge', '--format', 'sarif')
    const sarif = JSON.parse(
      readFileSync('node_modules/@microsoft/jest-sarif/lib/schemas/sarif-2.1.0-rtm.5.json', 'utf8'),
    ) as Record<string, unknown>
    const { $schema: _, $id: __, id: ___, ...standard } = sarif
    const formats = { uri: true, 'uri-reference': true, 'date-time': true } as const
    const isSarif = new Ajv({ strict: false, unicodeRegExp: false, formats }).compile(standard)
    const log = JSON.parse(out) as {
      runs: {
        results: {
          ruleId: string
          message: { text: string }
          locations: { physicalLocation: { artifactLocation: { uri: string }; region: { startLine: number } } }[]
        }[]
      }[]
    }
    expect(isSarif(log), JSON.stringify(isSarif.errors?.slice(0, 3))).to.equal(true)
    const misspelt = log.runs[0]!.results.find(({ ruleId }) => ruleId === 'unknown-name')!
    expect(misspelt.message.text).to.equal(
      "'bales' (bale-stepper) has no property or value 'fewset'. Did you mean 'fewest'?",
    )
    expect(misspelt.locations[0]!.physicalLocation).to.deep.include({
      artifactLocation: { uri: 'examples/bilge/work-order.screen.js' },
    })
    expect(misspelt.locations[0]!.physicalLocation.region.startLine).to.equal(24)
  })
})

describe('reports of parts', () => {
  const probe = (...more: string[]) =>
    caulker('probe', folder, '--clause', 'shows-initial', '--format', 'json', ...more)
  let folder = ''
  before(() => {
    folder = folderWith({
      ...Object.fromEntries(
        ['a-mark', 'b-mark'].map((tag) => [`${tag}.contract.ts`, CONTRACT.replace('chain-winch', tag)]),
      ),
      ...Object.fromEntries(
        ['a-mark', 'b-mark'].map((tag) => [
          `${tag}.js`,
          `customElements.define('${tag}', class extends HTMLElement { set turns(n) { this.textContent = String(n) } get turns() { return Number(this.textContent) } })`,
        ]),
      ),
    })
  })

  it('are put together into what one run would have said, and a run goes on where another ended', async () => {
    const parts = [1, 2].map((part) => join(folder, `${part}.json`))
    for (const [at, file] of parts.entries()) await probe('--part', `${at + 1}`, '--of', '2', '--output', file)
    const whole = JSON.parse((await probe()).out) as object
    const together = await probe('--continue', ...parts)
    expect([together.code, JSON.parse(together.out)]).to.eql([0, whole])
    const goneOn = await probe('--continue', parts[0]!)
    expect([goneOn.code, JSON.parse(goneOn.out)]).to.eql([0, whole])
    const differing: [string[], string][] = [
      [['--seed', '2'], 'it was probed with seed 1, and this run has 2; give both the same'],
      [['--browser'], 'it was probed in an embedded DOM; leave --browser out'],
    ]
    for (const [more, says] of differing) {
      const { code, err } = await probe('--continue', parts[0]!, ...more)
      expect([code, err]).to.eql([2, `caulker: --continue ${parts[0]!}: ${says}\n`])
    }
    const wrong = await probe('--continue', 'package.json')
    expect([wrong.code, wrong.err]).to.eql([
      2,
      'caulker: --continue package.json: is no report of a probe; write one with --format json\n',
    ])
  })
})

describe('a manifest', () => {
  it('is written from contracts, with the module of each', async () => {
    const { out } = await caulker('sheet', 'examples/haul-out', '--manifest')
    const { modules } = JSON.parse(out) as { modules: { path: string; declarations: { tagName: string }[] }[] }
    expect(modules.map(({ path, declarations }) => [path, declarations[0]!.tagName])).to.deep.include([
      'examples/haul-out/elements/bale-stepper.ts',
      'bale-stepper',
    ])
  })
})

describe("the browser's own input", () => {
  it('finds the same leak as synthetic events do, with a trail that is played again the same way', async () => {
    const only = ['examples/bilge', '--component', 'twice-text', '--clause', 'reports-once', '--format', 'json']
    const [synthetic, trusted] = [
      await caulker('probe', ...only),
      await caulker('probe', ...only, '--browser', '--trusted'),
    ].map(
      ({ out }) =>
        (JSON.parse(out) as { components: { replay: string; clauses: { leak: { says: string } }[] }[] }).components[0]!,
    )
    expect(trusted!.clauses[0]!.leak.says).to.equal(synthetic!.clauses[0]!.leak.says)
    expect(trusted!.replay).to.include('--browser --trusted')
    const { code, err } = await caulker('probe', 'examples/bilge', '--trusted')
    expect([code, err]).to.eql([2, 'caulker: --trusted: only a browser has input of its own; add --browser\n'])
  })
})
