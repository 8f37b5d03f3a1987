import { expect } from 'chai'
import { existsSync, mkdirSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { spawn } from 'node:child_process'
import { caulker, CLI, folderWith, run } from './support/cli.js'

/** A folder in which both packages can be imported. */
const projectWith = (files: Record<string, string>) => {
  const folder = folderWith({ 'package.json': '{ "type": "module" }', ...files })
  mkdirSync(join(folder, 'node_modules'))
  for (const name of ['caulker', 'caulker-cli', 'mocha', 'chai'])
    symlinkSync(join(process.cwd(), 'node_modules', name), join(folder, 'node_modules', name))
  return folder
}

describe('starting in a project', () => {
  it('writes a first component, its contract and a screen that run, and writes over nothing', async () => {
    const folder = join(folderWith({}), 'yard')
    const { code, out } = await caulker('start', folder)
    expect([code, out.split('\n')[0]]).to.eql([0, 'A first component, its contract and a screen that uses it.'])
    expect((await caulker('check', folder)).out).to.equal('No leaks found in 1 contract, 1 screen and 1 page.\n')
    const probed = await caulker('probe', folder, '--clause', 'shows-initial', 'reports-once', 'resets-fully')
    expect([probed.code, probed.out.trim().split('\n').pop()]).to.eql([
      0,
      'No leaks in 1 component: 3 held, in an embedded DOM.',
    ])
    const { scripts } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as { scripts: { leaks: string } }
    expect(scripts.leaks).to.equal('caulker check && caulker rehearse && caulker probe')
    writeFileSync(join(folder, 'main.js'), '// mine')
    expect((await caulker('start', folder)).out).to.match(/^1 contract is here already\.\n/)
    expect(readFileSync(join(folder, 'main.js'), 'utf8')).to.equal('// mine')
  })

  it('adopts components that are there, and says what comes next', async () => {
    const folder = folderWith({
      'src/hull-mark.js': `customElements.define('hull-mark', class extends HTMLElement { set mark(m) { this.textContent = m } get mark() { return this.textContent } })`,
      'src/hull-mark.test.js': `customElements.define('never-loaded', class extends HTMLElement {}); throw new Error('a test')`,
    })
    const { code, out } = await caulker('start', folder)
    expect([code, out.split('\n')[0]]).to.eql([
      0,
      '1 module with custom elements and no contract: reading contracts off them.',
    ])
    expect(existsSync(join(folder, 'contracts/hull-mark.contract.json'))).to.equal(true)
    expect(out).to.match(/\nNext:\n {2}cd .* && npx caulker check /)
  })

  it('says of a file that it is none', async () => {
    const { code, err } = await caulker('start', 'package.json')
    expect([code, err]).to.eql([2, 'caulker: package.json: it is a file; name the folder of the project\n'])
  })
})

describe('a clause', () => {
  it('is explained by its id, by check and by probe alike', async () => {
    const explained = await caulker('check', '--explain', 'follows-change')
    expect(explained.out).to.match(/^follows-change, a clause of a probe: .*\n\n.*\n\nHow it is tried: /)
    expect(await caulker('probe', '--explain', 'follows-change')).to.eql(explained)
    expect(await caulker('probe', '--explain', 'folows-change')).to.include({
      code: 2,
      err: "caulker: --explain folows-change: there is no such rule or clause; did you mean 'follows-change'?\n",
    })
  })
})

describe('a suite in plain Mocha', () => {
  const ELEMENT = `customElements.define('hull-mark', class extends HTMLElement { set mark(m) { this.textContent = m ?? '' } get mark() { return this.textContent } })`
  const suite = (first: string) => `${first}
import { contract, Type } from 'caulker'
import { probeSuite } from 'caulker/probe'
const mark = contract('hull-mark', { properties: { mark: { type: Type.String(), default: '' } } })
probeSuite(mark, { define: () => import('./hull-mark.js'), clauses: ['shows-initial', 'follows-change', 'takes-empty'] })
it('leaves the globals as they were', () => { if ('document' in globalThis) throw new Error('there is one') })
`
  const mocha = (folder: string) =>
    run(process.execPath, [join('node_modules', 'mocha', 'bin', 'mocha.js'), '--reporter', 'dot', 'suite.mjs'], folder)

  it('is given a document while the component is probed, before its tests and without a time limit', async () => {
    const folder = projectWith({ 'hull-mark.js': ELEMENT, 'suite.mjs': suite(`import 'caulker-cli/document'`) })
    const { code, out } = await mocha(folder)
    expect([code, out]).to.satisfy(([ended, said]: [number, string]) => ended === 0 && / passing /.test(said), out)
  })

  it('is told in one line what to import where there is none', async () => {
    const { code, out } = await mocha(projectWith({ 'hull-mark.js': ELEMENT, 'suite.mjs': suite('') }))
    expect(code).not.to.equal(0)
    expect(out).to.include(
      "there is no document here to mount in: write import 'caulker-cli/document' at the top of the test",
    )
  })
})

describe('watching a probe', () => {
  it('probes again what a saved file is about', async () => {
    const field = (tag: string) =>
      `customElements.define('${tag}', class extends HTMLElement { set mark(m) { this.textContent = m ?? '' } get mark() { return this.textContent } })`
    const promise = (tag: string) =>
      `import { contract, Type } from 'caulker'\nexport const made = contract('${tag}', { properties: { mark: { type: Type.String(), default: '' } } })\n`
    const folder = folderWith({
      'a-mark.contract.ts': promise('a-mark'),
      'a-mark.js': field('a-mark'),
      'b-mark.contract.ts': promise('b-mark'),
      'b-mark.js': field('b-mark'),
    })
    const child = spawn(process.execPath, [CLI, 'probe', folder, '--watch', '--clause', 'follows-change'], {
      env: { ...process.env, NO_COLOR: '1' },
    })
    let out = ''
    child.stdout.on('data', (text: Buffer) => (out += text.toString()))
    const said = async (what: RegExp) => {
      while (!what.test(out)) await new Promise((next) => setTimeout(next, 50))
    }
    await said(/No leaks in 2 components[^]*Watching/)
    writeFileSync(join(folder, 'b-mark.js'), field('b-mark').replace("m ?? ''", "this.textContent || (m ?? '')"))
    await said(/changed; probing again: b-mark\n[^]*1 of 1 component leaks: 1 broken/)
    child.kill('SIGINT')
    await new Promise((ended) => child.on('close', ended))
  })
})
