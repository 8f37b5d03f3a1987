import { expect } from 'chai'
import { probe } from 'caulker/probe'
import { openEmbeddedWindow, type EmbeddedWindow } from '../packages/caulker-cli/dist/node/embedded-window.js'
import { corpus } from './corpus/all.js'

describe('the fault corpus', () => {
  let window: EmbeddedWindow
  before(() => {
    window = openEmbeddedWindow()
    for (const { define } of corpus.flat()) define()
  })
  after(() => window.close())

  for (const [sound, ...faulty] of corpus) {
    it(`${sound!.contract.tag}: nothing is said of the sound one, and most clauses are proved`, async () => {
      const { clauses } = await probed(sound!)
      expect(clauses.filter(({ status }) => status === 'broken').map(({ clause, leak }) => [clause, leak])).to.eql([])
      expect(clauses.filter(({ status }) => status === 'held').length).to.be.at.least(14)
    })
    for (const one of faulty)
      it(`${one.contract.tag}: a right clause names it`, async () => {
        const broken = (await probed(one, one.clauses)).clauses.filter(({ status }) => status === 'broken')
        const right = broken.filter(({ clause }) => one.clauses.includes(clause))
        expect(right, `broken: ${broken.map(({ clause }) => clause).join(', ') || 'none'}`).not.to.eql([])
        expect(right[0]!.leak!.ledger.length - 1, 'steps of the trail').to.be.at.most(4)
      })
  }

  /** A fault is only looked for by the clauses that may name it; `npm run corpus` asks all of them, in both environments. */
  const probed = ({ contract }: (typeof corpus)[number][number], clauses?: readonly string[]) =>
    probe(contract, { document: window.document, frames: window.frames, ...(clauses && { clauses }) })
})
