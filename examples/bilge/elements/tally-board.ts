import { takeEarly } from '../../haul-out/elements/parts.js'

/** Sound: nothing that it is told is lost. */
class TallyBoard extends HTMLElement {
  #planks: number | null = null

  connectedCallback(): void {
    takeEarly(this, ['planks'])
    this.#draw()
  }

  get planks(): number | null {
    return this.#planks
  }
  set planks(planks: number | null | undefined) {
    this.#planks = planks ?? null
    this.#draw()
  }

  #draw(): void {
    this.textContent = this.#planks === null ? 'Not counted yet' : `${this.#planks} planks to go`
  }
}

customElements.define('tally-board', TallyBoard)
