import { type Fault } from 'caulker/inside/machine'
import { expect } from 'chai'
import { contract, interior, oneWay, payload, run, screen, set, twoWay, Type } from 'caulker'
import { elementFrom, elementMount, mountScreen, nativeButton, nativeNumber, nativeText } from 'caulker/dom'
import { inDocument } from './support/embedded.js'

const order = screen('order', {
  cells: {
    vessel: { type: Type.String(), initial: 'Bittern', amend: (name) => name.replace(/\d/g, '') },
    feet: { type: Type.Union([Type.Number(), Type.Null()]), initial: 12 },
    locked: { type: Type.Boolean(), initial: false },
  },
  fittings: { vessel: nativeText, feet: nativeNumber, none: nativeButton },
  actions: ({ cells }) => ({ none: [set(cells.feet, null)] }),
  bind: ({ cells, actions }) => ({
    vessel: { value: twoWay(cells.vessel), readOnly: oneWay(cells.locked) },
    feet: { value: twoWay(cells.feet), max: 40 },
    none: { text: 'None', on: { press: actions.none } },
  }),
})
const MARKUP =
  '<input data-fitting="vessel"><input type="number" data-fitting="feet"><button data-fitting="none"></button>'

const type = (field: HTMLInputElement, text: string) => {
  field.value = text
  field.dispatchEvent(new window.InputEvent('input', { bubbles: true }))
}

describe('an element on a page', () => {
  it('is given a name without a property by its attribute, and what it needs inside and beside it', () =>
    inDocument((document) => {
      customElements.define(
        'hook-rack',
        class extends HTMLElement {
          connectedCallback(): void {
            this.title = `${this.children.length} hooks, ${document.querySelectorAll('#oils option').length} oils`
          }
        },
      )
      const rack = contract('hook-rack', {
        properties: {
          weight: { type: Type.Integer(), default: 5, attribute: 'data-weight', only: 'attribute' },
          wet: { type: Type.Boolean(), default: false, only: 'attribute' },
        },
        content: { inside: '<i></i><i></i>', beside: '<datalist id="oils"><option>linseed</option></datalist>' },
      })
      const place = document.body.appendChild(document.createElement('div'))
      const mounted = elementMount({ into: place })(rack, { wet: true }, () => undefined)
      const element = place.querySelector('hook-rack') as HTMLElement
      const seen = () => [element.dataset['weight'], element.hasAttribute('wet'), mounted.read('weight')]
      expect([element.title, ...seen()]).to.eql(['2 hooks, 1 oils', undefined, true, 5])
      mounted.tell({ weight: 7, wet: false })
      expect(seen()).to.eql(['7', false, 7])
      mounted.tell({ weight: undefined })
      expect(seen()).to.eql([undefined, false, 5])
      mounted.remove()
      expect(place.innerHTML).to.equal('')
    }))
})

describe('an element from an interior', () => {
  const gate = contract('lock-gate', {
    properties: { unit: { type: Type.String(), default: 'feet' } },
    values: {
      opening: {
        type: Type.Union([Type.Number(), Type.Null()]),
        default: 4,
        vetoEvent: 'opening-asked',
        payloadAt: '/detail/gate/opening',
        carries: { '/detail/unit': 'unit' },
        bubbles: true,
      },
      keeper: { type: Type.String(), default: '', applies: 'when-told' },
    },
    commands: { widen: { takes: Type.Number(), gives: Type.Union([Type.Number(), Type.Null()]) } },
  })
  const inside = interior(gate, {
    fittings: { opening: nativeNumber, keeper: nativeText },
    commands: ({ face }) => ({ widen: [set(face.values.opening, payload())] }),
    answers: ({ face }) => ({ widen: face.values.opening }),
    bind: ({ face }) => ({
      opening: { value: twoWay(face.values.opening) },
      keeper: { value: twoWay(face.values.keeper) },
    }),
  })
  const made = (work: (element: InstanceType<ReturnType<typeof define>>, fields: HTMLInputElement[]) => void) =>
    inDocument((document) => {
      const element = document.body.appendChild(new (define())())
      work(element, [...element.shadowRoot!.querySelectorAll('input')])
    })
  const define = () => {
    const LockGate = elementFrom(inside, {
      markup: '<input type="number" data-fitting="opening"><input data-fitting="keeper">',
    })
    customElements.define('lock-gate', LockGate)
    return LockGate
  }

  it('asks its owner first while all still stands as it was, and takes back what is vetoed', () =>
    made((element, [field]) => {
      const heard: unknown[] = []
      let allows = false
      element.addEventListener('opening-asked', (event) => {
        heard.push(['asked', event.detail.gate.opening, element.opening])
        // What the owner does meanwhile waits for its turn.
        element.unit = 'fathoms'
        if (!allows) event.preventDefault()
      })
      document.body.addEventListener('opening-set', (event) => heard.push(['set', (event as CustomEvent).detail]))
      type(field!, '9')
      field!.dispatchEvent(new window.Event('change', { bubbles: true }))
      expect([element.opening, field!.value, element.unit]).to.eql([4, '4', 'fathoms'])
      allows = true
      type(field!, '9')
      expect([element.opening, field!.value]).to.eql([9, '9'])
      element.opening = 2
      expect(heard).to.eql([
        ['asked', 9, 4],
        ['asked', 9, 4],
        ['set', { gate: { opening: 9 }, unit: 'fathoms' }],
      ])
    }))

  it('only proposes what applies when its owner tells it', () =>
    made((element, [, field]) => {
      const heard: string[] = []
      element.addEventListener('keeper-set', ({ detail }) => heard.push(detail.value))
      type(field!, 'Osk')
      field!.dispatchEvent(new window.Event('change', { bubbles: true }))
      field!.dispatchEvent(new window.FocusEvent('focusout', { bubbles: true }))
      expect([heard, element.keeper, field!.value]).to.eql([['Osk'], '', ''])
      element.keeper = 'Osk'
      expect([heard, field!.value]).to.eql([['Osk'], 'Osk'])
    }))

  it('gives back what a command answers', () => made((element) => expect(element.widen(12)).to.equal(12)))
})

describe('a screen on a page', () => {
  it('shows its cells, takes edits of native controls, and lets an action change them', () =>
    inDocument((document) => {
      document.body.innerHTML = MARKUP
      const mounted = mountScreen(order, document.body)
      const [vessel, feet] = document.querySelectorAll('input')
      expect([vessel!.value, feet!.value, feet!.max, document.querySelector('button')!.textContent]).to.eql([
        'Bittern',
        '12',
        '40',
        'None',
      ])
      type(feet!, '7.5')
      expect(mounted.read('feet')).to.equal(7.5)
      type(feet!, '')
      expect(mounted.read('feet')).to.equal(null)
      mounted.set('feet', 3)
      document.querySelector('button')!.click()
      expect([feet!.value, mounted.component('feet').read('value')]).to.eql(['', null])
      mounted.set('locked', true)
      expect(vessel!.readOnly).to.equal(true)
    }))

  it('corrects the field when the owner amends what was typed, and writes it in no other case', () =>
    inDocument((document) => {
      document.body.innerHTML = MARKUP
      mountScreen(order, document.body)
      const vessel = document.querySelector('input')!
      type(vessel, 'Heron 2')
      expect(vessel.value).to.equal('Heron ')
      let writes = 0
      Object.defineProperty(vessel, 'value', { configurable: true, get: () => 'Heron', set: () => writes++ })
      vessel.dispatchEvent(new window.InputEvent('input', { bubbles: true }))
      expect(writes).to.equal(0)
    }))

  it('does not write into a field while a person composes text', () =>
    inDocument((document) => {
      document.body.innerHTML = MARKUP
      const mounted = mountScreen(order, document.body)
      const vessel = document.querySelector('input')!
      vessel.dispatchEvent(new window.CompositionEvent('compositionstart', { bubbles: true }))
      mounted.set('vessel', 'Heron')
      expect(vessel.value).to.equal('Bittern')
      vessel.dispatchEvent(new window.CompositionEvent('compositionend', { bubbles: true }))
      expect(vessel.value).to.equal('Heron')
    }))

  it('hears nothing any more once it is removed, and leaves the markup where it is', () =>
    inDocument((document) => {
      document.body.innerHTML = MARKUP
      const mounted = mountScreen(order, document.body)
      mounted.remove()
      type(document.querySelector('input')!, 'Heron')
      expect([mounted.read('vessel'), document.body.children.length]).to.eql(['Bittern', 3])
    }))

  const unmountable: [string, string, string][] = [
    [
      'a fitting without an element',
      '<input data-fitting="vesel"><input type="number" data-fitting="feet"><button data-fitting="none"></button>',
      "no element with data-fitting=\"vessel\" for 'native-text'; did you mean 'vesel'?",
    ],
    [
      'an element of another kind',
      '<p data-fitting="vessel"></p>',
      "expected a text field (<input> or <textarea>) for the contract 'native-text', found <p>",
    ],
    [
      'one name on two elements',
      '<input data-fitting="vessel"><input data-fitting="vessel">',
      '2 elements with data-fitting="vessel"',
    ],
  ]
  for (const [what, markup, message] of unmountable)
    it(`says what is wrong with the markup: ${what}`, () =>
      inDocument((document) => {
        document.body.innerHTML = markup
        expect(() => mountScreen(order, document.body)).to.throw(message)
      }))
})

describe('the mount over an element', () => {
  const winch = contract('chain-winch', {
    properties: { most: { type: Type.Integer() } },
    values: { turns: { type: Type.Integer(), default: 0, bounds: { most: 'most' } } },
    commands: { slack: {} },
  })

  it('sets bounds before values, before the element is connected', () =>
    inDocument((document) => {
      const set: string[] = []
      customElements.define(
        'chain-winch',
        class extends HTMLElement {
          set turns(turns: number) {
            set.push(`turns ${turns} ${this.isConnected}`)
          }
          set most(most: number) {
            set.push(`most ${most} ${this.isConnected}`)
          }
        },
      )
      elementMount({ into: document.body })(winch, { turns: 3, most: 9 }, () => undefined)
      expect(set).to.eql(['most 9 false', 'turns 3 false'])
    }))

  it('says what to do when the element is not registered, and passes on what its constructor throws', () =>
    inDocument((document) => {
      const mount = () => elementMount({ into: document.body })(winch, {}, () => undefined)
      expect(mount).to.throw('<chain-winch> is not registered; import the module that defines it first')
      customElements.define(
        'chain-winch',
        class extends HTMLElement {
          constructor() {
            super()
            throw new Error('no chain')
          }
        },
      )
      expect(mount).to.throw('no chain')
    }))

  it('reports what a component throws when it is told, with its place, and runs on', () =>
    inDocument((document) => {
      customElements.define(
        'chain-winch',
        class extends HTMLElement {
          set turns(turns: number) {
            if (turns > 5) throw new Error('the chain is out')
          }
        },
      )
      document.body.innerHTML = '<chain-winch data-fitting="winch"></chain-winch><input data-fitting="note">'
      const faults: Fault[] = []
      const mounted = mountScreen(
        screen('slip', {
          cells: { turns: { type: Type.Integer(), initial: 2 } },
          fittings: { winch, note: nativeText },
          actions: ({ fittings }) => ({ slack: [run(fittings.winch, 'slack')] }),
          reckoned: () => ({}),
          bind: ({ cells }) => ({ winch: { turns: twoWay(cells.turns) }, note: { placeholder: 'turns' } }),
        }),
        document.body,
        { onFault: (fault) => faults.push(fault) },
      )
      mounted.set('turns', 7)
      mounted.act('slack')
      expect(faults.map(({ place, error }) => `${place}: ${(error as Error).message}`)).to.eql([
        'tell of winch: the chain is out',
        "command winch.slack: <chain-winch> has no method 'slack'",
      ])
      expect(mounted.read('turns')).to.equal(7)
    }))
})
