import { expect } from 'chai'
import {
  elementMount,
  nativeButton,
  nativeCheckbox,
  nativeFile,
  nativeRadios,
  nativeSelect,
  nativeColour,
  nativeDate,
  nativeNumber,
  nativeOutput,
  nativeRange,
  nativeText,
} from 'caulker/dom'
import { contract, idealMount, Type } from 'caulker'
import { clauses, probe, probeSuite, windowFrames, type ProbeReport } from 'caulker/probe'
import { runProbe } from '../packages/caulker-cli/dist/cli/run-probe.js'
import { inParts } from '../packages/caulker-cli/dist/node/job-parts.js'
import type { ProbesReport } from 'caulker/report'
import { caulker } from './support/cli.js'
import { corpus } from './corpus/all.js'
import { inDocument } from './support/embedded.js'
import { oneIn } from './support/whole.js'

export const LEAKS: Record<string, readonly string[]> = {
  'blank-price': ['shows-initial'],
  'stale-price': ['follows-change'],
  'stuck-photo': ['takes-empty'],
  'zero-stepper': ['keeps-falsy'],
  'echo-text': ['quiet-when-told'],
  'twice-text': ['reports-once'],
  'late-stepper': ['reports-truth'],
  'loose-stepper': ['stays-within'],
  'half-reset-text': ['resets-fully'],
  'wormy-plank': ['shows-initial', 'stays-within'],
}

/** What is proved of the sound yard, in either environment. */
const HELD: Record<string, string[]> = {
  'bale-stepper': [
    'shows-initial',
    'follows-change',
    'takes-empty',
    'keeps-falsy',
    'any-order',
    'early-property',
    'text-stays-text',
    'quiet-when-told',
    'reports-once',
    'reports-truth',
    'reports-when-said',
    'every-way-in',
    'no-strays',
    'round-trip',
    'owner-decides',
    'stays-within',
    'resets-fully',
    'no-accidental-submit',
    'survives-move',
    'leaves-no-trace',
    'stands-alone',
    'commands-present',
    'early-commands-safe',
    'no-hidden-ways',
    'named-by-label',
  ],
  'price-tag': [
    'shows-initial',
    'follows-change',
    'takes-empty',
    'keeps-falsy',
    'any-order',
    'early-property',
    'text-stays-text',
    'survives-move',
    'leaves-no-trace',
    'stands-alone',
    'no-hidden-ways',
  ],
  'survey-photo': [
    'shows-initial',
    'follows-change',
    'takes-empty',
    'keeps-falsy',
    'early-property',
    'text-stays-text',
    'quiet-when-told',
    'reports-once',
    'reports-truth',
    'no-strays',
    'round-trip',
    'owner-decides',
    'resets-fully',
    'no-accidental-submit',
    'survives-move',
    'leaves-no-trace',
    'stands-alone',
    'commands-present',
    'early-commands-safe',
    'no-hidden-ways',
    'named-by-label',
  ],
  'yard-text': [
    'shows-initial',
    'follows-change',
    'takes-empty',
    'keeps-falsy',
    'any-order',
    'early-property',
    'text-stays-text',
    'quiet-when-told',
    'reports-once',
    'reports-truth',
    'reports-when-said',
    'every-way-in',
    'no-strays',
    'round-trip',
    'owner-decides',
    'keeps-caret',
    'resets-fully',
    'survives-move',
    'leaves-no-trace',
    'stands-alone',
    'commands-present',
    'early-commands-safe',
    'no-hidden-ways',
    'named-by-label',
  ],
}

const probed = (
  path: string,
  more: { seed?: number; components?: string[]; clauses?: string[]; browser?: boolean; patience?: number } = {},
) =>
  runProbe({
    paths: [path],
    seed: more.seed ?? 1,
    components: more.components,
    clauses: more.clauses,
    browser: more.browser ?? false,
    ...(more.patience === undefined ? {} : { patience: more.patience }),
  })

const brokenOf = ({ components }: ProbesReport) => [
  ...new Set(
    components.flatMap(({ component, clauses: judged }) =>
      judged.filter(({ status }) => status === 'broken').map(({ clause }) => `${component} ${clause}`),
    ),
  ),
]
const statusesOf = ({ clauses: judged }: Pick<ProbeReport, 'clauses'>, ...wanted: string[]) =>
  judged.filter(({ status }) => wanted.includes(status)).map(({ clause }) => clause)

for (const browser of [false, true])
  describe(`the boatyards, probed in ${browser ? 'Chromium' : 'the embedded DOM'}`, () => {
    it('breaks no clause of the sound one, and proves most of them', async () => {
      // In the embedded DOM half of them: the sound families of the corpus are tried there, too.
      const components = browser ? Object.keys(HELD) : oneIn(2, Object.keys(HELD))
      const report = await probed('examples/haul-out', { browser, components })
      expect(report.troubles).to.eql([])
      expect(brokenOf(report)).to.eql([])
      expect(report.components.map(({ component }) => component)).to.eql(components)
      for (const one of report.components)
        expect(statusesOf(one, 'held'), one.component).to.include.members(HELD[one.component]!)
      const carries = report.components[0]!.clauses.find(({ clause }) => clause === 'carries-form-value')!
      expect(carries.status).to.equal(browser ? 'held' : 'unproven')
    })

    it('names each leak of the leaking one by the right clause, and nothing else, in short trails', async () => {
      // A few of each kind: `npm run corpus` asks far more.
      const components = browser ? oneIn(5, Object.keys(LEAKS), 1) : oneIn(3, Object.keys(LEAKS))
      const report = await probed('examples/bilge', { browser, components })
      expect(brokenOf(report)).to.have.members(
        components.flatMap((component) => LEAKS[component]!.map((clause) => `${component} ${clause}`)),
      )
      const lengths = report.components.flatMap((one) =>
        one.clauses.flatMap(({ leak }) => (leak === undefined ? [] : [leak.ledger.length - 1])),
      )
      expect(Math.max(...lengths)).to.be.at.most(2)
    })
  })

describe('a probe', () => {
  it('gives the same report for the same seed, finds the same leaks with another, and replays one clause alone', () =>
    inDocument(async (document, _next, frames) => {
      const faulty = corpus.flat().find((one) => one.contract.tag === 'rope-length-with-unit-not-drawn')
      faulty!.define()
      const asked = ['follows-change', 'every-way-in', 'reports-once', 'stays-within']
      const by = (seed: number, only = asked) => probe(faulty!.contract, { document, frames, seed, clauses: only })
      const one = await by(5)
      const leakOf = ({ clauses: judged }: ProbeReport) => judged.find(({ leak }) => leak !== undefined)!
      expect(await by(5)).to.eql(one)
      expect(statusesOf(await by(99), 'broken')).to.eql(statusesOf(one, 'broken'))
      const { clause, leak } = leakOf(one)
      expect(leakOf(await by(5, [clause])).leak).to.eql(leak)
    }))

  it('says what owner, component and eye had at each step', async () => {
    const report = await probed('examples/bilge', { components: ['stuck-photo'], clauses: ['takes-empty'] })
    const { leak } = report.components[0]!.clauses[0]!
    expect(leak).to.include({
      says: 'photo cannot be cleared by its owner',
      expected: 'shown No photo yet',
      found: 'shown hull.png',
    })
    expect(leak!.ledger.map(({ step, owner, component }) => [step, owner, component.slice(0, 19)])).to.eql([
      [
        'mount stuck-photo with photo File hull.png 4 bytes image/png',
        'photo File hull.png 4 bytes i…',
        'photo File hull.png',
      ],
      ['owner tells photo null', 'photo null', 'photo File hull.png'],
    ])
  })

  it('goes into a pipeline as JUnit XML, and says in one line what cannot be split or reached', async () => {
    const { code, out } = await caulker(
      'probe',
      'examples/bilge',
      '--component',
      'stale-price',
      '--clause',
      'follows-change',
      '--format',
      'junit',
    )
    expect(code).to.equal(1)
    expect(out).to.match(/<testsuite name="stale-price" tests="\d+" failures="2" errors="0"/)
    expect(out).to.match(/<failure message="the change is not shown: expected shown Total: 3\.00 marks/)
    expect(out).to.match(/replay: npx caulker probe .* --clause follows-change/)
    for (const args of [
      ['--part', '4', '--of', '3'],
      ['--part', '1'],
      ['--of', '2'],
    ]) {
      const wrong = await caulker('probe', 'examples/haul-out', ...args)
      expect([wrong.code, wrong.err]).to.eql([
        2,
        'caulker: --part and --of: give which part of how many, such as --part 2 --of 4\n',
      ])
    }
    const none = await caulker('probe', 'examples/haul-out', '--at-once', '0')
    expect([none.code, none.err]).to.eql([
      2,
      "caulker: option '--at-once <n>' argument '0' is invalid. give a whole number, 1 or more\n",
    ])
    const nobody = await caulker('probe', 'examples/haul-out', '--browser', '--endpoint', 'http://127.0.0.1:9')
    expect(nobody.code).to.equal(2)
    expect(nobody.err).to.match(/^caulker: --endpoint http:\/\/127\.0\.0\.1:9: no browser answers there .*\n$/)
  })

  it('makes a suite of one component: one test a clause, with its trail where it fails', () =>
    inDocument(async (document, _next, frames) => {
      const tests: [string, (this: object) => Promise<void>][] = []
      const deaf = contract('deaf-note', {
        properties: { heading: { type: Type.String(), default: '' } },
        values: { note: { type: Type.String(), default: '' } },
      })
      probeSuite(deaf, {
        document,
        frames,
        clauses: ['follows-change', 'reports-once', 'keeps-falsy'],
        runner: { describe: (_title, body) => body(), it: (title, body) => void tests.push([title, body as never]) },
        mount: (into) => (_contract, given) => {
          const text = into.appendChild(document.createElement('p'))
          text.textContent = `${String(given['heading'] ?? '')}: ${String(given['note'] ?? '')}`
          return {
            tell: () => undefined,
            read: () => undefined,
            commit: () => undefined,
            command: () => undefined,
            remove: () => text.remove(),
          }
        },
      })
      expect(tests.map(([title]) => title.split(':')[0])).to.eql(['follows-change', 'keeps-falsy', 'reports-once'])
      const ran = await Promise.all(
        tests.map(([, body]) =>
          body.call({ skip: () => Promise.reject(new Error('skipped')) }).then(
            () => 'passed',
            (thrown: Error) => thrown.message.split('\n'),
          ),
        ),
      )
      expect(ran[0]![0]).to.equal('the change is not shown')
      expect(ran[0]![1]).to.match(/^ {2}1 mount deaf-note/)
      expect(ran[2]).to.eql(['skipped'])
    }))

  it('finds nothing wrong with the native controls', () =>
    inDocument(async (document, _next, frames) => {
      for (const native of oneIn(2, [
        nativeText,
        nativeFile,
        nativeNumber,
        nativeRange,
        nativeCheckbox,
        nativeColour,
        nativeSelect(['oak', 'larch', 'pine']),
        nativeRadios(['slip', 'mooring', 'shed']),
        nativeOutput,
        nativeButton,
        nativeDate,
      ])) {
        const report = await probe(native, { document, frames })
        expect(statusesOf(report, 'broken'), native.tag).to.eql([])
      }
      const area = await probe(nativeText, {
        document,
        frames,
        mount: (into) => elementMount({ element: into.appendChild(document.createElement('textarea')) }),
      })
      expect(statusesOf(area, 'broken')).to.eql([])
      expect(statusesOf(area, 'held')).to.include.members(['reports-once', 'keeps-caret', 'takes-empty'])
    }))

  it('runs in the frames of a window where nobody moves a clock', () =>
    inDocument(async (document, next) => {
      const frames = windowFrames({
        requestAnimationFrame: (draw: () => void) => void next().then(draw),
        setTimeout: (done: () => void) => done(),
      } as never)
      const report = await probe(nativeButton, { document, frames })
      expect(statusesOf(report, 'held')).to.include('follows-change')
    }))

  it('says unproven, with the reason, for what it cannot try', () =>
    inDocument(async (document, _next, frames) => {
      const winch = contract('chain-winch', {
        values: { turns: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 9 } } },
        commands: { reset: { effect: 'reset' } },
      })
      const report = await probe(winch, { document, frames, mount: () => idealMount })
      expect(statusesOf(report, 'broken')).to.eql([])
      expect(
        report.clauses.filter(({ status }) => status === 'unproven').map(({ clause, reason }) => [clause, reason]),
      ).to.deep.include.members([
        ['reports-once', 'No control was found that changes a two-way value.'],
        ['reports-truth', 'Nothing was reported.'],
      ])
    }))

  it('does not ask a value with the last word to follow its owner, nor a clock to stand still', () =>
    inDocument(async (document, _next, frames) => {
      customElements.define(
        'tide-log',
        class extends HTMLElement {
          #text = ''
          #isGiven = false
          connectedCallback() {
            this.#isGiven = true
            this.innerHTML = '<input><p></p>'
            const field = this.querySelector('input')!
            field.value = this.#text
            field.oninput = () => {
              this.#text = field.value
              this.dispatchEvent(new CustomEvent('text-set', { detail: { value: this.#text } }))
            }
            this.querySelector('p')!.textContent = `Opened at ${new Date().toISOString()}`
          }
          get text() {
            return this.#text
          }
          set text(text: string) {
            if (!this.#isGiven) this.#text = text
          }
        },
      )
      const tideLog = contract('tide-log', {
        values: { text: { type: Type.String(), default: '', lastWord: 'self', accepts: 'never' } },
      })
      const report = await probe(tideLog, { document, frames })
      expect(statusesOf(report, 'broken')).to.eql([])
    }))

  it('takes it for no drift that a bound moves one end of a pair, and that end the other', () =>
    inDocument(async (document, _next, frames) => {
      customElements.define(
        'tide-span',
        class extends HTMLElement {
          #at = { floor: 0, low: 2, high: 4 }
          connectedCallback() {
            this.#set({})
          }
          #set(change: object) {
            const { floor, low, high } = Object.assign(this.#at, change)
            this.#at.low = Math.max(low, floor)
            this.#at.high = Math.max(high, this.#at.low)
            this.textContent = JSON.stringify(this.#at)
          }
          get floor() {
            return this.#at.floor
          }
          set floor(floor: number | undefined) {
            this.#set({ floor: floor ?? 0 })
          }
          get low() {
            return this.#at.low
          }
          set low(low: number | undefined) {
            this.#set({ low: low ?? 2 })
          }
          get high() {
            return this.#at.high
          }
          set high(high: number | undefined) {
            this.#set({ high: high ?? 4 })
          }
        },
      )
      const number = { type: Type.Integer(), attribute: false } as const
      const tideSpan = contract('tide-span', {
        properties: { floor: { ...number, default: 0 } },
        values: {
          low: { ...number, default: 2, bounds: { least: 'floor' } },
          high: { ...number, default: 4, bounds: { least: 'low' } },
        },
      })
      const { clauses: judged } = await probe(tideSpan, { document, frames, clauses: ['follows-change'] })
      expect(judged.map(({ status }) => status)).to.eql(['held'])
    }))

  it('tells two leaks of one clause, though a shorter trail shows only one of them', () =>
    inDocument(async (document, _next, frames) => {
      customElements.define(
        'mooring-tag',
        class extends HTMLElement {
          #rope = ''
          connectedCallback() {
            // At each place it says that it is there, and forgets what it held.
            if (this.#isPlaced) this.#rope = ''
            this.#isPlaced = true
            this.dispatchEvent(new CustomEvent('moored'))
            this.#draw()
          }
          #isPlaced = false
          #draw() {
            this.innerHTML = '<input>'
            const field = this.querySelector('input')!
            field.value = this.#rope
            field.oninput = () => {
              this.#rope = field.value
              this.dispatchEvent(new CustomEvent('rope-set', { detail: { value: this.#rope } }))
            }
          }
          get rope() {
            return this.#rope
          }
          set rope(rope: string | undefined) {
            this.#rope = rope ?? ''
            this.#draw()
          }
        },
      )
      const mooringTag = contract('mooring-tag', {
        values: { rope: { type: Type.String(), default: '' } },
        events: { moored: {} },
      })
      const { clauses: told } = await probe(mooringTag, { document, frames, clauses: ['survives-move'] })
      expect(told.map((one) => 'leak' in one && one.leak?.says)).to.have.members([
        'it reports because it was moved',
        'it forgets rope when it is moved',
      ])
    }))

  it('tells of a report off its type, and of nothing that follows from what its owner then holds', () =>
    inDocument(async (document, _next, frames) => {
      customElements.define(
        'ebb-window',
        class extends HTMLElement {
          #ends = { low: 3, high: 9 }
          #fields = { low: document.createElement('input'), high: document.createElement('input') }
          connectedCallback() {
            for (const [end, field] of Object.entries(this.#fields) as ['low' | 'high', HTMLInputElement][]) {
              field.type = 'number'
              field.value = String(this.#ends[end])
              field.ariaLabel = end
              field.onchange = () => {
                this[end] = Number(field.value)
                this.dispatchEvent(new CustomEvent('window-moved', { detail: { [end]: this.#ends[end] } }))
              }
              this.append(field)
            }
          }
          get low() {
            return this.#ends.low
          }
          set low(low: number | undefined) {
            this.#ends.low = low ?? 3
            this.#fields.low.value = String(this.#ends.low)
          }
          get high() {
            return this.#ends.high
          }
          set high(high: number | undefined) {
            this.#ends.high = high ?? 9
            this.#fields.high.value = String(this.#ends.high)
          }
        },
      )
      const end = (name: string, usual: number) => ({
        type: Type.Number(),
        default: usual,
        event: 'window-moved',
        payloadAt: `/detail/${name}`,
        reports: 'commit' as const,
        attribute: false as const,
      })
      const report = await probe(contract('ebb-window', { values: { low: end('low', 3), high: end('high', 9) } }), {
        document,
        frames,
      })
      // It takes nothing that was set before it was defined, either.
      expect(statusesOf(report, 'broken')).to.eql(['early-property', 'reports-truth', 'reports-truth'])
    }))

  it('takes a waiver with its reason, and does not try the clause', () =>
    inDocument(async (document, _next, frames) => {
      const waived = contract('native-text', {
        values: { value: { type: Type.String(), event: 'input', payloadAt: '/target/value' } },
        waives: { 'reports-once': 'the harbour counts keys' },
      })
      const report = await probe(waived, { document, frames })
      expect(report.clauses.find(({ clause }) => clause === 'reports-once')).to.include({
        status: 'waived',
        reason: 'the harbour counts keys',
        trails: 0,
      })
    }))

  it('ends what throws, floods or never comes back with a broken clause, and spoils no other component', async () => {
    const report = await probed('test/fixtures/rough-water.contract.ts', {
      clauses: ['shows-initial', 'follows-change', 'reports-once'],
      patience: 1,
    })
    expect(report.troubles).to.eql([])
    const foundOf = (component: string, clause: string) =>
      report.components.find((one) => one.component === component)!.clauses.find((one) => one.clause === clause)
    expect(foundOf('throws-at-birth', 'shows-initial')!.leak).to.include({
      says: 'it throws',
      found: 'the drum is seized',
    })
    expect(foundOf('throws-at-birth', 'follows-change')).to.include({
      status: 'unproven',
      reason: 'It throws (the drum is seized).',
    })
    expect(foundOf('throws-when-told', 'follows-change')!.leak).to.include({
      says: 'it throws',
      found: 'the chain is out',
    })
    expect(foundOf('floods-when-pressed', 'reports-once')!.leak).to.include({
      says: 'it floods its owner with reports',
    })
    expect(foundOf('loops-when-pressed', 'reports-once')!.leak).to.include({
      found: 'it does not come back: an endless loop',
    })
    expect(foundOf('loops-when-pressed', 'follows-change')!.status).to.equal('held')
    for (const component of ['calm-winch', 'changes-arrays'])
      expect(
        statusesOf(
          report.components.find((one) => one.component === component)!,
          'broken',
        ),
        component,
      ).to.eql([])
  })

  it('does the same to them in Chromium', async () => {
    const report = await probed('test/fixtures/rough-water.contract.ts', {
      browser: true,
      components: ['throws-at-birth', 'loops-when-pressed', 'calm-winch'],
      clauses: ['shows-initial', 'reports-once'],
      patience: 1,
    })
    expect(brokenOf(report)).to.include.members(['throws-at-birth shows-initial', 'loops-when-pressed reports-once'])
    expect(brokenOf(report).filter((one) => one.startsWith('calm'))).to.eql([])
  })

  it('finds what is not brought back when the browser restores a form', async () => {
    const report = await probed('test/fixtures/going-back', {
      browser: true,
      clauses: ['form-restores', 'follows-fieldset', 'form-resets', 'keeps-caret'],
    })
    expect(
      report.components.map((one) => [one.component.replace('mooring-mark', ''), statusesOf(one, 'broken')]),
    ).to.eql([
      ['', []],
      ['-with-restore-shown-only', ['form-restores']],
      ['-with-restore-held-only', ['form-restores']],
      ['-with-restore-forgotten', ['form-restores']],
      ['-with-no-callback', []],
    ])
    expect(statusesOf(report.components[0]!, 'held')).to.include.members(['form-restores', 'follows-fieldset'])
    expect(report.components[4]!.clauses.find(({ clause }) => clause === 'form-restores')).to.include({
      status: 'unproven',
      reason: 'It has no formStateRestoreCallback.',
    })
  })

  it('says of each clause what it promises, how it is tried and when it is unproven', () => {
    for (const clause of clauses)
      for (const text of [clause.promise, clause.why, clause.tried, clause.unprovenWhen])
        expect(text, clause.id).to.match(/^[A-Z0'].*\.$/)
  })

  it('leaves no clause out where one component is probed in parts', async () => {
    const parts = await inParts([{ file: 'mast-year.ts', tag: 'mast-year' } as never], 2, 'page')
    expect(parts.flatMap((part) => part.clauses ?? [])).to.have.members(clauses.map(({ id }) => id))
  })
})
