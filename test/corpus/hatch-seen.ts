import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** Whether the hatch was seen open: yes, no, or nobody knows. */
export const hatchSeen = variants({
  tag: 'hatch-seen',
  promise: {
    required: ['label'],
    properties: { label: { type: Type.String() }, readonly: { type: Type.Boolean(), default: false } },
    values: { seen: { type: Type.Union([Type.Boolean(), Type.Null()]), default: null } },
    locks: { readonly: 'readonly' },
  },
  faults: {
    'unknown-looks-like-no': ['keeps-falsy'],
    'no-is-passed-over': ['every-way-in'],
    'told-no-is-unknown': ['keeps-falsy', 'shows-initial', 'round-trip'],
    'readonly-takes-space': ['locks-hold'],
    'space-goes-twice': ['reports-once', 'every-way-in'],
    'announced-late': ['reports-truth', 'survives-move'],
    'label-untied': ['named-by-label'],
  },
  make: (has) =>
    class extends HTMLElement {
      #seen: boolean | null = null
      #label = ''
      #readonly = false
      readonly #box = made('span', { tabIndex: 0, role: 'checkbox', id: 'box' })
      readonly #caption = made('span', { id: 'caption' })
      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#box, this.#caption)
        if (!has('label-untied')) this.#box.setAttribute('aria-labelledby', 'caption')
        else this.#box.ariaLabel = 'seen'
        this.#box.onclick = () => {
          if (!this.#readonly) this.#next()
        }
        this.#box.onkeydown = (event) => {
          if (event.key !== ' ') return
          event.preventDefault()
          if (this.#readonly && !has('readonly-takes-space')) return
          this.#next()
          if (has('space-goes-twice')) this.#next()
        }
      }
      connectedCallback(): void {
        this.#draw()
      }
      #next(): void {
        const is = this.#seen
        this.#seen = is === null ? true : is ? false : null
        if (has('no-is-passed-over') && is === true) this.#seen = null
        const before = this.#box.ariaChecked
        this.#draw()
        if (has('announced-late')) this.#box.ariaChecked = before
        report(this, 'seen-set', this.#seen)
      }
      #draw(): void {
        const is = this.#seen
        this.#box.ariaChecked = is === null ? (has('unknown-looks-like-no') ? 'false' : 'mixed') : String(is)
        this.#box.textContent = is === null ? (has('unknown-looks-like-no') ? '☐' : '▣') : is ? '☑' : '☐'
        this.#box.ariaReadOnly = String(this.#readonly)
        this.#caption.textContent = this.#label
      }
      get seen() {
        return this.#seen
      }
      set seen(seen: boolean | null | undefined) {
        this.#seen = has('told-no-is-unknown') ? seen || null : (seen ?? null)
        this.#draw()
      }
      get label() {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? ''
        this.#draw()
      }
      get readonly() {
        return this.#readonly
      }
      set readonly(readonly: boolean | undefined) {
        this.#readonly = readonly ?? false
        this.#draw()
      }
      static observedAttributes = ['label', 'readonly']
      attributeChangedCallback(name: string, _: string | null, value: string | null): void {
        if (name === 'label') this.label = value ?? undefined
        else this.readonly = value !== null
      }
    },
})
