import { Type } from 'caulker'
import { made, report, variants } from '../corpus.js'

const day = Type.Union([Type.String({ format: 'date' }), Type.Null()])

/** The day on which she sails, as a calendar day. */
export const sailDate = variants({
  tag: 'sail-date',
  promise: {
    required: ['label'],
    properties: { label: { type: Type.String() }, earliest: { type: day, default: null, attribute: false } },
    values: {
      day: {
        type: day,
        default: null,
        attribute: false,
        bounds: { least: 'earliest' },
        outside: 'refuse',
        outsideTold: 'keep',
      },
    },
    commands: { clear: { effect: 'reset', reports: false } },
  },
  faults: {
    // A day off west of Greenwich, as in the embedded DOM, and east of it, as in Chromium.
    'a-day-off': ['reports-truth', 'round-trip', 'shows-initial'],
    'none-as-a-text': ['reports-truth'],
    'earliest-of-the-mount': ['follows-change', 'stays-within'],
    'too-early-is-taken': ['stays-within'],
    'not-cleared-from-outside': ['takes-empty', 'resets-fully'],
    'none-unreported': ['reports-once', 'every-way-in'],
    'label-untied': ['named-by-label'],
    'reported-as-a-moment': ['reports-truth'],
    'chosen-is-unheard': ['every-way-in', 'reports-once'],
    'none-is-unheard': ['every-way-in', 'reports-once'],
    'earliest-itself-is-refused': ['stays-within'],
    'none-by-the-pointer-alone': ['every-way-in'],
  },
  make: (has) =>
    class extends HTMLElement {
      #day: string | null = null
      #earliest: string | null = null
      #first: string | null | undefined
      readonly #label = made('label')
      readonly #field = made('input', { type: 'date', id: 'day' })
      readonly #none = made('button', { type: 'button', textContent: 'Clear the day' })

      constructor() {
        super()
        if (!has('label-untied')) this.#label.htmlFor = 'day'
        this.attachShadow({ mode: 'open' }).append(this.#label, this.#field, this.#none)
        this.#field.addEventListener('input', (event) => event.stopPropagation())
        this.#field.addEventListener('change', (event) => {
          event.stopPropagation()
          if (has('chosen-is-unheard')) return
          this.#take(this.#field.value === '' ? null : this.#field.value)
        })
        const hears = has('none-by-the-pointer-alone') ? 'pointerdown' : 'click'
        this.#none.addEventListener(hears, () => {
          if (has('none-is-unheard')) return
          this.#day = null
          this.#draw()
          if (!has('none-unreported')) this.#report()
        })
      }

      connectedCallback(): void {
        this.#first ??= this.#earliest
        this.#draw()
      }

      #take(chosen: string | null): void {
        const earliest = has('earliest-of-the-mount') ? (this.#first ?? null) : this.#earliest
        const isEarly =
          chosen !== null &&
          earliest !== null &&
          (has('earliest-itself-is-refused') ? chosen <= earliest : chosen < earliest) &&
          !has('too-early-is-taken')
        const next = isEarly ? this.#day : chosen !== null && has('a-day-off') ? moved(chosen) : chosen
        if (next !== this.#day) {
          this.#day = next
          this.#report()
        }
        if (!has('a-day-off')) this.#draw()
      }

      #report(): void {
        const value = this.#day === null && has('none-as-a-text') ? '' : this.#day
        report(this, 'day-set', has('reported-as-a-moment') && value !== null ? `${value}T00:00:00` : value)
      }

      #draw(): void {
        this.#field.value = this.#day ?? ''
        this.#field.min = this.#earliest ?? ''
        this.#none.disabled = this.#day === null
      }

      clear(): void {
        this.day = null
      }

      get label(): string {
        return this.#label.textContent ?? ''
      }
      set label(label: string) {
        this.#label.textContent = label
      }
      get earliest(): string | null {
        return this.#earliest
      }
      set earliest(earliest: string | null | undefined) {
        this.#earliest = earliest ?? null
        this.#draw()
      }
      get day(): string | null {
        return this.#day
      }
      set day(given: string | null | undefined) {
        if (has('not-cleared-from-outside') && !given) return
        this.#day = given ?? null
        this.#draw()
      }
    },
})

/** What becomes of a calendar day that is taken for a moment, on either side of Greenwich. */
function moved(chosen: string): string {
  const west = new Date(chosen)
  const local = `${west.getFullYear()}-${String(west.getMonth() + 1).padStart(2, '0')}-${String(west.getDate()).padStart(2, '0')}`
  return local === chosen ? new Date(`${chosen}T00:00`).toISOString().slice(0, 10) : local
}
