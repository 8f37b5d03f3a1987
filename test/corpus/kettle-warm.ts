import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** How warm a kettle of pitch is kept: its buttons go on while they are held, up to an end that is soon reached. */
export const kettleWarm = variants({
  tag: 'kettle-warm',
  promise: { values: { warm: { type: Type.Integer(), default: 20, bounds: { least: 20, most: 90 } } } },
  faults: {
    'runs-on-beside': ['ends-when-let-go'],
    'runs-on-when-gone': ['ends-when-let-go'],
  },
  make: (has) =>
    class extends HTMLElement {
      #warm = 20
      #timer: ReturnType<typeof setTimeout> | undefined
      readonly #shown = made('output')
      readonly #stop = () => has('runs-on-beside') || clearTimeout(this.#timer)

      constructor() {
        super()
        const buttons = ([-5, 5] as const).map((by) => {
          const button = made('button', { type: 'button', textContent: by < 0 ? 'colder' : 'warmer' })
          let isHeld = false
          const go = () => {
            isHeld = true
            this.#step(by)
            this.#timer = setTimeout(go, 80)
          }
          button.onpointerdown = () => {
            isHeld = false
            this.#timer = setTimeout(go, 400)
          }
          button.onclick = () => {
            clearTimeout(this.#timer)
            if (!isHeld) this.#step(by)
          }
          button.onpointerleave = button.onpointercancel = this.#stop
          return button
        })
        this.attachShadow({ mode: 'open' }).append(...buttons, this.#shown)
        this.#draw()
      }
      connectedCallback(): void {
        window.addEventListener('pointerup', this.#stop)
      }
      disconnectedCallback(): void {
        window.removeEventListener('pointerup', this.#stop)
        if (!has('runs-on-when-gone')) clearTimeout(this.#timer)
      }

      #step(by: number): void {
        const before = this.#warm
        this.warm = before + by
        if (this.#warm !== before) report(this, 'warm-set', this.#warm)
      }
      #draw(): void {
        this.#shown.textContent = `${this.#warm} degrees`
      }

      get warm(): number {
        return this.#warm
      }
      set warm(warm: number | undefined) {
        this.#warm = Math.min(Math.max(warm ?? 20, 20), 90)
        this.#draw()
      }
    },
})
