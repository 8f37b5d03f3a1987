import { Ajv2020 } from 'ajv/dist/2020.js'
import { expect } from 'chai'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { scriptFileSchema } from 'caulker/inside/rehearse'
import { reportSchema } from 'caulker/report'
import { CLI, caulker, folderWith, run, type Ran } from './support/cli.js'
import { WHOLE } from './support/whole.js'

const BILGE = 'examples/bilge/rehearsed/sending.screen.js'

/** What a published schema has against something; empty where nothing. */
function describedBy(schema: object, value: unknown): string {
  const ajv = new Ajv2020({ strict: false })
  return ajv.validate(schema, value) ? '' : ajv.errorsText()
}

/** A stepper of the quay; the second one never follows its owner. */
const STEPPERS = {
  'caulker.config.js': `export default { defines: ['steppers.js'] }`,
  'steppers.js': `
    class Stepper extends HTMLElement {
      static follows = true
      #field = Object.assign(document.createElement('input'), { type: 'number' })
      #value = 0
      connectedCallback() {
        this.append(this.#field)
        this.#field.onchange = () => {
          this.#value = this.#field.valueAsNumber
          this.dispatchEvent(new CustomEvent('count-set', { detail: { value: this.#value } }))
        }
      }
      get count() { return this.#value }
      set count(to) {
        if (this.constructor.follows || this.#field.value === '') this.#field.value = String((this.#value = to))
      }
    }
    customElements.define('quay-stepper', Stepper)
    customElements.define('stuck-stepper', class extends Stepper { static follows = false })
    customElements.define('tired-stepper', class extends Stepper {
      #told = 0
      get count() { return super.count }
      set count(to) { if (this.#told++ < 4) super.count = to }
    })`,
  'quay.screen.js': `
    import { contract, screen, set, twoWay, Type } from 'caulker'
    import { nativeButton } from 'caulker/dom'
    const stepper = (tag) => contract(tag, { values: { count: { type: Type.Integer(), default: 0, reports: 'commit' } } })
    const quay = (name, tag) => screen(name, {
      cells: { count: { type: Type.Integer(), initial: 2 } },
      fittings: { one: stepper(tag), none: nativeButton },
      bind: ({ cells }) => ({ one: { count: twoWay(cells.count) }, none: { text: 'None', on: { press: [set(cells.count, 0)] } } }),
    })
    export const sound = quay('sound-quay', 'quay-stepper')
    export const stuck = quay('stuck-quay', 'stuck-stepper')
    export const tired = quay('tired-quay', 'tired-stepper')`,
}

describe('caulker rehearse', () => {
  it('tells each leak with its trail, its line, its mend and how to play it again, and ends with 1', async () => {
    const { code, out } = await caulker('rehearse', BILGE, '--only', 'failure-forgets')
    expect(code).to.equal(1)
    expect(out).to.match(/^1 of 1 screen or journey leaks: 1 leak in \d+ states\.\n/)
    for (const said of [
      'failure-keeps-typed  office.book fails, and vessel, where a person had entered "oakum", becomes ""',
      `allowed  at ${BILGE}:52:3`,
      'To mend: Leave the cells alone in fails',
      '1 enters "oakum" in',
      '3 office.book fails: the',
    ])
      expect(out).to.include(said)
    const [, replay] = /replay +npx caulker (.*)\n/.exec(out)!
    const [, before, trail] = /^(.*) --play '(.*)'$/.exec(replay!)!
    const again = await caulker(...before!.split(' '), '--play', trail!)
    expect(again.code).to.equal(1)
    expect(again.out).to.include('failure-keeps-typed  at step 3, office.book fails')
  })

  it('prints JSON that its schema describes, and JUnit', async () => {
    const json = await caulker('rehearse', BILGE, '--format', 'json')
    const report = JSON.parse(json.out) as { wirings: { name: string; leaks: { trail: object[] }[] }[] }
    expect(describedBy(reportSchema, report)).to.equal('')
    expect(report.wirings.map(({ name }) => name)).to.include('enter-too-soon')
    const junit = await caulker('rehearse', BILGE, '--only', 'two-bookings', '--format', 'junit')
    expect([junit.code, /<testsuite name="two-bookings" tests="\d+" failures="1"/.test(junit.out)]).to.eql([1, true])
  })

  it('writes the trails as scripts that their schema describes, and plays them', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'caulker-scripts-'))
    const { err } = await caulker('rehearse', BILGE, '--only', 'two-bookings', '--save-scripts', folder)
    expect(err).to.match(/1 script written to /)
    const [file] = readdirSync(folder)
    const script = JSON.parse(readFileSync(join(folder, file!), 'utf8')) as { of: string; steps: object[] }
    expect([describedBy(scriptFileSchema, script), script.of, script.steps.length]).to.eql(['', 'two-bookings', 2])
    const played = await caulker('rehearse', BILGE, '--script', join(folder, file!))
    expect([played.code, played.out.includes('sent-once  at step 2')]).to.eql([1, true])
    const json = await caulker('rehearse', BILGE, '--script', join(folder, file!), '--format', 'json')
    const report = JSON.parse(json.out) as { kind: string; scripts: { of: string; leaks: { step: number }[] }[] }
    expect([describedBy(reportSchema, report), report.kind]).to.eql(['', 'play'])
    expect(report.scripts.map(({ of, leaks }) => [of, leaks.map(({ step }) => step)])).to.eql([['two-bookings', [2]]])
    const junit = await caulker('rehearse', BILGE, '--script', join(folder, file!), '--format', 'junit')
    expect(junit.out).to.match(/<testsuite name="two-bookings" tests="1" failures="1"[^]*sent-once at step 2: /)
  })

  it('waives what a wiring knowingly leaves, with the reason', async () => {
    const screen = (waives: string) => `import { contract, screen, set, payload, Type } from 'caulker'
      const line = contract('log-line', { values: { line: { type: Type.String(), default: '' } }, events: { away: {} } })
      export const log = screen('log', { cells: { line: { type: Type.String(), initial: '' } }, fittings: { line }, ${waives}
        bind: ({ cells }) => ({ line: { on: { 'line-set': [set(cells.line, payload())], away: [set(cells.line, '')] } } }) })`
    const folder = folderWith({
      'a.screen.js': screen(''),
      'b.screen.js': screen(`waives: { 'shown-is-held': 'the line is chalk' },`),
    })
    expect((await caulker('rehearse', join(folder, 'a.screen.js'))).code).to.equal(1)
    const waived = await caulker('rehearse', join(folder, 'b.screen.js'))
    expect([waived.code, waived.out.includes('shown-is-held, waived: the line is chalk')]).to.eql([0, true])
  })

  const WRONG: [what: string, args: string[], says: RegExp][] = [
    ['no such name', ['--only', 'two-boking'], /--only two-boking: there is no such .* did you mean 'two-bookings'/],
    [
      'a trail that is no JSON',
      ['--only', 'two-bookings', '--play', '[{'],
      /--play: .* is no JSON; write a list of steps/,
    ],
    ['a trail for several', ['--play', '[]'], /--play needs one screen or journey: name it with --only/],
    ['a step that is none', ['--only', 'two-bookings', '--play', '[{"prss":1}]'], /step 1: .*did you mean 'press'/],
    ['a script that is not there', ['--script', 'no.script.json'], /no\.script\.json: there is no such file/],
    ['a bound that is none', ['--edits', 'two'], /give a whole number/],
    ['an invariant that is none', ['--explain', 'sent-onc'], /no such invariant.*did you mean 'sent-once'/],
  ]
  for (const [what, args, says] of WRONG)
    it(`says in one line what is wrong, and ends with 2: ${what}`, async () => {
      const { code, err } = await caulker('rehearse', BILGE, ...args)
      expect(code).to.equal(2)
      expect(err).to.match(says)
      expect(
        err
          .trim()
          .split('\n')
          .filter((line) => !line.startsWith('rehearsing')),
      ).to.have.length(1)
    })

  it('names the step of a script file that is wrong, with its line', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'caulker-scripts-'))
    const file = join(folder, 'a.script.json')
    writeFileSync(
      file,
      '{ "script": 1, "of": "two-bookings", "title": "t", "steps": [\n  { "press": "book" },\n  { "pres": "book" }\n] }',
    )
    const { code, err } = await caulker('rehearse', BILGE, '--script', file)
    expect([code, /a\.script\.json:3:3: script 't', step 2: .*did you mean 'press'/.test(err)]).to.eql([2, true])
  })

  it('ends a function that never comes back, and names it; of two wirings of one name it takes none for the other', async () => {
    const quiet = `import { screen } from 'caulker'
      export const quiet = screen('quiet', { cells: {}, fittings: {}, bind: () => ({}) })`
    const folder = folderWith({
      'a-quiet.screen.js': quiet,
      'b-quiet.screen.js': quiet,
      'loop.screen.js': `import { screen, set, twoWay, Type } from 'caulker'
        import { nativeText } from 'caulker/dom'
        export const loop = screen('loop', { cells: { name: { type: Type.String(), initial: '', refuse: (name) => { while (name !== '') {} } } },
          fittings: { name: nativeText }, bind: ({ cells }) => ({ name: { value: twoWay(cells.name) } }) })`,
    })
    const { code, out, err } = await caulker('rehearse', folder, '--patience', '1')
    expect(out).to.match(/b-quiet\.screen\.js:2:\d+: a second screen is called 'quiet', as the one at \S+a-quiet/)
    expect(code).to.equal(2)
    expect(out + err).to.match(/'loop' never comes back .* while it is rehearsed/)
  })

  it('ends with what it has found when it is interrupted', async () => {
    const ran = await new Promise<Ran>((resolve) => {
      const args = [CLI, 'rehearse', 'examples/haul-out', '--edits', '5', '--states', '1000000']
      void run('/bin/sh', [
        '-c',
        `"$0" "$@" & pid=$!; sleep 8; kill -INT $pid; wait $pid`,
        process.execPath,
        ...args,
      ]).then(resolve)
    })
    expect(ran.code).to.equal(2)
    expect(ran.out).to.match(/haul-out +\d+ states seen before it was ended, \d+ left/)
  })

  it('tells where a live component parts from its ideal, step by step', async () => {
    const folder = folderWith(STEPPERS)
    const { code, out } = await caulker('rehearse', folder, '--live')
    expect(code).to.equal(1)
    expect(out).to.include('No leaks in 3 screens and journeys')
    expect(out).to.match(/scripts played on a page of live components, in an embedded DOM: \d+ as the ideal, \d+ not\./)
    expect(out).to.match(/✗ stuck-quay \d+: .*\n {2}at step \d, one\.count is 2 on the page, and should be 0\./)
    expect(out).to.not.include('✗ sound-quay')
    const junit = await caulker('rehearse', folder, '--only', 'stuck-quay', '--live', '--format', 'junit')
    expect(junit.out).to.match(/<testsuite name="stuck-quay, in an embedded DOM" tests="\d+" failures="[1-9]/)
  })

  it('walks at random over live components, and cuts what parts down to the steps that it takes', async () => {
    const folder = folderWith(STEPPERS)
    const ran = (...more: string[]) => caulker('rehearse', folder, '--only', 'tired-quay', '--live', ...more)
    expect((await ran()).code, 'what covers').to.equal(0)
    const { code, out } = await ran('--walks', '6', '--seed', '3')
    expect(code).to.equal(1)
    expect(out).to.match(/scripts? and 6 random walks played on a page of live components/)
    const [, step, trail = ''] =
      /✗ tired-quay, random walk \d.*\n {2}at step (\d+), one\.count is \d+ on the page[^]*?--play '(.*)'/.exec(out) ??
      []
    const steps = JSON.parse(trail) as object[]
    expect(steps.filter((one) => 'press' in one)).to.have.length(4)
    expect(steps.length).to.equal(Number(step))
    const again = await ran('--play', trail)
    expect(again.out).to.include('0 as the ideal, 1 not.').and.include(`at step ${step},`)
    const alone = await caulker('rehearse', folder, '--walks', '6')
    expect([alone.code, alone.err]).to.eql([
      2,
      'caulker: --walks: random walks go over a page of live components; add --live or --browser\n',
    ])
  })

  it('plays the scripts that cover the sound journey, and random walks over it, on its live components in Chromium', async () => {
    const walks = WHOLE ? '500' : '40'
    const { code, out } = await caulker('rehearse', 'examples/haul-out', '--edits', '1', '--browser', '--walks', walks)
    expect(out).to.match(
      /^No leaks in 1 screen or journey in \d+ states\.\n[^]* ✓ haul-out {2}all \d+ states seen; an end can be reached/,
    )
    const said =
      /(\d+) scripts and (\d+) random walks played on a page of live components, in Chromium [\d.]+: (\d+) as the ideal\./
    const [, scripts, walked, whole] = said.exec(out) ?? []
    expect([walked, Number(whole) - Number(scripts)]).to.eql([walks, Number(walks)])
    expect(code).to.equal(0)
  })
})
