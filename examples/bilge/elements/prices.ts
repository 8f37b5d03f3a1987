import { takeEarly } from '../../haul-out/elements/parts.js'

/** Leaks by `follows-change`: the text is derived once, when the element is connected. */
class StalePrice extends HTMLElement {
  #amount = 0
  #caption = 'Total'

  connectedCallback(): void {
    takeEarly(this, ['amount', 'caption'])
    this.textContent = `${this.#caption}: ${this.#amount.toFixed(2)} marks`
  }

  get amount(): number {
    return this.#amount
  }
  set amount(amount: number) {
    this.#amount = amount
  }
  get caption(): string {
    return this.#caption
  }
  set caption(caption: string | undefined) {
    this.#caption = caption ?? 'Total'
  }
}

/** Leaks by `shows-initial`: it draws when it is told, and forgets to draw what it was given before it was connected. */
class BlankPrice extends HTMLElement {
  connectedCallback(): void {
    takeEarly(this, ['amount', 'caption'])
  }

  #state: { amount: number; caption: string } = { amount: 0, caption: 'Total' }

  #set(changes: object): void {
    Object.assign(this.#state, changes)
    if (this.isConnected) this.textContent = `${this.#state.caption}: ${this.#state.amount.toFixed(2)} marks`
  }

  get amount(): number {
    return this.#state.amount
  }
  set amount(amount: number) {
    this.#set({ amount })
  }
  get caption(): string {
    return this.#state.caption
  }
  set caption(caption: string | undefined) {
    this.#set({ caption: caption ?? 'Total' })
  }
}

customElements.define('stale-price', StalePrice)
customElements.define('blank-price', BlankPrice)
