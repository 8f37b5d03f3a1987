import { Type } from 'caulker'
import { made, variants } from './corpus.js'

/** By how much the boom is swung out: a bar that is dragged or moved by keys, and a field beside it. */
export const swingAngle = variants({
  tag: 'swing-angle',
  promise: {
    properties: {
      from: { type: Type.Number(), default: -60 },
      to: { type: Type.Number(), default: 60 },
      notch: { type: Type.Number({ exclusiveMinimum: 0 }), default: 5 },
      label: { type: Type.String(), default: 'Boom' },
      fixed: { type: Type.Boolean(), default: false },
    },
    values: {
      angle: {
        type: Type.Number(),
        default: 0,
        bounds: { least: 'from', most: 'to' },
        step: 'notch',
        outside: 'clamp',
        event: 'swing',
        reports: 'commit',
        payloadAt: '/detail/angle',
        blank: 'previous',
        resetTo: 'initial',
      },
    },
    events: { 'swing-done': { payload: Type.Number() } },
    commands: { centre: { effect: 'reset' } },
    form: { value: 'angle' },
    locks: { readonly: 'fixed' },
  },
  faults: {
    'now-of-the-mount': ['follows-change'],
    'drag-ends-never': ['ends-when-let-go'],
    'cancel-drags-on': ['ends-when-let-go'],
    'notch-of-the-mount': ['follows-change', 'true-steps', 'every-way-in'],

    'keys-past-the-end': ['stays-within'],
    'drag-past-the-end': ['stays-within'],
    'field-past-the-end': ['stays-within'],
    'zero-is-missing': ['keeps-falsy', 'round-trip', 'shows-initial'],
    'to-zero-is-missing': ['keeps-falsy'],
    'form-one-behind': ['carries-form-value', 'submits-current'],
    'fixed-but-keys': ['locks-hold'],
    'fixed-but-drag': ['locks-hold'],
    'sums-of-floats': ['true-steps'],
    'bound-leaves-it': ['stays-within', 'follows-change', 'any-order'],
    'window-listens-on': ['ends-when-let-go', 'leaves-no-trace', 'quiet-when-gone', 'survives-move'],
    'field-in-silence': ['reports-once', 'every-way-in'],
    'drag-reports-last-only-late': ['reports-once', 'reports-truth', 'every-way-in', 'ends-when-let-go'],
    'blank-is-zero': ['emptied-as-said', 'takes-empty', 'reports-truth', 'reports-once'],
    'centre-to-default': ['resets-fully'],
    'form-reset-to-default': ['form-resets'],
    'done-when-told': ['quiet-when-told', 'no-strays'],
    'page-scrolls-label': ['named-by-label', 'follows-change'],
  },
  make: (has) =>
    class extends HTMLElement {
      static formAssociated = true
      static observedAttributes = ['from', 'to', 'notch', 'label', 'fixed', 'angle']
      #inside = this.attachInternals()
      #bar = made('div', { tabIndex: 0 })
      #knob = made('i')
      #field = made('input', { type: 'text', inputMode: 'numeric' })
      #from = -60
      #to = 60
      #notch = 5
      #firstNotch: number | undefined
      #label = 'Boom'
      #fixed = false
      #isOff = false
      #angle = 0
      #atMount: number | undefined
      #isReady = false
      #last = ''
      #isTyping = false
      readonly #moved = (event: PointerEvent) => this.#drag(event)
      readonly #letGo = () => this.#done()

      constructor() {
        super()
        const root = this.attachShadow({ mode: 'open' })
        this.#bar.setAttribute('role', 'slider')
        this.#bar.style.cssText = 'display:block;inline-size:240px;block-size:16px;background:#ccc;touch-action:none'
        this.#knob.style.cssText = 'display:block;inline-size:8px;block-size:16px;background:#345'
        this.#bar.append(this.#knob)
        root.append(this.#bar, this.#field)
        this.#bar.onpointerdown = (event) => {
          if (this.#isLocked && !has('fixed-but-drag')) return
          this.#drag(event)
          window.addEventListener('pointermove', this.#moved)
          if (!has('drag-ends-never')) window.addEventListener('pointerup', this.#letGo)
          if (!has('cancel-drags-on')) window.addEventListener('pointercancel', this.#letGo)
        }
        this.#bar.onkeydown = (event) => {
          if (this.#isLocked && !has('fixed-but-keys')) return
          const ways: Record<string, number> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }
          const way = ways[event.key]
          const step = this.#grid
          if (way !== undefined) this.#edit(this.#angle + way * step, !has('keys-past-the-end'), has('sums-of-floats'))
          else if (event.key === 'Home') this.#edit(this.#from)
          else if (event.key === 'End') this.#edit(this.#to)
          else return
          event.preventDefault()
        }
        this.#field.oninput = (event) => {
          event.stopPropagation()
          this.#isTyping = true
        }
        this.#field.onblur = () => {
          this.#isTyping = false
          this.#draw()
        }
        this.#field.onchange = (event) => {
          event.stopPropagation()
          this.#isTyping = false
          const text = this.#field.value.trim()
          const number = Number(text)
          if ((text === '' && !has('blank-is-zero')) || Number.isNaN(number)) return this.#draw()
          if (has('field-in-silence')) {
            this.#angle = this.#right(number)
            this.#draw()
          } else this.#edit(number, !has('field-past-the-end'))
          this.#draw()
        }
      }
      connectedCallback(): void {
        this.#isReady = true
        this.#atMount ??= this.#angle
        this.#firstNotch ??= this.#notch
        this.#bringIn()
      }
      disconnectedCallback(): void {
        if (!has('window-listens-on')) this.#stop()
      }
      attributeChangedCallback(name: 'from', _: string | null, to: string | null): void {
        const own = this as unknown as Record<string, unknown>
        if (name === ('label' as string)) own[name] = to ?? undefined
        else if (name === ('fixed' as string)) own[name] = to !== null
        else own[name] = to === null || Number.isNaN(Number(to)) ? undefined : Number(to)
      }
      formResetCallback(): void {
        this.#angle = has('form-reset-to-default') ? 0 : (this.#atMount ?? 0)
        this.#isTyping = false
        this.#bringIn()
      }
      formDisabledCallback(isOff: boolean): void {
        this.#isOff = isOff
        this.#draw()
      }
      formStateRestoreCallback(state: string): void {
        this.angle = Number(state)
      }

      get #isLocked(): boolean {
        return this.#fixed || this.#isOff
      }
      get #grid(): number {
        return has('notch-of-the-mount') ? (this.#firstNotch ?? this.#notch) : this.#notch
      }
      get #end(): number {
        return has('to-zero-is-missing') ? this.#to || 60 : this.#to
      }
      #right(angle: number, isWithin = true, isRaw = false): number {
        const within = isWithin ? Math.min(Math.max(angle, this.#from), Math.max(this.#from, this.#end)) : angle
        if (isRaw) return within
        const steps = Math.round((within - this.#from) / this.#grid)
        const most = Math.floor((this.#end - this.#from) / this.#grid + 1e-9)
        const count = isWithin ? Math.max(0, Math.min(steps, most)) : steps
        return Number((this.#from + count * this.#grid).toFixed(6))
      }
      #drag(event: PointerEvent): void {
        const { left, width } = this.#bar.getBoundingClientRect()
        const share = width === 0 ? 0 : (event.clientX - left) / width
        this.#edit(
          this.#from + share * (this.#end - this.#from),
          !has('drag-past-the-end'),
          false,
          has('drag-reports-last-only-late'),
        )
      }
      #stop(): void {
        window.removeEventListener('pointermove', this.#moved)
        window.removeEventListener('pointerup', this.#letGo)
        window.removeEventListener('pointercancel', this.#letGo)
      }
      #done(): void {
        this.#stop()
        this.dispatchEvent(new CustomEvent('swing-done', { detail: this.#angle }))
      }
      #edit(angle: number, isWithin = true, isRaw = false, isLate = false): void {
        const next = this.#right(angle, isWithin, isRaw)
        if (next === this.#angle) return
        const before = this.#angle
        this.#angle = next
        this.#draw()
        this.dispatchEvent(new CustomEvent('swing', { detail: { angle: isLate ? before : next } }))
      }
      #bringIn(): void {
        if (this.#isReady && !has('bound-leaves-it')) this.#angle = this.#right(this.#angle)
        this.#draw()
      }
      #draw(): void {
        if (!this.#isReady) return
        this.#bar.setAttribute('aria-valuemin', String(this.#from))
        this.#bar.setAttribute('aria-valuemax', String(this.#end))
        if (!has('now-of-the-mount') || !this.#bar.hasAttribute('aria-valuenow'))
          this.#bar.setAttribute('aria-valuenow', String(this.#angle))
        if (!has('page-scrolls-label') || !this.#bar.hasAttribute('aria-label')) {
          this.#bar.setAttribute('aria-label', this.#label)
          this.#field.setAttribute('aria-label', `${this.#label} in degrees`)
        }
        this.#bar.setAttribute('aria-disabled', String(this.#isLocked))
        this.#field.readOnly = this.#fixed
        this.#field.disabled = this.#isOff
        if (!this.#isTyping) this.#field.value = String(this.#angle)
        const share = (this.#angle - this.#from) / (this.#end - this.#from || 1)
        this.#knob.style.marginInlineStart = `${share * 232}px`
        const sent = String(this.#angle)
        this.#inside.setFormValue(has('form-one-behind') ? this.#last || sent : sent)
        this.#last = sent
      }

      get from(): number {
        return this.#from
      }
      set from(from: number | undefined) {
        this.#from = from ?? -60
        this.#bringIn()
      }
      get to(): number {
        return this.#to
      }
      set to(to: number | undefined) {
        this.#to = to ?? 60
        this.#bringIn()
      }
      get notch(): number {
        return this.#notch
      }
      set notch(notch: number | undefined) {
        this.#notch = notch ?? 5
        this.#bringIn()
      }
      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? 'Boom'
        this.#draw()
      }
      get fixed(): boolean {
        return this.#fixed
      }
      set fixed(fixed: boolean | undefined) {
        this.#fixed = fixed ?? false
        this.#draw()
      }
      get angle(): number {
        return this.#angle
      }
      set angle(angle: number | undefined) {
        const next = has('zero-is-missing') ? angle || this.#atMount || this.#from : (angle ?? 0)
        this.#angle = this.#isReady ? this.#right(next) : next
        this.#draw()
        if (has('done-when-told') && this.#isReady)
          this.dispatchEvent(new CustomEvent('swing-done', { detail: this.#angle }))
      }
      centre(): void {
        this.#isTyping = false
        this.#edit(has('centre-to-default') ? 0 : (this.#atMount ?? 0))
        this.#draw()
      }
    } as never,
})
