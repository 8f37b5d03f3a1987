import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A berth out of those that are free; one that was taken meanwhile stays, and is marked. */
export const berthMark = variants({
  tag: 'berth-mark',
  promise: {
    properties: {
      free: {
        type: Type.Array(Type.String({ minLength: 1 }), { uniqueItems: true }),
        default: [],
        attribute: false,
        samples: [['N1', 'N2', 'S1'], ['N2']],
      },
    },
    values: { berth: { type: Type.String(), default: '', among: { list: 'free', gone: 'mark' } } },
  },
  faults: {
    'gone-is-dropped': ['choice-follows-list'],
    'gone-is-dropped-and-said': ['choice-follows-list', 'quiet-when-told'],
    'gone-unmarked': ['choice-follows-list'],
    'mark-stays': ['follows-change', 'reports-truth'],
    'free-of-the-mount': ['follows-change'],
  },
  make: (has) =>
    class extends HTMLElement {
      #free: string[] = []
      #berth = ''
      readonly #pick = made('select')
      readonly #said = made('p')
      constructor() {
        super()
        this.#pick.ariaLabel = 'berth'
        this.attachShadow({ mode: 'open' }).append(this.#pick, this.#said)
        this.#pick.onchange = () => {
          this.#berth = this.#pick.value
          this.#draw()
          report(this, 'berth-set', this.#berth)
        }
      }
      connectedCallback(): void {
        this.#draw()
      }
      #drawn = false
      #draw(): void {
        const isGone = this.#berth !== '' && !this.#free.includes(this.#berth)
        if (!(has('free-of-the-mount') && this.#drawn)) {
          const all = ['', ...(isGone ? [this.#berth] : []), ...this.#free]
          this.#pick.replaceChildren(
            ...all.map((one) => made('option', { value: one, textContent: one === '' ? 'none' : one })),
          )
          if (this.isConnected && this.#free.length > 0) this.#drawn = true
        }
        this.#pick.value = this.#berth
        const marked = isGone && !has('gone-unmarked')
        if (!(has('mark-stays') && this.#said.textContent !== '')) {
          this.#said.textContent = marked ? `${this.#berth} is taken` : ''
          this.#pick.ariaInvalid = String(marked)
        }
      }
      get free() {
        return [...this.#free]
      }
      set free(free: string[] | undefined) {
        this.#free = [...(free ?? [])]
        if (
          (has('gone-is-dropped') || has('gone-is-dropped-and-said')) &&
          this.#berth !== '' &&
          this.#free.length > 0 &&
          !this.#free.includes(this.#berth)
        ) {
          this.#berth = ''
          if (has('gone-is-dropped-and-said') && this.isConnected) report(this, 'berth-set', '')
        }
        this.#draw()
      }
      get berth() {
        return this.#berth
      }
      set berth(berth: string | undefined) {
        this.#berth = berth ?? ''
        this.#draw()
      }
      static observedAttributes = ['berth']
      attributeChangedCallback(_: string, __: string | null, value: string | null): void {
        this.berth = value ?? undefined
      }
    },
})
