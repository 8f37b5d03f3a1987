import { expect } from 'chai'
import fc from 'fast-check'
import { spawn } from 'node:child_process'
import { createWriteStream, existsSync, symlinkSync } from 'node:fs'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { contract, contractFromJson, extend, Type } from 'caulker'
import { checkSarif, checkText, probeText, sheetText, type CheckReport, type ProbesReport } from 'caulker/report'
import { componentText, answerText } from 'caulker/inside/report'
import { caulker, CLI, folderWith } from './support/cli.js'

const SOUND = `import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 0 } } })
`
const screenWith = (compute: string) => `import { contract, oneWay, reckon, screen, twoWay, Type } from 'caulker'
const gauge = contract('feet-gauge', { summary: 'Feet', properties: { feet: { type: Type.Number() } }, values: { turns: { type: Type.Integer(), default: 0 } } })
export const slip = screen('slipway', {
  cells: { turns: { type: Type.Integer(), initial: 0 } },
  fittings: { gauge },
  reckoned: ({ cells }) => ({ feet: reckon([cells.turns], ${compute}) }),
  bind: ({ cells, reckoned }) => ({ gauge: { feet: oneWay(reckoned.feet), turns: twoWay(cells.turns) } }),
})
`
const PATIENT = ['--patience', '1.5']

describe('a verdict cannot be bought', () => {
  it('by a module that ends the process, waits for ever or never comes back: each is one line, and the others are judged', async () => {
    const folder = folderWith({
      'a-exits.contract.ts': `process.exit(0)\n${SOUND}`,
      'b-waits.contract.ts': `await new Promise(() => undefined)\n${SOUND}`,
      'c-loops.contract.ts': `for (;;);\n${SOUND}`,
      'd-sound.contract.ts': SOUND,
    })
    const { code, out } = await caulker('check', folder, ...PATIENT)
    const lines = out.split('Could not be judged\n')[1]!.trim().split('\n')
    expect([code, out.split('\n')[0]]).to.eql([2, '3 files could not be judged; no leaks found in 1 contract.'])
    expect(lines[0]).to.match(
      /a-exits\.contract\.ts:\d+:\d+: calls process\.exit\(0\): a module that is loaded must not end/,
    )
    expect(lines[1]).to.match(/b-waits\.contract\.ts: its module waits for something that never comes/)
    expect(lines[2]).to.match(/c-loops\.contract\.ts: its module never comes back \(an endless loop, or more than 1\.5/)
    expect(lines.length).to.equal(3)
  })

  it('by a reckoned function in an endless loop, or a pattern that backtracks for ever', async () => {
    const folder = folderWith({
      'loops.screen.ts': screenWith('() => { for (;;); }'),
      'pattern.contract.ts': `import { contract } from 'caulker'
export const mark = contract('mark-field', { summary: 'A mark', values: { mark: { type: { type: 'string', pattern: '^(a+)+$' } as never, default: '${'a'.repeat(40)}!' } } })
`,
    })
    const { code, out } = await caulker('check', folder, ...PATIENT)
    expect(code).to.equal(2)
    expect(out).to.match(/loops\.screen\.ts: 'slipway' never comes back .* while it is read: look at its functions/)
    expect(out).to.match(/pattern\.contract\.ts: 'mark-field' never comes back/)
  })

  it('by a function that always throws, a type that cannot be, a reference to nowhere or a second contract of one tag', async () => {
    const folder = folderWith({
      'throws.screen.ts': screenWith(`() => { throw new Error('no chain') }`),
      'typo.contract.json': JSON.stringify(
        {
          tag: 'typo-field',
          values: { count: { type: { type: 'integerr' } }, way: { type: { $ref: '#/$defs/none' } } },
        },
        null,
        2,
      ),
      'one.contract.ts': SOUND,
      'two.contract.ts': SOUND.replace('default: 0', 'default: 3'),
    })
    const { code, out } = await caulker('check', folder, '--level', 'error')
    expect(code).to.equal(1)
    expect(out).to.match(
      /'feet' throws: no chain\.\n {2}at .*throws\.screen\.ts:6:\d+, in slipway \/ feet\n {2}failing-function, error/,
    )
    expect(out).to.match(
      /Type of 'count': 'type' cannot be "integerr"\.\n {2}at .*typo\.contract\.json:\d+.*\n.*To mend: Did you mean 'integer'\?/,
    )
    expect(out).to.match(/Type of 'way': '\$ref' leads to "#\/\$defs\/none", and there is nothing/)
    expect(out).to.match(/'chain-winch' has another contract that says something else/)
  })

  it('by a configuration that is wrong for many components: it is said once', async () => {
    const files = Object.fromEntries(
      ['a', 'b', 'c'].map((name) => [`${name}-winch.contract.ts`, SOUND.replace('chain-winch', `${name}-winch`)]),
    )
    const { code, out } = await caulker('probe', folderWith({ ...files, 'caulker.config.json': '{ "defnes": [] }' }))
    expect([code, out.match(/there is no setting 'defnes'; did you mean 'defines'\?/g)?.length]).to.eql([2, 1])
  })

  it('by what a part of a project cannot know: with a configuration the whole is asked, without one it is a note', async () => {
    const files = {
      'topics.ts': `import { topic, Type } from 'caulker'\nexport const freed = topic('crane-freed', { payload: Type.String() })\n`,
      'far/hears.screen.ts': `import { screen, contract, oneWay, payload, set, Type } from 'caulker'
import { freed } from '../topics.js'
const board = contract('crane-board', { summary: 'B', properties: { text: { type: Type.String() } } })
export const shed = screen('shed', { cells: { text: { type: Type.String(), initial: '' } }, topics: { freed }, fittings: { board }, hears: ({ cells }) => ({ freed: [set(cells.text, payload())] }), bind: ({ cells }) => ({ board: { text: oneWay(cells.text) } }) })
`,
      'near/says.screen.ts': `import { announce, screen, contract, Type } from 'caulker'
import { freed } from '../topics.js'
const knob = contract('crane-knob', { summary: 'K', events: { turned: {} } })
export const crane = screen('crane', { cells: {}, topics: { freed }, fittings: { knob }, actions: ({ topics }) => ({ free: [announce(topics.freed, 'now')] }), bind: ({ actions }) => ({ knob: { on: { turned: actions.free } } }) })
`,
    }
    const folder = folderWith({ ...files, 'caulker.config.json': '{}' })
    expect((await caulker('check', join(folder, 'near'))).out).to.equal('No leaks found in 1 screen.\n')
    const unknown = await caulker('check', join(folderWith(files), 'near'))
    expect(unknown.code).to.equal(0)
    expect(unknown.out).to.match(
      /^1 note in 1 screen\.\n\n'crane-freed' is announced, and no screen hears it here; whether one elsewhere does cannot be told/,
    )
  })
})

describe('bad input gets one clear line', () => {
  const json = (lines: string[], ending = '\n') => lines.join(ending)
  it('with the position in a JSON contract, also where lines end as on Windows or the file begins with a mark', async () => {
    const wrong = [
      '{',
      '  "tag": "chain-winch",',
      '  "values": {',
      '    "turns": { "type": { "type": "integer" }, "reports": "later" }',
      '  }',
      '}',
    ]
    for (const text of [json(wrong), json(wrong, '\r\n'), `\uFEFF${json(wrong)}`]) {
      const { code, out } = await caulker('check', folderWith({ 'a.contract.json': text }))
      expect(code).to.equal(2)
      expect(out).to.match(
        /a\.contract\.json:4:47: contract 'chain-winch': values\.turns\.reports must be 'edit' or 'commit'/,
      )
    }
    const thrown = `import 'caulker'\r\n\r\nthrow new Error('no keel')\r\n`
    expect((await caulker('check', folderWith({ 'a.contract.ts': thrown }))).out).to.match(
      /a\.contract\.ts:3:7: no keel/,
    )
  })

  it('for what is nested too deep, extends nothing, is empty, or leads nowhere', async () => {
    let deep: unknown = { type: 'integer' }
    for (let at = 0; at < 10_000; at++) deep = { type: 'array', items: deep }
    const nested = await caulker(
      'check',
      folderWith({
        'deep.contract.ts': `import { contract } from 'caulker'
let deep: any = { type: 'integer' }
for (let at = 0; at < 10_000; at++) deep = { type: 'array', items: deep }
export const winch = contract('deep-winch', { values: { turns: { type: deep } } })
`,
      }),
    )
    expect([nested.code, nested.out]).to.satisfy(
      ([code, out]: [number, string]) =>
        code === 1 && /it is nested too deep to be judged\.\n {2}at .*deep\.contract\.ts:4:/.test(out),
      nested.out + nested.err,
    )
    expect(() => contractFromJson({ tag: 'deep-winch', values: { turns: { type: deep } } }))
      .to.throw(/nested too deep/)
      .with.property('code', 'malformed-contract')
    expect(() => extend(undefined as never, { tag: 'other-winch' }))
      .to.throw(/extend: what is extended is no contract \(it is not given\)/)
      .with.property('code', 'malformed-contract')
    const empty = folderWith({})
    for (const command of ['check', 'probe']) {
      const { code, out, err } = await caulker(command, empty)
      expect([code, (out + err).trim().split('\n').length], command).to.eql([2, 1])
    }
    symlinkSync(join(empty, 'gone'), join(empty, 'link'))
    expect(await caulker('check', join(empty, 'link'))).to.include({
      code: 2,
      err: `caulker: ${join(empty, 'link')}: it is a link to ${join(empty, 'gone')}, and there is nothing\n`,
    })
  })

  it('where standard output is closed or full', async () => {
    const run = (out: 'closed' | 'full') =>
      new Promise<[number | null, string]>((resolve) => {
        const full = out === 'full' ? createWriteStream('/dev/full') : undefined
        const start = () => {
          const child = spawn(process.execPath, [CLI, 'check', 'examples/bilge', '--format', 'json'], {
            stdio: ['ignore', full ?? 'pipe', 'pipe'],
          })
          child.stdout?.destroy()
          let err = ''
          child.stderr!.on('data', (text: Buffer) => (err += text.toString()))
          child.on('close', (code) => resolve([code, err]))
        }
        if (full === undefined) start()
        else full.once('open', start)
      })
    const [code, err] = await run('closed')
    expect([code, err]).to.eql([
      2,
      'caulker: standard output was closed before the report was whole; --output FILE writes it to a file\n',
    ])
    if (!existsSync('/dev/full')) return
    const [fullCode, fullErr] = await run('full')
    expect([fullCode, fullErr]).to.satisfy(
      ([ended, said]: [number, string]) =>
        ended === 2 && /^caulker: standard output cannot be written to \(.*\) before the report was whole/.test(said),
      fullErr,
    )
  })
})

describe('long work', () => {
  it('ends on Ctrl-C with what was judged so far, and is taken up again from there', async () => {
    const folder = folderWith({})
    const file = join(folder, 'report.json')
    const few = ['--component', 'price-tag', 'yard-text', '--clause', 'follows-change', 'any-order']
    const child = spawn(
      process.execPath,
      [CLI, 'probe', 'examples/haul-out', '--at-once', '1', '--format', 'json', '--output', file, ...few],
      { stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, NO_COLOR: '1' } },
    )
    const ended = new Promise<number | null>((resolve) => child.on('close', resolve))
    // The file is written as it goes: the first component stands in it before the last is judged.
    while (!existsSync(file) || readFileSync(file, 'utf8') === '') await new Promise((next) => setTimeout(next, 50))
    child.kill('SIGINT')
    expect(await ended).to.equal(2)
    const before = JSON.parse(readFileSync(file, 'utf8')) as ProbesReport
    expect([before.components.length, before.left!.length]).to.eql([1, 1])
    expect(probeText(before)).to.match(/\nIt was ended before all was judged: \d components? left\.\n/)
    const after = await caulker('probe', 'examples/haul-out', '--continue', file, '--format', 'json', ...few)
    const whole = JSON.parse(after.out) as ProbesReport
    expect([after.code, whole.components.length, whole.left]).to.eql([0, 2, undefined])
    expect(whole.components.slice(0, before.components.length)).to.eql(before.components)
  })
})

describe('what steers a terminal', () => {
  const evil = [
    '\u001b[2J',
    '\u001b]0;x\u0007',
    '\r',
    '\u0000',
    '\u009b1m',
    '\u202e',
    '\u2066',
    '\n',
    '\ufeff',
    '\u2028',
  ]
  const hidden = /[\p{Cc}\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069\u2028\u2029\ufeff]/u
  const text = fc
    .array(fc.oneof(fc.constantFrom(...evil), fc.string({ maxLength: 6 })), { maxLength: 6 })
    .map((parts) => parts.join(''))
  const lineOf = (printed: string) => printed.replaceAll('\n', '')

  it('is made visible in every text, whatever stands in names, summaries, payloads and messages', () =>
    fc.assert(
      fc.property(text, text, text, (one, other, third) => {
        const checked: CheckReport = {
          kind: 'check',
          version: 1,
          contracts: 1,
          screens: 0,
          interiors: 0,
          journeys: 0,
          pages: 0,
          findings: [
            { rule: one, level: 'error', subject: other, says: third, mend: one, file: other, line: 1, column: 1 },
          ],
          troubles: [{ file: one, says: other }],
        }
        const row = { step: one, heard: other, owner: third, component: one, shown: other }
        const component = {
          component: one,
          file: other,
          replay: third,
          clauses: [
            {
              clause: 'shows-initial',
              promise: one,
              status: 'broken' as const,
              trails: 1,
              leak: { says: one, expected: other, found: third, cause: one, ledger: [row, row] },
            },
            { clause: other, promise: one, status: 'unproven' as const, reason: third, needs: one, trails: 0 },
            { clause: one, promise: one, status: 'waived' as const, reason: third, trails: 0 },
          ],
        }
        const probed: ProbesReport = {
          kind: 'probe',
          version: 1,
          seed: 1,
          ranIn: one,
          components: [component],
          troubles: [{ file: third, says: one }],
          left: [other],
        }
        const winch = contract('chain-winch', {
          summary: one === '' ? 'x' : one,
          properties: { label: { type: Type.String(), default: other, summary: third === '' ? 'x' : third } },
          waives: { 'resets-fully': third },
        })
        for (const printed of [
          checkText(checked),
          probeText(probed),
          componentText(component),
          answerText(probed),
          sheetText([winch]),
        ])
          expect(lineOf(printed)).not.to.match(hidden)
        // A line of what was given never becomes a line of the report.
        expect(checkText(checked).split('\n').length).to.be.at.most(12)
        expect(JSON.parse(checkSarif(checked, '1'))).to.have.property('runs')
      }),
      { numRuns: 200 },
    ))

  it('is made visible in what goes wrong, too, and in XML it is left out', async () => {
    const folder = folderWith({ 'a.contract.ts': `throw new Error('no \\u001b[31mkeel\\u0007')\n` })
    const { out } = await caulker('check', folder)
    expect(out).to.include('no \\u{1b}[31mkeel\\u{7}')
    writeFileSync(
      join(folder, 'a.contract.ts'),
      SOUND.replace("'chain-winch'", "'chain-winch'").replace('A winch', '\\u001b[2Jwinch'),
    )
    writeFileSync(
      join(folder, 'chain-winch.js'),
      `customElements.define('chain-winch', class extends HTMLElement { connectedCallback() { throw new Error('\\u001b[2J\\u0000torn') } })`,
    )
    const junit = await caulker(
      'probe',
      join(folder, 'a.contract.ts'),
      '--format',
      'junit',
      '--clause',
      'shows-initial',
    )
    expect(junit.out).not.to.match(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/)
  })
})
