import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A spin button without a field: a span that takes keys and says its value to assistive technology. */
export const rivetCount = variants({
  tag: 'rivet-count',
  promise: {
    properties: {
      label: { type: Type.String(), default: 'Rivets' },
      step: { type: Type.Integer({ minimum: 1 }), default: 4 },
      most: { type: Type.Integer({ minimum: 0 }), default: 40 },
    },
    values: { rivets: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 'most' }, step: 'step' } },
  },
  faults: {
    'end-off-step': ['stays-within', 'true-steps', 'reports-truth'],
    'step-read-once': ['follows-change', 'stays-within'],
    'told-as-text': ['reports-truth'],
    'told-again-at-the-end': ['reports-once'],
    'arrow-up-shows-only': ['every-way-in'],
    'echoes-most': ['quiet-when-told'],
  },
  make: (has) =>
    class extends HTMLElement {
      #state = { label: 'Rivets', step: 4, most: 40, rivets: 0 }
      #stepAtFirst: number | undefined
      #spin = this.attachShadow({ mode: 'open' }).appendChild(made('span', { tabIndex: 0 }))

      connectedCallback(): void {
        this.#stepAtFirst ??= this.#state.step
        this.#spin.setAttribute('role', 'spinbutton')
        this.#spin.onkeydown = ({ key }) => this.#press(key)
        this.#draw()
      }
      #press(key: string): void {
        const { most, rivets } = this.#state
        const step = has('step-read-once') ? (this.#stepAtFirst ?? 4) : this.#state.step
        const far = { PageUp: 5 * step, PageDown: -5 * step, ArrowUp: step, ArrowDown: -step }[key]
        const wanted = { Home: 0, End: most }[key] ?? rivets + (far ?? 0)
        const to = has('end-off-step') && key === 'End' ? most : this.#fit(wanted, step)
        if (has('arrow-up-shows-only') && key === 'ArrowUp') return void (this.#spin.textContent = String(to))
        if (to === rivets && !(has('told-again-at-the-end') && key === 'End')) return
        this.#state.rivets = to
        this.#draw()
        report(this, 'rivets-set', has('told-as-text') ? String(to) : to)
      }
      #fit(rivets: number, step = this.#state.step): number {
        const most = Math.floor(this.#state.most / step) * step
        return Math.max(0, Math.min(most, Math.round(rivets / step) * step))
      }
      #draw(): void {
        this.#spin.textContent = String(this.#state.rivets)
        this.#spin.setAttribute('aria-valuenow', String(this.#state.rivets))
        this.#spin.setAttribute('aria-label', this.#state.label)
      }
      #bring(): void {
        const before = this.#state.rivets
        this.#state.rivets = this.#fit(before)
        this.#draw()
        if (has('echoes-most') && before !== this.#state.rivets) report(this, 'rivets-set', this.#state.rivets)
      }

      get label(): string {
        return this.#state.label
      }
      set label(label: string | undefined) {
        this.#state.label = label ?? 'Rivets'
        this.#draw()
      }
      get step(): number {
        return this.#state.step
      }
      set step(step: number | undefined) {
        this.#state.step = step ?? 4
        this.#bring()
      }
      get most(): number {
        return this.#state.most
      }
      set most(most: number | undefined) {
        this.#state.most = most ?? 40
        this.#bring()
      }
      get rivets(): number {
        return this.#state.rivets
      }
      set rivets(rivets: number | undefined) {
        this.#state.rivets = this.#fit(rivets ?? 0)
        this.#draw()
      }
    },
})
