import { takeEarly } from './parts.js'

/** A text field: a class that redraws what changed, in the setter that changed it. */
export class YardText extends HTMLElement {
  readonly #label = document.createElement('span')
  readonly #field = document.createElement('input')

  constructor() {
    super()
    const wrap = document.createElement('label')
    wrap.append(this.#label, this.#field)
    const style = document.createElement('style')
    style.textContent =
      'label { display: grid; gap: 0.25rem } input { font: inherit; padding: 0.4rem 0.5rem; border: 1px solid #6b7f8c; border-radius: 4px }'
    this.attachShadow({ mode: 'open', delegatesFocus: true }).append(style, wrap)
    this.#field.addEventListener('input', () =>
      this.dispatchEvent(new CustomEvent('text-set', { detail: { value: this.text } })),
    )
  }

  connectedCallback(): void {
    takeEarly(this, ['label', 'hint', 'text'])
  }

  get label(): string {
    return this.#label.textContent ?? ''
  }
  set label(label: string) {
    this.#label.textContent = label
  }

  get hint(): string {
    return this.#field.placeholder
  }
  set hint(hint: string | undefined) {
    this.#field.placeholder = hint ?? ''
  }

  get text(): string {
    return this.#field.value
  }
  set text(text: string | undefined) {
    if (this.#field.value !== (text ?? '')) this.#field.value = text ?? ''
  }

  reset(): void {
    if (this.text === '') return
    this.text = ''
    this.dispatchEvent(new CustomEvent('text-set', { detail: { value: '' } }))
  }

  override focus(): void {
    this.#field.focus()
  }
}

customElements.define('yard-text', YardText)
