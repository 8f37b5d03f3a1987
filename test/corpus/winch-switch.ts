import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A switch of its own making: a plain element that takes a click, Enter and the space bar. */
export const winchSwitch = variants({
  tag: 'winch-switch',
  promise: {
    properties: {
      label: { type: Type.String(), default: 'Winch' },
      off: { type: Type.Boolean(), default: false },
    },
    values: { running: { type: Type.Boolean(), default: false } },
    locks: { disabled: 'off' },
  },
  faults: {
    'space-unheard': ['reports-once', 'every-way-in', 'reports-truth'],
    'space-twice': ['reports-once', 'reports-truth'],
    'false-for-missing': ['keeps-falsy', 'follows-change'],
    'off-for-the-eye-only': ['locks-hold'],
    'state-said-once': ['follows-change', 'shows-initial', 'reports-truth'],
    'listens-again-after-move': ['survives-move'],
  },
  make: (has) =>
    class extends HTMLElement {
      #state = { label: 'Winch', off: false, running: false }
      #knob = made('div')

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#knob)
        this.#knob.setAttribute('role', 'switch')
        if (!has('listens-again-after-move')) this.#knob.addEventListener('click', () => this.#flip())
        this.#knob.addEventListener('keydown', (event) => {
          if (event.key !== ' ' && event.key !== 'Enter') return
          event.preventDefault()
          if (event.key === ' ' && has('space-unheard')) return void (this.#state.running = !this.#state.running)
          this.#flip()
          if (event.key === ' ' && has('space-twice')) report(this, 'running-set', this.#state.running)
        })
      }
      connectedCallback(): void {
        if (has('listens-again-after-move')) this.#knob.addEventListener('click', () => this.#flip())
        this.#draw()
      }
      #flip(): void {
        if (this.#state.off && !has('off-for-the-eye-only')) return
        this.#state.running = !this.#state.running
        this.#draw()
        report(this, 'running-set', this.#state.running)
      }
      #draw(): void {
        const { label, off, running } = this.#state
        this.#knob.textContent = label
        this.#knob.tabIndex = off && !has('off-for-the-eye-only') ? -1 : 0
        this.#knob.setAttribute('aria-disabled', String(off && !has('off-for-the-eye-only')))
        this.#knob.style.opacity = off ? '0.5' : '1'
        if (!has('state-said-once') || !this.#knob.hasAttribute('aria-checked'))
          this.#knob.setAttribute('aria-checked', String(running))
      }

      get label(): string {
        return this.#state.label
      }
      set label(label: string | undefined) {
        this.#state.label = label ?? 'Winch'
        this.#draw()
      }
      get off(): boolean {
        return this.#state.off
      }
      set off(off: boolean | undefined) {
        this.#state.off = off ?? false
        this.#draw()
      }
      get running(): boolean {
        return this.#state.running
      }
      set running(running: boolean | undefined) {
        this.#state.running = has('false-for-missing') ? running || this.#state.running : (running ?? false)
        this.#draw()
      }
    },
})
