import { expect } from 'chai'
import { controlsIn, linesOnlyIn, optionsOf, pictureOf, samePicture, samplesFor } from 'caulker/inside/probe'
import { Type } from 'caulker'
import { inDocument } from './support/embedded.js'

describe('what assistive technology is told of a control', () => {
  const announced: [string, string, string[]][] = [
    ['its kind, and its own label', '<label>Pitch <input></label>', ['announced: text field “Pitch”']],
    ['a label that points at it', '<label for="a">Oakum</label><input id="a">', ['announced: text field “Oakum”']],
    [
      'a name that stands elsewhere, before any other',
      '<b id="n">Bales</b><input aria-labelledby="n" aria-label="no" title="no">',
      ['announced: text field “Bales”'],
    ],
    [
      'a name of several parts',
      '<b id="x">Seam</b><i id="y">length</i><input type="number" aria-labelledby="x y">',
      ['announced: number field “Seam length”'],
    ],
    [
      'how far a native field goes',
      '<input type="number" min="2" max="40"><input type="date" min="2031-05-01">',
      ['announced: number field, 2 to 40', 'announced: text field, 2031-05-01 to …'],
    ],
    [
      'how far a control goes that is none by itself',
      '<div role="slider" aria-valuenow="7" aria-valuemin="0" aria-valuemax="12" aria-label="Depth"></div>',
      ['announced: slider “Depth”, 0 to 12'],
    ],
    ['a title where there is nothing else', '<button title="Sink"></button>', ['announced: button “Sink”']],
    ['no name where a label points past it', '<label for="b">Oakum</label><input id="a">', ['announced: text field']],
    [
      'no name of what comes and goes',
      '<output id="n" role="status">Saved</output><input aria-labelledby="n">',
      ['announced: text field'],
    ],
  ]
  for (const [what, markup, lines] of announced)
    it(`is ${what}`, () =>
      inDocument((document) => {
        document.body.innerHTML = markup
        expect(pictureOf(document.body).announced).to.eql(lines)
      }))

  it('makes two pictures differ that look the same, and the difference names it', () =>
    inDocument((document) => {
      document.body.innerHTML = '<b id="n">Bales</b><input aria-labelledby="n">'
      const named = pictureOf(document.body)
      document.querySelector('input')!.removeAttribute('aria-labelledby')
      const unnamed = pictureOf(document.body)
      expect(unnamed.lines).to.eql(named.lines)
      expect(samePicture(named, unnamed)).to.equal(false)
      expect(linesOnlyIn(named, unnamed)).to.eql(['announced: text field “Bales”'])
    }))
})

describe('a list that is drawn at the end of the page', () => {
  it('belongs to the button that opens it, and its options can be chosen there', () =>
    inDocument((document) => {
      const place = document.body.appendChild(document.createElement('div'))
      place.innerHTML = '<button aria-haspopup="listbox">Wood</button>'
      const [opener] = controlsIn(place)
      expect(opener?.kind).to.equal('combo box')
      expect(optionsOf(opener!.element)).to.eql([])
      const list = document.body.appendChild(document.createElement('ul'))
      list.setAttribute('role', 'listbox')
      list.innerHTML = '<li role="option">oak</li><li role="option" hidden>elm</li><li role="option">pine</li>'
      expect(optionsOf(opener!.element).map((option) => option.textContent)).to.eql(['oak', 'pine'])
    }))

  it('is the one that the control names, and one beside it before one far away', () =>
    inDocument((document) => {
      document.body.innerHTML = `
        <ul role="listbox"><li role="option">far</li></ul>
        <div id="one"><button aria-haspopup="listbox" aria-controls="named"></button></div>
        <ul role="listbox" id="named"><li role="option">named</li></ul>`
      const host = document.body.appendChild(document.createElement('div'))
      host.attachShadow({ mode: 'open' }).innerHTML =
        '<input role="combobox"><ul role="listbox"><li role="option">near</li></ul>'
      const textsOf = (root: ParentNode) =>
        controlsIn(root).map(({ element }) => optionsOf(element).map((option) => option.textContent))
      expect(textsOf(document.querySelector('#one')!)).to.eql([['named']])
      expect(textsOf(host.shadowRoot!)).to.eql([['near']])
    }))
})

describe('samples of a text with a pattern', () => {
  const none = () => []
  for (const pattern of ['^[A-Z]{2}-\\d{3}$', '^([01]\\d|2[0-3]):[0-5]\\d$', '^(oak|elm|larch) plank$'])
    it(`fit ${pattern}, and are the same each time`, () => {
      const type = Type.String({ pattern })
      const made = samplesFor(type, none)
      expect(made.length).to.be.at.least(2)
      for (const text of made) expect(text).to.match(new RegExp(pattern))
      expect(samplesFor(type, none)).to.eql(made)
    })

  it('are the usual ones where there is no pattern, or enough of them have it', () => {
    expect(samplesFor(Type.String(), none)).to.include('oakum')
    expect(samplesFor(Type.String({ pattern: '^[a-z]+$' }), none)).to.include.members(['oakum', 'pitch'])
  })
})
