import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** One of some sides as buttons; pressed again, none, unless one must be chosen. */
export const windSide = variants({
  tag: 'wind-side',
  promise: {
    properties: {
      sides: { type: Type.Array(Type.String(), { uniqueItems: true }), default: ['north', 'south'] },
      firm: { type: Type.Boolean(), default: false },
      must: { type: Type.Boolean(), default: false },
    },
    values: {
      side: {
        type: Type.Union([Type.String(), Type.Null()]),
        default: null,
        empty: null,
        attribute: false,
        event: 'side-set',
        among: { list: 'sides', gone: 'kept' },
        samples: ['north', 'south'],
      },
    },
    locks: { disabled: 'firm' },
  },
  faults: {
    'none-in-silence': ['reports-once', 'follows-change'],
    'none-says-the-side': ['reports-truth'],
    'must-of-the-mount': ['follows-change'],
    'must-drops-the-side': ['follows-change'],
    'new-sides-are-dead': ['follows-change'],
    'deaf-once-cleared': ['takes-empty'],
    'space-turns-as-well': ['every-way-in'],
    'space-is-kept': ['every-way-in'],
  },
  make: (has) =>
    class extends HTMLElement {
      static observedAttributes = ['firm', 'must']
      #sides = ['north', 'south']
      #firm = false
      #must = false
      #first: boolean | undefined
      #side: string | null = null
      #isDeaf = false

      constructor() {
        super()
        this.attachShadow({ mode: 'open' })
      }

      attributeChangedCallback(name: 'firm' | 'must', _old: string | null, text: string | null): void {
        this[name] = text !== null
      }
      connectedCallback(): void {
        this.#first ??= this.#must
        this.#place()
      }

      #press(side: string): void {
        const isAgain = side === this.#side
        if (this.#isDeaf || (isAgain && (has('must-of-the-mount') ? this.#first : this.#must))) return
        this.#side = isAgain ? null : side
        this.#draw()
        if (isAgain && has('none-in-silence')) return
        report(this, 'side-set', isAgain && has('none-says-the-side') ? side : this.#side)
      }

      #place(): void {
        const before = this.shadowRoot?.childElementCount ?? 0
        const buttons = this.#sides.map((side, at) => {
          const button = made('button', { type: 'button', textContent: side })
          if (!has('new-sides-are-dead') || before === 0 || at < before) button.onclick = () => this.#press(side)
          if (has('space-turns-as-well')) button.onkeydown = ({ key }) => void (key === ' ' && this.#press(side))
          if (has('space-is-kept')) button.onkeydown = (event) => void (event.key === ' ' && event.preventDefault())
          return button
        })
        this.shadowRoot?.replaceChildren(...buttons)
        this.#draw()
      }

      #draw(): void {
        for (const button of this.shadowRoot?.querySelectorAll('button') ?? []) {
          button.ariaPressed = String(button.textContent === this.#side)
          button.disabled = this.#firm
        }
      }

      get sides(): string[] {
        return this.#sides
      }
      set sides(sides: string[] | undefined) {
        this.#sides = sides ?? ['north', 'south']
        this.#place()
      }
      get firm(): boolean {
        return this.#firm
      }
      set firm(firm: boolean | undefined) {
        this.#firm = firm ?? false
        this.#draw()
      }
      get must(): boolean {
        return this.#must
      }
      set must(must: boolean | undefined) {
        this.#must = must ?? false
        if (this.#must && has('must-drops-the-side')) this.#side = null
        this.#draw()
      }
      get side(): string | null {
        return this.#side
      }
      set side(side: string | null | undefined) {
        this.#isDeaf = has('deaf-once-cleared') && this.#side !== null && (side ?? null) === null
        this.#side = side ?? null
        this.#draw()
      }
    },
})
