import { Type } from 'caulker'
import { made, report, variants } from '../corpus.js'

/** How seaworthy a hull is, in stars: what the pointer passes over is shown beforehand, and the same star again takes it back. */
export const hullStars = variants({
  tag: 'hull-stars',
  promise: {
    properties: {
      label: { type: Type.String({ minLength: 1 }), default: 'Seaworthy' },
      best: { type: Type.Integer({ minimum: 1, maximum: 9 }), default: 5, samples: [5, 3] },
      off: { type: Type.Boolean(), default: false },
    },
    values: { stars: { type: Type.Integer({ minimum: 0 }), default: 0, bounds: { most: 'best' } } },
    locks: { disabled: 'off' },
  },
  faults: {
    'passed-over-stays': ['reports-once'],
    'none-shown-as-one': ['keeps-falsy'],
    'click-when-off': ['locks-hold'],
    'keys-beyond-the-best': ['stays-within'],
    'best-of-the-mount': ['follows-change', 'stays-within'],
    'says-the-old': ['follows-change', 'reports-truth'],
    'label-of-the-mount': ['follows-change', 'named-by-label'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = 'Seaworthy'
      #best = 5
      #off = false
      #stars = 0
      #row = made('div', { role: 'slider', tabIndex: 0 } as never)

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#row)
        this.#row.onkeydown = (event) => {
          const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key]
          if (by === undefined || this.#off) return
          event.preventDefault()
          const to = Math.max(0, this.#stars + by)
          this.#take(has('keys-beyond-the-best') ? to : Math.min(this.#best, to))
        }
        this.#row.onpointerleave = () => {
          if (!has('passed-over-stays')) this.#draw()
        }
      }
      connectedCallback(): void {
        this.#build()
      }

      #take(stars: number): void {
        if (stars === this.#stars) return
        this.#stars = stars
        this.#draw()
        report(this, 'stars-set', stars)
      }
      #build(): void {
        const marks = Array.from({ length: this.#best }, (_, at) => {
          const mark = made('span', { ariaHidden: 'true' })
          mark.onpointerenter = () => void (this.#off || this.#paint(at + 1))
          mark.onclick = () => {
            if (!this.#off || has('click-when-off')) this.#take(this.#stars === at + 1 ? 0 : at + 1)
          }
          return mark
        })
        this.#row.replaceChildren(...marks)
        this.#draw()
      }
      #paint(stars: number): void {
        for (const [at, mark] of [...this.#row.children].entries()) mark.textContent = at < stars ? '★' : '☆'
      }
      #draw(): void {
        const shown = Math.min(this.#best, this.#stars)
        this.#paint(has('none-shown-as-one') ? shown || 1 : shown)
        const isNamed = has('label-of-the-mount') && this.#row.ariaLabel !== null
        if (!isNamed && this.isConnected) this.#row.ariaLabel = this.#label
        if (!has('says-the-old') || !this.#row.hasAttribute('aria-valuetext'))
          this.#row.setAttribute('aria-valuetext', `${shown} of ${this.#best}`)
        this.#row.setAttribute('aria-valuenow', String(shown))
        this.#row.setAttribute('aria-disabled', String(this.#off))
        this.#row.tabIndex = this.#off ? -1 : 0
      }

      get stars(): number {
        return Math.min(this.#best, this.#stars)
      }
      set stars(stars: number | undefined) {
        this.#stars = stars ?? 0
        this.#draw()
      }
      get best(): number {
        return this.#best
      }
      set best(best: number | undefined) {
        if (has('best-of-the-mount') && this.isConnected) return
        this.#best = best ?? 5
        this.#build()
      }
      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? 'Seaworthy'
        this.#draw()
      }
      get off(): boolean {
        return this.#off
      }
      set off(off: boolean | undefined) {
        this.#off = off ?? false
        this.#draw()
      }
    },
})
