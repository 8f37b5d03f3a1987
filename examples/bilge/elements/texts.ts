import { takeEarly } from '../../haul-out/elements/parts.js'

/** A text field with its seams open: what each of the three below gets wrong is overridden in it. */
class Text extends HTMLElement {
  protected readonly field = document.createElement('input')
  readonly #label = document.createElement('span')

  constructor() {
    super()
    const label = document.createElement('label')
    label.append(this.#label, this.field)
    this.attachShadow({ mode: 'open' }).append(label)
    this.field.oninput = () => this.report()
  }

  connectedCallback(): void {
    takeEarly(this, ['label', 'hint', 'text'])
  }

  protected report(): void {
    this.dispatchEvent(new CustomEvent('text-set', { detail: { value: this.text } }))
  }

  get label(): string {
    return this.#label.textContent ?? ''
  }
  set label(label: string) {
    this.#label.textContent = label
  }
  get hint(): string {
    return this.field.placeholder
  }
  set hint(hint: string | undefined) {
    this.field.placeholder = hint ?? ''
  }
  get text(): string {
    return this.field.value
  }
  set text(text: string | undefined) {
    this.take(text ?? '')
  }

  protected take(text: string): void {
    this.field.value = text
  }

  override focus(): void {
    this.field.focus()
  }

  reset(): void {
    if (this.text === '') return
    this.field.value = ''
    this.report()
  }
}

/** Leaks by `quiet-when-told`: it answers each tell with a report, as if the person had edited. */
class EchoText extends Text {
  protected override take(text: string): void {
    if (text === this.field.value) return
    this.field.value = text
    this.report()
  }
}

/** Leaks by `reports-once`: leaving the field reports again what each key has reported already. */
class TwiceText extends Text {
  constructor() {
    super()
    this.field.onchange = () => this.report()
  }
}

/** Leaks by `resets-fully`: the count beside the field is not brought back. */
class HalfResetText extends Text {
  readonly #count = document.createElement('p')

  constructor() {
    super()
    this.shadowRoot?.append(this.#count)
    this.field.oninput = () => {
      this.#draw()
      this.report()
    }
    this.#draw()
  }

  protected override take(text: string): void {
    super.take(text)
    this.#draw()
  }

  #draw(): void {
    this.#count.textContent = `${this.text.length} letters`
  }
}

customElements.define('echo-text', EchoText)
customElements.define('twice-text', TwiceText)
customElements.define('half-reset-text', HalfResetText)
