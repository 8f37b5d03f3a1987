import { Type } from 'caulker'
import { made, variants } from './corpus.js'

/** A glue timer: minutes are set, it is started and stopped, and rings when they are over (ten frames of 100 ms make a minute here). */
export const bellTimer = variants({
  tag: 'bell-timer',
  promise: {
    properties: {
      label: { type: Type.String(), default: 'Glue' },
      most: { type: Type.Integer({ minimum: 1 }), default: 30 },
    },
    values: {
      minutes: {
        type: Type.Integer(),
        default: 5,
        bounds: { least: 1, most: 'most' },
        reports: 'commit',
        blank: 'previous',
        event: 'minutes-set',
        payloadAt: '/detail',
      },
      running: { type: Type.Boolean(), default: false, event: 'running-set', payloadAt: '/detail/on' },
    },
    events: { rang: { payload: Type.Null() } },
    commands: { stop: { reports: false }, reset: { effect: 'reset', reports: false } },
  },
  faults: {
    'ticks-when-gone': ['quiet-when-gone', 'leaves-no-trace'],
    'most-of-the-mount': ['follows-change', 'stays-within'],
    'label-of-the-mount': ['follows-change', 'named-by-label'],
    'start-is-silent': ['reports-once', 'every-way-in'],
    'stop-reports': ['quiet-when-told'],
    'told-running-reports': ['quiet-when-told'],
    'blank-is-one': ['emptied-as-said'],
    'reset-runs-on': ['resets-fully'],
    'button-of-the-mount': ['follows-change', 'owner-decides'],
    'running-as-text': ['attribute-agrees', 'reports-truth'],
    'minutes-as-text': ['reports-truth'],
    'two-clocks': ['survives-move', 'leaves-no-trace', 'quiet-when-gone', 'stands-alone'],
    'leaving-sets-again': ['reports-once', 'quiet-when-told'],
    'plus-past-the-end': ['stays-within'],
    'plus-of-the-text': ['follows-change', 'reports-truth', 'reports-once'],
  },
  make: (has) =>
    class extends HTMLElement {
      static observedAttributes = ['label', 'most', 'minutes', 'running']
      #label = 'Glue'
      #most = 30
      #firstMost: number | undefined
      #minutes = 5
      #running = false
      #timer: ReturnType<typeof setInterval> | undefined
      #gone = 0
      #caption = made('label')
      #words = made('span')
      #field = made('input', { type: 'text', inputMode: 'numeric' })
      #more = made('button', { type: 'button', textContent: '+' })
      #go = made('button', { type: 'button' })
      #isReady = false
      #isTyping = false

      connectedCallback(): void {
        this.#firstMost ??= this.#most
        if (!this.#isReady) {
          this.#isReady = true
          this.#caption.append(this.#words, this.#field)
          this.append(this.#caption, this.#more, this.#go)
          this.#more.setAttribute('aria-label', 'One minute more')
          this.#field.addEventListener('input', (event) => {
            event.stopPropagation()
            this.#isTyping = true
          })
          this.#field.addEventListener('change', (event) => {
            event.stopPropagation()
            this.#isTyping = false
            const text = this.#field.value.trim()
            if (text === '' && has('blank-is-one')) this.#edit(1)
            else if (/^-?\d+$/.test(text)) this.#edit(Number(text))
            this.#draw()
          })
          this.#field.addEventListener('blur', () => {
            this.#isTyping = false
            if (has('leaving-sets-again')) this.#say()
            this.#draw()
          })
          this.#more.addEventListener('click', () => {
            const from = has('plus-of-the-text') ? Number(this.#field.defaultValue || this.#minutes) : this.#minutes
            this.#edit(from + 1, !has('plus-past-the-end'))
          })
          this.#go.addEventListener('click', () => {
            this.#running = !this.#running
            this.#draw()
            const on = has('running-as-text') ? String(this.#running) : this.#running
            if (!has('start-is-silent')) this.dispatchEvent(new CustomEvent('running-set', { detail: { on } }))
          })
        }
        this.#bringIn()
      }
      disconnectedCallback(): void {
        if (!has('ticks-when-gone') && !has('two-clocks')) this.#still()
      }
      attributeChangedCallback(name: 'most', _: string | null, to: string | null): void {
        const own = this as unknown as Record<string, unknown>
        if (name === ('running' as string)) own[name] = to !== null
        else if (name === ('label' as string)) own[name] = to ?? undefined
        else own[name] = to === null || Number.isNaN(Number(to)) ? undefined : Number(to)
      }

      #still(): void {
        clearInterval(this.#timer)
        this.#timer = undefined
      }
      #tick(): void {
        this.#gone++
        if (this.#gone < this.#minutes * 10) return
        this.#still()
        this.#gone = 0
        this.#running = false
        this.#draw()
        this.dispatchEvent(new CustomEvent('running-set', { detail: { on: false } }))
        this.dispatchEvent(new CustomEvent('rang', { detail: null }))
      }
      #right(minutes: number): number {
        const most = has('most-of-the-mount') ? (this.#firstMost ?? this.#most) : this.#most
        return Math.round(Math.min(Math.max(minutes, 1), most))
      }
      #edit(minutes: number, isWithin = true): void {
        const next = isWithin ? this.#right(minutes) : minutes
        if (next === this.#minutes) return
        this.#minutes = next
        this.#draw()
        this.#say()
      }
      #say(): void {
        const detail = has('minutes-as-text') ? String(this.#minutes) : this.#minutes
        this.dispatchEvent(new CustomEvent('minutes-set', { detail }))
      }
      #bringIn(): void {
        if (this.#isReady) this.#minutes = this.#right(this.#minutes)
        this.#draw()
      }
      #draw(): void {
        if (!this.#isReady) return
        if (!has('label-of-the-mount') || this.#words.textContent === '') this.#words.textContent = this.#label
        if (!this.#isTyping) this.#field.value = String(this.#minutes)
        if (has('plus-of-the-text') && this.#field.defaultValue === '') this.#field.defaultValue = this.#field.value
        if (!has('button-of-the-mount') || this.#go.textContent === '')
          this.#go.textContent = this.#running ? 'Stop' : 'Start'
        if (this.#running && this.#timer === undefined && this.isConnected)
          this.#timer = setInterval(() => this.#tick(), 100)
        if (!this.#running) this.#still()
      }

      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? 'Glue'
        this.#draw()
      }
      get most(): number {
        return this.#most
      }
      set most(most: number | undefined) {
        this.#most = most ?? 30
        this.#bringIn()
      }
      get minutes(): number {
        return this.#minutes
      }
      set minutes(minutes: number | undefined) {
        this.#minutes = minutes ?? 5
        this.#bringIn()
      }
      get running(): boolean {
        return this.#running
      }
      set running(running: boolean | undefined) {
        const isNew = (running ?? false) !== this.#running
        this.#running = running ?? false
        this.#gone = 0
        this.#draw()
        if (isNew && has('told-running-reports') && this.#isReady)
          this.dispatchEvent(new CustomEvent('running-set', { detail: { on: this.#running } }))
      }
      stop(): void {
        if (!this.#running) return
        this.#running = false
        this.#draw()
        if (has('stop-reports')) this.dispatchEvent(new CustomEvent('running-set', { detail: { on: false } }))
      }
      reset(): void {
        this.#minutes = this.#right(5)
        this.#isTyping = false
        if (!has('reset-runs-on')) this.#running = false
        this.#gone = 0
        this.#draw()
      }
    } as never,
})
