import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** Two marks on a rope that keep a distance. */
export const gapSpan = variants({
  tag: 'gap-span',
  promise: {
    properties: { apart: { type: Type.Integer({ minimum: 0 }), default: 2 } },
    values: {
      marks: {
        type: Type.Tuple([Type.Integer(), Type.Integer()]),
        default: [2, 8],
        attribute: false,
        ordered: true,
        gap: 'apart',
        bounds: { least: 0, most: 20 },
        outside: 'clamp',
      },
    },
  },
  faults: {
    'gap-not-for-the-low': ['pair-in-order'],
    'gap-not-for-the-high': ['pair-in-order'],
    'gap-of-the-mount': ['follows-change'],
    'gap-not-told': ['pair-in-order'],
    'pushes-the-other': ['pair-in-order'],
    'off-by-one': ['pair-in-order'],
    'hands-out-its-own': ['owner-decides', 'fresh-payload', 'leaves-given-alone'],
  },
  make: (has) =>
    class extends HTMLElement {
      #low = 2
      #high = 8
      #apart = 2
      #first: number | undefined
      readonly #a = made('input', { type: 'range', min: '0', max: '20' })
      readonly #b = made('input', { type: 'range', min: '0', max: '20' })
      readonly #said = made('output')
      #own: number[] = []
      constructor() {
        super()
        this.#a.ariaLabel = 'from'
        this.#b.ariaLabel = 'to'
        this.attachShadow({ mode: 'open' }).append(this.#a, this.#b, this.#said)
        this.#a.oninput = () => this.#move(this.#a.valueAsNumber, this.#high, 'low')
        this.#b.oninput = () => this.#move(this.#low, this.#b.valueAsNumber, 'high')
      }
      connectedCallback(): void {
        this.#first ??= this.#apart
        this.#draw()
      }
      #gap(): number {
        return (has('gap-of-the-mount') ? (this.#first ?? this.#apart) : this.#apart) - (has('off-by-one') ? 1 : 0)
      }
      #move(low: number, high: number, moved: 'low' | 'high'): void {
        const [l, h] = [this.#low, this.#high]
        if (moved === 'low')
          this.#low = has('gap-not-for-the-low')
            ? Math.min(low, this.#high)
            : Math.max(0, Math.min(low, this.#high - this.#gap()))
        else if (has('pushes-the-other')) {
          this.#high = high
          this.#low = Math.max(0, Math.min(this.#low, high - this.#gap()))
        } else
          this.#high = has('gap-not-for-the-high')
            ? Math.max(high, this.#low)
            : Math.min(20, Math.max(high, this.#low + this.#gap()))
        this.#draw()
        if (l !== this.#low || h !== this.#high) {
          this.#own = [this.#low, this.#high]
          report(this, 'marks-set', this.#own)
        }
      }
      #draw(): void {
        this.#a.value = String(this.#low)
        this.#b.value = String(this.#high)
        this.#said.value = `${this.#low} to ${this.#high}`
      }
      get marks() {
        return has('hands-out-its-own') && this.#own.length > 0 ? this.#own : [this.#low, this.#high]
      }
      set marks(marks: number[] | undefined) {
        const [low = 2, high = 8] = marks ?? [2, 8]
        const [l, h] = [Math.max(0, Math.min(20, low)), Math.max(0, Math.min(20, high))]
        if (l + (has('gap-not-told') ? 0 : this.#apart) > h) return
        this.#low = l
        this.#high = h
        this.#draw()
      }
      get apart() {
        return this.#apart
      }
      set apart(apart: number | undefined) {
        this.#apart = apart ?? 2
        this.#draw()
      }
      static observedAttributes = ['apart']
      attributeChangedCallback(_: string, __: string | null, value: string | null): void {
        this.apart = value === null || !/^\d+$/.test(value) ? undefined : Number(value)
      }
    },
})
