import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A price, held in pennies, and written in marks with a space between thousands. */
export const pennyField = variants({
  tag: 'penny-field',
  promise: {
    values: {
      pennies: { type: Type.Union([Type.Integer(), Type.Null()]), default: null, reports: 'commit', blank: 'empty' },
    },
  },
  faults: {
    'spaces-break-it': ['round-trip'],
    'cuts-the-pennies': ['round-trip', 'every-way-in', 'reports-truth'],
    'blank-is-nought': ['emptied-as-said'],
  },
  make: (has) =>
    class extends HTMLElement {
      #pennies: number | null = null
      readonly #field = made('input', { ariaLabel: 'Marks', inputMode: 'decimal' })

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#field)
        this.#field.onchange = () => {
          const before = this.#pennies
          const now = this.#read(this.#field.value.trim())
          this.pennies = now === undefined ? before : now
          if (this.#pennies !== before) report(this, 'pennies-set', this.#pennies)
        }
      }

      #read(text: string): number | null | undefined {
        if (text === '') return has('blank-is-nought') ? 0 : null
        const marks = Number(has('spaces-break-it') ? text : text.replace(/ /g, ''))
        if (!Number.isFinite(marks)) return undefined
        return has('cuts-the-pennies') ? Math.trunc(marks) * 100 : Math.round(marks * 100)
      }

      get pennies(): number | null {
        return this.#pennies
      }
      set pennies(pennies: number | null | undefined) {
        this.#pennies = pennies ?? null
        const marks = ((pennies ?? 0) / 100).toFixed(2).replace(/\B(?=(\d{3})+\.)/g, ' ')
        this.#field.value = this.#pennies === null ? '' : marks
      }
    },
})
