import { expect } from 'chai'
import { probe } from 'caulker/probe'
import { corpus } from './corpus/all.js'
import { inDocument } from './support/embedded.js'

describe('the fault corpus', () => {
  for (const [sound, ...faulty] of corpus) {
    it(`${sound!.contract.tag}: nothing is said of the sound one`, () =>
      brokenIn(sound!).then((broken) => expect(broken).to.eql([])))
    for (const one of faulty)
      it(`${one.contract.tag}: a right clause names it`, async () => {
        const broken = await brokenIn(one)
        expect(
          broken.filter((clause) => one.clauses.includes(clause)),
          `broken: ${broken.join(', ') || 'none'}`,
        ).not.to.eql([])
      })
  }
})

function brokenIn({ contract, define }: (typeof corpus)[number][number]): Promise<string[]> {
  return inDocument(async (document, next) => {
    define()
    const { clauses } = await probe(contract, { document, frames: { milliseconds: 16, next } })
    return clauses.filter(({ status }) => status === 'broken').map(({ clause }) => clause)
  })
}
