import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const A_POINT = 11.25

/** An angle of the keel: held in degrees, shown and entered in degrees or in points of the compass. */
export const keelAngle = variants({
  tag: 'keel-angle',
  promise: {
    properties: { unit: { type: Type.Enum(['degrees', 'points']), default: 'degrees' } },
    values: {
      angle: {
        type: Type.Union([Type.Number({ minimum: 0, maximum: 360 }), Type.Null()]),
        default: null,
        bounds: { least: 0, most: 360 },
        outside: 'refuse',
        reports: 'commit',
        samples: [45, 0, 90, 360],
      },
    },
  },
  faults: {
    'points-reported': ['reports-truth', 'round-trip', 'every-way-in'],
    'unit-changes-the-angle': ['quiet-when-told', 'follows-change', 'any-order'],
    'unit-not-followed': ['follows-change'],
    'nought-blank': ['keeps-falsy'],
    'rubbish-is-nought': ['ignores-unreadable'],
    'beyond-taken': ['stays-within'],
    'told-inside-is-lost': ['follows-change', 'owner-decides'],
    'typed-is-put-back': ['every-way-in'],
  },
  make: (has) =>
    class extends HTMLElement {
      #angle: number | null = null
      #unit = 'degrees'
      readonly #field = made('input', { inputMode: 'decimal', ariaLabel: 'angle' })
      readonly #sign = made('span')

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#field, this.#sign)
        this.#field.addEventListener('input', (event) => event.stopPropagation())
        this.#field.addEventListener('change', (event) => {
          event.stopPropagation()
          this.#entered(this.#field.value.trim())
        })
      }

      connectedCallback(): void {
        this.#draw()
      }

      #scale(): number {
        return this.#unit === 'points' ? A_POINT : 1
      }

      #entered(text: string): void {
        const isNumber = /^-?\d+(\.\d+)?$/.test(text)
        if (has('typed-is-put-back') || (text !== '' && !isNumber && !has('rubbish-is-nought'))) return this.#draw()
        const degrees = text === '' ? null : isNumber ? Number(text) * this.#scale() : 0
        const isOutside = degrees !== null && (degrees < 0 || degrees > 360)
        const before = this.#angle
        if (!isOutside || has('beyond-taken')) this.#angle = degrees
        this.#draw()
        if (this.#angle === before) return
        const points = this.#angle === null ? null : this.#angle / this.#scale()
        report(this, 'angle-set', has('points-reported') ? points : this.#angle)
      }

      #draw(): void {
        const isBlank = this.#angle === null || (has('nought-blank') && this.#angle === 0)
        this.#field.value = isBlank ? '' : String((this.#angle ?? 0) / this.#scale())
        this.#sign.textContent = this.#unit === 'points' ? 'points' : '°'
      }

      get unit(): string {
        return this.#unit
      }
      set unit(unit: string | undefined) {
        if (has('unit-not-followed') && this.isConnected) return
        const before = this.#scale()
        this.#unit = unit ?? 'degrees'
        if (has('unit-changes-the-angle') && this.#angle !== null && this.isConnected)
          this.#angle = Math.min(360, (this.#angle / before) * this.#scale())
        this.#draw()
      }
      get angle(): number | null {
        return this.#angle
      }
      set angle(angle: number | null | undefined) {
        const degrees = angle ?? null
        if (degrees !== null && (degrees < 0 || degrees > 360)) return
        if (has('told-inside-is-lost') && this.shadowRoot?.activeElement === this.#field) return
        this.#angle = degrees
        this.#draw()
      }
    },
})
