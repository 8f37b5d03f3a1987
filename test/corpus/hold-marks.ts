import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** What lies in the hold, marked one by one or all at once. */
export const holdMarks = variants({
  tag: 'hold-marks',
  promise: {
    properties: {
      stores: {
        type: Type.Array(Type.String({ minLength: 1 }), { uniqueItems: true }),
        default: [],
        attribute: false,
        samples: [['oakum', 'pitch', 'tar'], ['rope']],
      },
    },
    values: {
      marked: {
        type: Type.Array(Type.String()),
        default: [],
        attribute: false,
        among: { list: 'stores', gone: 'kept' },
      },
    },
  },
  faults: {
    'all-marks-twice': ['reports-truth'],
    'all-forgets-the-first': ['reports-once', 'every-way-in'],
    'all-box-stale': ['reports-truth', 'follows-change', 'edits-stand'],
    'none-unheard': ['reports-once'],
    'all-reports-each': ['reports-once'],
    'unmark-drops-all': ['edits-stand', 'every-way-in'],
    'stores-of-the-mount': ['follows-change'],
    'told-none-ignored': ['takes-empty', 'follows-change'],
    'hands-out-its-own': ['fresh-payload'],
  },
  make: (has) =>
    class extends HTMLElement {
      #stores: string[] = []
      #marked: string[] = []
      readonly #all = made('input', { type: 'checkbox' })
      readonly #list = made('ul')
      constructor() {
        super()
        const label = made('label')
        label.append(this.#all, 'all')
        this.attachShadow({ mode: 'open' }).append(label, this.#list)
        this.#all.onchange = () => {
          const kept = this.#marked.filter((one) => !this.#stores.includes(one))
          let next = this.#all.checked ? [...kept, ...this.#stores] : kept
          if (has('all-marks-twice') && this.#all.checked) next = [...this.#marked, ...this.#stores]
          if (has('all-forgets-the-first') && this.#all.checked) next = [...kept, ...this.#stores.slice(1)]
          const isSame = this.#stores.length === 0
          this.#marked = next
          this.#draw()
          if (isSame) return
          if (has('none-unheard') && next.length === 0) return
          if (has('all-reports-each')) for (const _ of this.#stores) report(this, 'marked-set', [...next])
          else report(this, 'marked-set', has('hands-out-its-own') ? this.#marked : [...next])
        }
      }
      connectedCallback(): void {
        this.#draw()
      }
      #mark(store: string, on: boolean): void {
        if (on) this.#marked = [...this.#marked, store]
        else this.#marked = has('unmark-drops-all') ? [] : this.#marked.filter((one) => one !== store)
        this.#draw()
        report(this, 'marked-set', has('hands-out-its-own') ? this.#marked : [...this.#marked])
      }
      #drawn = false
      #draw(): void {
        if (!(has('stores-of-the-mount') && this.#drawn)) {
          this.#list.replaceChildren(
            ...this.#stores.map((store) => {
              const item = made('li')
              const label = made('label')
              const box = made('input', { type: 'checkbox', value: store })
              box.onchange = () => this.#mark(store, box.checked)
              label.append(box, store)
              item.append(label)
              return item
            }),
          )
          if (this.isConnected) this.#drawn = true
        }
        for (const box of this.#list.querySelectorAll('input')) box.checked = this.#marked.includes(box.value)
        const shown = this.#stores.filter((one) => this.#marked.includes(one)).length
        if (has('all-box-stale') && this.#seen) return
        if (this.isConnected) this.#seen = true
        this.#all.checked = shown > 0 && shown === this.#stores.length
        this.#all.indeterminate = shown > 0 && shown < this.#stores.length
      }
      #seen = false
      get stores() {
        return [...this.#stores]
      }
      set stores(stores: string[] | undefined) {
        this.#stores = [...(stores ?? [])]
        this.#draw()
      }
      get marked() {
        return [...this.#marked]
      }
      set marked(marked: string[] | undefined) {
        if (has('told-none-ignored') && marked?.length === 0) return
        this.#marked = [...(marked ?? [])]
        this.#draw()
      }
    },
})
