import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** An oath in a form: it has to be given, and says so when it is checked. */
export const oathLine = variants({
  tag: 'oath-line',
  promise: {
    properties: {
      needed: { type: Type.Boolean(), default: false },
      disabled: { type: Type.Boolean(), default: false },
      name: { type: Type.String(), default: '', only: 'attribute' },
    },
    values: { oath: { type: Type.String(), default: '', reports: 'commit' } },
    form: { value: 'oath', requiredBy: 'needed' },
    locks: { disabled: 'disabled' },
    commands: { reportValidity: { effect: 'check', gives: Type.Boolean() }, reset: { effect: 'reset' } },
  },
  faults: {
    'check-says-nothing': ['commands-present'],
    'check-gives-the-wrong-way-round': ['commands-present'],
    'message-stays': ['commands-present'],
    'valid-when-blank-told': ['required-in-validity'],
    'needed-of-the-mount': ['follows-change', 'required-in-validity'],
    'check-reports': ['commands-present'],
  },
  make: (has) =>
    class extends HTMLElement {
      static formAssociated = true
      #oath = ''
      #needed = false
      #disabled = false
      #fieldset = false
      readonly #inside = this.attachInternals()
      readonly #field = made('input', { type: 'text' })
      readonly #said = made('p', { role: 'alert' })
      constructor() {
        super()
        const label = made('label', { textContent: 'Your oath' })
        label.append(this.#field)
        this.attachShadow({ mode: 'open', delegatesFocus: true }).append(label, this.#said)
        this.#field.onchange = () => {
          this.#oath = this.#field.value
          this.#draw()
          report(this, 'oath-set', this.#oath)
        }
        this.#field.onkeydown = ({ key }) => {
          if (key === 'Enter') {
            this.#field.blur()
            this.#inside.form?.requestSubmit()
          }
        }
        this.addEventListener('invalid', (event) => {
          event.preventDefault()
          if (!has('check-says-nothing')) this.#said.textContent = 'The oath is needed'
        })
      }
      connectedCallback(): void {
        this.#draw()
      }
      #draw(): void {
        this.#field.value = this.#oath
        this.#field.disabled = this.#disabled || this.#fieldset
        this.#inside.setFormValue(this.#oath)
        const missing = this.#needed && this.#oath === ''
        if (!(has('valid-when-blank-told') && missing && this.#wasValid))
          this.#inside.setValidity(
            missing ? { valueMissing: true } : {},
            missing ? 'The oath is needed' : '',
            this.#field,
          )
        if (this.isConnected) this.#wasValid = !missing
        if (!missing && !has('message-stays')) this.#said.textContent = ''
      }
      #wasValid = false
      get oath() {
        return this.#oath
      }
      set oath(oath: string | undefined) {
        this.#oath = oath ?? ''
        this.#draw()
      }
      get needed() {
        return this.#needed
      }
      set needed(needed: boolean | undefined) {
        if (has('needed-of-the-mount') && this.isConnected) return
        this.#needed = needed ?? false
        this.#draw()
      }
      get disabled() {
        return this.#disabled
      }
      set disabled(disabled: boolean | undefined) {
        this.#disabled = disabled ?? false
        this.toggleAttribute('disabled', this.#disabled)
        this.#draw()
      }
      static observedAttributes = ['oath', 'needed', 'disabled']
      attributeChangedCallback(name: string, _: string | null, value: string | null): void {
        if (name === 'oath') this.oath = value ?? undefined
        else if (name === 'needed') this.needed = value !== null
        else if (this.#disabled !== (value !== null)) this.disabled = value !== null
      }
      formResetCallback(): void {
        this.#oath = this.getAttribute('oath') ?? ''
        this.#draw()
        this.#said.textContent = ''
      }
      formDisabledCallback(off: boolean): void {
        this.#fieldset = off
        this.#draw()
      }
      formStateRestoreCallback(state: string): void {
        this.#oath = state
        this.#draw()
      }
      reset(): void {
        const had = this.#oath !== ''
        this.#oath = ''
        this.#draw()
        this.#said.textContent = ''
        if (had) report(this, 'oath-set', '')
      }
      reportValidity(): boolean {
        const is = this.#inside.reportValidity()
        if (has('check-reports')) report(this, 'oath-set', this.#oath)
        return has('check-gives-the-wrong-way-round') ? !is : is
      }
    },
})
