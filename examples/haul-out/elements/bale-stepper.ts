import { formPart, takeEarly } from './parts.js'

interface StepperState {
  label: string
  fewest: number
  most: number
  stride: number
  bales: number
}

const DEFAULTS: StepperState = { label: '', fewest: 0, most: 40, stride: 1, bales: 0 }

/** A stepper: one state object, one function that draws it, and one way in for every change. */
export class BaleStepper extends HTMLElement {
  static readonly formAssociated = true
  readonly #sends = formPart(this)
  #state = { ...DEFAULTS }
  readonly #root = this.attachShadow({ mode: 'open', delegatesFocus: true })

  constructor() {
    super()
    this.#root.innerHTML = `
      <style>
        .whole { display: grid; gap: 0.25rem }
        span.row { display: flex; gap: 0.25rem }
        input { font: inherit; width: 5rem; padding: 0.4rem 0.5rem; border: 1px solid #6b7f8c; border-radius: 4px }
        button { font: inherit; width: 2.2rem; border: 1px solid #6b7f8c; border-radius: 4px; background: #eef3f5 }
      </style>
      <div class="whole"><label class="label" for="bales"></label>
        <span class="row">
          <button type="button" class="fewer" aria-label="Fewer">−</button>
          <input id="bales" inputmode="numeric">
          <button type="button" class="more" aria-label="More">+</button>
        </span>
      </div>`
    this.#part('fewer').addEventListener('click', () => this.#propose(this.bales - this.stride))
    this.#part('more').addEventListener('click', () => this.#propose(this.bales + this.stride))
    this.#field.addEventListener('change', () => {
      const typed = Number(this.#field.value)
      if (this.#field.value.trim() === '' || Number.isNaN(typed)) this.#draw()
      else this.#propose(typed)
    })
    this.#draw()
  }

  connectedCallback(): void {
    takeEarly(this, Object.keys(DEFAULTS))
  }

  formResetCallback(): void {
    this.#set({ bales: DEFAULTS.bales })
  }

  formDisabledCallback(disabled: boolean): void {
    for (const part of this.#root.querySelectorAll<HTMLInputElement>('input, button')) part.disabled = disabled
  }

  get #field(): HTMLInputElement {
    return this.#root.querySelector('input') as HTMLInputElement
  }

  #part(name: string): HTMLElement {
    return this.#root.querySelector(`.${name}`) as HTMLElement
  }

  /** A person proposes a number: it is brought inside, drawn, and reported if it is new. */
  #propose(number: number): void {
    const bales = this.#inside(number)
    const isNew = bales !== this.bales
    this.#state.bales = bales
    this.#draw()
    if (isNew) this.dispatchEvent(new CustomEvent('bales-set', { detail: { value: bales } }))
    if (number < this.fewest || number > this.most) {
      const limit = number < this.fewest ? 'fewest' : 'most'
      this.dispatchEvent(new CustomEvent('limit-met', { detail: { limit } }))
    }
  }

  #inside(number: number): number {
    const { fewest, most, stride } = this.#state
    const stepped = fewest + Math.round((number - fewest) / stride) * stride
    const highest = fewest + Math.floor((most - fewest) / stride) * stride
    return Math.max(fewest, Math.min(stepped, highest))
  }

  #set(changes: Partial<StepperState>): void {
    Object.assign(this.#state, changes)
    this.#state.bales = this.#inside(this.#state.bales)
    this.#draw()
  }

  #draw(): void {
    this.#part('label').textContent = this.label
    const text = String(this.bales)
    if (this.#field.value !== text) this.#field.value = text
    this.#sends(text)
  }

  get label(): string {
    return this.#state.label
  }
  set label(label: string | undefined) {
    this.#set({ label: label ?? DEFAULTS.label })
  }
  get fewest(): number {
    return this.#state.fewest
  }
  set fewest(fewest: number | undefined) {
    this.#set({ fewest: fewest ?? DEFAULTS.fewest })
  }
  get most(): number {
    return this.#state.most
  }
  set most(most: number | undefined) {
    this.#set({ most: most ?? DEFAULTS.most })
  }
  get stride(): number {
    return this.#state.stride
  }
  set stride(stride: number | undefined) {
    this.#set({ stride: stride ?? DEFAULTS.stride })
  }
  get bales(): number {
    return this.#state.bales
  }
  set bales(bales: number | undefined) {
    this.#set({ bales: bales ?? DEFAULTS.bales })
  }

  reset(): void {
    this.#draw()
    this.#propose(DEFAULTS.bales)
  }

  override focus(): void {
    this.#field.focus()
  }
}

customElements.define('bale-stepper', BaleStepper)
