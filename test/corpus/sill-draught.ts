import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A draught that is taken as it is entered, and marked where it is more than the sill allows. */
export const sillDraught = variants({
  tag: 'sill-draught',
  promise: {
    properties: { sill: { type: Type.Number({ minimum: 0 }), default: 12 } },
    values: {
      draught: {
        type: Type.Union([Type.Number(), Type.Null()]),
        default: null,
        bounds: { least: 0, most: 'sill' },
        outside: 'mark',
        reports: 'commit',
      },
    },
    form: { value: 'draught' },
    commands: { reset: { effect: 'reset' }, check: { effect: 'check', gives: Type.Boolean() } },
  },
  faults: {
    'outside-is-cut': ['stays-within'],
    'mark-stays': ['follows-change', 'reports-truth'],
    'mark-not-by-the-sill': ['follows-change'],
    'valid-though-marked': ['stays-within'],
    'reset-keeps-the-mark': ['resets-fully'],
    'form-reset-keeps-the-mark': ['form-resets'],
    'check-says-yes': ['commands-present'],
    'mark-at-the-sill': ['stays-within'],
    'outside-is-unreported': ['reports-once'],
  },
  make: (has) =>
    class extends HTMLElement {
      static readonly formAssociated = true
      #draught: number | null = null
      #sill = 12
      #marked = false
      readonly #internals = this.attachInternals()
      readonly #field = made('input', { type: 'text', inputMode: 'decimal', ariaLabel: 'draught' })
      readonly #said = made('p', { id: 'said' })
      constructor() {
        super()
        this.attachShadow({ mode: 'open', delegatesFocus: true }).append(this.#field, this.#said)
        this.#field.setAttribute('aria-describedby', 'said')
        this.#field.onchange = () => {
          const text = this.#field.value.trim().replace(',', '.')
          const draught = text === '' ? null : Number(text)
          if (draught !== null && Number.isNaN(draught)) return this.#draw()
          const before = this.#draught
          this.#draught = has('outside-is-cut') && draught !== null ? Math.min(draught, this.#sill) : draught
          this.#judge()
          this.#draw()
          if (before !== this.#draught && !(has('outside-is-unreported') && this.#marked))
            report(this, 'draught-set', this.#draught)
        }
      }
      connectedCallback(): void {
        this.#judge()
        this.#draw()
      }
      #judge(): void {
        const is = this.#draught
        const low = is !== null && is < 0
        const high = is !== null && (has('mark-at-the-sill') ? is >= this.#sill : is > this.#sill)
        this.#marked = low || high || (has('mark-stays') && this.#marked)
      }
      #draw(): void {
        this.#field.value = this.#draught === null ? '' : String(this.#draught)
        this.#said.textContent = this.#marked ? `from 0 to ${this.#sill}` : ''
        this.#field.ariaInvalid = this.#marked ? 'true' : 'false'
        this.#internals.setFormValue(this.#draught === null ? null : String(this.#draught))
        if (this.#marked && !has('valid-though-marked'))
          this.#internals.setValidity({ rangeOverflow: true }, 'Outside', this.#field)
        else this.#internals.setValidity({})
      }
      formDisabledCallback(is: boolean): void {
        this.#field.disabled = is
      }
      formResetCallback(): void {
        this.#draught = null
        if (!has('form-reset-keeps-the-mark')) this.#judge()
        this.#draw()
      }
      formStateRestoreCallback(state: string): void {
        this.#draught = state === '' ? null : Number(state)
        this.#judge()
        this.#draw()
      }
      reset(): void {
        const before = this.#draught
        this.#draught = null
        if (!has('reset-keeps-the-mark')) this.#judge()
        this.#draw()
        if (before !== null) report(this, 'draught-set', null)
      }
      check(): boolean {
        return has('check-says-yes') ? true : this.#internals.reportValidity()
      }
      get draught() {
        return this.#draught
      }
      set draught(draught: number | null | undefined) {
        this.#draught = draught ?? null
        this.#judge()
        this.#draw()
      }
      get sill() {
        return this.#sill
      }
      set sill(sill: number | undefined) {
        this.#sill = sill ?? 12
        if (!has('mark-not-by-the-sill')) this.#judge()
        this.#draw()
      }
      static observedAttributes = ['draught', 'sill']
      attributeChangedCallback(name: 'draught' | 'sill', _: string | null, value: string | null): void {
        const number = value === null || value.trim() === '' || Number.isNaN(Number(value)) ? undefined : Number(value)
        this[name] = number
      }
    },
})
