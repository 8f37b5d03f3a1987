import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A stock that is counted down, and says when little is left. */
export const stockLow = variants({
  tag: 'stock-low',
  promise: {
    properties: { few: { type: Type.Integer({ minimum: 0 }), default: 3 } },
    values: { stock: { type: Type.Integer({ minimum: 0 }), default: 10, bounds: { least: 0 }, outside: 'clamp' } },
    events: {
      low: {
        payload: Type.Object({ left: Type.Integer() }),
        bubbles: true,
        composed: true,
        summary: 'A person has taken so much that few are left',
      },
    },
  },
  faults: {
    'low-as-text': ['sent-as-said'],
    'low-does-not-bubble': ['sent-as-said'],
    'low-misnamed': ['no-strays'],
    'low-twice': ['sent-as-said'],
    'few-of-the-mount': ['follows-change'],
    'takes-below-nought': ['stays-within'],
  },
  make: (has) =>
    class extends HTMLElement {
      #stock = 10
      #few = 3
      #fewFirst: number | undefined
      readonly #take = made('button', { type: 'button', textContent: 'Take one' })
      readonly #put = made('button', { type: 'button', textContent: 'Put one back' })
      readonly #said = made('output')
      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#take, this.#put, this.#said)
        this.#take.onclick = () => this.#change(-1)
        this.#put.onclick = () => this.#change(1)
      }
      connectedCallback(): void {
        this.#fewFirst ??= this.#few
        this.#draw()
      }
      #limit(): number {
        return has('few-of-the-mount') ? (this.#fewFirst ?? this.#few) : this.#few
      }
      #change(by: number): void {
        const before = this.#stock
        this.#stock = has('takes-below-nought') ? before + by : Math.max(0, before + by)
        if (this.#stock === before) return
        this.#draw()
        report(this, 'stock-set', this.#stock)
        if (before > this.#limit() && this.#stock <= this.#limit()) this.#low()
      }
      #low(): void {
        const left: unknown = has('low-as-text') ? String(this.#stock) : this.#stock
        const event = () =>
          new CustomEvent(has('low-misnamed') ? 'stock-low' : 'low', {
            detail: { left },
            bubbles: !has('low-does-not-bubble'),
            composed: true,
          })
        this.dispatchEvent(event())
        if (has('low-twice')) this.dispatchEvent(event())
      }
      #draw(): void {
        this.#said.value = `${this.#stock} left${this.#stock <= this.#limit() ? ', order soon' : ''}`
        this.#take.disabled = this.#stock <= 0 && !has('takes-below-nought')
      }
      get stock() {
        return this.#stock
      }
      set stock(stock: number | undefined) {
        this.#stock = Math.max(0, stock ?? 10)
        this.#draw()
      }
      get few() {
        return this.#few
      }
      set few(few: number | undefined) {
        this.#few = few ?? 3
        this.#draw()
      }
      static observedAttributes = ['stock', 'few']
      attributeChangedCallback(name: 'stock' | 'few', _: string | null, value: string | null): void {
        this[name] = value === null || !/^\d+$/.test(value) ? undefined : Number(value)
      }
    },
})
