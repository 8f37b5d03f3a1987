import { formPart, takeEarly } from '../../haul-out/elements/parts.js'

/** A stepper with its seams open: what each of the three below gets wrong is overridden in it. */
class Stepper extends HTMLElement {
  static readonly formAssociated = true
  readonly #sends = formPart(this)
  protected state = { label: '', fewest: 0, most: 40, stride: 1, bales: 0 }
  protected readonly field = document.createElement('input')
  readonly #label = document.createElement('span')

  constructor() {
    super()
    const button = (text: string, direction: number) => {
      const made = Object.assign(document.createElement('button'), { type: 'button', textContent: text })
      made.onclick = () => this.step(direction)
      return made
    }
    const label = document.createElement('label')
    label.append(this.#label, this.field)
    this.attachShadow({ mode: 'open' }).append(button('−', -1), label, button('+', 1))
    this.field.onchange = () => this.typed(this.field.value)
  }

  connectedCallback(): void {
    takeEarly(this, Object.keys(this.state))
  }

  formResetCallback(): void {
    this.#set({ bales: 0 })
  }

  formDisabledCallback(disabled: boolean): void {
    for (const part of this.shadowRoot?.querySelectorAll<HTMLInputElement>('input, button') ?? [])
      part.disabled = disabled
  }

  override focus(): void {
    this.field.focus()
  }

  protected inside(bales: number): number {
    const { fewest, most, stride } = this.state
    const stepped = fewest + Math.round((bales - fewest) / stride) * stride
    return Math.max(fewest, Math.min(stepped, fewest + Math.floor((most - fewest) / stride) * stride))
  }

  protected step(direction: number): void {
    this.edit(this.inside(this.bales + direction * this.stride))
  }

  protected typed(text: string): void {
    this.edit(text.trim() === '' || Number.isNaN(Number(text)) ? this.bales : this.inside(Number(text)))
  }

  protected edit(bales: number): void {
    const isNew = bales !== this.state.bales
    this.state.bales = bales
    this.draw()
    if (isNew) this.report(bales)
  }

  protected report(bales: number): void {
    this.dispatchEvent(new CustomEvent('bales-set', { detail: { value: bales } }))
  }

  protected draw(): void {
    this.#label.textContent = this.state.label
    this.field.value = String(this.state.bales)
    this.#sends(String(this.state.bales))
  }

  #set(changes: object): void {
    Object.assign(this.state, changes)
    this.state.bales = this.inside(this.state.bales)
    this.draw()
  }

  reset(): void {
    this.edit(this.inside(0))
  }

  get label(): string {
    return this.state.label
  }
  set label(label: string) {
    this.#set({ label })
  }
  get fewest(): number {
    return this.state.fewest
  }
  set fewest(fewest: number | undefined) {
    this.#set({ fewest: fewest ?? 0 })
  }
  get most(): number {
    return this.state.most
  }
  set most(most: number | undefined) {
    this.#set({ most: most ?? 40 })
  }
  get stride(): number {
    return this.state.stride
  }
  set stride(stride: number | undefined) {
    this.#set({ stride: stride ?? 1 })
  }
  get bales(): number {
    return this.state.bales
  }
  set bales(bales: number | undefined) {
    this.#set({ bales: bales ?? 0 })
  }
}

/** Leaks by `stays-within`: the buttons stop at the bounds, and what is typed does not. */
class LooseStepper extends Stepper {
  protected override typed(text: string): void {
    this.edit(text.trim() === '' || Number.isNaN(Number(text)) ? this.bales : Math.trunc(Number(text)))
  }
}

/** Leaks by `keeps-falsy`: a least of 0 is taken for "no bound". */
class ZeroStepper extends Stepper {
  protected override inside(bales: number): number {
    const { fewest, most, stride } = this.state
    const base = fewest || 0
    const stepped = base + Math.round((bales - base) / stride) * stride
    const inside = Math.min(stepped, base + Math.floor((most - base) / stride) * stride)
    return fewest && inside < fewest ? fewest : inside
  }
}

/** Leaks by `reports-truth`: it reports first, and takes the new value afterwards. */
class LateStepper extends Stepper {
  protected override edit(bales: number): void {
    if (bales !== this.state.bales) this.report(this.state.bales)
    this.state.bales = bales
    this.draw()
  }
}

customElements.define('loose-stepper', LooseStepper)
customElements.define('zero-stepper', ZeroStepper)
customElements.define('late-stepper', LateStepper)
