import { elementsOfManifest, manifestOf, withDeclared } from 'caulker/inside/contract'
import { contract, contractFromJson, Type } from 'caulker'
import { expect } from 'chai'

describe('a manifest of custom elements', () => {
  const winch = contract('chain-winch', {
    summary: 'A winch on its chain',
    properties: { chain: { type: Type.Enum(['short', 'long']), default: 'short', summary: 'How long it is' } },
    values: { turns: { type: Type.Number(), default: 0 } },
    events: { jammed: { summary: 'It is stuck' } },
    commands: { reset: { effect: 'reset' } },
    slots: { handle: { summary: 'What one turns' } },
  })
  const manifest = manifestOf([winch], () => 'elements/winch.js')

  it('is written from contracts and read back', () => {
    const [element] = elementsOfManifest(JSON.parse(JSON.stringify(manifest)))
    expect(element).to.deep.include({
      tag: 'chain-winch',
      module: 'elements/winch.js',
      summary: 'A winch on its chain',
    })
    expect(element!.fields.map(({ name, attribute }) => [name, attribute])).to.eql([
      ['chain', 'chain'],
      ['turns', 'turns'],
    ])
    expect(element!.events.map(({ name }) => name)).to.eql(['turns-set', 'jammed'])
    expect(element!.slots).to.eql([{ name: 'handle', summary: 'What one turns' }])
  })

  it('puts its types and summaries into what was read off the live element, and takes the guesses out', () => {
    const [element] = elementsOfManifest(manifest)
    const live = {
      tag: 'chain-winch',
      properties: { chain: { type: { type: 'string' }, default: 'short' } },
      guesses: { 'properties.chain.type': 'it takes any text' },
    }
    const whole = contractFromJson(withDeclared(live, element!))
    expect(whole.summary).to.equal('A winch on its chain')
    expect(whole.properties['chain']!.summary).to.equal('How long it is')
    expect(whole.guesses).to.eql({})
    expect(Object.keys(whole.events)).to.include('jammed')
  })

  it('reads whatever it is given, and never throws', () => {
    for (const odd of [
      null,
      7,
      [],
      {},
      { modules: [null, { declarations: 'x' }, { declarations: [{ tagName: 'a-b' }] }] },
    ])
      expect(() => elementsOfManifest(odd)).not.to.throw()
  })
})
