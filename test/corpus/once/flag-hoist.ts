import { Type } from 'caulker'
import { made, report, variants } from '../corpus.js'

/** A flag that is up or down: its attribute says how it starts, and a form is sent it only while it is up. */
export const flagHoist = variants({
  tag: 'flag-hoist',
  promise: {
    required: ['label'],
    properties: { label: { type: Type.String() }, disabled: { type: Type.Boolean(), default: false } },
    values: {
      up: { type: Type.Boolean(), default: false, attributeGives: 'default', event: 'hoisted', resetTo: 'default' },
    },
    form: { value: 'up' },
    locks: { disabled: 'disabled' },
  },
  faults: {
    'down-falls-to-the-attribute': ['keeps-falsy', 'owner-decides', 'follows-change', 'takes-empty'],
    'attribute-read-once-made': ['attribute-agrees'],
    'form-reset-is-ignored': ['form-resets'],
    'sent-though-down': ['carries-form-value'],
    'fieldset-ignored': ['follows-fieldset'],
    'space-unreported': ['reports-once', 'every-way-in'],
    'state-not-announced': ['follows-change', 'every-way-in', 'reports-truth', 'owner-decides'],
    'reports-the-opposite': ['reports-truth'],
    'attribute-has-the-last-word': ['attribute-agrees'],
  },
  make: (has) =>
    class extends HTMLElement {
      static readonly formAssociated = true
      static readonly observedAttributes = ['label', 'disabled', 'up']
      readonly #internals = this.attachInternals()
      readonly #face = made('span')
      #up: boolean | undefined
      #label = ''
      #byFieldset = false
      #first: boolean | undefined

      constructor() {
        super()
        this.#face.tabIndex = 0
        this.#face.setAttribute('role', 'checkbox')
        this.attachShadow({ mode: 'open' }).append(this.#face)
        this.#face.onclick = () => this.#turn(false)
        this.#face.onkeydown = (event) => {
          if (event.key !== ' ') return
          event.preventDefault()
          this.#turn(has('space-unreported'))
        }
      }

      connectedCallback(): void {
        this.#first ??= this.hasAttribute('up')
        this.#draw()
      }
      attributeChangedCallback(name: string, _before: string | null, now: string | null): void {
        if (name === 'up' && has('attribute-has-the-last-word')) this.#up = now !== null
        if (name === 'label') this.#label = now ?? ''
        this.#draw()
      }
      formDisabledCallback(isDisabled: boolean): void {
        if (!has('fieldset-ignored')) this.#byFieldset = isDisabled
        this.#draw()
      }
      formResetCallback(): void {
        if (has('form-reset-is-ignored')) return
        this.#up = undefined
        this.#draw()
      }

      #turn(isSilent: boolean): void {
        if (this.#byFieldset || this.disabled) return
        this.#up = !this.up
        this.#draw()
        if (!isSilent) report(this, 'hoisted', has('reports-the-opposite') ? !this.#up : this.#up)
      }

      #draw(): void {
        this.#face.textContent = this.#label
        if (!has('state-not-announced') || !this.#face.hasAttribute('aria-checked'))
          this.#face.setAttribute('aria-checked', String(this.up))
        this.#face.setAttribute('aria-disabled', String(this.disabled || this.#byFieldset))
        this.#internals.setFormValue(this.up || has('sent-though-down') ? 'up' : null)
      }

      get label(): string {
        return this.#label
      }
      set label(label: string) {
        this.#label = label
        this.#draw()
      }
      get disabled(): boolean {
        return this.hasAttribute('disabled')
      }
      set disabled(disabled: boolean | undefined) {
        this.toggleAttribute('disabled', disabled ?? false)
      }
      get up(): boolean {
        const standing = has('attribute-read-once-made') ? (this.#first ?? false) : this.hasAttribute('up')
        return has('down-falls-to-the-attribute') ? this.#up || standing : (this.#up ?? standing)
      }
      set up(up: boolean | undefined) {
        this.#up = up
        this.#draw()
      }
    },
})
