import { takeEarly } from './parts.js'

const properties = { amount: 0, caption: 'Total' }

/** A price display: accessors made from a table, and one redraw for all changes of a turn. */
class PriceTag extends HTMLElement {
  readonly state: Record<string, unknown> = { ...properties }
  private waiting = false

  connectedCallback(): void {
    takeEarly(this, Object.keys(properties))
    this.draw()
  }

  draw(): void {
    const { amount, caption } = this.state as typeof properties
    this.textContent = `${caption}: ${amount.toFixed(2)} marks`
  }

  drawSoon(): void {
    if (this.waiting) return
    this.waiting = true
    queueMicrotask(() => {
      this.waiting = false
      this.draw()
    })
  }
}

for (const [name, standard] of Object.entries(properties))
  Object.defineProperty(PriceTag.prototype, name, {
    get(this: PriceTag) {
      return this.state[name]
    },
    set(this: PriceTag, value: unknown) {
      this.state[name] = value ?? standard
      this.drawSoon()
    },
  })

customElements.define('price-tag', PriceTag)
