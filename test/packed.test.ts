import { expect } from 'chai'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { folderWith, run } from './support/cli.js'

const bin = (name: string) => resolve('node_modules/.bin', name)
const TSC = ['node_modules/typescript/bin/tsc']

const WINCH = `import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', {
  summary: 'A winch',
  values: { turns: { type: Type.Integer(), default: 0 } },
})
`
const ELEMENT = `customElements.define('chain-winch', class extends HTMLElement {
  #turns = 0
  get turns() { return this.#turns }
  set turns(turns) { this.#turns = turns ?? 0; this.textContent = String(this.#turns) }
  connectedCallback() {
    const own = Object.getOwnPropertyDescriptor(this, 'turns')
    if (own) { delete (this as any).turns; this.turns = own.value }
    this.textContent = String(this.#turns)
  }
})
`
const USE = `import { contract, Type, check } from 'caulker'
import { nativeText } from 'caulker/dom'
import { clauses } from 'caulker/probe'
import { checkText } from 'caulker/report'
const none = { kind: 'check', version: 1, contracts: 1, screens: 0, interiors: 0, journeys: 0, pages: 0, findings: [], troubles: [] }
console.log(nativeText.tag, clauses.length, checkText(none).trim(), check({ contracts: [contract('a-b', {})], screens: [] }).length)
`
const APP = `import { screen, twoWay, Type } from 'caulker'
import { mountScreen, nativeText } from 'caulker/dom'
const berth = screen('berth', {
  cells: { vessel: { type: Type.String(), initial: 'Bittern' } },
  fittings: { vessel: nativeText },
  bind: ({ cells }) => ({ vessel: { value: twoWay(cells.vessel) } }),
})
mountScreen(berth, document.body)
`
const TYPES = `import { contract, Type } from 'caulker'
import { mountScreen } from 'caulker/dom'
import { probe } from 'caulker/probe'
import { checkPages } from 'caulker/page'
import { checkText } from 'caulker/report'
export const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
export const used = [mountScreen, probe, checkPages, checkText] as const
`

describe('the packed packages', function () {
  this.timeout(300_000)
  const tarballs = new Map<string, string>()
  let alone = ''

  before(async () => {
    const folder = folderWith({})
    for (const name of ['caulker', 'caulker-cli']) {
      const packed = await run('npm', ['pack', '-w', `packages/${name}`, '--silent', '--pack-destination', folder])
      tarballs.set(name, join(folder, packed.out.trim().split('\n').pop()!))
    }
    alone = folderWith({
      'package.json': '{ "name": "quay", "private": true, "type": "module" }',
      'index.html': '<body><input data-fitting="vessel"><script type="module" src="./app.js"></script></body>',
      'app.js': APP,
      'types.ts': TYPES,
      'tsconfig.json': JSON.stringify({
        compilerOptions: {
          strict: true,
          noEmit: true,
          target: 'esnext',
          module: 'nodenext',
          lib: ['esnext', 'dom', 'dom.iterable'],
          skipLibCheck: false,
          types: [],
        },
        files: ['types.ts'],
      }),
    })
    const installed = await run('npm', ['install', '--prefer-offline', '--silent', tarballs.get('caulker')!], alone)
    expect(installed.code, installed.err).to.equal(0)
  })

  it('the library is installed with some ten small packages, and none that needs Node', () => {
    const found = readdirSync(join(alone, 'node_modules')).filter((name) => !name.startsWith('.'))
    expect(found).to.eql([
      '@standard-schema',
      'caulker',
      'css-what',
      'dequal',
      'dom-accessibility-api',
      'entities',
      'fast-check',
      'fast-string-truncated-width',
      'fast-string-width',
      'fast-wrap-ansi',
      'fastest-levenshtein',
      'parse5',
      'picocolors',
      'pure-rand',
      'typebox',
    ])
  })

  it('the library alone builds with Vite, and its types compile where those of libraries are checked too', async () => {
    const built = await run(process.execPath, [bin('vite'), 'build', alone, '--logLevel', 'error'])
    expect([built.code, built.err]).to.eql([0, ''])
    const compiled = await run(process.execPath, [...TSC, '-p', alone])
    expect([compiled.code, compiled.out]).to.eql([0, ''])
  })

  it('bring the schemas, the guide and the reference, and name no file that is not there', () => {
    const folder = join(alone, 'node_modules/caulker')
    for (const file of [
      'schema/report-1.json',
      'schema/contract-1.json',
      'docs/guide.md',
      'docs/reference.md',
      'README.md',
    ])
      expect(existsSync(join(folder, file)), file).to.equal(true)
    for (const page of ['README.md', 'docs/guide.md', 'docs/check-what-you-have.md', 'docs/adopted.md'])
      for (const [, link] of readFileSync(join(folder, page), 'utf8').matchAll(/\]\(([^)#:]+)\)/g))
        expect(existsSync(join(folder, page, '..', link!)), `${page}: ${link}`).to.equal(true)
    const { sideEffects } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as { sideEffects: string[] }
    for (const file of sideEffects) expect(existsSync(join(folder, file)), file).to.equal(true)
  })

  for (const name of ['caulker', 'caulker-cli'])
    it(`${name}: two linters of packages have nothing to say`, async () => {
      const tarball = tarballs.get(name)!
      const linted = await run(process.execPath, [bin('publint'), tarball, '--strict'])
      expect([linted.code, linted.out + linted.err]).to.satisfy(
        ([code, said]: [number, string]) => code === 0 && said.includes('All good'),
        linted.out + linted.err,
      )
      if (name === 'caulker-cli') return
      const typed = await run(process.execPath, [bin('attw'), tarball, '--profile', 'esm-only', '--no-emoji'])
      expect(typed.code, typed.out).to.equal(0)
    })

  it('both work in an empty project', async () => {
    const folder = folderWith({
      'package.json': '{ "name": "slipway", "private": true, "type": "module" }',
      'chain-winch.contract.ts': WINCH,
      'chain-winch.ts': ELEMENT,
      'use.mjs': USE,
    })
    const installed = await run('npm', ['install', '--prefer-offline', '--silent', ...tarballs.values()], folder)
    expect(installed.code, installed.err).to.equal(0)
    expect((await run('node', ['use.mjs'], folder)).out).to.match(
      /^native-text \d+ No leaks found in 1 contract\. 1\n$/,
    )
    expect((await run('npx', ['caulker', 'check', '.'], folder)).out).to.equal('No leaks found in 1 contract.\n')
    for (const where of [[], ['--browser']]) {
      const { code, out, err } = await run('npx', ['caulker', 'probe', '.', ...where], folder)
      expect([code, out + err]).to.satisfy(
        ([ended, said]: [number, string]) => ended === 0 && said.includes('\n1 component not judged:'),
        out + err,
      )
    }
  })
})
