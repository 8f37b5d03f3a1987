import { expect } from 'chai'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { runProbe } from '../packages/caulker-cli/dist/cli/run-probe.js'
import { caulker, folderWith } from './support/cli.js'

const CONTRACT = (tag: string, more = '') =>
  `import { contract, Type } from 'caulker'
   export const made = contract('${tag}', { values: { mark: { type: Type.String(), default: '' } }, ${more} })`

/** A field that draws what \`drawn\` makes of its mark. */
const FIELD = (tag: string, drawn = 'this.mark') => `
  customElements.define('${tag}', class extends HTMLElement {
    #mark = ''
    #field = document.createElement('input')
    #log = document.createElement('p')
    constructor() {
      super()
      this.attachShadow({ mode: 'open' }).append(this.#field, this.#log)
      for (const name of ['paste', 'compositionend', 'keydown', 'click'])
        this.#field.addEventListener(name, (event) => (this.trusted = event.isTrusted))
      this.#field.addEventListener('input', () => {
        this.#mark = this.#field.value
        this.#draw()
        this.dispatchEvent(new CustomEvent('mark-set', { detail: { value: this.#mark } }))
      })
    }
    set trusted(isTrusted) { if (!isTrusted) this.#log.textContent = 'done by a script' }
    get mark() { return this.#mark }
    set mark(mark) {
      this.#mark = mark ?? ''
      if (this.#field.value !== this.#mark) this.#field.value = this.#mark
      this.#draw()
    }
    #draw() { this.#log.textContent = ${drawn} }
  })`

describe('probing in Chromium', () => {
  const folders: string[] = []
  const folder = (files: Record<string, string>) => {
    const made = folderWith(files)
    folders.push(made)
    return made
  }
  after(() => folders.forEach((one) => rmSync(one, { recursive: true })))
  const probed = (path: string, more: object = {}) =>
    runProbe({
      paths: [path],
      seed: 1,
      components: undefined,
      clauses: ['reports-once', 'stays-within', 'shows-initial', 'follows-change'],
      browser: true,
      ...more,
    })
  const brokenOf = ({ components }: Awaited<ReturnType<typeof probed>>) => [
    ...new Set(
      components.flatMap(({ component, clauses }) =>
        clauses.filter(({ status }) => status === 'broken').map(({ clause }) => `${component} ${clause}`),
      ),
    ),
  ]

  it('says of a module that cannot be bundled where and why, in one line, and probes the others', async () => {
    const path = folder({
      'sound-mark.contract.ts': CONTRACT('sound-mark'),
      'sound-mark.ts': FIELD('sound-mark'),
      'lost-mark.contract.ts': CONTRACT('lost-mark'),
      'lost-mark.ts': `import './nowhere.js'\n${FIELD('lost-mark')}`,
      'torn-mark.contract.ts': CONTRACT('torn-mark'),
      'torn-mark.ts': 'const mark = ;\n',
    })
    const inBrowser = await probed(path)
    const embedded = await probed(path, { browser: false })
    for (const { components, troubles } of [inBrowser, embedded]) {
      expect(components.map(({ component }) => component)).to.eql(['sound-mark'])
      const lines = troubles.map(({ file, line, says }) => `${file.split('/').pop() ?? ''}:${line ?? 0} ${says}`).sort()
      expect(lines[0]).to.match(/^lost-mark\.ts:1 (?:Could not resolve|Cannot find module) '\.\/nowhere\.js'$/)
      expect(lines[1]).to.match(/^torn-mark\.ts:1 Unexpected token$/)
    }
  })

  it('keeps pages apart: nothing that one stores or names is met by another', async () => {
    const keeps = (tag: string) =>
      FIELD(tag, "(localStorage.getItem('mark') ?? '') + document.cookie + window.name + this.mark").replace(
        '#draw() {',
        `#draw() { localStorage.setItem('mark', ''); document.cookie = 'mark='; window.name ||= '';`,
      )
    const spoils = (tag: string) =>
      FIELD(tag).replace(
        'super()',
        `super(); localStorage.setItem('mark', 'left'); document.cookie = 'mark=left'; indexedDB.open('left')`,
      )
    const path = folder({
      'first-mark.contract.ts': CONTRACT('first-mark'),
      'first-mark.ts': spoils('first-mark'),
      'other-mark.contract.ts': CONTRACT('other-mark'),
      'other-mark.ts': keeps('other-mark'),
    })
    const report = await probed(path, { atOnce: 2 })
    expect(report.troubles).to.eql([])
    expect(brokenOf(report)).to.eql([])
  })

  it('pastes, composes and strikes keys through the browser itself with --trusted', async () => {
    const path = folder({
      'true-mark.contract.ts': CONTRACT('true-mark'),
      // What a script did is shown, and so makes a difference that is no edit.
      'true-mark.ts': FIELD('true-mark').replace("this.#log.textContent = 'done by a script'", 'this.mark = "script"'),
    })
    expect(brokenOf(await probed(path, { clauses: ['reports-once'] }))).to.eql(['true-mark reports-once'])
    expect(brokenOf(await probed(path, { clauses: ['reports-once'], trusted: true }))).to.eql([])
  })

  it('accuses no sound field with --trusted that is set as a whole, or edited as a text of the page', async () => {
    const report = await probed('test/corpus/few/few.contract.ts', {
      components: ['haul-date', 'seam-note'],
      clauses: ['every-way-in', 'reports-once'],
      trusted: true,
    })
    expect(report.troubles).to.eql([])
    expect(report.components).to.have.length(2)
    expect(brokenOf(report)).to.eql([])
  })

  it('tells what only a form knows: what is marked in it, sent with it, and brought back by its reset', async () => {
    const faults = {
      'sill-draught': ['valid-though-marked stays-within', 'mark-at-the-sill stays-within'],
      'hull-ticket': ['reset-leaves-what-is-sent carries-form-value', 'need-comes-late required-in-validity'],
      'swing-angle': ['form-reset-to-default form-resets'],
    }
    const due = Object.entries(faults).flatMap(([tag, all]) => all.map((one) => `${tag}-with-${one}`))
    const report = await probed('test/corpus/few/few.contract.ts', {
      components: [...Object.keys(faults), ...due.map((one) => one.split(' ')[0]!)],
      clauses: [...new Set(due.map((one) => one.split(' ')[1]!))],
      atOnce: 2,
    })
    expect(report.troubles).to.eql([])
    expect(brokenOf(report)).to.have.members(due)
  })

  it('holds elements that are made of an interior to all that a contract can say', async () => {
    const { components, ...report } = await probed('test/fixtures/interiors', { clauses: undefined })
    expect(report.troubles).to.eql([])
    expect(brokenOf({ components, ...report })).to.eql([])
    const held = components.flatMap(({ component, clauses }) =>
      clauses.flatMap(({ clause, status }) => (status === 'held' ? [`${component} ${clause}`] : [])),
    )
    expect(held).to.include.members([
      ...['asks-first', 'owner-decides', 'sent-as-said', 'readings-agree'].map((clause) => `yard-gate ${clause}`),
      ...['commands-present', 'carries-form-value', 'follows-fieldset'].map((clause) => `yard-gate ${clause}`),
      ...['form-resets', 'form-restores', 'required-in-validity', 'locks-hold'].map((clause) => `yard-name ${clause}`),
      ...['stays-within', 'resets-fully', 'early-property'].map((clause) => `yard-box ${clause}`),
    ])
  })

  it('ends a page that leaves, opens windows or asks in dialogs, and goes on with the next', async () => {
    const rude = (tag: string, how: string) => FIELD(tag).replace('set mark(mark) {', `set mark(mark) { ${how};`)
    const path = folder({
      'calm-mark.contract.ts': CONTRACT('calm-mark'),
      'calm-mark.ts': FIELD('calm-mark'),
      'away-mark.contract.ts': CONTRACT('away-mark'),
      'away-mark.ts': rude('away-mark', "location.href = 'https://elsewhere.test/'"),
      'open-mark.contract.ts': CONTRACT('open-mark'),
      'open-mark.ts': rude('open-mark', "window.open('about:blank'); alert('oakum'); confirm('pitch')"),
    })
    const report = await probed(path, { atOnce: 1, clauses: ['follows-change'] })
    const found = report.components.map(({ component }) => component)
    expect(found).to.include.members(['calm-mark', 'open-mark'])
    expect(brokenOf(report).filter((one) => one.startsWith('calm'))).to.eql([])
    expect([...found, ...report.troubles.map(({ file }) => file)].join()).to.include('away-mark')
  })
})

describe('adopting into a folder', () => {
  it('adds to the configuration that is there, and leaves none behind where nothing was adopted', async () => {
    const path = folderWith({
      'one-mark.js': FIELD('one-mark'),
      'two-mark.js': FIELD('two-mark'),
      'empty.js': 'export const nothing = 1',
    })
    const into = join(path, 'contracts')
    const nothing = await caulker('adopt', join(path, 'empty.js'), '--output', into)
    expect(nothing.code).to.equal(2)
    expect(nothing.err).to.match(/no custom element is registered by it; it may be by one of these: \S+one-mark\.js, /)
    expect(existsSync(into)).to.equal(false)
    mkdirSync(into)
    writeFileSync(join(into, 'caulker.config.json'), '{ "defines": ["../one-mark.js"] }')
    await caulker('adopt', join(path, 'two-mark.js'), join(path, 'one-mark.js'), '--output', into)
    const { defines } = JSON.parse(readFileSync(join(into, 'caulker.config.json'), 'utf8')) as { defines: string[] }
    expect(defines).to.eql(['../one-mark.js', '../two-mark.js'])
    const { out, code } = await caulker('probe', into, '--clause', 'reports-once')
    expect(out).to.match(/\nNo leaks in 2 components/)
    expect(code).to.equal(0)
    rmSync(path, { recursive: true })
  })
})
