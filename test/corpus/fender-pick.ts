import { Type } from 'caulker'
import { made, variants } from './corpus.js'

/** A choice among what stands inside it as a list; a native control carries it into the form, and its unit is an attribute alone. */
export const fenderPick = variants({
  tag: 'fender-pick',
  promise: {
    properties: { unit: { type: Type.String(), default: 'pieces', attribute: 'data-unit', only: 'attribute' } },
    values: {
      kind: {
        type: Type.Enum(['', 'cork', 'rope', 'rubber']),
        default: '',
        carries: { '/detail/unit': 'unit' },
      },
    },
    form: { value: 'kind' },
    commands: { reset: { effect: 'reset' } },
    content: { inside: '<ul><li>cork</li><li>rope</li><li>rubber</li></ul>' },
  },
  faults: {
    'unit-read-once': ['follows-change', 'shows-initial', 'takes-empty'],
    'control-left-behind': ['carries-form-value', 'follows-change'],
    'form-reset-unheard': ['form-resets'],
    'unit-of-the-mount-carried': ['sent-as-said'],
    'nameless-control': ['carries-form-value'],
  },
  make: (has) =>
    class extends HTMLElement {
      static readonly observedAttributes = ['data-unit', 'name']
      #kind = ''
      #firstUnit: string | undefined
      #stopListening = () => {}
      readonly #choice = made('select', { ariaLabel: 'Fender' })
      readonly #sentence = made('p')

      connectedCallback(): void {
        if (!this.#choice.isConnected) {
          const kinds = [...this.querySelectorAll('li')].map((one) => one.textContent ?? '')
          this.#choice.replaceChildren(
            ...['', ...kinds].map((kind) => made('option', { value: kind, textContent: kind || 'none' })),
          )
          this.#choice.value = this.#kind
          this.replaceChildren(this.#choice, this.#sentence)
          this.#choice.addEventListener('change', (event) => this.#chosen(event))
        }
        this.#firstUnit ??= this.#unit
        const { form } = this.#choice
        const reset = () => void setTimeout(() => this.#take(this.#choice.value))
        if (!has('form-reset-unheard')) form?.addEventListener('reset', reset)
        this.#stopListening = () => form?.removeEventListener('reset', reset)
        this.#draw()
      }

      disconnectedCallback(): void {
        this.#stopListening()
      }

      attributeChangedCallback(name: string): void {
        if (name === 'name' && !has('nameless-control')) this.#choice.name = this.getAttribute('name') ?? ''
        if (name === 'data-unit' && this.#choice.isConnected && !has('unit-read-once')) this.#draw()
      }

      get #unit(): string {
        return this.dataset['unit'] ?? 'pieces'
      }

      #chosen(event: Event): void {
        event.stopPropagation()
        this.#take(this.#choice.value)
        const unit = has('unit-of-the-mount-carried') ? this.#firstUnit : this.#unit
        this.dispatchEvent(new CustomEvent('kind-set', { detail: { value: this.#kind, unit } }))
      }

      #take(kind: string): void {
        this.#kind = kind
        this.#draw()
      }

      #draw(): void {
        this.#sentence.textContent = `${this.#kind || 'Nothing'} in ${this.#unit}`
      }

      get kind(): string {
        return this.#kind
      }
      set kind(kind: string | undefined) {
        this.#take(kind ?? '')
        if (has('control-left-behind') && this.#choice.isConnected) return
        this.#choice.value = this.#kind
      }

      reset(): void {
        if (this.#kind === '') return
        this.kind = ''
        this.dispatchEvent(new CustomEvent('kind-set', { detail: { value: '', unit: this.#unit } }))
      }
    },
})
