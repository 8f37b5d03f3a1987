import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const MOST = 100
const USUAL = 20

/** A rule on which a mark is dragged; it stands in a form, is written in markup, and has a hidden field that mirrors it. */
export const tideRule = variants({
  tag: 'tide-rule',
  promise: {
    properties: { inWords: { type: Type.Boolean(), default: false, attribute: 'in-words' } },
    values: {
      mark: { type: Type.Integer(), default: USUAL, bounds: { least: 0, most: MOST } },
    },
    form: { value: 'mark' },
  },
  faults: {
    'drag-goes-on': ['ends-when-let-go'],
    'markup-again-when-moved': ['survives-move'],
    'reset-of-the-thumb-alone': ['form-resets'],
    'field-speaks-when-told': ['no-strays'],
    'nothing-still-sends': ['carries-form-value'],
    'words-of-the-mount': ['follows-change', 'keeps-falsy', 'takes-empty'],
    'removed-markup-stays': ['attribute-agrees'],
  },
  make: (has) =>
    class extends HTMLElement {
      static readonly formAssociated = true
      static readonly observedAttributes = ['mark', 'in-words']
      readonly #internals = this.attachInternals()
      readonly #thumb = made('div', { tabIndex: 0 })
      readonly #words = made('span')
      readonly #mirror = made('input', { hidden: true })
      #mark: number | null = USUAL
      #isDisabled = false
      #inWords = false
      #wordsAtFirst: boolean | undefined

      constructor() {
        super()
        const style = made('style', { textContent: 'div { width: 200px; height: 20px; background: silver }' })
        this.attachShadow({ mode: 'open' }).append(style, this.#thumb, this.#words, this.#mirror)
        this.#thumb.setAttribute('role', 'slider')
        this.#thumb.setAttribute('aria-label', 'Tide')
        this.#thumb.setAttribute('aria-valuemin', '0')
        this.#thumb.setAttribute('aria-valuemax', String(MOST))
        this.#thumb.onkeydown = ({ key }) => this.#edit((this.#mark ?? 0) + ({ ArrowUp: 1, ArrowDown: -1 }[key] ?? 0))
        this.#thumb.onpointerdown = () => {
          document.addEventListener('pointermove', this.#drag)
          document.addEventListener('pointerup', this.#drop)
          document.addEventListener('pointercancel', this.#drop)
        }
        this.#draw()
      }

      readonly #drag = ({ clientX }: PointerEvent) => {
        const { left, width } = this.#thumb.getBoundingClientRect()
        this.#edit(width === 0 ? clientX : Math.round(((clientX - left) / width) * MOST))
      }
      readonly #drop = () => {
        document.removeEventListener('pointermove', this.#drag)
        document.removeEventListener('pointerup', this.#drop)
        document.removeEventListener('pointercancel', this.#drop)
      }

      connectedCallback(): void {
        this.#wordsAtFirst ??= this.#inWords
        const written = this.getAttribute('mark')
        if (has('markup-again-when-moved') && written !== null) this.#mark = this.#inside(Number(written))
        this.#draw()
      }
      disconnectedCallback(): void {
        if (!has('drag-goes-on')) this.#drop()
      }
      attributeChangedCallback(name: string, _before: string | null, text: string | null): void {
        if (name === 'in-words') this.inWords = text !== null
        else if (text !== null || !has('removed-markup-stays')) this.mark = text === null ? undefined : Number(text)
      }
      formDisabledCallback(isDisabled: boolean): void {
        this.#isDisabled = isDisabled
      }
      formResetCallback(): void {
        if (has('reset-of-the-thumb-alone')) this.#thumb.setAttribute('aria-valuenow', String(USUAL))
        else this.mark = USUAL
      }

      #inside(mark: number): number {
        return Math.max(0, Math.min(MOST, mark))
      }
      #edit(wanted: number): void {
        const mark = this.#inside(wanted)
        if (mark === this.#mark || this.#isDisabled) return
        this.#mark = mark
        this.#draw()
        report(this, 'mark-set', mark)
      }
      #draw(): void {
        this.#thumb.setAttribute('aria-valuenow', String(this.#mark ?? 0))
        const isInWords = has('words-of-the-mount') ? (this.#wordsAtFirst ?? this.#inWords) : this.#inWords
        const isHigh = (this.#mark ?? 0) > MOST / 2
        this.#words.textContent = isInWords ? (isHigh ? 'high' : 'low') : ''
        this.#mirror.value = String(this.#mark)
        if (this.#mark !== null) this.#internals.setFormValue(String(this.#mark))
      }

      get mark(): number {
        return this.#mark as number
      }
      set mark(mark: number | undefined) {
        const isNothing = typeof mark !== 'number' || Number.isNaN(mark)
        this.#mark = isNothing ? (has('nothing-still-sends') && mark === null ? null : USUAL) : this.#inside(mark)
        this.#draw()
        if (has('field-speaks-when-told'))
          this.#mirror.dispatchEvent(new Event('input', { bubbles: true, composed: true }))
      }
      get inWords(): boolean {
        return this.#inWords
      }
      set inWords(inWords: boolean | undefined) {
        this.#inWords = inWords ?? false
        this.#draw()
      }
    },
})
