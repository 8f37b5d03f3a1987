import { Type } from 'caulker'
import { made, report, variants } from '../corpus.js'

interface Quay {
  id: string
  name: string
}

/** A choice from a list that opens below a button and closes with Escape. */
export const quayMenu = variants({
  tag: 'quay-menu',
  promise: {
    required: ['label', 'quays'],
    properties: {
      label: { type: Type.String() },
      quays: { type: Type.Array(Type.Object({ id: Type.String(), name: Type.String() })) },
    },
    values: {
      quay: {
        type: Type.Union([Type.String(), Type.Null()]),
        default: null,
        among: { list: 'quays', at: '/id', gone: 'empty', reported: true },
      },
    },
  },
  faults: {
    'gone-and-held': ['choice-follows-list'],
    'gone-in-silence': ['choice-follows-list'],
    'escape-chooses': ['given-up', 'reports-once', 'reports-truth'],
    'quays-of-the-mount': ['follows-change', 'shows-initial', 'any-order'],
    'listens-to-the-page-for-good': ['leaves-no-trace', 'quiet-when-gone'],
    'name-for-id': ['reports-truth', 'round-trip'],
    'chosen-not-drawn': ['reports-truth', 'every-way-in', 'owner-decides', 'follows-change'],
    'told-is-reported': ['quiet-when-told'],
    'sorts-the-given': ['leaves-given-alone'],
    'one-list-for-all': ['stands-alone', 'own-defaults'],
    'choice-cannot-be-taken-back': ['takes-empty'],
    'names-as-html': ['text-stays-text'],
  },
  make: (has) => {
    let shared: readonly Quay[] = []
    return class extends HTMLElement {
      #label = ''
      #quays: readonly Quay[] = []
      #quay: string | null = null
      readonly #opener = made('button', { type: 'button' })
      readonly #list = made('div', { hidden: true })
      readonly #outside = (event: Event) => {
        if (!event.composedPath().includes(this)) this.#show(false)
      }

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#opener, this.#list)
        this.#list.setAttribute('role', 'menu')
        this.#opener.onclick = () => this.#show(this.#list.hidden === true)
        this.#list.onclick = ({ target }) => this.#choose((target as HTMLElement).dataset['id'])
        this.shadowRoot?.addEventListener('keydown', (event) => {
          if ((event as KeyboardEvent).key !== 'Escape' || this.#list.hidden) return
          if (has('escape-chooses')) this.#choose(this.#quays[0]?.id)
          this.#show(false)
        })
      }

      connectedCallback(): void {
        document.addEventListener('pointerdown', this.#outside)
        this.#draw()
      }
      disconnectedCallback(): void {
        if (!has('listens-to-the-page-for-good')) document.removeEventListener('pointerdown', this.#outside)
      }

      #show(isOpen: boolean): void {
        this.#list.hidden = !isOpen
        this.#opener.setAttribute('aria-expanded', String(isOpen))
      }

      #choose(id: string | undefined): void {
        if (id === undefined) return
        this.#show(false)
        if (id === this.#quay) return
        this.#quay = id
        if (!has('chosen-not-drawn')) this.#draw()
        report(this, 'quay-set', has('name-for-id') ? this.#named(id)?.name : id)
      }

      #named(id: string | null): Quay | undefined {
        return this.#list_().find((one) => one.id === id)
      }
      #list_(): readonly Quay[] {
        return has('one-list-for-all') ? shared : this.#quays
      }

      #draw(): void {
        this.#opener.textContent = `${this.#label}: ${this.#named(this.#quay)?.name ?? 'none yet'}`
        this.#list.replaceChildren(
          ...this.#list_().map(({ id, name }) => {
            const one = made('button', { type: 'button' })
            one.setAttribute('role', 'menuitemradio')
            one.setAttribute('aria-checked', String(id === this.#quay))
            one.dataset['id'] = id
            if (has('names-as-html')) one.innerHTML = name
            else one.textContent = name
            return one
          }),
        )
      }

      get label(): string {
        return this.#label
      }
      set label(label: string) {
        this.#label = label
        this.#draw()
      }
      get quays(): readonly Quay[] {
        return this.#list_()
      }
      set quays(quays: readonly Quay[] | undefined) {
        if (has('quays-of-the-mount') && this.isConnected && this.#quays.length > 0) return
        if (has('sorts-the-given') && quays !== undefined) (quays as Quay[]).sort((a, b) => b.id.localeCompare(a.id))
        this.#quays = quays ?? []
        shared = this.#quays
        const isGone = this.#quay !== null && this.isConnected && this.#named(this.#quay) === undefined
        if (isGone && !has('gone-and-held')) {
          this.#quay = null
          if (!has('gone-in-silence')) report(this, 'quay-set', null)
        }
        this.#draw()
      }
      get quay(): string | null {
        return this.#quay
      }
      set quay(quay: string | null | undefined) {
        if (has('choice-cannot-be-taken-back') && (quay ?? null) === null) return
        const before = this.#quay
        this.#quay = quay ?? null
        this.#draw()
        if (has('told-is-reported') && before !== this.#quay) report(this, 'quay-set', this.#quay)
      }
    }
  },
})
