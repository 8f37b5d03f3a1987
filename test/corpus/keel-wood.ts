import { Type } from 'caulker'
import { made, variants } from './corpus.js'

interface Wood {
  readonly id: string
  readonly name: string
}

/** A button that opens a list at the end of the page, made anew each time; its report carries an id. */
export const keelWood = variants({
  tag: 'keel-wood',
  promise: {
    required: ['woods'],
    properties: {
      woods: { type: Type.Array(Type.Object({ id: Type.String(), name: Type.String() })) },
      label: { type: Type.String(), default: 'Keel' },
    },
    values: {
      wood: {
        type: Type.Union([Type.String(), Type.Null()]),
        default: null,
        empty: null,
        event: 'wood-picked',
        payloadAt: '/detail/id',
      },
    },
  },
  faults: {
    'name-for-id': ['reports-truth', 'round-trip'],
    'whole-wood': ['reports-truth'],
    'pick-unreported': ['reports-once', 'every-way-in'],
    'pick-told-twice': ['reports-once'],
    'pick-not-drawn': ['reports-truth'],
    'told-not-drawn': ['follows-change', 'takes-empty', 'owner-decides'],
    'cannot-be-cleared': ['takes-empty'],
    'label-of-the-mount': ['follows-change', 'named-by-label'],
    'sorts-the-given-woods': ['leaves-given-alone'],
    'list-left-behind': ['leaves-no-trace'],
    'name-as-html': ['text-stays-text'],
    'picked-sent-as-well': ['no-strays'],
    'one-list-of-woods': ['stands-alone'],
  },
  make: (has) => {
    let common: readonly Wood[] = []
    return class extends HTMLElement {
      #woods: readonly Wood[] = []
      #wood: string | null = null
      #label = 'Keel'
      #list: HTMLElement | undefined
      readonly #button = made('button', { type: 'button' })

      constructor() {
        super()
        this.#button.setAttribute('aria-haspopup', 'listbox')
        this.#button.addEventListener('click', () => (this.#list === undefined ? this.#open() : this.#close()))
        this.#button.addEventListener('keydown', ({ key }) => key === 'Escape' && this.#close())
        this.attachShadow({ mode: 'open' }).append(this.#button)
        this.#draw()
      }

      disconnectedCallback(): void {
        if (!has('list-left-behind')) this.#close()
      }

      connectedCallback(): void {
        if (has('list-left-behind')) document.body.append(made('ul'))
        this.#draw()
      }

      #open(): void {
        this.#list = made('ul')
        this.#list.setAttribute('role', 'listbox')
        for (const wood of has('one-list-of-woods') ? common : this.#woods) {
          const option = made('li', { textContent: wood.name })
          option.setAttribute('role', 'option')
          option.addEventListener('click', () => this.#pick(wood))
          this.#list.append(option)
        }
        document.body.append(this.#list)
      }

      #close(): void {
        this.#list?.remove()
        this.#list = undefined
      }

      #pick(wood: Wood): void {
        this.#close()
        if (wood.id === this.#wood) return
        this.#wood = wood.id
        if (!has('pick-not-drawn')) this.#draw()
        if (has('pick-unreported')) return
        const send = (event: string) =>
          this.dispatchEvent(
            new CustomEvent(event, {
              detail: { id: has('name-for-id') ? `${wood.name} wood` : has('whole-wood') ? wood : wood.id },
            }),
          )
        send('wood-picked')
        if (has('pick-told-twice')) send('wood-picked')
        if (has('picked-sent-as-well')) send('wood-changed')
      }

      #draw(): void {
        const woods = has('one-list-of-woods') ? common : this.#woods
        const name = woods.find(({ id }) => id === this.#wood)?.name ?? 'None yet'
        if (has('name-as-html')) this.#button.innerHTML = name
        else this.#button.textContent = name
        if (!has('label-of-the-mount') || !this.isConnected || !this.#button.hasAttribute('aria-label'))
          this.#button.setAttribute('aria-label', `${this.#label}: ${name}`)
      }

      get woods(): readonly Wood[] {
        return this.#woods
      }
      set woods(woods: readonly Wood[]) {
        this.#woods = has('sorts-the-given-woods')
          ? (woods as Wood[]).sort((one, other) => (one.name < other.name ? 1 : -1))
          : [...woods]
        common = this.#woods
        this.#draw()
      }

      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? 'Keel'
        this.#draw()
      }

      get wood(): string | null {
        return this.#wood
      }
      set wood(wood: string | null | undefined) {
        if (has('cannot-be-cleared') && !wood) return
        this.#wood = wood ?? null
        if (!has('told-not-drawn') || !this.isConnected) this.#draw()
      }
    }
  },
})
