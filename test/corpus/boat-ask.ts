import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const Hit = Type.Object({ id: Type.Integer(), name: Type.String({ minLength: 1 }) })
interface Hit {
  id: number
  name: string
}

const heron = { id: 0, name: 'Heron' }
const rail = { id: 9, name: 'Rail' }

/** A boat by its name: what is typed is asked of the owner, who tells what was found; arrow keys move a mark through it, Enter takes. */
export const boatAsk = variants({
  tag: 'boat-ask',
  promise: {
    properties: {
      hits: { type: Type.Array(Hit), default: [], samples: [[heron, { id: 4, name: 'Teal' }], [rail]] },
      isWaiting: { type: Type.Boolean(), default: false },
    },
    values: {
      boat: { type: Type.Union([Hit, Type.Null()]), default: null, attribute: false, samples: [heron, rail, null] },
    },
    events: { 'boat-sought': { payload: Type.Object({ value: Type.String() }) } },
  },
  faults: {
    'nought-is-none': ['keeps-falsy', 'every-way-in', 'reports-once'],
    'sends-the-name': ['reports-truth'],
    'hits-of-the-mount': ['follows-change'],
    'waiting-unseen': ['follows-change'],
    'sought-twice': ['reports-once', 'sent-as-said'],
    'takes-the-first': ['reports-truth', 'every-way-in'],
    'hands-out-the-hit': ['fresh-payload', 'leaves-given-alone'],
    'keys-find-nothing': ['every-way-in'],
  },
  make: (has) =>
    class extends HTMLElement {
      state = { hits: [] as Hit[], isWaiting: false, boat: null as Hit | null }
      at = -1
      chosen = made('p')
      none = made('button', { type: 'button', textContent: 'None' })
      field = made('input', { type: 'search', ariaLabel: 'boat' })
      busy = made('span')
      list = made('ul', { tabIndex: 0, ariaLabel: 'found' })

      constructor() {
        super()
        this.list.setAttribute('role', 'listbox')
        this.attachShadow({ mode: 'open' }).append(this.chosen, this.none, this.field, this.busy, this.list)
        this.none.onclick = () => this.take(null)
        for (const own of ['input', 'change']) this.field.addEventListener(own, (event) => event.stopPropagation())
        this.field.addEventListener('input', () => {
          report(this, 'boat-sought', this.field.value)
          if (has('sought-twice')) report(this, 'boat-sought', this.field.value)
        })
        this.list.onkeydown = (event) => this.struck(event)
      }

      connectedCallback(): void {
        this.draw()
      }

      struck(event: KeyboardEvent): void {
        const { hits } = this.state
        if (has('keys-find-nothing')) return
        const way = { ArrowDown: 1, ArrowUp: -1 }[event.key]
        if (way !== undefined && hits.length > 0) {
          this.at = Math.max(0, Math.min(hits.length - 1, this.at + way))
          this.draw()
        } else if (['Enter', ' '].includes(event.key) && hits[this.at] !== undefined) this.take(hits[this.at] as Hit)
        else return
        event.preventDefault()
      }

      take(boat: Hit | null): void {
        if (boat?.id === this.state.boat?.id || (has('nought-is-none') && boat?.id === 0)) return
        this.state.boat = boat && { ...boat }
        this.draw()
        const handed = has('hands-out-the-hit') ? this.state.boat : boat && { ...boat }
        report(this, 'boat-set', has('sends-the-name') && boat !== null ? boat.name : handed)
      }

      draw(): void {
        const { hits, isWaiting, boat } = this.state
        this.chosen.textContent = boat === null ? 'no boat' : `${boat.id} ${boat.name}`
        if (!has('waiting-unseen') || !this.isConnected) this.busy.textContent = isWaiting ? 'looking …' : ''
        if (has('hits-of-the-mount') && this.list.childElementCount > 0) return
        const options = hits.map((hit, at) => {
          const option = made('li', { textContent: hit.name, ariaSelected: String(at === this.at) })
          option.setAttribute('role', 'option')
          option.onclick = () => {
            this.at = at
            this.take(has('takes-the-first') ? (hits[0] as Hit) : hit)
          }
          return option
        })
        this.list.replaceChildren(...options)
      }

      get hits(): Hit[] {
        return this.state.hits.map((hit) => ({ ...hit }))
      }
      set hits(hits: Hit[] | undefined) {
        this.state.hits = (hits ?? []).map((hit) => ({ ...hit }))
        this.at = -1
        this.draw()
      }
      get isWaiting(): boolean {
        return this.state.isWaiting
      }
      set isWaiting(isWaiting: boolean | undefined) {
        this.state.isWaiting = isWaiting ?? false
        this.draw()
      }
      get boat(): Hit | null {
        return this.state.boat && { ...this.state.boat }
      }
      set boat(boat: Hit | null | undefined) {
        this.state.boat = boat == null ? null : { ...boat }
        this.draw()
      }
    },
})
