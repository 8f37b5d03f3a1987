import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** Feet of rope as a text that is written out when the field is left, with a price reckoned from it; attributes count too. */
export const ropeOrder = variants({
  tag: 'rope-order',
  promise: {
    properties: {
      price: { type: Type.Number({ minimum: 0 }), default: 1.5 },
      store: { type: Type.Integer({ minimum: 0 }), default: 300 },
    },
    values: {
      feet: {
        type: Type.Union([Type.Integer({ minimum: 0 }), Type.Null()]),
        default: null,
        reports: 'commit',
        bounds: { least: 0, most: 'store' },
      },
    },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'free-rope': ['keeps-falsy'],
    'zero-feet-missing': ['keeps-falsy'],
    'old-price': ['follows-change'],
    'store-at-birth': ['follows-change', 'stays-within'],
    'null-as-zero': ['takes-empty'],
    'emptied-unreported': ['reports-once'],
    'enter-unheard': ['reports-once'],
    'enter-gives-up': ['every-way-in'],
    'reports-nothing-new': ['reports-once'],
    'reset-forgets-sum': ['resets-fully'],
    'reports-typed': ['stays-within', 'reports-truth'],
  },
  make: (has) =>
    class extends HTMLElement {
      static observedAttributes = ['price', 'store', 'feet']
      #price = 1.5
      #store = 300
      #feet: number | null = null
      #storeAtBirth: number | undefined
      readonly #field = made('input', { inputMode: 'numeric' })
      readonly #sum = made('p')

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#field, this.#sum)
        const heard = has('enter-unheard') ? 'focusout' : 'change'
        this.#field.addEventListener(heard, () => this.#left())
        if (has('enter-gives-up')) this.#field.onkeydown = ({ key }) => void (key === 'Enter' && this.#draw())
        this.#draw()
      }

      attributeChangedCallback(name: 'price' | 'store' | 'feet', _before: string | null, now: string | null): void {
        ;(this as Record<typeof name, number | undefined>)[name] = now === null ? undefined : Number(now)
      }

      #left(): void {
        const typed = this.#field.value.trim()
        const before = this.#feet
        const number = Math.trunc(Number(typed))
        this.#feet = typed === '' ? null : Number.isNaN(number) ? before : this.#inside(number)
        this.#draw()
        if (this.#feet === before && !has('reports-nothing-new')) return
        if (this.#feet === null && has('emptied-unreported')) return
        report(this, 'feet-set', has('reports-typed') && typed !== '' ? number : this.#feet)
      }

      #inside(feet: number): number {
        const store = has('store-at-birth') && this.isConnected ? (this.#storeAtBirth ??= this.#store) : this.#store
        return Math.max(0, Math.min(feet, store))
      }

      #draw(isReset = false): void {
        const feet = this.#feet
        const isMissing = has('zero-feet-missing') ? !feet : feet === null
        this.#field.value = isMissing ? '' : String(feet)
        if (has('reset-forgets-sum') && isReset) return
        const price = has('free-rope') ? this.#price || 1.5 : this.#price
        this.#sum.textContent = isMissing ? `No rope at ${price}` : `${((feet ?? 0) * price).toFixed(2)} marks`
      }

      #told(): void {
        if (this.#feet !== null) this.#feet = this.#inside(this.#feet)
        this.#draw()
      }

      get price(): number {
        return this.#price
      }
      set price(price: number | undefined) {
        this.#price = price ?? 1.5
        if (!has('old-price') || !this.isConnected) this.#told()
      }

      get store(): number {
        return this.#store
      }
      set store(store: number | undefined) {
        this.#store = store ?? 300
        this.#told()
      }

      get feet(): number | null {
        return this.#feet
      }
      set feet(feet: number | null | undefined) {
        this.#feet = has('null-as-zero') && this.isConnected ? Number(feet ?? 0) : (feet ?? null)
        this.#told()
      }

      reset(): void {
        const before = this.#feet
        this.#feet = null
        this.#draw(true)
        if (before !== null) report(this, 'feet-set', null)
      }
    },
})
