import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const COLUMNS = [1, 2, 3]

/** A plan of berths: arrows move about in its grid, Space, Enter or a click takes one; what is taken is no choice. */
export const berthPlan = variants({
  tag: 'berth-plan',
  promise: {
    properties: {
      rows: { type: Type.Integer({ minimum: 1, maximum: 4 }), default: 2, attribute: false },
      taken: { type: Type.Array(Type.String()), default: [] },
      closed: { type: Type.Boolean(), default: false, attribute: false },
    },
    values: {
      berth: {
        type: Type.Union([Type.String({ pattern: '^[A-D][1-3]$' }), Type.Null()]),
        default: null,
        empty: null,
        attribute: false,
        event: 'berth-set',
        samples: ['A1', 'B3', 'A2'],
      },
    },
    locks: { disabled: 'closed' },
  },
  faults: {
    'space-in-silence': ['reports-once'],
    'same-again': ['reports-once'],
    'old-mark-stays': ['follows-change', 'reports-truth', 'owner-decides'],
    'keys-when-closed': ['locks-hold'],
    'index-for-a-berth': ['reports-truth'],
    'keys-take-the-first': ['every-way-in'],
  },
  make: (has) =>
    class extends HTMLElement {
      #rows = 2
      #taken: string[] = []
      #closed = false
      #berth: string | null = null
      #at = 'A1'
      readonly #grid = made('div', { role: 'grid', ariaLabel: 'Berths' })

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#grid)
        this.#grid.onclick = ({ target }) => {
          const { berth } = (target as HTMLElement).dataset
          if (berth !== undefined && !this.#closed) this.#take(berth)
        }
        this.#grid.onkeydown = (event) => {
          const [right = 0, down = 0] = MOVES[event.key] ?? []
          if (right !== 0 || down !== 0) this.#go(right, down)
          else if (event.key === ' ' || event.key === 'Enter') this.#takeByKey(event.key)
          else return
          event.preventDefault()
        }
      }

      connectedCallback(): void {
        this.#draw()
      }

      #cell(berth: string): HTMLElement | null {
        return this.#grid.querySelector<HTMLElement>(`[data-berth="${berth}"]`)
      }

      #go(right: number, down: number): void {
        const to = `${String.fromCharCode(this.#at.charCodeAt(0) + down)}${Number(this.#at[1]) + right}`
        if (this.#cell(to) === null) return
        this.#at = to
        this.#draw()
        this.#cell(to)?.focus()
      }

      #takeByKey(key: string): void {
        if (this.#closed && !has('keys-when-closed')) return
        const berth = has('keys-take-the-first') ? `${this.#at[0]}1` : this.#at
        this.#take(berth, has('space-in-silence') && key === ' ')
      }

      #take(berth: string, isSilent = false): void {
        if (this.#taken.includes(berth)) return
        this.#at = berth
        if (berth === this.#berth && !has('same-again')) return
        this.#berth = berth
        this.#draw()
        const index = (berth.charCodeAt(0) - 65) * COLUMNS.length + Number(berth[1])
        if (!isSilent) report(this, 'berth-set', has('index-for-a-berth') ? index : berth)
      }

      #draw(): void {
        if (this.#at.charCodeAt(0) - 65 >= this.#rows) this.#at = 'A1'
        if (this.#grid.childElementCount !== this.#rows)
          this.#grid.replaceChildren(...Array.from({ length: this.#rows }, (_, row) => rowOf(row)))
        for (const cell of this.#grid.querySelectorAll<HTMLElement>('[data-berth]')) {
          const { berth = '' } = cell.dataset
          const wasMarked = cell.ariaSelected === 'true' && this.#berth !== null && has('old-mark-stays')
          cell.ariaSelected = String(berth === this.#berth || wasMarked)
          cell.ariaDisabled = String(this.#closed || this.#taken.includes(berth))
          cell.tabIndex = berth === this.#at && !this.#closed ? 0 : -1
        }
      }

      get rows(): number {
        return this.#rows
      }
      set rows(rows: number | undefined) {
        this.#rows = rows ?? 2
        this.#draw()
      }
      get taken(): string[] {
        return this.#taken
      }
      set taken(taken: string[] | undefined) {
        this.#taken = taken ?? []
        this.#draw()
      }
      get closed(): boolean {
        return this.#closed
      }
      set closed(closed: boolean | undefined) {
        this.#closed = closed ?? false
        this.#draw()
      }
      get berth(): string | null {
        return this.#berth
      }
      set berth(berth: string | null | undefined) {
        this.#berth = berth ?? null
        this.#at = this.#berth ?? this.#at
        this.#draw()
      }
    },
})

const MOVES: Record<string, [right: number, down: number]> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
}

function rowOf(row: number): HTMLElement {
  const line = made('div', { role: 'row' })
  for (const column of COLUMNS) {
    const berth = `${String.fromCharCode(65 + row)}${column}`
    const cell = made('span', { role: 'gridcell', textContent: berth })
    cell.dataset['berth'] = berth
    line.append(cell)
  }
  return line
}
