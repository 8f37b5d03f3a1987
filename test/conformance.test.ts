import { expect } from 'chai'
import { readFileSync } from 'node:fs'
import { idealPlayer } from './conformance/ideal-player.js'
import { openWindow } from './support/window.js'
import { journeyRows } from './conformance/journey-rows.js'
import { pageRows } from './conformance/page-rows.js'
import { pagePlayer } from './conformance/page-player.js'
import { parting } from './conformance/random-wiring.js'
import { rows } from './conformance/rows.js'

const all = [...rows, ...journeyRows, ...pageRows]
const sentences = new Map(
  [...readFileSync('docs/semantics.md', 'utf8').matchAll(/^- \*\*(\d+\.\d+)\*\* (.+)$/gm)].map(
    ([, at, sentence]) => [at!, sentence!] as const,
  ),
)

describe('what happens when something changes', () => {
  it('is written sentence by sentence, and each sentence has a row', () => {
    expect([...sentences.keys()].filter((at) => !all.some((row) => row.at === at))).to.eql([])
    expect(all.map(({ at }) => at).filter((at) => !sentences.has(at))).to.eql([])
  })

  describe('over ideal components', () => {
    for (const { at, play, onlyOn } of all)
      if (onlyOn === undefined) it(`${at} ${sentences.get(at)}`, () => play(idealPlayer))
  })

  describe('over elements in an embedded DOM', () => {
    let page: ReturnType<typeof openWindow>
    before(() => (page = openWindow()))
    after(() => page.close())
    for (const { at, play } of all) it(`${at} ${sentences.get(at)}`, () => play(pagePlayer(page.view)))

    it('comes to the same as over ideal components, whatever the wiring and what is done to it', async () => {
      const player = pagePlayer(page.view)
      for (let seed = 0; seed < 200; seed++)
        expect(await parting(seed, idealPlayer, player), `seed ${seed}`).to.equal(undefined)
    })
  })
})
