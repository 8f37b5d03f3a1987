import { Type } from 'caulker'
import { made, variants } from './corpus.js'

/** Whether reefed: the element itself is the switch. */
export const reefSwitch = variants({
  tag: 'reef-switch',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      disabled: { type: Type.Boolean(), default: false, reflects: true },
    },
    values: { reefed: { type: Type.Boolean(), default: false, empty: false, reflects: true, bubbles: true } },
    form: { value: 'reefed' },
    locks: { disabled: 'disabled' },
    commands: { reset: { effect: 'reset', reports: false } },
  },
  faults: {
    'state-read-once': ['follows-change', 'early-property', 'reports-truth', 'every-way-in', 'resets-fully'],
    'not-reflected-when-clicked': ['attribute-agrees'],
    'space-does-nothing': ['every-way-in'],
    'enter-reports-twice': ['reports-once'],
    'reset-leaves-the-attribute': ['attribute-agrees'],
    'label-read-once': ['follows-change', 'named-by-label'],
  },
  make: (has) =>
    class extends HTMLElement {
      static readonly formAssociated = true
      static observedAttributes = ['reefed', 'label', 'disabled']
      readonly #internals = this.attachInternals()
      #label = ''
      #off = false
      #told = false
      #isReady = false
      readonly #words = made('span')
      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#words)
        this.#internals.role = 'switch'
        this.addEventListener('click', () => this.#turn())
        this.addEventListener('keydown', (event) => {
          if (event.key !== ' ' && event.key !== 'Enter') return
          event.preventDefault()
          if (event.key === ' ' && has('space-does-nothing')) return
          this.#turn()
          if (event.key === 'Enter' && has('enter-reports-twice'))
            this.dispatchEvent(new CustomEvent('reefed-set', { detail: { value: this.reefed }, bubbles: true }))
        })
      }
      connectedCallback(): void {
        this.#isReady = true
        this.#draw()
        this.#send()
      }
      #turn(): void {
        if (this.#isOff()) return
        if (has('not-reflected-when-clicked')) this.#told = !this.#told
        else this.toggleAttribute('reefed', !this.reefed)
        this.#draw()
        this.#send()
        this.dispatchEvent(new CustomEvent('reefed-set', { detail: { value: this.reefed }, bubbles: true }))
      }
      #isOff(): boolean {
        return this.hasAttribute('disabled') || this.#off
      }
      attributeChangedCallback(name: string, _: string | null, now: string | null): void {
        if (name === 'label' && !(has('label-read-once') && this.#label !== '')) this.#label = now ?? ''
        if (name === 'reefed') this.#told = now !== null
        if (this.#isReady) {
          this.#draw()
          this.#send()
        }
      }
      #draw(): void {
        if (!has('state-read-once') || this.#internals.ariaChecked === null)
          this.#internals.ariaChecked = String(this.reefed)
        this.#internals.ariaLabel = this.#label
        this.#internals.ariaDisabled = String(this.#isOff())
        this.tabIndex = this.#isOff() ? -1 : 0
        this.#words.textContent = `${this.#label}: ${this.reefed ? 'in' : 'out'}`
      }
      #send(): void {
        this.#internals.setFormValue(this.reefed ? 'on' : null)
      }
      formDisabledCallback(is: boolean): void {
        this.#off = is
        this.#draw()
      }
      formResetCallback(): void {
        this.reefed = false
        this.#send()
      }
      reset(): void {
        if (has('reset-leaves-the-attribute')) {
          this.#told = false
          this.#draw()
          this.#send()
          return
        }
        this.reefed = false
      }
      get reefed() {
        return this.#told
      }
      set reefed(reefed: boolean | undefined) {
        this.#told = reefed ?? false
        this.toggleAttribute('reefed', this.#told)
        if (this.#isReady) {
          this.#draw()
          this.#send()
        }
      }
      get label() {
        return this.#label
      }
      set label(label: string | undefined) {
        if (!(has('label-read-once') && this.#label !== '')) this.#label = label ?? ''
        if (this.#isReady) this.#draw()
      }
      get disabled() {
        return this.hasAttribute('disabled')
      }
      set disabled(disabled: boolean | undefined) {
        this.toggleAttribute('disabled', disabled ?? false)
        if (this.#isReady) this.#draw()
      }
    },
})
