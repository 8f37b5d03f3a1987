import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A checkbox with a sentence beside it, written as functions around one small state. */
export const hatchToggle = variants({
  tag: 'hatch-toggle',
  promise: {
    required: ['label'],
    properties: { label: { type: Type.String() }, locked: { type: Type.Boolean(), default: false } },
    values: { open: { type: Type.Boolean(), default: false } },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'false-as-missing': ['keeps-falsy', 'takes-empty'],
    'stale-sentence': ['reports-truth'],
    'told-sentence-stale': ['follows-change', 'keeps-falsy'],
    'click-and-change': ['reports-once'],
    inverted: ['reports-truth'],
    'reset-leaves-box': ['resets-fully'],
    'lock-read-once': ['follows-change'],
    'mount-blind': ['shows-initial'],
  },
  make: (has) =>
    class extends HTMLElement {
      #open = false
      #locked = false
      #isFirstLock = true
      readonly #box = made('input', { type: 'checkbox' })
      readonly #name = made('span')
      readonly #sentence = made('p')

      connectedCallback(): void {
        if (this.firstChild === null) {
          const label = made('label')
          label.append(this.#box, this.#name)
          this.append(label, this.#sentence)
          this.#box.addEventListener('change', () => this.#clicked())
          if (has('click-and-change'))
            this.#box.addEventListener('click', () => report(this, 'open-set', this.#box.checked))
        }
        if (!has('mount-blind')) this.#draw()
      }

      #clicked(): void {
        this.#open = this.#box.checked
        if (!has('stale-sentence')) this.#draw()
        report(this, 'open-set', has('inverted') ? !this.#open : this.#open)
      }

      #draw(): void {
        this.#box.checked = this.#open
        this.#box.disabled = this.#locked
        this.#say()
      }

      #say(): void {
        this.#sentence.textContent = this.#open ? 'The hatch is open' : 'The hatch is shut'
      }

      get label(): string {
        return this.#name.textContent ?? ''
      }
      set label(label: string) {
        this.#name.textContent = label
      }

      get locked(): boolean {
        return this.#locked
      }
      set locked(locked: boolean | undefined) {
        if (has('lock-read-once') && !this.#isFirstLock && this.isConnected) return
        this.#isFirstLock = false
        this.#locked = locked ?? false
        this.#draw()
      }

      get open(): boolean {
        return this.#open
      }
      set open(open: boolean | undefined) {
        if (has('false-as-missing') && !open) return
        this.#open = open ?? false
        if (has('told-sentence-stale') && this.isConnected) this.#box.checked = this.#open
        else if (!has('mount-blind') || this.isConnected) this.#draw()
      }

      reset(): void {
        const wasOpen = this.#open
        this.#open = false
        if (has('reset-leaves-box')) this.#say()
        else this.#draw()
        if (wasOpen) report(this, 'open-set', false)
      }
    },
})
