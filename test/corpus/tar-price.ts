import { Type } from 'caulker'
import { made, variants } from './corpus.js'

/** A price: a number, written with a comma for thousands while nobody types, and plain while somebody does. */
export const tarPrice = variants({
  tag: 'tar-price',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      coin: { type: Type.String(), default: 'mk' },
      most: { type: Type.Number(), default: 99999 },
      kept: { type: Type.Boolean(), default: false },
    },
    values: {
      price: {
        type: Type.Union([Type.Number(), Type.Null()]),
        default: null,
        bounds: { least: 0, most: 'most' },
        outside: 'refuse',
        outsideTold: 'keep',
        reports: 'commit',
        blank: 'empty',
        event: 'priced',
        payloadAt: '/detail/price',
        bubbles: true,
        composed: true,
      },
    },
    commands: { drop: { effect: 'reset', reports: false } },
    form: { value: 'price' },
    locks: { readonly: 'kept' },
  },
  faults: {
    'rounds-what-is-told': ['round-trip', 'shows-initial', 'follows-change'],
    'coin-of-the-mount': ['follows-change'],
    'most-of-the-mount': ['stays-within', 'follows-change'],
    'nought-is-nothing': ['keeps-falsy', 'carries-form-value'],
    'nothing-is-nought': ['takes-empty', 'shows-initial', 'emptied-as-said', 'keeps-falsy'],
    'text-in-the-report': ['reports-truth'],
    'form-sends-the-comma': ['carries-form-value'],
    'leaving-without-an-edit': ['reports-once'],
    'enter-and-leave': ['reports-once'],
    'rubbish-is-nought': ['ignores-unreadable', 'reports-once', 'reports-truth'],
    'kept-but-typed': ['locks-hold'],
    'drop-reports': ['quiet-when-told'],
    'told-reports': ['quiet-when-told'],
    'label-not-tied': ['named-by-label'],
    'reset-of-form-unheard': ['form-resets'],
  },
  make: (has) =>
    class extends HTMLElement {
      static formAssociated = true
      static observedAttributes = ['label', 'coin', 'most', 'kept', 'price']
      #inside = this.attachInternals()
      #label = ''
      #coin = 'mk'
      #most = 99999
      #first: { coin: string; most: number } | undefined
      #kept = false
      #isOff = false
      #price: number | null = null
      #words = made('label')
      #field = made('input', { type: 'text', inputMode: 'decimal' })
      #unit = made('span')
      #isTyping = false
      #isReady = false

      constructor() {
        super()
        const root = this.attachShadow({ mode: 'open' })
        this.#field.id = 'field'
        if (!has('label-not-tied')) this.#words.htmlFor = 'field'
        root.append(this.#words, this.#field, this.#unit)
        this.#field.onfocus = () => {
          if (!this.#isTyping && this.#price !== null && !this.#kept) this.#field.value = String(this.#price)
        }
        this.#field.oninput = (event) => {
          event.stopPropagation()
          this.#isTyping = true
        }
        this.#field.onchange = (event) => {
          event.stopPropagation()
          this.#take()
        }
        this.#field.onkeydown = ({ key }) => {
          if (key === 'Enter' && has('enter-and-leave') && this.#isTyping) this.#take()
        }
        this.#field.onblur = () => {
          this.#isTyping = false
          if (has('leaving-without-an-edit') && this.#price !== null) this.#say()
          this.#draw()
        }
      }
      connectedCallback(): void {
        this.#isReady = true
        this.#first ??= { coin: this.#coin, most: this.#most }
        this.#draw()
      }
      attributeChangedCallback(name: 'label', _: string | null, to: string | null): void {
        const own = this as unknown as Record<string, unknown>
        if (name === ('kept' as string)) own[name] = to !== null
        else if (['most', 'price'].includes(name)) own[name] = to === null || to.trim() === '' ? undefined : Number(to)
        else own[name] = to ?? undefined
      }
      formResetCallback(): void {
        if (!has('reset-of-form-unheard')) this.price = null
      }
      formDisabledCallback(isOff: boolean): void {
        this.#isOff = isOff
        this.#draw()
      }
      formStateRestoreCallback(text: string): void {
        this.price = text === '' ? null : Number(text)
      }

      #take(): void {
        const text = this.#field.value.trim()
        const plain = text.replaceAll(',', '')
        let price = plain === '' ? (has('nothing-is-nought') ? 0 : null) : Number(plain)
        if (Number.isNaN(price)) price = has('rubbish-is-nought') ? 0 : this.#price
        const most = has('most-of-the-mount') ? (this.#first?.most ?? this.#most) : this.#most
        if (price !== null && (price < 0 || price > most)) price = this.#price
        this.#isTyping = false
        const isNew = price !== this.#price
        this.#price = price
        this.#draw()
        if (isNew || has('enter-and-leave')) this.#say()
      }
      #say(): void {
        const price = has('text-in-the-report') ? String(this.#price) : this.#price
        this.dispatchEvent(new CustomEvent('priced', { detail: { price }, bubbles: true, composed: true }))
      }
      #written(): string {
        if (this.#price === null) return ''
        if (this.#price === 0 && has('nought-is-nothing')) return ''
        const [whole = '', part] = String(this.#price).split('.')
        const grouped = whole.replace(/\B(?=(\d{3})+$)/g, ',')
        return part === undefined ? grouped : `${grouped}.${part}`
      }
      #draw(): void {
        if (!this.#isReady) return
        this.#words.textContent = this.#label
        this.#unit.textContent = has('coin-of-the-mount') ? (this.#first?.coin ?? this.#coin) : this.#coin
        this.#field.readOnly = this.#kept && !has('kept-but-typed')
        this.#field.disabled = this.#isOff
        const text = this.#written()
        if (!this.#isTyping && this.#field.value !== text) this.#field.value = text
        const sent = this.#price === null ? null : has('form-sends-the-comma') ? text : String(this.#price)
        this.#inside.setFormValue(has('nought-is-nothing') && this.#price === 0 ? null : sent)
      }

      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? ''
        this.#draw()
      }
      get coin(): string {
        return this.#coin
      }
      set coin(coin: string | undefined) {
        this.#coin = coin ?? 'mk'
        this.#draw()
      }
      get most(): number {
        return this.#most
      }
      set most(most: number | undefined) {
        this.#most = most ?? 99999
        this.#bringIn()
      }
      get kept(): boolean {
        return this.#kept
      }
      set kept(kept: boolean | undefined) {
        this.#kept = kept ?? false
        this.#draw()
      }
      get price(): number | null {
        return this.#price
      }
      set price(price: number | null | undefined) {
        const before = this.#price
        const given = price ?? null
        const rounded = given !== null && has('rounds-what-is-told') ? Math.round(given) : given
        this.#price = rounded
        this.#draw()
        if (has('told-reports') && this.#isReady && before !== this.#price) this.#say()
      }
      #bringIn(): void {
        this.#draw()
      }
      drop(): void {
        this.#price = null
        this.#isTyping = false
        this.#draw()
        if (has('drop-reports')) this.#say()
      }
    } as never,
})
