import { takeEarly } from './parts.js'

/** A photo picker without a shadow tree: what it shows is drawn anew from what it holds. */
class SurveyPhoto extends HTMLElement {
  private held: File | null = null
  private caption = 'Survey photo'
  private readonly field = Object.assign(document.createElement('input'), { type: 'file', accept: 'image/*' })
  private readonly name = document.createElement('span')
  private readonly remover = Object.assign(document.createElement('button'), { type: 'button', textContent: 'Remove' })
  private readonly heading = document.createElement('span')

  connectedCallback(): void {
    takeEarly(this, ['label', 'photo'])
    if (this.childElementCount === 0) {
      const label = document.createElement('label')
      label.append(this.heading, this.field)
      const line = document.createElement('div')
      line.className = 'chosen'
      line.append(this.name, this.remover)
      this.append(label, line)
      this.field.onchange = () => this.edit(this.field.files?.[0] ?? null)
      this.remover.onclick = () => this.edit(null)
    }
    this.draw()
  }

  get photo(): File | null {
    return this.held
  }
  set photo(photo: File | null | undefined) {
    this.held = photo ?? null
    this.draw()
  }

  get label(): string {
    return this.caption
  }
  set label(label: string | undefined) {
    this.caption = label ?? 'Survey photo'
    this.draw()
  }

  reset(): void {
    this.edit(null)
  }

  private edit(photo: File | null): void {
    const isNew = photo !== this.held
    this.photo = photo
    if (isNew) this.dispatchEvent(new CustomEvent('photo-set', { detail: { value: photo } }))
  }

  private draw(): void {
    this.heading.textContent = this.caption
    this.name.textContent = this.held === null ? 'No photo yet' : `${this.held.name}, ${this.held.size} bytes`
    this.remover.hidden = this.held === null
    // The field only picks: left filled, it would not notice when the same file is chosen again.
    this.field.value = ''
  }
}

customElements.define('survey-photo', SurveyPhoto)
