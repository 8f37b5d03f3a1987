import { Type } from 'caulker'
import { report, variants } from './corpus.js'

const day = Type.Union([Type.String({ format: 'date' }), Type.Null()])

/** A date with a button that clears it, bounds that are dates, and its interior written as HTML. */
export const haulDate = variants({
  tag: 'haul-date',
  promise: {
    properties: { first: { type: day, default: null }, last: { type: day, default: null } },
    values: {
      date: { type: day, default: null, reports: 'commit', bounds: { least: 'first', most: 'last' }, outside: 'clamp' },
    },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'none-is-some-day': ['takes-empty'],
    'clear-unreported': ['reports-once'],
    'no-clearing': ['takes-empty'],
    'empty-text-payload': ['reports-truth'],
    'loose-typing': ['stays-within'],
    'sentence-stale': ['follows-change'],
    'reset-silent': ['resets-fully'],
    'mount-blind': ['shows-initial'],
    echo: ['quiet-when-told'],
  },
  make: (has) =>
    class extends HTMLElement {
      #held: Record<'first' | 'last' | 'date', string | null> = { first: null, last: null, date: null }

      constructor() {
        super()
        const root = this.attachShadow({ mode: 'open' })
        root.innerHTML = '<label>Haul-out <input type="date"></label><button type="button">Clear</button><p></p>'
        this.#input.addEventListener('change', () =>
          this.#edit(this.#input.value === '' ? null : this.#input.value, has('loose-typing')),
        )
        root.querySelector('button')!.addEventListener('click', () => this.#edit(null))
        this.#draw()
      }

      get #input(): HTMLInputElement {
        return this.shadowRoot!.querySelector('input')!
      }

      #edit(date: string | null, isLoose = false): void {
        const before = this.#held.date
        this.#held.date = isLoose ? date : this.#inside(date)
        this.#draw()
        if (this.#held.date === before || (date === null && has('clear-unreported'))) return
        report(this, 'date-set', has('empty-text-payload') ? (this.#held.date ?? '') : this.#held.date)
      }

      #inside(date: string | null): string | null {
        const { first, last } = this.#held
        if (date === null) return null
        if (last !== null && date > last && !(first !== null && first > last)) return last
        return first !== null && date < first ? first : date
      }

      #draw(): void {
        const { date } = this.#held
        this.#input.value = date ?? (has('none-is-some-day') ? '2031-01-01' : '')
        const sentence = this.shadowRoot!.querySelector('p')!
        if (!has('sentence-stale') || sentence.textContent === '' || !this.isConnected)
          sentence.textContent = date === null ? 'No date yet' : `Hauled out on ${date}`
      }

      #told(changes: object): void {
        const before = this.#held.date
        Object.assign(this.#held, changes)
        this.#held.date = this.#inside(this.#held.date)
        if (has('mount-blind') && !this.isConnected) this.#held.date = null
        this.#draw()
        if (has('echo') && before !== this.#held.date) report(this, 'date-set', this.#held.date)
      }

      get first(): string | null {
        return this.#held.first
      }
      set first(first: string | null | undefined) {
        this.#told({ first: first ?? null })
      }
      get last(): string | null {
        return this.#held.last
      }
      set last(last: string | null | undefined) {
        this.#told({ last: last ?? null })
      }
      get date(): string | null {
        return this.#held.date
      }
      set date(date: string | null | undefined) {
        if (!has('no-clearing') || date) this.#told({ date: date ?? null })
      }

      reset(): void {
        if (has('reset-silent')) this.#told({ date: null })
        else this.#edit(null)
      }
    },
})
