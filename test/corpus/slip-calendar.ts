import { Type } from 'caulker'
import { made, variants } from './corpus.js'

const DAY = 86_400_000
const iso = (time: number) => new Date(time).toISOString().slice(0, 10)
const monthOf = (day: string) => `${day.slice(0, 7)}-01`
const moved = (month: string, by: number) => {
  const date = new Date(`${month}T00:00:00Z`)
  date.setUTCMonth(date.getUTCMonth() + by)
  return iso(date.getTime())
}

/** The day of a launch, picked from the days of a month; the month that is shown can be turned. */
export const slipCalendar = variants({
  tag: 'slip-calendar',
  promise: {
    properties: {
      first: { type: Type.String({ format: 'date' }), default: '2031-05-01' },
      last: { type: Type.String({ format: 'date' }), default: '2031-07-31' },
      title: { type: Type.String(), default: 'Launch' },
      shut: { type: Type.Boolean(), default: false },
    },
    values: {
      day: {
        type: Type.Union([Type.String({ format: 'date' }), Type.Null()]),
        default: null,
        bounds: { least: 'first', most: 'last' },
        outsideTold: 'keep',
        event: 'day-picked',
        payloadAt: '/detail/day',
        cancelable: false,
      },
    },
    commands: { clear: { effect: 'reset' } },
    form: { value: 'day' },
    locks: { disabled: 'shut' },
  },
  faults: {
    'picks-the-day-before': ['reports-truth', 'stays-within'],
    'first-of-the-mount': ['stays-within', 'follows-change'],
    'beyond-the-last': ['stays-within'],
    'told-leaves-the-month': ['follows-change'],
    'mark-of-the-click': ['follows-change', 'takes-empty', 'resets-fully', 'owner-decides'],
    'turning-picks': ['locks-hold', 'stays-within', 'reports-once', 'quiet-when-told', 'reports-truth'],
    'same-day-reports': ['reports-once'],
    'clear-keeps-the-mark': ['resets-fully'],
    'clear-in-silence': ['resets-fully'],
    'nothing-is-sent-as-null': ['carries-form-value'],
    'form-reset-forgets': ['form-resets'],
    'payload-is-a-date': ['reports-truth'],
    'arrows-in-silence': ['reports-once'],
    'title-of-the-mount': ['follows-change', 'named-by-label'],
  },
  make: (has) =>
    class extends HTMLElement {
      static formAssociated = true
      static observedAttributes = ['first', 'last', 'title', 'shut', 'day']
      #inside = this.attachInternals()
      #root = this.attachShadow({ mode: 'open' })
      #first = '2031-05-01'
      #last = '2031-07-31'
      #atMount: { first: string } | undefined
      #title = 'Launch'
      #shut = false
      #isOff = false
      #day: string | null = null
      #mark: string | null = null
      #month: string | undefined
      #isReady = false

      connectedCallback(): void {
        this.#atMount ??= { first: this.#first }
        if (!this.#isReady) {
          this.#isReady = true
          this.#root.innerHTML =
            '<header><button type="button" aria-label="Month before">‹</button><b></b><button type="button" aria-label="Month after">›</button></header><div role="grid"></div>'
          const [before, after] = [...this.#root.querySelectorAll('button')]
          before!.onclick = () => this.#turn(-1)
          after!.onclick = () => this.#turn(1)
          this.#grid.onclick = (event) => {
            const button = (event.target as Element).closest('button')
            if (button !== null) this.#pick(button.value)
          }
          this.#grid.onkeydown = (event) => {
            const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 7, ArrowUp: -7 }[event.key]
            if (by === undefined || this.#shut || this.#isOff) return
            event.preventDefault()
            const from = (event.target as HTMLButtonElement).value || this.#day
            if (!from) return
            const to = iso(Date.parse(from) + by * DAY)
            if (to < this.#first || to > this.#last) return
            if (has('arrows-in-silence')) {
              this.#day = to
              this.#draw()
            } else this.#pick(to)
          }
        }
        this.#draw()
      }
      attributeChangedCallback(name: 'first', _: string | null, to: string | null): void {
        const own = this as unknown as Record<string, unknown>
        own[name] = name === ('shut' as string) ? to !== null : (to ?? undefined)
      }
      formResetCallback(): void {
        if (!has('form-reset-forgets')) this.day = null
      }
      formDisabledCallback(isOff: boolean): void {
        this.#isOff = isOff
        this.#draw()
      }
      formStateRestoreCallback(day: string): void {
        this.day = day
      }

      get #grid(): HTMLElement {
        return this.#root.querySelector('div')!
      }
      #turn(by: number): void {
        this.#month = moved(this.#month ?? monthOf(this.#day ?? this.#first), by)
        if (has('turning-picks')) this.#pick(this.#month)
        this.#draw()
      }
      #pick(day: string): void {
        if (has('picks-the-day-before')) day = iso(Date.parse(day) - DAY)
        if (day === this.#day && !has('same-day-reports')) return
        this.#day = day
        this.#mark = day
        this.#month = monthOf(day)
        this.#draw()
        this.dispatchEvent(
          new CustomEvent('day-picked', { detail: { day: has('payload-is-a-date') ? new Date(day) : day } }),
        )
      }
      #draw(): void {
        if (!this.#isReady) return
        const isShut = this.#shut || this.#isOff
        this.#inside.setFormValue(isShut ? null : has('nothing-is-sent-as-null') ? String(this.#day) : this.#day)
        this.#month ??= monthOf(this.#day ?? this.#first)
        const month = this.#month
        const title = this.#root.querySelector('b')!
        this.#root.querySelector('header')!.hidden = false
        title.textContent = month.slice(0, 7)
        if (!has('title-of-the-mount') || !this.#grid.hasAttribute('aria-label'))
          this.#grid.setAttribute('aria-label', this.#title)
        const focused = (this.#root.activeElement as HTMLButtonElement | null)?.value
        const first = has('first-of-the-mount') ? (this.#atMount?.first ?? this.#first) : this.#first
        const days: HTMLElement[] = []
        for (let day = month; monthOf(day) === month; day = iso(Date.parse(day) + DAY)) {
          const button = made('button', { value: day, textContent: String(Number(day.slice(8))) })
          button.type = 'button'
          const last = this.#last
          button.disabled = isShut || day < first || (day > last && !has('beyond-the-last'))
          const chosen = has('mark-of-the-click') ? this.#mark : this.#day
          button.setAttribute('aria-pressed', String(day === chosen))
          button.setAttribute('aria-label', day)
          days.push(button)
        }
        this.#grid.replaceChildren(...days)
        if (focused) this.#root.querySelector<HTMLElement>(`[value="${this.#day ?? focused}"]`)?.focus()
      }

      get first(): string {
        return this.#first
      }
      set first(first: string | undefined) {
        this.#first = first ?? '2031-05-01'
        if (this.#day === null) this.#month = undefined
        this.#draw()
      }
      get last(): string {
        return this.#last
      }
      set last(last: string | undefined) {
        this.#last = last ?? '2031-07-31'
        this.#draw()
      }
      override get title(): string {
        return this.#title
      }
      override set title(title: string | undefined) {
        this.#title = title ?? 'Launch'
        this.#draw()
      }
      get shut(): boolean {
        return this.#shut
      }
      set shut(shut: boolean | undefined) {
        this.#shut = shut ?? false
        this.#draw()
      }
      get day(): string | null {
        return this.#day
      }
      set day(day: string | null | undefined) {
        this.#day = day ?? null
        if (!has('told-leaves-the-month')) this.#month = undefined
        this.#draw()
      }
      clear(): void {
        const had = this.#day !== null
        this.#day = null
        this.#month = undefined
        if (!has('clear-keeps-the-mark')) this.#draw()
        if (had && !has('clear-in-silence'))
          this.dispatchEvent(new CustomEvent('day-picked', { detail: { day: null } }))
      }
    } as never,
})
