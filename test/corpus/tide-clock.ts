import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const two = (number: number) => String(number).padStart(2, '0')

/** A time of day in two selects; the minutes on offer depend on a step. */
export const tideClock = variants({
  tag: 'tide-clock',
  promise: {
    required: ['label'],
    properties: { label: { type: Type.String() }, stride: { type: Type.Enum([5, 15, 30]), default: 15 } },
    values: { time: { type: Type.String({ pattern: '^([01]\\d|2[0-3]):[0-5]\\d$' }), default: '06:00' } },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'hour-alone': ['reports-truth', 'round-trip'],
    'minutes-unreported': ['reports-once', 'every-way-in'],
    'minutes-without-zero': ['reports-truth', 'round-trip'],
    'stride-of-the-mount': ['follows-change'],
    'words-of-the-mount': ['follows-change'],
    'words-before-the-edit': ['reports-truth'],
    'time-of-the-mount': ['follows-change'],
    'silent-reset': ['resets-fully', 'reports-once'],
    'reset-keeps-words': ['resets-fully'],
    'reports-while-told': ['quiet-when-told'],
    'label-for-nothing': ['named-by-label'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #stride = 15
      #time = '06:00'
      #drawnOnce = false
      readonly #group = made('fieldset')
      readonly #legend = made('legend')
      readonly #hour = made('select')
      readonly #minute = made('select')
      readonly #words = made('p')

      constructor() {
        super()
        this.#hour.setAttribute('aria-label', 'Hour')
        this.#minute.setAttribute('aria-label', 'Minute')
        this.#group.append(has('label-for-nothing') ? made('span') : this.#legend, this.#hour, this.#minute)
        this.attachShadow({ mode: 'open' }).append(this.#group, this.#words)
        for (let hour = 0; hour < 24; hour++)
          this.#hour.add(made('option', { value: two(hour), textContent: two(hour) }))
        this.#hour.addEventListener('change', () => this.#chosen(false))
        this.#minute.addEventListener('change', () => this.#chosen(true))
        this.#draw()
      }

      connectedCallback(): void {
        this.#draw()
        this.#drawnOnce = true
      }

      #chosen(isMinute: boolean): void {
        const minute = has('minutes-without-zero') ? String(Number(this.#minute.value)) : this.#minute.value
        this.#time = `${this.#hour.value}:${minute}`
        if (!has('words-before-the-edit')) this.#say()
        if (isMinute && has('minutes-unreported')) return
        report(this, 'time-set', has('hour-alone') ? this.#hour.value : this.#time)
      }

      #offer(): void {
        if (has('stride-of-the-mount') && this.#drawnOnce) return
        const wanted = this.#time.slice(3)
        const minutes = new Set<string>()
        for (let minute = 0; minute < 60; minute += this.#stride) minutes.add(two(minute))
        minutes.add(wanted)
        this.#minute.replaceChildren(
          ...[...minutes].sort().map((minute) => made('option', { value: minute, textContent: minute })),
        )
      }

      #draw(): void {
        this.#legend.textContent = this.#label
        this.#offer()
        if (has('time-of-the-mount') && this.#drawnOnce) return
        this.#hour.value = this.#time.slice(0, 2)
        this.#minute.value = this.#time.slice(3)
        if (!(has('words-of-the-mount') && this.#drawnOnce)) this.#say()
      }

      #say(): void {
        this.#words.textContent =
          Number(this.#time.slice(0, 2)) < 12 ? 'With the morning tide' : 'With the evening tide'
      }

      get label(): string {
        return this.#label
      }
      set label(label: string) {
        this.#label = label
        this.#draw()
      }

      get stride(): number {
        return this.#stride
      }
      set stride(stride: number | undefined) {
        this.#stride = stride ?? 15
        this.#draw()
      }

      get time(): string {
        return this.#time
      }
      set time(time: string | undefined) {
        const before = this.#time
        this.#time = time ?? '06:00'
        this.#draw()
        if (has('reports-while-told') && before !== this.#time) report(this, 'time-set', this.#time)
      }

      reset(): void {
        const before = this.#time
        const { textContent: words } = this.#words
        this.#time = '06:00'
        this.#draw()
        if (has('reset-keeps-words')) this.#words.textContent = words
        if (before !== this.#time && !has('silent-reset')) report(this, 'time-set', this.#time)
      }
    },
})
