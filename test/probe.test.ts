import { expect } from 'chai'
import { nativeButton, nativeNumber, nativeText } from 'caulker/dom'
import { contract, idealMount, Type } from 'caulker'
import { clauses, probe, windowFrames, type ProbeReport } from 'caulker/probe'
import { runProbe } from '../dist/cli/run-probe.js'
import type { ProbesReport } from 'caulker/report'
import { inDocument } from './support/embedded.js'

export const LEAKS: Record<string, string> = {
  'blank-price': 'shows-initial',
  'stale-price': 'follows-change',
  'stuck-photo': 'takes-empty',
  'zero-stepper': 'keeps-falsy',
  'echo-text': 'quiet-when-told',
  'twice-text': 'reports-once',
  'late-stepper': 'reports-truth',
  'loose-stepper': 'stays-within',
  'half-reset-text': 'resets-fully',
  'wormy-plank': 'stays-within',
}

const probed = (
  path: string,
  more: { seed?: number; components?: string[]; clauses?: string[]; browser?: boolean } = {},
) =>
  runProbe({
    paths: [path],
    seed: more.seed ?? 1,
    components: more.components,
    clauses: more.clauses,
    browser: more.browser ?? false,
    onDone: () => undefined,
  })

const brokenOf = ({ components }: ProbesReport) =>
  components.flatMap(({ component, clauses: judged }) =>
    judged.filter(({ status }) => status === 'broken').map(({ clause }) => `${component} ${clause}`),
  )
const statusesOf = ({ clauses: judged }: Pick<ProbeReport, 'clauses'>, ...wanted: string[]) =>
  judged.filter(({ status }) => wanted.includes(status)).map(({ clause }) => clause)

for (const browser of [false, true])
  describe(`the boatyards, probed in ${browser ? 'Chromium' : 'the embedded DOM'}`, () => {
    it('holds every clause of the sound one, and proves them all', async () => {
      const report = await probed('examples/haul-out', { browser })
      expect(report.troubles).to.eql([])
      expect(report.components.map((one) => [one.component, statusesOf(one, 'broken', 'unproven')])).to.eql([
        ['bale-stepper', []],
        ['price-tag', []],
        ['survey-photo', []],
        ['yard-text', []],
      ])
    })

    it('names each leak of the leaking one by the right clause, and nothing else, in short stories', async () => {
      const report = await probed('examples/bilge', { browser })
      expect(brokenOf(report)).to.have.members(
        Object.entries(LEAKS).map(([component, clause]) => `${component} ${clause}`),
      )
      const lengths = report.components.flatMap((one) =>
        one.clauses.flatMap(({ leak }) => (leak === undefined ? [] : [leak.ledger.length - 1])),
      )
      expect(Math.max(...lengths)).to.be.at.most(2)
    })
  })

describe('a probe', () => {
  it('gives the same report for the same seed, and finds the same leaks with another', async () => {
    const components = ['late-stepper', 'stuck-photo', 'twice-text', 'blank-price', 'tally-board']
    const [one, again, other] = [
      await probed('examples/bilge', { seed: 5, components }),
      await probed('examples/bilge', { seed: 5, components }),
      await probed('examples/bilge', { seed: 99, components }),
    ]
    expect(again).to.eql(one)
    expect(brokenOf(other)).to.eql(brokenOf(one))
  })

  it('replays one clause of one component alone, with the same ledger', async () => {
    const whole = await probed('examples/bilge', { components: ['twice-text'] })
    const replayed = await probed('examples/bilge', { components: ['twice-text'], clauses: ['reports-once'] })
    const leakOf = (report: ProbesReport) =>
      report.components[0]!.clauses.find(({ clause }) => clause === 'reports-once')!.leak
    expect(leakOf(replayed)).to.eql(leakOf(whole))
  })

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

  it('finds nothing wrong with the native controls', () =>
    inDocument(async (document, next) => {
      for (const native of [nativeText, nativeNumber, nativeButton]) {
        const report = await probe(native, { document, frames: { milliseconds: 16, next } })
        expect(statusesOf(report, 'broken'), native.tag).to.eql([])
      }
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
    inDocument(async (document, next) => {
      const winch = contract('chain-winch', {
        values: { turns: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 9 } } },
        commands: { reset: { effect: 'reset' } },
      })
      const report = await probe(winch, { document, frames: { milliseconds: 16, next }, mount: () => idealMount })
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

  it('takes a waiver with its reason, and does not try the clause', () =>
    inDocument(async (document, next) => {
      const waived = contract('native-text', {
        values: { value: { type: Type.String(), event: 'input', payloadAt: '/target/value' } },
        waives: { 'reports-once': 'the harbour counts keys' },
      })
      const report = await probe(waived, { document, frames: { milliseconds: 16, next } })
      expect(report.clauses.find(({ clause }) => clause === 'reports-once')).to.include({
        status: 'waived',
        reason: 'the harbour counts keys',
        stories: 0,
      })
    }))

  it('ends what throws, floods or never comes back with a broken clause, and spoils no other component', async () => {
    const report = await probed('test/fixtures/rough-water.contract.ts')
    expect(report.troubles).to.eql([])
    const foundOf = (component: string, clause: string) =>
      report.components.find((one) => one.component === component)!.clauses.find((one) => one.clause === clause)
    expect(foundOf('throws-at-birth', 'shows-initial')!.leak).to.include({
      says: 'it throws',
      found: 'the drum is seized',
    })
    expect(foundOf('throws-at-birth', 'follows-change')).to.include({
      status: 'unproven',
      reason: 'it throws (the drum is seized)',
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
    })
    expect(brokenOf(report)).to.include.members(['throws-at-birth shows-initial', 'loops-when-pressed reports-once'])
    expect(brokenOf(report).filter((one) => one.startsWith('calm'))).to.eql([])
  })

  it('says of each clause what it promises, how it is tried and when it is unproven', () => {
    for (const clause of clauses)
      for (const text of [clause.promise, clause.why, clause.tried, clause.unprovenWhen])
        expect(text, clause.id).to.match(/^[A-Z0'].*\.$/)
  })
})
