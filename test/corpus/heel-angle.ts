import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** An angle of heel: what is beyond the usual stands as it was entered; its buttons go five degrees. */
export const heelAngle = variants({
  tag: 'heel-angle',
  promise: {
    properties: { usual: { type: Type.Number({ minimum: 1 }), default: 30 } },
    values: {
      heel: {
        type: Type.Number(),
        default: 0,
        bounds: { least: 0, most: 'usual' },
        outside: 'keep',
        stride: 5,
        reports: 'commit',
        blank: 'previous',
      },
    },
  },
  faults: {
    'typed-is-clamped': ['stays-within'],
    'told-is-clamped': ['follows-change', 'round-trip'],
    'buttons-by-one': ['true-steps'],
    'blank-is-nought': ['emptied-as-said'],
    'blank-stays-blank': ['every-way-in'],
    'comma-is-lost': ['ignores-unreadable', 'round-trip'],
    'steps-from-the-default': ['true-steps'],
    'typed-goes-to-the-stride': ['true-steps'],
    'less-is-more': ['every-way-in'],
    'nought-is-unset': ['keeps-falsy'],
  },
  make: (has) =>
    class extends HTMLElement {
      #heel = 0
      #usual = 30
      readonly #less = made('button', { type: 'button', textContent: '−', ariaLabel: 'less' })
      readonly #field = made('input', { type: 'text', inputMode: 'decimal', ariaLabel: 'heel' })
      readonly #more = made('button', { type: 'button', textContent: '+', ariaLabel: 'more' })
      readonly #said = made('p')
      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#less, this.#field, this.#more, this.#said)
        const by = has('buttons-by-one') ? 1 : 5
        this.#less.onclick = () => this.#take(this.#from() + (has('less-is-more') ? by : -by))
        this.#more.onclick = () => this.#take(this.#from() + by)
        this.#field.onchange = () => {
          const text = this.#field.value.trim()
          if (text === '') {
            if (has('blank-is-nought')) return this.#take(0)
            if (has('blank-stays-blank')) return
            return this.#draw()
          }
          const number = has('comma-is-lost') ? parseFloat(text) : Number(text.replace(',', '.'))
          if (Number.isNaN(number)) return this.#draw()
          if (has('typed-goes-to-the-stride')) return this.#take(Math.round(number / 5) * 5)
          this.#take(has('typed-is-clamped') ? Math.max(0, Math.min(this.#usual, number)) : number)
        }
      }
      #from(): number {
        return has('steps-from-the-default') ? 0 : this.#heel
      }
      connectedCallback(): void {
        this.#draw()
      }
      #take(heel: number): void {
        const before = this.#heel
        this.#heel = heel
        this.#draw()
        if (before !== heel) report(this, 'heel-set', heel)
      }
      #draw(): void {
        this.#field.value = has('nought-is-unset') && this.#heel === 0 ? '' : String(this.#heel)
        this.#said.textContent = this.#heel > this.#usual ? 'more than usual' : ''
      }
      get heel() {
        return this.#heel
      }
      set heel(heel: number | undefined) {
        this.#heel = has('told-is-clamped') ? Math.max(0, Math.min(this.#usual, heel ?? 0)) : (heel ?? 0)
        this.#draw()
      }
      get usual() {
        return this.#usual
      }
      set usual(usual: number | undefined) {
        this.#usual = usual ?? 30
        this.#draw()
      }
      static observedAttributes = ['heel', 'usual']
      attributeChangedCallback(name: 'heel' | 'usual', _: string | null, value: string | null): void {
        this[name] = value === null || value.trim() === '' || Number.isNaN(Number(value)) ? undefined : Number(value)
      }
    },
})
