import { takeEarly } from '../../haul-out/elements/parts.js'

/** Leaks by `takes-empty`: null is taken for "nothing was told", so the owner cannot clear the photo. */
class StuckPhoto extends HTMLElement {
  #photo: File | null = null
  #label = 'Survey photo'
  readonly #field = Object.assign(document.createElement('input'), { type: 'file' })
  readonly #name = document.createElement('p')
  readonly #caption = document.createElement('span')

  connectedCallback(): void {
    takeEarly(this, ['label', 'photo'])
    const label = document.createElement('label')
    label.append(this.#caption, this.#field)
    this.replaceChildren(label, this.#name)
    this.#field.onchange = () => this.#take(this.#field.files?.[0] ?? null)
    this.#draw()
  }

  get label(): string {
    return this.#label
  }
  set label(label: string | undefined) {
    this.#label = label ?? 'Survey photo'
    this.#draw()
  }

  get photo(): File | null {
    return this.#photo
  }
  set photo(photo: File | null) {
    if (photo) this.#photo = photo
    this.#draw()
  }

  reset(): void {
    this.#take(null)
  }

  #take(photo: File | null): void {
    if (photo === this.#photo) return
    this.#photo = photo
    this.#draw()
    this.dispatchEvent(new CustomEvent('photo-set', { detail: { value: photo } }))
  }

  #draw(): void {
    this.#caption.textContent = this.#label
    this.#name.textContent = this.#photo?.name ?? 'No photo yet'
    this.#field.value = ''
  }
}

customElements.define('stuck-photo', StuckPhoto)
