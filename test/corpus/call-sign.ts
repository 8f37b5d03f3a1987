import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const upper = (sign: unknown) => String(sign).toUpperCase()
const tooLong = (sign: unknown) => (String(sign).length > 12 ? 'At most twelve letters' : undefined)

/** A call sign in capitals that is not among those that are taken. */
export const callSign = variants({
  tag: 'call-sign',
  promise: {
    properties: {
      taken: { type: Type.Array(Type.String()), default: [], attribute: false, samples: [['ABC'], ['OAK', 'TAR']] },
      problem: { type: Type.String(), default: '' },
    },
    values: {
      sign: {
        type: Type.String(),
        default: '',
        amend: upper,
        refuse: tooLong,
        reports: 'edit',
      },
    },
    problem: 'problem',
    commands: { focus: { effect: 'focus' } },
  },
  faults: {
    'small-when-typed': ['keeps-its-rules'],
    'small-when-told': ['keeps-its-rules'],
    'warning-stays': ['reports-truth'],
    'taken-of-the-mount': ['follows-change'],
    'problem-replaces-text': ['keeps-caret', 'reports-once', 'reports-truth', 'edits-stand'],
    'problem-shown-once': ['follows-change'],
    'reports-on-leave-too': ['reports-once'],
    'focus-elsewhere': ['commands-present'],
    'space-eaten': ['keeps-its-rules', 'round-trip'],
    'long-when-told': ['keeps-its-rules'],
    'long-when-typed': ['keeps-its-rules'],
  },
  make: (has) =>
    class extends HTMLElement {
      #sign = ''
      #taken: string[] = []
      #problem = ''
      readonly #field = made('input', { type: 'text' })
      readonly #warning = made('p')
      readonly #said = made('p')
      constructor() {
        super()
        const label = made('label', { textContent: 'Call sign' })
        label.append(this.#field)
        this.attachShadow({ mode: 'open' }).append(label, this.#warning, this.#said)
        this.#field.oninput = (event) => {
          if ((event as InputEvent).isComposing) return
          const typed = has('space-eaten') ? this.#field.value.replaceAll(' ', '') : this.#field.value
          const next = has('small-when-typed') ? typed : typed.toUpperCase()
          // What is too long is turned down once the field is left.
          if (tooLong(next) !== undefined && !has('long-when-typed')) return
          const at = this.#field.selectionStart
          if (this.#field.value !== next) {
            this.#field.value = next
            this.#field.setSelectionRange(at, at)
          }
          if (next === this.#sign) return
          this.#sign = next
          if (!has('warning-stays')) this.#warn()
          report(this, 'sign-set', this.#sign)
        }
        this.#field.onblur = () => {
          this.#field.value = this.#sign
          if (has('reports-on-leave-too') && this.#sign !== '') report(this, 'sign-set', this.#sign)
        }
        this.#field.addEventListener('compositionend', () => this.#field.dispatchEvent(new InputEvent('input')))
      }
      connectedCallback(): void {
        this.#draw()
      }
      #warn(): void {
        this.#warning.textContent = this.#taken.includes(this.#sign) ? `${this.#sign} is taken` : ''
      }
      #draw(): void {
        this.#field.value = has('problem-replaces-text') && this.#problem !== '' ? this.#problem : this.#sign
        this.#warn()
        if (!(has('problem-shown-once') && this.#said.textContent !== '')) this.#said.textContent = this.#problem
        this.#field.ariaInvalid = String(this.#problem !== '')
      }
      get sign() {
        return this.#sign
      }
      set sign(sign: string | undefined) {
        const next = has('small-when-told') ? (sign ?? '') : (sign ?? '').toUpperCase()
        if (tooLong(next) === undefined || has('long-when-told')) this.#sign = next
        this.#draw()
      }
      get taken() {
        return [...this.#taken]
      }
      set taken(taken: string[] | undefined) {
        this.#taken = [...(taken ?? [])]
        if (!has('taken-of-the-mount') || !this.isConnected) this.#draw()
      }
      get problem() {
        return this.#problem
      }
      set problem(problem: string | undefined) {
        this.#problem = problem ?? ''
        this.#draw()
      }
      static observedAttributes = ['sign', 'problem']
      attributeChangedCallback(name: 'sign' | 'problem', _: string | null, value: string | null): void {
        this[name] = value ?? undefined
      }
      override focus(): void {
        if (has('focus-elsewhere')) this.#said.focus()
        else this.#field.focus()
      }
    },
})
