import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

interface Order {
  by: string
  up: boolean
}

/** The order of a list of hulls, chosen at the heads of its columns: up, down, and in no order. */
export const hullOrder = variants({
  tag: 'hull-order',
  promise: {
    properties: {
      columns: {
        type: Type.Array(Type.String(), { uniqueItems: true }),
        default: [],
        attribute: false,
        samples: [['name', 'feet', 'tons'], ['name']],
      },
    },
    values: {
      order: {
        type: Type.Union([Type.Object({ by: Type.String(), up: Type.Boolean() }), Type.Null()]),
        default: null,
        attribute: false,
        samples: [{ by: 'feet', up: true }, { by: 'name', up: false }, null],
      },
    },
  },
  faults: {
    'down-is-up': ['reports-truth', 'edits-stand', 'round-trip'],
    'first-column-always': ['reports-once', 'reports-truth', 'edits-stand'],
    'columns-of-the-mount': ['follows-change'],
    'reports-when-told': ['quiet-when-told'],
    'same-object-out': ['fresh-payload', 'leaves-given-alone'],
    'clicks-only': ['every-way-in'],
  },
  make: (has) =>
    class extends HTMLElement {
      #columns: readonly string[] = []
      #order: Order | null = null
      readonly #row = made('tr')

      constructor() {
        super()
        const table = made('table')
        table.append(made('thead'))
        table.tHead?.append(this.#row)
        this.attachShadow({ mode: 'open' }).append(table)
      }

      connectedCallback(): void {
        this.#draw()
      }

      #turn(column: string): void {
        const before = this.#order
        const by = has('first-column-always') ? (this.#columns[0] as string) : column
        this.#order = before?.by !== column ? { by, up: true } : before.up ? { by, up: false } : null
        this.#draw()
        const copy = this.#order && { ...this.#order }
        if (has('down-is-up') && copy !== null) copy.up = true
        report(this, 'order-set', has('same-object-out') ? this.#order : copy)
      }

      #draw(): void {
        if (has('columns-of-the-mount') && this.#row.childElementCount > 0) return
        const order = this.#order
        const heads = this.#columns.map((column) => {
          const isIts = order?.by === column
          const head = made('th', { ariaSort: isIts ? (order.up ? 'ascending' : 'descending') : 'none' })
          const press = has('clicks-only') ? made('span') : made('button', { type: 'button' })
          press.textContent = `${column}${isIts ? (order.up ? ' ↑' : ' ↓') : ''}`
          press.onclick = () => this.#turn(column)
          head.append(press)
          return head
        })
        this.#row.replaceChildren(...heads)
      }

      get columns(): string[] {
        return [...this.#columns]
      }
      set columns(columns: string[] | undefined) {
        this.#columns = [...(columns ?? [])]
        this.#draw()
      }
      get order(): Order | null {
        return this.#order && { ...this.#order }
      }
      set order(order: Order | null | undefined) {
        this.#order = order == null ? null : { ...order }
        this.#draw()
        if (has('reports-when-told') && this.isConnected) report(this, 'order-set', this.order)
      }
    },
})
