import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A switch that opens nothing by itself: it asks, and its owner tells it what stands. */
export const lockGate = variants({
  tag: 'lock-gate',
  promise: {
    required: ['label'],
    properties: { label: { type: Type.String() }, disabled: { type: Type.Boolean(), default: false } },
    values: { open: { type: Type.Boolean(), default: false, applies: 'when-told', event: 'gate-asked' } },
    locks: { disabled: 'disabled' },
  },
  faults: {
    'opens-by-itself': ['asks-first'],
    'drawn-open-at-once': ['asks-first'],
    'asks-what-stands': ['reports-once', 'reports-truth', 'every-way-in'],
    'asks-twice': ['reports-once'],
    'asks-when-told': ['quiet-when-told'],
    'asks-though-locked': ['locks-hold'],
    'false-for-missing': ['keeps-falsy', 'follows-change', 'takes-empty', 'owner-decides', 'resets-fully'],
    'aria-of-the-mount': ['follows-change', 'attribute-agrees'],
    'label-of-the-mount': ['follows-change'],
    'in-a-form-it-submits': ['no-accidental-submit'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #open = false
      #disabled = false
      readonly #button = made('button', { type: has('in-a-form-it-submits') ? 'submit' : 'button' })

      constructor() {
        super()
        this.#button.setAttribute('role', 'switch')
        this.#button.addEventListener('click', () => this.#ask())
        this.#draw()
      }

      connectedCallback(): void {
        if (!this.contains(this.#button)) this.append(this.#button)
        this.#draw()
      }

      #ask(): void {
        if (this.#disabled && !has('asks-though-locked')) return
        const wanted = !this.#open
        if (has('opens-by-itself')) this.open = wanted
        if (has('drawn-open-at-once')) this.#button.setAttribute('aria-checked', String(wanted))
        report(this, 'gate-asked', has('asks-what-stands') ? this.#open : wanted)
        if (has('asks-twice')) report(this, 'gate-asked', wanted)
      }

      #draw(): void {
        this.#button.textContent ||= has('label-of-the-mount') ? this.#label : ''
        if (!has('label-of-the-mount')) this.#button.textContent = this.#label
        if (has('asks-though-locked')) this.#button.setAttribute('aria-disabled', String(this.#disabled))
        else this.#button.disabled = this.#disabled
        if (!has('aria-of-the-mount') || !this.#button.hasAttribute('aria-checked') || !this.isConnected)
          this.#button.setAttribute('aria-checked', String(this.#open))
      }

      get label(): string {
        return this.#label
      }
      set label(label: string) {
        this.#label = label
        this.#draw()
      }

      get disabled(): boolean {
        return this.#disabled
      }
      set disabled(disabled: boolean | undefined) {
        this.#disabled = disabled ?? false
        this.#draw()
      }

      get open(): boolean {
        return this.#open
      }
      set open(open: boolean | undefined) {
        if (has('false-for-missing') && !open && this.isConnected) return
        const before = this.#open
        this.#open = open ?? false
        this.#draw()
        if (has('asks-when-told') && before !== this.#open) report(this, 'gate-asked', this.#open)
      }
    },
})
