import { expect } from 'chai'
import { contract, Type, type AnyContract } from 'caulker'
import { probe, type ProbeReport } from 'caulker/probe'
import { inDocument } from './support/embedded.js'

type Made = () => CustomElementConstructor

/** Defines one element in a document of its own, and asks some clauses about it. */
const asked = (of: AnyContract, made: Made, ...clauses: string[]) =>
  inDocument((document, _next, frames) => {
    customElements.define(of.tag, made())
    return probe(of, { document, frames, clauses })
  })
const statuses = ({ clauses }: ProbeReport) => clauses.map(({ status }) => status)
const leakOf = ({ clauses }: ProbeReport) => clauses.find(({ status }) => status === 'broken')?.leak
const report = (element: HTMLElement, event: string, value: unknown) =>
  element.dispatchEvent(new CustomEvent(event, { detail: { value } }))

describe('a slot', () => {
  const hull = (more: object = {}) =>
    contract('hull-card', {
      properties: { name: { type: Type.String(), default: '' }, isOpen: { type: Type.Boolean(), default: false } },
      slots: { note: { holds: ['p'] } },
      ...more,
    })
  const card = (inside: string, connected: (host: HTMLElement, root: ShadowRoot) => void = () => undefined): Made =>
    function made() {
      return class extends HTMLElement {
        #name = ''
        #isOpen = false
        readonly #root = this.attachShadow({ mode: 'closed' })
        constructor() {
          super()
          this.#root.innerHTML = `<h3></h3>${inside}`
        }
        connectedCallback(): void {
          connected(this, this.#root)
        }
        get name(): string {
          return this.#name
        }
        set name(name: string | undefined) {
          this.#name = name ?? ''
          this.#root.querySelector('h3')!.textContent = this.#name
        }
        get isOpen(): boolean {
          return this.#isOpen
        }
        set isOpen(isOpen: boolean | undefined) {
          this.#isOpen = isOpen ?? false
          this.#root.querySelector('aside')?.toggleAttribute('hidden', !this.#isOpen)
        }
      }
    }

  it('holds where it is always shown, and where it is shown only sometimes', async () => {
    expect(statuses(await asked(hull(), card('<slot name="note"></slot>'), 'shows-slotted'))).to.eql(['held'])
    const folded = await asked(hull(), card('<aside hidden><slot name="note"></slot></aside>'), 'shows-slotted')
    expect(statuses(folded)).to.eql(['held'])
  })

  it('is unproven where nobody ever sees it', async () => {
    const { clauses } = await asked(hull(), card('<div hidden><slot name="note"></slot></div>'), 'shows-slotted')
    expect(clauses[0]).to.include({ status: 'unproven' })
  })

  it('breaks where it has another name, and where its content is read once', async () => {
    expect(leakOf(await asked(hull(), card('<slot name="notes"></slot>'), 'shows-slotted'))).to.include({
      says: 'what is put into its slot has no place there',
    })
    const once = card('<p></p>', (host, root) => (root.querySelector('p')!.textContent = host.textContent))
    const leak = leakOf(await asked(hull(), once, 'shows-slotted'))!
    expect(leak.ledger.map(({ step }) => step)).to.eql([
      'mount hull-card',
      'put “Slipway of Marrow Creek” into its slot note',
    ])
  })

  it('takes a text where it has no name', async () => {
    const any = hull({ slots: { default: {} } })
    expect(statuses(await asked(any, card('<slot></slot>'), 'shows-slotted'))).to.eql(['held'])
    expect(statuses(await asked(any, card('<slot name="x"></slot>'), 'shows-slotted'))).to.eql(['broken'])
  })
})

describe('a reading', () => {
  const Log: Made = () =>
    class extends HTMLElement {
      #turns = 0
      #changes = 0
      get turns(): number {
        return this.#turns
      }
      set turns(turns: number | undefined) {
        if (turns !== this.#turns) this.#changes++
        this.#turns = turns ?? 0
        this.textContent = `${this.#turns} turns`
      }
      get changes(): number {
        return this.#changes
      }
    }
  const log = (changes: object) =>
    contract('turn-log', {
      values: { turns: { type: Type.Integer(), default: 0 } },
      readings: { changes: { type: Type.Integer(), ...changes } },
    } as never) as AnyContract

  it('that is a number follows each name that it is computed from', async () => {
    const stack = (left: (most: number, bales: number) => number): Made => {
      return () =>
        class extends HTMLElement {
          most: number | undefined
          bales: number | undefined
          get left(): number {
            return left(this.most ?? 20, this.bales ?? 0)
          }
        }
    }
    const of = contract('bale-stack', {
      properties: { most: { type: Type.Integer({ minimum: 0 }), default: 20, attribute: false } },
      values: { bales: { type: Type.Integer(), default: 0, attribute: false } },
      readings: { left: { type: Type.Integer(), from: ['most', 'bales'] } },
    })
    const right = stack((most, bales) => most - bales)
    expect(statuses(await asked(of, right, 'readings-agree'))).to.eql(['held'])
    const deaf = stack((_most, bales) => 20 - bales)
    expect(leakOf(await asked(of, deaf, 'readings-agree'))).to.include({
      says: 'its reading left is the same whatever most is',
    })
  })

  it('that counts what has happened is not asked to say what a fresh one says', async () => {
    expect(statuses(await asked(log({}), Log, 'readings-agree'))).to.eql(['held'])
  })

  it('that is said to be computed from a value is', async () => {
    const leak = leakOf(await asked(log({ from: ['turns'] }), Log, 'readings-agree'))
    expect(leak).to.include({ says: 'its reading changes says something else than a fresh mount with the same' })
    expect(leak!.ledger).to.have.length(2)
  })

  it('is of its type', async () => {
    const leak = leakOf(await asked(log({ type: Type.String() }), Log, 'readings-agree'))
    expect(leak).to.include({ says: 'its reading changes is not of its type', found: 'changes 0' })
  })
})

describe('a value that applies when told', () => {
  const gate = contract('sluice-gate', {
    values: { isOpen: { type: Type.Boolean(), default: false, applies: 'when-told', event: 'asked' } },
  })
  const sluice = (asks: (host: { isOpen: boolean } & HTMLElement, button: HTMLButtonElement) => void): Made =>
    function made() {
      return class extends HTMLElement {
        #isOpen = false
        readonly #button = document.createElement('button')
        constructor() {
          super()
          this.#button.type = 'button'
          this.#button.addEventListener('click', () => asks(this, this.#button))
          this.attachShadow({ mode: 'open' }).append(this.#button)
          this.isOpen = false
        }
        get isOpen(): boolean {
          return this.#isOpen
        }
        set isOpen(isOpen: boolean | undefined) {
          this.#isOpen = isOpen ?? false
          this.#button.textContent = this.#isOpen ? 'Close' : 'Open'
        }
      }
    }
  const clauses = ['asks-first', 'reports-truth', 'reports-once', 'quiet-when-told', 'owner-decides']

  it('may show that it waits for an answer', async () => {
    const waits = sluice((host, button) => {
      button.textContent = 'Asking'
      report(host, 'asked', !host.isOpen)
    })
    expect(statuses(await asked(gate, waits, ...clauses))).to.eql(['held', 'held', 'held', 'held', 'held'])
  })

  it('may not change by itself, nor show the answer before it came', async () => {
    const changes = sluice((host) => {
      host.isOpen = !host.isOpen
      report(host, 'asked', host.isOpen)
    })
    expect(leakOf(await asked(gate, changes, 'asks-first'))).to.include({
      says: 'isOpen changes before its owner tells it',
      expected: 'isOpen false, until it is told',
    })
    const shows = sluice((host, button) => {
      button.textContent = host.isOpen ? 'Open' : 'Close'
      report(host, 'asked', !host.isOpen)
    })
    expect(leakOf(await asked(gate, shows, 'asks-first'))).to.include({
      says: 'isOpen is shown changed before its owner tells it',
      expected: 'shown <Open>',
    })
  })
})

describe('one of several on a page', () => {
  const rope = contract('rope-name', {
    properties: { fore: { type: Type.String(), default: '' } },
    values: { knot: { type: Type.String(), default: '' } },
  })
  const named = (isCommon: boolean): Made =>
    function made() {
      let common = ''
      return class extends HTMLElement {
        #prefix = ''
        #name = ''
        get fore(): string {
          return this.#prefix
        }
        set fore(prefix: string | undefined) {
          this.#prefix = common = prefix ?? ''
          this.#draw()
        }
        get knot(): string {
          return this.#name
        }
        set knot(name: string | undefined) {
          this.#name = name ?? ''
          this.#draw()
        }
        #draw(): void {
          this.textContent = `${isCommon ? common : this.#prefix} ${this.#name}`
        }
      } as never
    }

  it('is not changed by another that was given something else', async () => {
    expect(statuses(await asked(rope, named(false), 'stands-alone'))).to.eql(['held'])
    const leak = leakOf(await asked(rope, named(true), 'stands-alone'))
    expect(leak).to.include({ says: 'another one beside it changes what it shows or holds' })
    expect(leak!.ledger[0]!.step).to.match(/^mount rope-name.*, beside one with /)
  })

  it('is the one at which a person acts', async () => {
    const tally = contract('tally-mark', { values: { marks: { type: Type.Array(Type.Integer()), default: [] } } })
    const rows: Made = () =>
      class extends HTMLElement {
        #marks: readonly number[] = []
        connectedCallback(): void {
          this.#draw()
        }
        #put(marks: readonly number[]): void {
          this.#marks = marks
          this.#draw()
          report(this, 'marks-set', [...marks])
        }
        #draw(): void {
          const button = (text: string, press: () => void) => {
            const made = document.createElement('button')
            made.type = 'button'
            made.textContent = text
            made.onclick = press
            return made
          }
          this.replaceChildren(
            ...this.#marks.map((mark) => button(`Strike ${mark}`, () => this.#put(this.#marks.slice(1)))),
            button('Mark', () => this.#put([...this.#marks, 7])),
          )
        }
        get marks(): readonly number[] {
          return [...this.#marks]
        }
        set marks(marks: readonly number[] | undefined) {
          this.#marks = [...(marks ?? [])]
          this.#draw()
        }
      }
    const found = await asked(tally, rows, 'own-defaults', 'stands-alone')
    expect(found.clauses.map(({ clause, status }) => [clause, status])).to.eql([
      ['own-defaults', 'held'],
      ['stands-alone', 'held'],
    ])
  })
})

describe('a command', () => {
  const winch = contract('chain-drum', {
    values: { turns: { type: Type.Integer(), default: 0 } },
    commands: { turn: { takes: Type.Object({ by: Type.Integer() }), gives: Type.Integer() } },
  })
  const drum = (turn: (host: { turns: number }, by: { by: number }) => unknown): Made =>
    function made() {
      return class extends HTMLElement {
        #turns = 0
        get turns(): number {
          return this.#turns
        }
        set turns(turns: number | undefined) {
          this.#turns = turns ?? 0
          this.textContent = `${this.#turns}`
        }
        turn(by: { by: number }): unknown {
          return turn(this, by)
        }
      }
    }
  const clauses = ['commands-present', 'early-commands-safe', 'leaves-given-alone']

  it('is called with what it takes, and gives what its contract says, now or later', async () => {
    expect(
      statuses(
        await asked(
          winch,
          drum((host, { by }) => host.turns + by),
          ...clauses,
        ),
      ),
    ).to.eql(['held', 'held', 'held'].slice(0, 3))
    expect(
      statuses(
        await asked(
          winch,
          drum(async (host, { by }) => host.turns + by),
          'commands-present',
        ),
      ),
    ).to.eql(['held'])
  })

  it('breaks where it gives something else, or changes what it was given', async () => {
    expect(
      leakOf(
        await asked(
          winch,
          drum(async () => 'done'),
          'commands-present',
        ),
      ),
    ).to.include({ found: '"done"' })
    const greedy = drum((host, given) => host.turns + (given.by = 0))
    expect(leakOf(await asked(winch, greedy, 'leaves-given-alone'))!.says).to.include('changes the object')
    const early = drum((host) => (host as never as HTMLElement).parentElement!.childElementCount)
    expect(leakOf(await asked(winch, early, 'early-commands-safe'))!.says).to.match(/^turn\(\{"by":\d+\}\) breaks/)
  })
})

describe('what all code on a page relies on', () => {
  const bell = (rings: (host: HTMLElement) => void): Made =>
    function made() {
      return class extends HTMLElement {
        #rung = 0
        readonly #button = document.createElement('button')
        constructor() {
          super()
          this.#button.type = 'button'
          this.#button.onclick = () => {
            this.rung = this.#rung + 1
            report(this, 'rung-set', this.#rung)
            rings(this)
          }
          this.attachShadow({ mode: 'open' }).append(this.#button)
          this.rung = 0
        }
        get rung(): number {
          return this.#rung
        }
        set rung(rung: number | undefined) {
          this.#rung = rung ?? 0
          this.#button.textContent = `Rung ${this.#rung}`
        }
      }
    }
  const fogBell = contract('fog-bell', { values: { rung: { type: Type.Integer(), default: 0 } } })
  const replaced: [string, (host: HTMLElement) => void, string][] = [
    ['a global function', () => Object.assign(globalThis, { CustomEvent: () => undefined }), 'CustomEvent'],
    ['the promises', () => Object.assign(globalThis, { Promise: undefined }), 'Promise'],
    [
      'a method of all elements',
      () => Object.assign(Element.prototype, { append: () => undefined }),
      'Element.prototype.append',
    ],
    ['the names of all objects', () => Object.assign(Object.prototype, { fog: 1 }), "a name 'fog' for all objects"],
  ]
  for (const [what, rings, name] of replaced)
    it(`is put back where a component replaces ${what}, and one clause names it`, async () => {
      const found = await asked(fogBell, bell(rings), 'leaves-no-trace', 'reports-once', 'follows-change', 'any-order')
      expect(found.clauses.filter(({ status }) => status === 'broken').map(({ clause }) => clause)).to.eql([
        'leaves-no-trace',
      ])
      expect(leakOf(found)).to.include({
        says: 'it replaces something that all code on the page relies on',
        found: `replaced: ${name}`,
      })
      expect(Object.keys({}).length + [...'ab'].length, 'the page itself').to.equal(2)
      expect(new Promise(() => undefined)).to.be.an.instanceOf(Promise)
    })
})

describe('one click', () => {
  it('is told once, and not in steps; a field that is left by it tells of its own', async () => {
    const oars = contract('oar-rack', { values: { oars: { type: Type.Integer(), default: 2 } } })
    const rack = (steps: number): Made =>
      function made() {
        return class extends HTMLElement {
          #oars = 2
          readonly #field = document.createElement('input')
          readonly #more = document.createElement('button')
          constructor() {
            super()
            this.#more.type = 'button'
            this.#more.textContent = 'Two more'
            this.#field.type = 'number'
            this.attachShadow({ mode: 'open' }).append(this.#field, this.#more)
            this.#field.onchange = () => this.#field.value !== '' && this.#put(Number(this.#field.value))
            this.#more.onclick = () => {
              for (let step = 0; step < steps; step++) this.#put(this.#oars + 2 / steps)
            }
          }
          #put(oars: number): void {
            if (oars === this.#oars) return
            this.oars = oars
            report(this, 'oars-set', this.#oars)
          }
          get oars(): number {
            return this.#oars
          }
          set oars(oars: number | undefined) {
            this.#oars = oars ?? 2
            this.#field.value = String(this.#oars)
          }
        }
      }
    expect(statuses(await asked(oars, rack(1), 'reports-once'))).to.eql(['held'])
    expect(leakOf(await asked(oars, rack(2), 'reports-once'))).to.include({
      says: 'one edit of oars is reported in 2 pieces',
    })
  })
})

describe('the exploration that all clauses share', () => {
  const gate = contract('sluice-tally', {
    values: { turns: { type: Type.Integer(), default: 0 } },
    events: { creaked: { payload: Type.String() } },
  })
  /** The fifth press since it was told is counted, and not reported. */
  const tired: Made = () =>
    class extends HTMLElement {
      #turns = 0
      #since = 0
      readonly #button = Object.assign(document.createElement('button'), { type: 'button' })
      connectedCallback(): void {
        this.append(this.#button)
        this.#button.onclick = () => {
          this.#turns++
          this.#draw()
          if (++this.#since !== 5) report(this, 'turns-set', this.#turns)
        }
        this.#draw()
      }
      #draw(): void {
        this.#button.textContent = `Turn, ${this.#turns} so far`
      }
      get turns(): number {
        return this.#turns
      }
      set turns(turns: number | undefined) {
        this.#turns = turns ?? 0
        this.#since = 0
        this.#draw()
      }
    } as never
  const explored = (moves: number, seed = 1) =>
    inDocument((document, _next, frames) => {
      customElements.define(gate.tag, tired())
      return probe(gate, { document, frames, moves, seed, clauses: ['reports-once', 'reports-truth'] })
    })

  it('finds more with more moves, and the same with the same seed', async () => {
    expect(statuses(await explored(2))).to.eql(['held', 'held'])
    const found = await explored(800)
    expect(leakOf(found)).to.include({ says: 'the edit of turns is not reported' })
    expect(await explored(800)).to.eql(found)
  })

  it('says of a component in which nothing can be done that it was not judged', async () => {
    const still = await asked(
      contract('still-tally', { values: { turns: { type: Type.Integer(), default: 0 } } }),
      () =>
        class extends HTMLElement {
          turns = 0
        } as never,
    )
    expect(still.isUnoperated).to.equal(true)
  })

  it('tells each name that breaks a clause, and heeds a waiver for one of them', async () => {
    const frozen: Made = () =>
      class extends HTMLElement {
        #drawn = false
        port: string | undefined
        star: string | undefined
        connectedCallback(): void {
          if (!this.#drawn) this.textContent = `${this.port ?? ''} and ${this.star ?? ''}`
          this.#drawn = true
        }
      } as never
    const sides = (tag: `${string}-${string}`, waives: object = {}) =>
      contract(tag, {
        properties: { port: { type: Type.String(), default: '' }, star: { type: Type.String(), default: '' } },
        waives: waives as {},
      })
    const found = (await asked(sides('side-lamp'), frozen, 'follows-change')).clauses
    const told = found.map(({ leak }) => leak!.ledger.at(-1)!.step)
    expect(told.map((step) => /tells (\w+)/.exec(step)![1])).to.have.members(['port', 'star'])
    const half = (
      await asked(sides('side-light', { 'follows-change': { port: 'it is lit once' } }), frozen, 'follows-change')
    ).clauses
    expect(half[0]!.leak!.ledger.at(-1)!.step).to.match(/tells star/)
    expect(half.length).to.equal(1)
  })
})

describe('a fault at the mount', () => {
  const rack = contract('oar-rack', {
    values: { oars: { type: Type.Union([Type.Integer(), Type.Null()]), default: 2, empty: null } },
  })
  /** It starts from its default whatever it is given; and what is empty is shown as what stood before. */
  const forgetful = (isEmptied: boolean): Made =>
    function made() {
      return class extends HTMLElement {
        #oars: number | null = 2
        #text = '2 oars'
        connectedCallback(): void {
          this.#oars = 2
          this.#text = '2 oars'
          this.textContent = this.#text
        }
        get oars(): number | null {
          return this.#oars
        }
        set oars(oars: number | null | undefined) {
          this.#oars = oars === undefined ? 2 : oars
          if (this.#oars !== null || isEmptied) this.#text = this.#oars === null ? 'no oars' : `${this.#oars} oars`
          this.textContent = this.#text
        }
      }
    }

  it('is told once, and hides no other', async () => {
    const clauses = ['shows-initial', 'takes-empty', 'follows-change']
    const lost = await asked(rack, forgetful(true), ...clauses)
    expect(lost.clauses.map(({ clause, status }) => [clause, status])).to.eql([
      ['shows-initial', 'broken'],
      ['follows-change', 'held'],
      ['takes-empty', 'held'],
    ])
    const both = await asked(rack, forgetful(false), ...clauses)
    const broken = both.clauses.filter(({ status }) => status === 'broken')
    expect([...new Set(broken.map(({ clause }) => clause))]).to.eql(['shows-initial', 'takes-empty'])
    expect(broken.at(-1)!.leak!.ledger.map(({ step }) => step)).to.eql([
      'mount oar-rack with oars 7, and tell it oars once more',
      'owner tells oars null',
    ])
  })
})

describe('a list that belongs to a field', () => {
  it('is picked from, and typed in its own words', async () => {
    const berth = contract('berth-by-name', {
      values: { berth: { type: Type.Enum(['', 'B1', 'B2']), default: '', reports: 'commit' } },
    })
    const made: Made = () =>
      class extends HTMLElement {
        #berth = ''
        readonly #field = document.createElement('input')
        connectedCallback(): void {
          this.innerHTML = '<datalist id="berths"><option>By the crane</option><option>By the slip</option></datalist>'
          this.#field.setAttribute('list', 'berths')
          this.#field.setAttribute('aria-label', 'Berth')
          this.prepend(this.#field)
          this.#field.onchange = () => {
            const at = ['By the crane', 'By the slip'].indexOf(this.#field.value)
            // The fault: what is chosen is reported by its place, counted from nought.
            this.#berth = at < 0 ? '' : `B${at}`
            report(this, 'berth-set', this.#berth)
          }
        }
        get berth(): string {
          return this.#berth
        }
        set berth(berth: string | undefined) {
          this.#berth = berth ?? ''
          this.#field.value = ['', 'By the crane', 'By the slip'][Number(this.#berth.slice(1))] ?? ''
        }
      }
    const { clauses } = await asked(berth, made, 'reports-truth')
    const leak = clauses.find(({ leak: one }) => one?.says === 'the report of berth is off its type')!.leak!
    expect(leak.found).to.equal('heard berth-set "B0"')
    expect(leak.ledger.map(({ step }) => step).join()).to.include('type "By the crane" into the')
  })
})

describe('an attribute without a property', () => {
  it('is taken for no misspelling of another', async () => {
    const berth = contract('berth-limit', {
      properties: {
        limits: { type: Type.String(), default: '' },
        limit: { type: Type.String(), default: '', only: 'attribute' },
      },
    })
    const made: Made = () =>
      class extends HTMLElement {
        static readonly observedAttributes = ['limit']
        #limits = ''
        attributeChangedCallback(): void {
          this.limits = this.#limits
        }
        get limits(): string {
          return this.#limits
        }
        set limits(limits: string | undefined) {
          this.#limits = limits ?? ''
          this.textContent = `${this.#limits} ${this.getAttribute('limit') ?? ''}`
        }
      }
    expect(statuses(await asked(berth, made, 'attribute-agrees', 'follows-change'))).to.eql(['held', 'unproven'])
  })
})

describe('a field among several', () => {
  const of = contract('rope-tally', {
    properties: { label: { type: Type.String(), default: '' } },
    values: { metres: { type: Type.Integer({ minimum: 0 }), default: 0, attribute: false, reports: 'commit' } },
  })
  /** Coils of 12 metres, and what is over. */
  const tally = (more: { isDead?: boolean; isNameless?: boolean }): Made => {
    return () =>
      class extends HTMLElement {
        #metres = 0
        #label = ''
        connectedCallback(): void {
          const over = more.isNameless === true ? '' : 'aria-label="Metres over"'
          this.innerHTML = `<fieldset><legend></legend><input aria-label="Coils"><input ${over}></fieldset>`
          const [coils, rest] = this.querySelectorAll('input') as unknown as [HTMLInputElement, HTMLInputElement]
          const take = () => {
            if (/\D/.test(coils.value + rest.value)) return this.#draw()
            const before = this.#metres
            this.#metres = Number(coils.value) * 12 + Number(rest.value)
            this.#draw()
            if (this.#metres !== before) report(this, 'metres-set', this.#metres)
          }
          coils.onchange = take
          if (more.isDead !== true) rest.onchange = take
          this.#draw()
        }
        #draw(): void {
          const [coils, rest] = this.querySelectorAll('input')
          if (coils === undefined || rest === undefined) return
          coils.value = String(Math.floor(this.#metres / 12))
          rest.value = String(this.#metres % 12)
          this.querySelector('legend')!.textContent = this.#label
        }
        get label(): string {
          return this.#label
        }
        set label(label: string | undefined) {
          this.#label = label ?? ''
          this.#draw()
        }
        get metres(): number {
          return this.#metres
        }
        set metres(metres: number | undefined) {
          this.#metres = metres ?? 0
          this.#draw()
        }
      }
  }

  it('takes what is typed where its text goes with the value', async () => {
    expect(statuses(await asked(of, tally({}), 'every-way-in', 'named-by-label'))).to.eql(['held', 'held'])
    expect(leakOf(await asked(of, tally({ isDead: true }), 'every-way-in'))).to.include({
      says: 'what is entered is shown, and neither held nor reported',
    })
  })

  it('has a name where another has one', async () => {
    expect(leakOf(await asked(of, tally({ isNameless: true }), 'named-by-label'))).to.include({
      says: 'one of its fields has no name',
      found: 'the text field 2 has none',
    })
  })
})

describe('Enter that adds an entry to a list', () => {
  const of = contract('cargo-words', {
    values: { words: { type: Type.Array(Type.String()), default: [], attribute: false } },
  })
  const words = (keeps: boolean): Made => {
    return () =>
      class extends HTMLElement {
        #words: string[] = []
        connectedCallback(): void {
          this.innerHTML = '<p></p><input>'
          const field = this.querySelector('input')!
          field.onkeydown = (event) => {
            if (event.key !== 'Enter' || field.value === '') return
            if (keeps) event.preventDefault()
            this.words = [...this.#words, field.value]
            field.value = ''
            report(this, 'words-set', [...this.#words])
          }
        }
        get words(): string[] {
          return this.#words
        }
        set words(words: string[] | undefined) {
          this.#words = [...(words ?? [])]
          if (this.isConnected) this.querySelector('p')!.textContent = this.#words.join(', ')
        }
      }
  }

  it('submits no form besides', async () => {
    expect(statuses(await asked(of, words(true), 'no-accidental-submit'))).to.eql(['held'])
    expect(leakOf(await asked(of, words(false), 'no-accidental-submit'))).to.include({
      says: 'Enter takes what was typed as one more entry, and submits the form around it as well',
    })
  })
})

describe('a box', () => {
  const of = contract('hatch-shut', {
    values: { isShut: { type: Type.Boolean(), default: false, attribute: false } },
  })
  const box = (isStuck: boolean): Made => {
    return () =>
      class extends HTMLElement {
        #isShut = false
        readonly #box = Object.assign(document.createElement('input'), { type: 'checkbox', ariaLabel: 'Shut' })
        connectedCallback(): void {
          this.append(this.#box)
          this.#box.onchange = () => {
            const isShut = isStuck || this.#box.checked
            if (isShut === this.#isShut) return this.#draw()
            this.isShut = isShut
            report(this, 'is-shut-set', isShut)
          }
        }
        #draw(): void {
          this.#box.checked = this.#isShut
        }
        get isShut(): boolean {
          return this.#isShut
        }
        set isShut(isShut: boolean | undefined) {
          this.#isShut = isShut ?? false
          this.#draw()
        }
      }
  }

  it('takes back by a second click what the first has changed', async () => {
    expect(statuses(await asked(of, box(false), 'every-way-in'))).to.eql(['held'])
    expect(leakOf(await asked(of, box(true), 'every-way-in'))).to.include({
      says: 'a second click does not take back what the first one has changed of isShut',
    })
  })
})
