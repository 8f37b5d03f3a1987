import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A day by three fields: day, month and year, held as one date. */
export const dueDay = variants({
  tag: 'due-day',
  promise: {
    required: ['label'],
    properties: { label: { type: Type.String() } },
    values: {
      day: { type: Type.Union([Type.String({ format: 'date' }), Type.Null()]), default: null, reports: 'commit' },
    },
    commands: { clear: { effect: 'reset' } },
  },
  faults: {
    'month-from-nought': ['round-trip'],
    'day-and-month-swapped': ['every-way-in'],
    'clear-leaves-the-year': ['resets-fully'],
    'told-shows-day-only': ['follows-change'],
  },
  make: (has) =>
    class extends HTMLElement {
      static observedAttributes = ['day', 'label']
      #day: string | null = null
      #label = ''
      readonly #legend = made('legend')
      readonly #fields = ['day', 'month', 'year'].map((name) =>
        made('input', { type: 'text', inputMode: 'numeric', ariaLabel: name, size: 4 }),
      )
      constructor() {
        super()
        const set = made('fieldset')
        set.append(this.#legend, ...this.#fields)
        this.attachShadow({ mode: 'open', delegatesFocus: true }).append(set)
        for (const field of this.#fields) field.onchange = () => this.#read()
      }
      connectedCallback(): void {
        this.#draw()
      }
      #read(): void {
        let [day = '', month = '', year = ''] = this.#fields.map((field) => field.value.trim())
        if (has('day-and-month-swapped')) [day, month] = [month, day]
        if (day === '' && month === '' && year === '') return this.#take(null)
        if (day === '' || month === '' || year === '') {
          if (this.#day !== null) {
            this.#day = null
            report(this, 'day-set', null)
          }
          return
        }
        const iso = `${year.padStart(4, '0')}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`
        const date = new Date(`${iso}T00:00:00Z`)
        const isDay = /^\d{4}-\d\d-\d\d$/.test(iso) && !Number.isNaN(date.getTime())
        if (!isDay) return this.#draw()
        if (date.toISOString().slice(0, 10) !== iso) return this.#draw()
        this.#take(iso)
      }
      #take(day: string | null): void {
        const before = this.#day
        this.#day = day
        this.#draw()
        if (before !== day) report(this, 'day-set', day)
      }
      #draw(): void {
        this.#legend.textContent = this.#label
        const [year = '', month = '', day = ''] = this.#day?.split('-') ?? []
        const [one, two, three] = this.#fields as [HTMLInputElement, HTMLInputElement, HTMLInputElement]
        one.value = day === '' ? '' : String(Number(day))
        if (has('told-shows-day-only') && two.value !== '' && month !== '') return
        two.value = month === '' ? '' : String(Number(month) - (has('month-from-nought') ? 1 : 0))
        three.value = year
      }
      clear(): void {
        const before = this.#day
        this.#day = null
        this.#draw()
        if (has('clear-leaves-the-year')) this.#fields[2]!.value = before?.slice(0, 4) ?? ''
        if (before !== null) report(this, 'day-set', null)
      }
      get day() {
        return this.#day
      }
      set day(day: string | null | undefined) {
        this.#day = day ?? null
        this.#draw()
      }
      get label() {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? ''
        this.#draw()
      }
      attributeChangedCallback(name: 'day' | 'label', _: string | null, value: string | null): void {
        this[name] = value ?? undefined
      }
    },
})
