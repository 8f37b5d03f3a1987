import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** When a vessel came, as a point in time: a day and an hour, held as a Date. */
export const cameAt = variants({
  tag: 'came-at',
  promise: {
    values: {
      came: {
        type: Type.Unsafe<Date | null>({ anyOf: [{ hostObject: 'Date' }, { type: 'null' }] }),
        default: null,
        empty: null,
        reports: 'commit',
        attribute: false,
        samples: [new Date(Date.UTC(2031, 4, 14, 7, 30)), new Date(Date.UTC(2031, 11, 31, 0, 0))],
      },
    },
  },
  faults: {
    'writes-into-the-given': ['leaves-given-alone'],
  },
  make: (has) =>
    class extends HTMLElement {
      #came: Date | null = null
      #day = made('input', { type: 'date' })
      #hour = made('input', { type: 'time' })
      #said = made('output')
      constructor() {
        super()
        this.#day.ariaLabel = 'Day'
        this.#hour.ariaLabel = 'Hour'
        this.attachShadow({ mode: 'open' }).append(this.#day, this.#hour, this.#said)
        for (const field of [this.#day, this.#hour])
          field.onchange = () => {
            const next =
              this.#day.value === '' || this.#hour.value === ''
                ? null
                : new Date(`${this.#day.value}T${this.#hour.value}Z`)
            if (next?.getTime() === this.#came?.getTime()) return
            if (has('writes-into-the-given') && next !== null) this.#came?.setTime(next.getTime())
            this.#came = next
            this.#say()
            report(this, 'came-set', next === null ? null : new Date(next))
          }
      }
      connectedCallback(): void {
        this.#draw()
      }
      #say(): void {
        this.#said.textContent =
          this.#came === null ? 'not yet' : `${this.#came.toISOString().slice(0, 16).replace('T', ' ')}`
      }
      #draw(): void {
        const text = this.#came?.toISOString() ?? ''
        this.#day.value = text.slice(0, 10)
        this.#hour.value = text.slice(11, 16)
        this.#say()
      }
      get came() {
        return this.#came === null ? null : new Date(this.#came)
      }
      set came(came: Date | null | undefined) {
        this.#came = came == null || has('writes-into-the-given') ? (came ?? null) : new Date(came)
        this.#draw()
      }
    },
})
