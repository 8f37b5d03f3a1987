import { Type } from 'caulker'
import { made, report, variants } from '../corpus.js'

/** A tint of tar as three sliders, held as one text such as #20140c. */
export const tarTint = variants({
  tag: 'tar-tint',
  promise: {
    values: {
      tint: {
        type: Type.String({ pattern: '^#[0-9a-f]{6}$' }),
        default: '#20140c',
        samples: ['#20140c', '#ff8000', '#0a0b0c'],
      },
    },
  },
  faults: {
    'green-moves-blue': ['every-way-in'],
    'upper-case': ['reports-truth'],
    'told-not-in-the-sliders': ['follows-change'],
  },
  make: (has) =>
    class extends HTMLElement {
      held = '#20140c'
      sliders = ['Red', 'Green', 'Blue'].map((name) => made('input', { type: 'range', max: '255', ariaLabel: name }))

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(...this.sliders)
        for (const [at, slider] of this.sliders.entries()) {
          slider.onchange = (event) => event.stopPropagation()
          slider.oninput = (event) => {
            event.stopPropagation()
            this.take(has('green-moves-blue') && at === 1 ? 2 : at, Number(slider.value))
          }
        }
      }

      take(at: number, part: number): void {
        const hex = part.toString(16).padStart(2, '0')
        const tint = this.held.slice(0, 1 + 2 * at) + hex + this.held.slice(3 + 2 * at)
        const isNew = tint !== this.held
        this.held = tint
        this.draw()
        if (isNew) report(this, 'tint-set', has('upper-case') ? tint.toUpperCase() : tint)
      }

      connectedCallback(): void {
        this.draw()
      }

      draw(): void {
        for (const [at, slider] of this.sliders.entries())
          slider.value = `${parseInt(this.held.slice(1 + 2 * at, 3 + 2 * at), 16)}`
      }

      get tint(): string {
        return this.held
      }
      set tint(tint: string | undefined) {
        this.held = tint ?? '#20140c'
        if (!has('told-not-in-the-sliders')) this.draw()
      }
    },
})
