import { expect } from 'chai'
import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { globSync } from 'tinyglobby'
import { createLoader } from '../packages/caulker-cli/dist/node/load.js'
import { folderWith } from './support/cli.js'
import { inDocument } from './support/embedded.js'

const blocksOf = (text: string) => [...text.matchAll(/```ts\n([^]*?)```/g)].map((found) => found[1]!)

/** Runs a block as a module with a DOM around it; a failed assertion of its own fails the test. */
async function runs(code: string): Promise<void> {
  const folder = folderWith({ 'block.ts': code })
  await inDocument(async (document, next) => {
    document.body.innerHTML = ''
    const { assert } = console
    const failed: unknown[] = []
    console.assert = (isTrue?: boolean, ...rest: unknown[]) => {
      if (isTrue !== true) failed.push(rest.length > 0 ? rest : code)
    }
    let running = true
    const frames = (async () => {
      while (running) await next()
    })()
    try {
      await createLoader()(join(folder, 'block.ts'))
    } finally {
      running = false
      await frames
      console.assert = assert
    }
    expect(failed).to.eql([])
  })
}

describe('the words of the project', () => {
  for (const [at, code] of blocksOf(readFileSync('README.md', 'utf8')).entries())
    it(`README: block ${at + 1} runs`, () => runs(code))

  for (const [at, code] of blocksOf(readFileSync('docs/guide.md', 'utf8')).entries())
    it(`guide: block ${at + 1} runs`, () => runs(code))

  for (const page of ['check-what-you-have', 'sources', 'drafts', 'submit-and-reset', 'journeys', 'interiors'])
    for (const [at, code] of blocksOf(readFileSync(`docs/${page}.md`, 'utf8')).entries())
      it(`${page}: block ${at + 1} runs`, () => runs(code))

  it('reference: is the one of these rules and clauses', async () => {
    const written = readFileSync('docs/reference.md', 'utf8')
    const { reference } = (await import('../scripts/reference.mjs' as string)) as { reference(): string }
    expect(written).to.equal(reference())
  })

  for (const file of globSync('packages/caulker/src/**/*.ts'))
    for (const found of readFileSync(file, 'utf8').matchAll(/@example\n([^]*?)\*\//g))
      it(`${file}: the example at ${found.index} runs`, () => runs(blocksOf(found[1]!.replace(/^ *\* ?/gm, ''))[0]!))

  it('README: every picture and file that it links is there', () => {
    for (const [, link] of readFileSync('README.md', 'utf8').matchAll(/\]\(([^)#:]+)\)/g))
      expect(existsSync(resolve(link!)), link).to.equal(true)
  })

  for (const project of ['test/types', 'examples'])
    it(`${project}: compiles, and the compiler refuses every misuse that is marked`, () => {
      const { status, stdout } = spawnSync(process.execPath, ['node_modules/typescript/bin/tsc', '-p', project], {
        encoding: 'utf8',
      })
      expect(status, stdout).to.equal(0)
    })
})
