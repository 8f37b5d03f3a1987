import { Type } from 'caulker'
import { made, report, variants } from '../corpus.js'

/** A weight in a form: what is too heavy is taken and marked. */
export const cargoWeight = variants({
  tag: 'cargo-weight',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      most: { type: Type.Number(), default: 500 },
      needed: { type: Type.Boolean(), default: false },
    },
    values: {
      weight: {
        type: Type.Union([Type.Number(), Type.Null()]),
        default: null,
        reports: 'commit',
        bounds: { least: 0, most: 'most' },
        outside: 'mark',
        attribute: false,
      },
    },
    form: { value: 'weight', requiredBy: 'needed' },
  },
  faults: {
    unmarked: ['stays-within'],
    'too-heavy-is-dropped': ['stays-within', 'reports-once'],
    'most-of-the-mount': ['follows-change', 'stays-within'],
    'form-value-of-the-mount': ['carries-form-value', 'submits-current'],
    'never-needed': ['required-in-validity'],
    'form-keeps-it': ['form-resets'],
    'empty-as-zero': ['takes-empty', 'keeps-falsy', 'reports-truth', 'every-way-in', 'round-trip'],
    'reported-as-text': ['reports-truth'],
    'reported-with-each-key': ['reports-when-said'],
    'fieldset-ignored': ['follows-fieldset'],
    'enter-sends-the-older': ['submits-current'],
  },
  make: (has) =>
    class extends HTMLElement {
      static readonly formAssociated = true
      readonly #internals = this.attachInternals()
      readonly #label = made('label')
      readonly #field = made('input', { type: 'text', inputMode: 'decimal' })
      #weight: number | null = null
      #most = 500
      #firstMost: number | undefined
      #needed = false
      #isSent = false

      constructor() {
        super()
        this.#label.append('', this.#field)
        this.attachShadow({ mode: 'open' }).append(this.#label)
        this.#field.addEventListener('input', (event) => {
          event.stopPropagation()
          if (has('reported-with-each-key')) this.#take(false)
        })
        this.#field.addEventListener('change', () => this.#take(true))
        this.#field.addEventListener('keydown', ({ key }) => {
          if (key !== 'Enter') return
          if (!has('enter-sends-the-older')) this.#take(true)
          this.#internals.form?.requestSubmit()
        })
        this.#draw()
      }

      connectedCallback(): void {
        this.#firstMost ??= this.#most
        this.#draw()
      }

      formDisabledCallback(isDisabled: boolean): void {
        if (!has('fieldset-ignored')) this.#field.disabled = isDisabled
      }

      formResetCallback(): void {
        if (has('form-keeps-it')) return
        this.#weight = null
        this.#draw()
      }

      #read(): number | null | undefined {
        const text = this.#field.value.trim()
        if (text === '') return has('empty-as-zero') ? 0 : null
        const read = Number(text)
        return Number.isNaN(read) ? undefined : read
      }

      #take(isDone: boolean): void {
        const read = this.#read()
        if (read === undefined || read === this.#weight) {
          if (isDone) this.#draw()
          return
        }
        if (has('too-heavy-is-dropped') && read !== null && read > this.#most) return this.#draw()
        this.#weight = read
        if (isDone) this.#draw()
        report(this, 'weight-set', has('reported-as-text') ? this.#field.value : read)
      }

      #draw(): void {
        if (this.#label.firstChild !== null) this.#label.firstChild.nodeValue = `${this.label} `
        this.#field.value = this.#weight === null ? '' : String(this.#weight)
        const most = has('most-of-the-mount') ? (this.#firstMost ?? this.#most) : this.#most
        const isOff = this.#weight !== null && (this.#weight < 0 || this.#weight > most) && !has('unmarked')
        this.#field.setAttribute('aria-invalid', String(isOff))
        if (!has('form-value-of-the-mount') || !this.#isSent)
          this.#internals.setFormValue(this.#weight === null ? null : String(this.#weight))
        this.#isSent ||= this.#weight !== null
        if (isOff) this.#internals.setValidity({ rangeOverflow: true }, 'Too heavy', this.#field)
        else if (this.#needed && this.#weight === null && !has('never-needed'))
          this.#internals.setValidity({ valueMissing: true }, 'Weigh it first', this.#field)
        else this.#internals.setValidity({})
      }

      #name = ''
      get label(): string {
        return this.#name
      }
      set label(label: string) {
        this.#name = label
        this.#draw()
      }
      get most(): number {
        return this.#most
      }
      set most(most: number | undefined) {
        this.#most = most ?? 500
        this.#draw()
      }
      get needed(): boolean {
        return this.#needed
      }
      set needed(needed: boolean | undefined) {
        this.#needed = needed ?? false
        this.#draw()
      }
      get weight(): number | null {
        return this.#weight
      }
      set weight(weight: number | null | undefined) {
        this.#weight = weight ?? (has('empty-as-zero') ? 0 : null)
        this.#draw()
      }
    },
})
