import {
  controlRefs,
  gestureText,
  namedGestureProblem,
  optionsOf,
  personAt,
  pictureOf,
  type Gesture,
} from 'caulker/inside/probe'
import { expect } from 'chai'
import { contract, Type } from 'caulker'
import { probe, type NamedGesture } from 'caulker/probe'
import { inDocument } from './support/embedded.js'

type On = (nth: number) => never

/** What happened in a piece of markup while a person did something in it. */
const happenedIn = (markup: string, gestures: (on: On) => Gesture[], listen: string[]) =>
  inDocument((document) => {
    const place = document.body.appendChild(document.createElement('div'))
    place.innerHTML = markup
    const happened: string[] = []
    for (const name of listen)
      place.addEventListener(name, ({ target }) => happened.push(`${name} ${(target as HTMLInputElement).value ?? ''}`))
    const refs = controlRefs(place).map(({ ref }) => ref)
    const person = personAt(place)
    const refused = gestures((nth) => refs[nth] as never)
      .map((gesture) => person.act(gesture) as string | undefined)
      .filter((one) => one !== undefined)
    return { happened, refused, place }
  })

describe('a pointer that is moved on', () => {
  const moves = async (end: 'release' | 'cancel') => {
    const buttons: string[] = []
    await inDocument((document) => {
      const place = document.body.appendChild(document.createElement('div'))
      place.innerHTML = '<button>Hoist</button>'
      for (const name of ['pointermove', 'mousemove'])
        document.body.addEventListener(name, (event) => buttons.push(`${name} ${(event as MouseEvent).buttons}`))
      const person = personAt(place)
      const on = controlRefs(place)[0]!.ref
      for (const gesture of [
        { do: 'hold', on },
        { do: end },
        { do: 'move' },
        { do: 'hold', on },
        { do: 'move' },
      ] as const)
        void person.act(gesture)
    })
    return [...new Set(buttons)]
  }

  it('holds no button once it is let go, and is no mouse once the browser took it away, until it goes down again', async () => {
    expect(await moves('release')).to.eql(['pointermove 0', 'mousemove 0', 'pointermove 1', 'mousemove 1'])
    expect(await moves('cancel')).to.eql(['pointermove 0', 'pointermove 1', 'mousemove 1'])
  })
})

describe('what is not drawn', () => {
  const STYLE = `<style>
    .side { display: none } .side.on { display: block }
    .shut { visibility: hidden }
    [hidden] { display: none !important }
    .row { display: flex }
    @media print { .paper { display: none } }
  </style>`
  const inTree = <T>(markup: string, at: (root: ShadowRoot, person: (on: number, key?: 'Escape') => unknown) => T) =>
    inDocument((document) => {
      const place = document.body.appendChild(document.createElement('div'))
      const root = place.appendChild(document.createElement('div')).attachShadow({ mode: 'open' })
      root.innerHTML = STYLE + markup
      const person = personAt(place)
      return at(root, (nth, key) => {
        const on = { kind: 'button', nth, label: '' } as const
        return person.act(key === undefined ? { do: 'press', on } : { do: 'key', on, key })
      })
    })
  const button = '<button>Hoist</button>'

  for (const [markup, isThere] of [
    [`<p class="side">${button}</p>`, false],
    [`<p class="side on">${button}</p>`, true],
    [`<p class="shut">${button}</p>`, false],
    [`<p class="row" hidden>${button}</p>`, false],
    [`<p style="display: none">${button}</p>`, false],
    [`<p class="paper">${button}</p>`, true],
    [`<dialog>${button}</dialog>`, false],
    [`<dialog open>${button}</dialog>`, true],
    [`<div popover>${button}</div>`, false],
  ] as const)
    it(`${markup.split('<button>')[0] ?? ''} is ${isThere ? '' : 'not '}there for a person, to see or to press`, () =>
      inTree(markup, (root, press) => {
        expect(pictureOf(root.host.parentElement!).lines).to.eql(isThere ? ['<Hoist>'] : [])
        expect(press(0)).to.equal(isThere ? undefined : 'the button cannot be operated now')
      }))

  it('is opened and closed as the browser does: beside a modal dialog nobody gets, and Escape closes it', () =>
    inTree(
      '<button>Ask</button><dialog><button>Yes</button></dialog><p popover><button>More</button></p>',
      (root, act) => {
        const [dialog, popover] = [root.querySelector('dialog')!, root.querySelector('p')!]
        let isCancelled = false
        dialog.oncancel = () => (isCancelled = true)
        dialog.showModal()
        expect([act(0), act(1)]).to.eql(['the button cannot be operated now', undefined])
        act(1, 'Escape')
        expect([dialog.open, isCancelled]).to.eql([false, true])
        popover.showPopover()
        expect([act(2), popover.matches(':popover-open')]).to.eql([undefined, true])
        act(0)
        expect(popover.matches(':popover-open')).to.equal(false)
      },
    ))

  it('closes a dialog with the form in it whose method says so', () =>
    inTree('<dialog><form method="dialog"><button value="kept">Keep</button></form></dialog>', (root, act) => {
      const dialog = root.querySelector('dialog')!
      dialog.showModal()
      act(0)
      expect([dialog.open, dialog.returnValue]).to.eql([false, 'kept'])
    }))

  it('loses no focus to a pointer that its owner takes for itself', async () => {
    const { happened } = await happenedIn(
      '<input value="a"><button value="b">Pick</button>',
      (on) => {
        document.querySelector('button')!.onpointerdown = (event) => event.preventDefault()
        return [
          { do: 'type', on: on(0), text: 'a' },
          { do: 'press', on: on(1) },
        ]
      },
      ['mousedown', 'focusout', 'click'],
    )
    expect(happened).to.eql(['click b'])
  })
})

describe('the ways in which a text gets into a field', () => {
  it('pastes as a whole, and not where that is prevented', async () => {
    const listen = ['paste', 'beforeinput', 'input', 'keydown']
    const { happened } = await happenedIn('<input>', (on) => [{ do: 'paste', on: on(0), text: 'oakum' }], listen)
    expect(happened).to.eql(['paste ', 'beforeinput ', 'input oakum'])
    await inDocument((document) => {
      const place = document.body.appendChild(document.createElement('div'))
      place.innerHTML = '<input>'
      place.addEventListener('paste', (event) => event.preventDefault())
      void personAt(place).act({ do: 'paste', on: controlRefs(place)[0]!.ref, text: 'oakum' })
      expect(place.querySelector('input')!.value).to.equal('')
    })
  })

  it('composes letter by letter, and says so with each', async () => {
    const { happened } = await happenedIn('<input>', (on) => [{ do: 'compose', on: on(0), text: '木船' }], [
      'compositionstart',
      'input',
      'compositionend',
      'change',
    ])
    expect(happened).to.eql(['compositionstart ', 'input 木', 'input 木船', 'compositionend 木船'])
  })

  it('is filled by the browser without a key, and the change is final', async () => {
    const { happened } = await happenedIn(
      '<input>',
      (on) => [{ do: 'fill', on: on(0), text: 'Heron' }, { do: 'leave' }],
      ['keydown', 'input', 'change'],
    )
    expect(happened).to.eql(['input Heron', 'change Heron'])
  })

  it('goes on where the focus has been moved to, and a browser fills in no more than fits', () =>
    inDocument((document) => {
      const place = document.body.appendChild(document.createElement('div'))
      place.innerHTML = '<input maxlength="1"><input maxlength="1">'
      const [first, second] = place.querySelectorAll('input') as unknown as [HTMLInputElement, HTMLInputElement]
      const ended: string[] = []
      first.oninput = () => second.focus()
      place.onchange = ({ target }) => ended.push((target as HTMLInputElement).value)
      const [one, other] = controlRefs(place).map(({ ref }) => ref)
      void personAt(place).act({ do: 'type', on: one!, text: 'AB' })
      expect([first.value, second.value, ...ended]).to.eql(['A', 'B', 'A'])
      void personAt(place).act({ do: 'fill', on: other!, text: 'K7' })
      expect(second.value).to.equal('K')
    }))

  it('types over some letters, and leaves the rest', async () => {
    const { happened, refused } = await happenedIn(
      '<input value="pitch">',
      (on) => [
        { do: 'insert', on: on(0), text: 'un', from: 1, to: 3 },
        { do: 'insert', on: on(0), text: 'x', from: 1, to: 30 },
      ],
      ['input'],
    )
    expect(happened).to.eql(['input puch', 'input punch'])
    expect(refused).to.eql(['the input has no letter 30'])
  })
})

describe('keys at controls', () => {
  const key = (on: never, name: string): Gesture => ({ do: 'key', on, key: name as never })

  it('do what the browser does for native ones', async () => {
    const { happened } = await happenedIn(
      `<input type="range" min="0" max="10" step="4" value="4">
       <input type="radio" name="wood" value="oak" checked><input type="radio" name="wood" value="pine">
       <input type="checkbox" value="dry">
       <select><option>slip</option><option>shed</option></select>`,
      (on) => [
        key(on(0), 'End'),
        key(on(0), 'Home'),
        key(on(0), 'PageUp'),
        key(on(1), 'ArrowDown'),
        key(on(3), ' '),
        key(on(4), 'ArrowDown'),
      ],
      ['change'],
    )
    expect(happened).to.eql(['change 8', 'change 0', 'change 4', 'change pine', 'change dry', 'change shed'])
  })

  it('go only to what can have the focus', async () => {
    const { refused } = await happenedIn(
      '<div role="slider" aria-valuenow="1"></div><div role="slider" tabindex="0" aria-valuenow="1"></div>',
      (on) => [key(on(0), 'ArrowUp'), key(on(1), 'ArrowUp')],
      [],
    )
    expect(refused).to.eql(['it cannot be given the focus'])
  })

  it('are heard by a field that is read only, and write nothing; a slider knows no such state', async () => {
    const markup = '<input value="7" readonly><input type="range" value="7" readonly>'
    const gestures = (on: On): Gesture[] => [
      { do: 'type', on: on(0), text: '' },
      { do: 'type', on: on(0), text: 'oakum' },
      { do: 'key', on: on(1), key: 'ArrowUp' },
    ]
    const { happened, refused } = await happenedIn(markup, gestures, ['keydown', 'input'])
    expect(happened).to.eql(['keydown 7', 'keydown 7', 'input 8'])
    expect(refused).to.eql(['the text field cannot be operated now'])
  })

  it('go to a summary, and to nothing that is folded under it', async () => {
    const markup = '<details><summary>More</summary><input></details>'
    const { refused } = await happenedIn(
      markup,
      (on) => [
        { do: 'press', on: on(0) },
        { do: 'type', on: on(1), text: 'x' },
      ],
      [],
    )
    const { refused: folded } = await happenedIn(markup, (on) => [{ do: 'type', on: on(1), text: 'x' }], [])
    expect([refused, folded]).to.eql([[], ['the text field cannot be operated now']])
  })

  it('carry what older code asks for', () =>
    inDocument((document) => {
      const place = document.body.appendChild(document.createElement('div'))
      place.innerHTML = '<div role="spinbutton" tabindex="0"></div>'
      const seen: unknown[] = []
      place.onkeydown = ({ key: name, code, keyCode }) => seen.push([name, code, keyCode])
      const [ref] = controlRefs(place).map((one) => one.ref)
      void personAt(place).act(key(ref as never, 'PageDown'))
      void personAt(place).act(key(ref as never, ' '))
      expect(seen).to.eql([
        ['PageDown', 'PageDown', 34],
        [' ', 'Space', 32],
      ])
    }))
})

describe('controls by their roles', () => {
  it('are found with their options, the list of a combo box under the combo box', () =>
    inDocument((document) => {
      document.body.innerHTML = `
        <div role="combobox" aria-controls="cranes">north</div>
        <ul id="cranes" role="listbox"><li role="option">north</li><li role="option">south</li></ul>
        <ul role="listbox" aria-label="Hull"><li role="option">steel</li><li role="option" hidden>tin</li></ul>
        <div role="switch"></div><p contenteditable="true"></p><button role="switch"></button>`
      const found = controlRefs(document.body)
      expect(found.map(({ ref }) => ref.kind)).to.eql(['combo box', 'list box', 'switch', 'text field', 'switch'])
      expect(found.slice(0, 2).map(({ element }) => optionsOf(element).length)).to.eql([2, 1])
    }))

  it('are named in words', () => {
    const on = { kind: 'slider', nth: 1, label: '' } as const
    const texts: Gesture[] = [
      { do: 'key', on, key: 'PageUp' },
      { do: 'drag', on, from: [0.5, 0.5], to: [0.75, 0.5] },
      { do: 'insert', on: { kind: 'text field', nth: 0, label: 'Note' }, text: 'x', from: 1, to: 2 },
      { do: 'drag', on: { kind: 'component', nth: 0, label: 'tide-dial' }, from: [0.9, 0.5], to: [0.9, 0.5] },
    ]
    expect(texts.map(gestureText)).to.eql([
      'press Page up in the slider 2',
      'drag over the slider 2 from 50 % across, 50 % down to 75 % across, 50 % down',
      'type "x" over letters 2 to 2 of the text field “Note”',
      'click the component “tide-dial” at 90 % across, 50 % down',
    ])
  })
})

describe('gestures that a project names', () => {
  /** Draws on a canvas, and listens by itself: nothing to find. */
  const tideDial = () => {
    class TideDial extends HTMLElement {
      #tide = 2
      connectedCallback(): void {
        this.tabIndex = 0
        this.onkeydown = ({ key }) => {
          if (key !== 'ArrowUp') return
          this.#tide++
          this.#draw()
        }
        this.#draw()
      }
      #draw(): void {
        this.textContent = `tide ${this.#tide}`
      }
      get tide(): number {
        return this.#tide
      }
      set tide(tide: number | undefined) {
        this.#tide = tide ?? 2
        this.#draw()
      }
    }
    return TideDial
  }
  const dial = contract('tide-dial', { values: { tide: { type: Type.Integer(), default: 2 } } })

  it('are tried like any other: here the edit is not reported', () =>
    inDocument(async (document, _next, frames) => {
      customElements.define('tide-dial', tideDial())
      const { clauses } = await probe(dial, {
        document,
        frames,
        gestures: [{ keys: ['ArrowUp'] }],
        clauses: ['reports-once'],
      })
      expect(clauses[0]!.leak!.ledger[1]!.step).to.equal('press Arrow up in the component “tide-dial”')
      expect(clauses[0]!.leak!.says).to.equal('the edit of tide is not reported')
    }))

  it('are refused in one line where they cannot be', async () => {
    const wrong: [unknown, string][] = [
      [{ clik: [0, 0] }, "there is no gesture 'clik'; did you mean 'click'?"],
      [{ click: [2, 0] }, 'click must be a place'],
      [{ keys: ['PageUpp'] }, "there is no key 'PageUpp'; did you mean 'PageUp'?"],
      [{}, "give one of 'click', 'drag' and 'keys'"],
    ]
    for (const [written, says] of wrong) expect(namedGestureProblem(written)).to.include(says)
    const refused = await inDocument((document) =>
      probe(dial, { document, gestures: [{ drag: [0, 1] } as never as NamedGesture] }).catch((thrown: Error) => thrown),
    )
    expect((refused as Error).message).to.include('gestures[0]: drag must be two places')
  })
})
