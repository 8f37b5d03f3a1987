import { expect } from 'chai'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { contractFromJson } from 'caulker'
import { adoptElement } from 'caulker/probe'
import { caulker } from './support/cli.js'
import { inDocument } from './support/embedded.js'
import { WHOLE } from './support/whole.js'

/** One of the five that docs/adopted.md explains; all of them where the whole is asked, as `npm run corpus` does. */
const PACKAGES: Record<string, string> = {
  'range-slider-element': 'range-slider',
  ...(!WHOLE
    ? {}
    : {
        'vanilla-colorful': 'hex-color-picker',
        'dark-mode-toggle': 'dark-mode-toggle',
        'toolcool-range-slider': 'tc-range-slider',
        'img-comparison-slider': 'img-comparison-slider',
      }),
}

describe('adopting published elements', () => {
  let folder: string
  before(() => (folder = mkdtempSync(join(tmpdir(), 'adopt-'))))
  after(() => rmSync(folder, { recursive: true }))

  it('reads a contract off each, probes it without a word of configuration, and finds what docs/adopted.md explains', async () => {
    const { code, out } = await caulker(
      'adopt',
      ...Object.keys(PACKAGES),
      '--component',
      ...Object.values(PACKAGES),
      '--output',
      folder,
    )
    expect(out.split(' ')[0]).to.equal(String(Object.keys(PACKAGES).length))
    expect(code).to.equal(0)
    const probed = await caulker('probe', folder, '--format', 'json')
    const { components, troubles } = JSON.parse(probed.out) as {
      components: { component: string; clauses: { clause: string; status: string }[] }[]
      troubles: unknown[]
    }
    expect(troubles).to.eql([])
    const explained = readFileSync('docs/adopted.md', 'utf8')
    for (const { component, clauses } of components) {
      const [, section = ''] = explained.split(`## ${component}\n`)
      const rows = section.split('\n## ')[0]!.match(/(?<=^\| `)[a-z-]+(?=` *\| embedded)/gm) ?? []
      const broken = clauses.filter(({ status }) => status === 'broken').map(({ clause }) => clause)
      expect([...new Set(broken)], component).to.have.members([...rows])
    }
  })

  it('says in one line what it cannot adopt from', async () => {
    for (const [source, line] of [
      ['no-such-package', 'caulker: no-such-package: there is no such file, and no package of this name is installed'],
      ['test/support', 'caulker: '],
      ['package.json', 'caulker: package.json: no custom element is declared in it'],
    ] as const) {
      const { code, err } = await caulker('adopt', source)
      expect(err).to.include(line)
      expect(err.trim().split('\n')).to.have.length(1)
      expect(code).to.equal(2)
    }
  })
})

describe('a live element without a manifest', () => {
  const adopt = (tag: string, define: () => CustomElementConstructor) =>
    inDocument(async (document, _next, frames) => {
      customElements.define(tag, define())
      return adoptElement(tag, { document, frames })
    })

  it('gives two-way values with the event that tells of them, and bounds and locks by their names', async () => {
    const { contract: json } = await adopt('keel-count', () => {
      class KeelCount extends HTMLElement {
        static observedAttributes = ['max']
        #state = { value: 2, max: 9, disabled: false }
        connectedCallback(): void {
          const button = document.createElement('button')
          button.onclick = () => {
            this.#state.value = Math.min(this.#state.max, this.#state.value + 1)
            this.dispatchEvent(new CustomEvent('keels', { detail: { now: this.#state.value } }))
          }
          this.replaceChildren(button)
        }
        get value(): number {
          return this.#state.value
        }
        set value(value: number) {
          this.#state.value = Math.min(this.#state.max, value)
        }
        get max(): number {
          return this.#state.max
        }
        set max(max: number) {
          this.#state.max = max
        }
        get disabled(): boolean {
          return this.#state.disabled
        }
        set disabled(disabled: boolean) {
          this.#state.disabled = disabled
        }
        get isFull(): boolean {
          return this.#state.value === this.#state.max
        }
        reset(): void {
          this.#state.value = 2
        }
        render(): void {}
      }
      return KeelCount
    })
    const keels = contractFromJson(json)
    expect(keels.values['value']).to.include({ event: 'keels', payloadAt: '/detail/now', reports: 'edit', default: 2 })
    expect(keels.values['value']!.bounds).to.eql({ least: undefined, most: 'max' })
    expect(keels.properties['max']).to.include({ attribute: 'max', default: 9 })
    expect(keels.locks.disabled).to.equal('disabled')
    expect(Object.keys(keels.commands)).to.eql(['reset'])
    expect(Object.keys(keels.readings)).to.eql(['isFull'])
    expect(keels.guesses['values.value']).to.match(/^it changes when one does this: press the button/)
  })

  it('tells a report at the end of an edit from one at each key, and says what no event tells of', async () => {
    const { contract: json, left } = await adopt('mast-name', () => {
      class MastName extends HTMLElement {
        #name = 'Heron'
        #isOpen = false
        connectedCallback(): void {
          const field = Object.assign(document.createElement('input'), { value: this.#name })
          field.onchange = () => {
            this.#name = field.value
            this.dispatchEvent(new CustomEvent('mast-named', { detail: this.#name }))
          }
          const more = document.createElement('button')
          more.onclick = () => (this.#isOpen = !this.#isOpen)
          this.replaceChildren(field, more)
        }
        get mast(): string {
          return this.#name
        }
        set mast(mast: string) {
          this.#name = mast
        }
        get isOpen(): boolean {
          return this.#isOpen
        }
        set isOpen(isOpen: boolean) {
          this.#isOpen = isOpen
        }
        get rig(): object {
          return { sails: new Map() }
        }
        set rig(_: object) {}
        get worth(): number {
          throw new Error('not yet')
        }
      }
      return MastName
    })
    expect(contractFromJson(json).values['mast']).to.include({
      event: 'mast-named',
      payloadAt: '/detail',
      reports: 'commit',
    })
    expect(left.join('\n')).to.match(/isOpen: it changes when one does this: press the button.*; no event tells of it/)
    expect(left.join('\n')).to.include('rig: it is {"sails":')
    expect(left.join('\n')).to.include('worth: it throws when it is read')
  })
})
