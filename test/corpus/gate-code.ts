import { Type } from 'caulker'
import { made, variants } from './corpus.js'

/** The code of a yard gate: one small field for each digit, and the caret goes on by itself. */
export const gateCode = variants({
  tag: 'gate-code',
  promise: {
    properties: {
      places: { type: Type.Integer({ minimum: 1, maximum: 8 }), default: 4 },
      covered: { type: Type.Boolean(), default: false },
      locked: { type: Type.Boolean(), default: false },
      label: { type: Type.String(), default: 'Gate code' },
    },
    values: {
      code: {
        type: Type.String({ pattern: '^[0-9]*$' }),
        default: '',
        event: 'code-typed',
        payloadAt: '/detail/code',
        bubbles: true,
        composed: true,
        samples: ['0420', '7', '12', '9081'],
      },
    },
    events: { 'code-whole': { payload: Type.String() } },
    commands: { clear: { effect: 'reset' }, focus: { effect: 'focus' } },
    readings: { left: { type: Type.Integer(), from: ['code', 'places'] } },
    form: { value: 'code' },
    locks: { disabled: 'locked' },
  },
  faults: {
    'places-of-the-mount': ['follows-change', 'readings-agree'],
    'covered-of-the-mount': ['follows-change'],
    'back-in-silence': ['reports-once', 'every-way-in'],
    'whole-when-told': ['quiet-when-told', 'no-strays'],
    'letters-taken': ['reports-truth'],
    'zeros-lost': ['round-trip', 'keeps-falsy', 'shows-initial', 'follows-change', 'reports-truth'],
    'form-misses-clear': ['carries-form-value', 'resets-fully'],
    'tail-stays': ['follows-change', 'takes-empty'],
    'last-cell-open': ['locks-hold'],
    'first-cell-alone-cleared': ['resets-fully'],
    'focus-too-early': ['early-commands-safe'],
    'stays-inside': ['sent-as-said'],
    'left-of-the-last-edit': ['readings-agree'],
    'told-twice': ['reports-once'],
    'draws-under-the-caret': ['keeps-caret', 'reports-once'],
    'label-on-first-draw': ['follows-change', 'named-by-label'],
    'form-reset-forgets-cells': ['form-resets'],
    'reports-the-cell': ['reports-truth'],
  },
  make: (has) =>
    class extends HTMLElement {
      static formAssociated = true
      static observedAttributes = ['places', 'covered', 'locked', 'label', 'code']
      #inside = this.attachInternals()
      #root = this.attachShadow({ mode: 'open' })
      #row = made('span')
      #places = 4
      #drawnPlaces = 0
      #covered = false
      #locked = false
      #isOff = false
      #label = 'Gate code'
      #code = ''
      #left = 4
      #isReady = false

      constructor() {
        super()
        this.#row.setAttribute('role', 'group')
        this.#row.oninput = (event) => {
          event.stopPropagation()
          this.#typed(event.target as HTMLInputElement)
        }
        this.#row.onchange = (event) => event.stopPropagation()
        this.#row.onkeydown = (event) => {
          const cell = event.target as HTMLInputElement
          const at = this.#cells.indexOf(cell)
          if (event.key !== 'Backspace' || cell.value !== '' || at < 1) return
          event.preventDefault()
          const before = this.#cells[at - 1]!
          if (before.value === '') return before.focus()
          before.value = ''
          before.focus()
          if (has('back-in-silence')) this.#code = this.#written()
          else this.#take()
        }
      }
      connectedCallback(): void {
        if (!this.#isReady) this.#root.append(this.#row)
        this.#isReady = true
        this.#draw()
      }
      attributeChangedCallback(name: 'places', _: string | null, to: string | null): void {
        const own = this as unknown as Record<string, unknown>
        if (name === 'places') own[name] = to === null ? 4 : Number(to)
        else if (['covered', 'locked'].includes(name)) own[name] = to !== null
        else own[name] = to ?? undefined
      }
      formResetCallback(): void {
        this.#code = this.getAttribute('code') ?? ''
        this.#send()
        if (!has('form-reset-forgets-cells')) this.#draw()
      }
      formDisabledCallback(isOff: boolean): void {
        this.#isOff = isOff
        this.#draw()
      }
      formStateRestoreCallback(code: string): void {
        this.code = code
      }

      get #cells(): HTMLInputElement[] {
        return [...this.#row.querySelectorAll('input')]
      }
      #send(): void {
        this.#inside.setFormValue(this.#locked ? null : this.#code)
      }
      #written(): string {
        return this.#cells.map(({ value }) => value).join('')
      }
      #typed(cell: HTMLInputElement): void {
        const kept = has('letters-taken') ? cell.value : cell.value.replace(/\D/g, '')
        const cells = this.#cells
        const at = cells.indexOf(cell)
        const before = this.#code
        cell.value = ''
        let next = at
        for (const sign of kept) {
          const there = cells[next]
          if (there === undefined) break
          there.value = sign
          next++
        }
        if (next > at) cells[Math.min(next, cells.length - 1)]?.focus()
        if (this.#written() !== before) this.#take(cell.value)
      }
      #take(cell = ''): void {
        const code = this.#written()
        this.#code = has('zeros-lost') && code !== '' ? String(Number(code)) : code
        this.#left = this.#places - code.length
        this.#send()
        if (has('draws-under-the-caret')) this.#draw(true)
        else if (this.#cells.some(({ value }, at) => value !== (code[at] ?? ''))) this.#draw()
        const times = has('told-twice') ? 2 : 1
        for (let time = 0; time < times; time++)
          this.dispatchEvent(
            new CustomEvent('code-typed', {
              detail: { code: has('reports-the-cell') ? cell : this.#code },
              bubbles: true,
              composed: !has('stays-inside'),
            }),
          )
        this.#whole()
      }
      #whole(): void {
        if (this.#code.length === this.#places)
          this.dispatchEvent(new CustomEvent('code-whole', { detail: this.#code }))
      }

      #draw(isAnew = false): void {
        if (!this.#isReady) return
        const places = has('places-of-the-mount') && this.#drawnPlaces > 0 ? this.#drawnPlaces : this.#places
        const isFirst = this.#drawnPlaces === 0
        if (places !== this.#drawnPlaces || isAnew) {
          const focused = this.#root.activeElement
          const at = focused === null ? -1 : this.#cells.indexOf(focused as HTMLInputElement)
          while (this.#cells.length > (isAnew ? 0 : places)) this.#cells.at(-1)!.remove()
          while (this.#cells.length < places)
            this.#row.append(made('input', { inputMode: 'numeric', autocomplete: 'off', size: 1 }))
          if (at >= 0 && !isAnew) this.#cells[Math.min(at, places - 1)]?.focus()
          this.#drawnPlaces = places
        }
        if (isFirst || !has('label-on-first-draw')) this.#row.setAttribute('aria-label', this.#label)
        this.#cells.forEach((cell, at) => {
          cell.setAttribute('aria-label', `${this.#row.getAttribute('aria-label')}, digit ${at + 1}`)
          if (isFirst || !has('covered-of-the-mount')) cell.type = this.#covered ? 'password' : 'text'
          cell.disabled = (this.#locked || this.#isOff) && !(has('last-cell-open') && at === places - 1)
          if (!(has('tail-stays') && at >= this.#code.length)) cell.value = this.#code[at] ?? ''
        })
      }

      get places(): number {
        return this.#places
      }
      set places(places: number | undefined) {
        this.#places = places ?? 4
        this.#draw()
      }
      get covered(): boolean {
        return this.#covered
      }
      set covered(covered: boolean | undefined) {
        this.#covered = covered ?? false
        this.#draw()
      }
      get locked(): boolean {
        return this.#locked
      }
      set locked(locked: boolean | undefined) {
        this.#locked = locked ?? false
        this.#send()
        this.#draw()
      }
      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? 'Gate code'
        this.#draw()
      }
      get code(): string {
        return this.#code
      }
      set code(code: string | undefined) {
        const isNew = (code ?? '') !== this.#code
        this.#code = has('zeros-lost') && code ? String(Number(code)) : (code ?? '')
        this.#send()
        this.#draw()
        if (has('whole-when-told') && isNew) this.#whole()
      }
      get left(): number {
        return Math.max(0, has('left-of-the-last-edit') ? this.#left : this.#places - this.#code.length)
      }
      clear(): void {
        if (this.#code === '') return
        this.#code = ''
        if (!has('form-misses-clear')) this.#send()
        if (has('first-cell-alone-cleared')) this.#cells[0]!.value = ''
        else this.#draw()
        this.#left = this.#places
        this.dispatchEvent(
          new CustomEvent('code-typed', { detail: { code: '' }, bubbles: true, composed: !has('stays-inside') }),
        )
      }
      override focus(): void {
        if (has('focus-too-early')) this.#cells[0]!.focus()
        else this.#cells[Math.min(this.#code.length, this.#cells.length - 1)]?.focus()
      }
    } as never,
})
