import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A native slider with its level written beside it; bounds and step are put on the slider itself, in the right order. */
export const tideLevel = variants({
  tag: 'tide-level',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      low: { type: Type.Integer(), default: 0 },
      high: { type: Type.Integer(), default: 100 },
    },
    values: { level: { type: Type.Integer(), default: 50, bounds: { least: 'low', most: 'high' } } },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'words-at-input-only': ['follows-change'],
    'input-and-change': ['reports-once'],
    'no-report': ['reports-once'],
    'text-payload': ['reports-truth'],
    'percent-payload': ['reports-truth'],
    'high-or-default': ['keeps-falsy'],
    'reset-to-middle-silently': ['resets-fully'],
    'reset-leaves-slider': ['resets-fully'],
    echo: ['quiet-when-told'],
    'level-unreadable': ['shows-initial'],
    'draws-nothing': ['shows-initial'],
    'slider-in-the-middle': ['shows-initial', 'every-way-in'],
    'slider-begins-at-nought': ['stays-within', 'shows-initial'],
    'slider-unheard': ['every-way-in', 'reports-once'],
    'nothing-above-a-low': ['stays-within'],
    'words-of-code': ['reports-truth'],
    'label-unread': ['shows-initial', 'named-by-label'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #low = 0
      #high = 100
      #level = 50
      readonly #slider = made('input', { type: 'range' })
      readonly #words = made('output')

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(...(has('draws-nothing') ? [] : [this.#slider, this.#words]))
        this.#slider.addEventListener('input', () => this.#moved())
        if (has('input-and-change'))
          this.#slider.addEventListener('change', () => report(this, 'level-set', this.#level))
        this.#draw()
        this.#say()
      }

      #moved(): void {
        if (has('slider-unheard') || (has('nothing-above-a-low') && this.#low > 0)) return this.#draw()
        this.#level = Number(this.#slider.value)
        if (has('words-of-code')) this.#words.textContent = `${this.#label}: ${String(undefined)} feet`
        else this.#say()
        if (has('no-report')) return
        if (has('text-payload')) report(this, 'level-set', this.#slider.value)
        else report(this, 'level-set', has('percent-payload') ? this.#level / 100 : this.#level)
      }

      #draw(): void {
        if (!has('slider-begins-at-nought')) this.#slider.min = String(this.#low)
        this.#slider.max = String(has('high-or-default') ? this.#high || 100 : this.#high)
        this.#slider.value = has('slider-in-the-middle') ? 'middle' : String(this.#level)
        if (!has('label-unread')) this.#slider.setAttribute('aria-label', this.#label)
        if (!has('words-at-input-only')) this.#say()
      }

      #say(): void {
        this.#words.textContent = `${has('label-unread') ? 'Level' : this.#label}: ${this.#slider.value} feet`
      }

      #told(): void {
        const high = has('high-or-default') ? this.#high || 100 : this.#high
        this.#level = Math.max(this.#low, Math.min(high, this.#level))
        this.#draw()
      }

      get label(): string {
        return this.#label
      }
      set label(label: string) {
        this.#label = label
        this.#draw()
        this.#say()
      }

      get low(): number {
        return this.#low
      }
      set low(low: number | undefined) {
        this.#low = low ?? 0
        this.#told()
      }

      get high(): number {
        return this.#high
      }
      set high(high: number | undefined) {
        this.#high = high ?? 100
        this.#told()
      }

      get level(): number {
        return has('level-unreadable') ? (undefined as never) : this.#level
      }
      set level(level: number | undefined) {
        const before = this.#level
        this.#level = level ?? 50
        this.#told()
        if (has('echo') && this.isConnected && before !== this.#level) report(this, 'level-set', this.#level)
      }

      reset(): void {
        const before = this.#level
        this.#level = 50
        if (has('reset-leaves-slider')) this.#level = 50
        else this.#told()
        if (before !== this.#level && !has('reset-to-middle-silently')) report(this, 'level-set', this.#level)
      }
    },
})
