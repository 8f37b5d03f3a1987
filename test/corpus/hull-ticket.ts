import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A ticket that is sent with a form only while it is taken: what is sent is its number. */
export const hullTicket = variants({
  tag: 'hull-ticket',
  promise: {
    properties: {
      number: { type: Type.String(), default: 'none' },
      needed: { type: Type.Boolean(), default: false },
      disabled: { type: Type.Boolean(), default: false },
    },
    values: { taken: { type: Type.Boolean(), default: false, empty: false } },
    form: { value: 'taken', requiredBy: 'needed', sends: 'number' },
    locks: { disabled: 'disabled' },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'sends-on': ['carries-form-value'],
    'number-of-the-mount-is-sent': ['carries-form-value'],
    'need-stays-when-taken': ['required-in-validity'],
    'need-comes-late': ['required-in-validity'],
    'reset-leaves-what-is-sent': ['carries-form-value'],
    'reset-says-so-twice': ['commands-present'],
    'number-unshown-later': ['follows-change'],
  },
  make: (has) =>
    class extends HTMLElement {
      static readonly formAssociated = true
      #taken = false
      #number = 'none'
      #needed = false
      #disabled = false
      #byFieldset = false
      readonly #internals = this.attachInternals()
      readonly #box = made('input', { type: 'checkbox', id: 'box' })
      readonly #name = made('label', { htmlFor: 'box' })
      constructor() {
        super()
        this.attachShadow({ mode: 'open', delegatesFocus: true }).append(this.#box, this.#name)
        this.#box.onchange = () => {
          this.#taken = this.#box.checked
          this.#draw(true)
          report(this, 'taken-set', this.#taken)
        }
      }
      connectedCallback(): void {
        this.#draw(true)
      }
      #draw(edited: boolean): void {
        this.#box.checked = this.#taken
        this.#box.disabled = this.#disabled || this.#byFieldset
        if (!has('number-unshown-later') || this.#name.textContent === '')
          this.#name.textContent = `ticket ${this.#number}`
        const off = this.#disabled
        const sent = has('sends-on') ? 'on' : this.#number
        if (!has('number-of-the-mount-is-sent') || edited)
          this.#internals.setFormValue(!off && this.#taken ? sent : null)
        if (has('need-comes-late') && !edited) return
        if (!off && this.#needed && (!this.#taken || has('need-stays-when-taken')))
          this.#internals.setValidity({ valueMissing: true }, 'Take it', this.#box)
        else this.#internals.setValidity({})
      }
      formResetCallback(): void {
        this.#taken = false
        if (has('reset-leaves-what-is-sent')) {
          this.#box.checked = false
          return
        }
        this.#draw(true)
      }
      formDisabledCallback(is: boolean): void {
        this.#byFieldset = is
        this.#draw(true)
      }
      formStateRestoreCallback(state: string): void {
        this.#taken = state !== ''
        this.#draw(true)
      }
      reset(): void {
        const before = this.#taken
        this.#taken = false
        this.#draw(true)
        if (before) report(this, 'taken-set', false)
        if (before && has('reset-says-so-twice')) report(this, 'taken-set', false)
      }
      get taken() {
        return this.#taken
      }
      set taken(taken: boolean | undefined) {
        this.#taken = taken ?? false
        this.#draw(false)
      }
      get number() {
        return this.#number
      }
      set number(number: string | undefined) {
        this.#number = number ?? 'none'
        this.#draw(false)
      }
      get needed() {
        return this.#needed
      }
      set needed(needed: boolean | undefined) {
        this.#needed = needed ?? false
        this.#draw(false)
      }
      get disabled() {
        return this.#disabled
      }
      set disabled(disabled: boolean | undefined) {
        this.toggleAttribute('disabled', disabled ?? false)
      }
      static observedAttributes = ['taken', 'number', 'needed', 'disabled']
      attributeChangedCallback(name: string, _: string | null, value: string | null): void {
        if (name === 'number') this.number = value ?? undefined
        else if (name === 'disabled') {
          this.#disabled = value !== null
          this.#draw(true)
        } else this[name as 'taken' | 'needed' | 'disabled'] = value !== null
      }
    },
})
