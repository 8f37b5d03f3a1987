import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

type Tide = { readonly id: number; readonly at: string }
const TIDES: Tide[] = [0, 1, 2, 3, 4, 5, 6].map((id) => ({ id, at: `0${id}:40` }))

/** Tides, some to a page; one is chosen. */
export const tideTable = variants({
  tag: 'tide-table',
  promise: {
    properties: {
      tides: {
        type: Type.Array(Type.Object({ id: Type.Integer(), at: Type.String() })),
        default: [],
        samples: [TIDES, TIDES.slice(2, 4)],
      },
      each: { type: Type.Integer({ minimum: 1 }), default: 3 },
    },
    values: {
      chosen: {
        type: Type.Union([Type.Integer(), Type.Null()]),
        default: null,
        among: { list: 'tides', at: '/id', gone: 'kept' },
      },
    },
    readings: { pages: { type: Type.Integer(), from: ['tides', 'each'] } },
  },
  faults: {
    'zero-not-chosen': ['keeps-falsy', 'shows-initial', 'takes-empty'],
    'row-of-the-page': ['reports-truth', 'choice-follows-list'],
    'none-says-it-is-chosen': ['shows-initial'],
    'turn-forgets-the-choice': ['follows-change', 'owner-decides', 'reports-truth'],
  },
  make: (has) =>
    class extends HTMLElement {
      #tides: readonly Tide[] = []
      #each = 3
      #chosen: number | null = null
      #page = 0
      readonly #list = made('ul')
      readonly #back = made('button', { type: 'button', textContent: 'Earlier' })
      readonly #on = made('button', { type: 'button', textContent: 'Later' })
      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#list, this.#back, this.#on)
        this.#back.onclick = () => this.#turn(-1)
        this.#on.onclick = () => this.#turn(1)
        this.#draw()
      }
      #turn(by: number): void {
        this.#page += by
        if (has('turn-forgets-the-choice') && this.#chosen !== null) this.#choose(null)
        this.#draw()
      }
      #choose(id: number | null): void {
        if (id === this.#chosen) return
        this.#chosen = id
        this.#draw()
        report(this, 'chosen-set', id)
      }
      #draw(): void {
        this.#page = Math.max(0, Math.min(this.#page, this.pages - 1))
        const from = this.#page * this.#each
        this.#list.replaceChildren(
          ...this.#tides.slice(from, from + this.#each).map(({ id, at }, place) => {
            const row = made('button', { type: 'button', textContent: at })
            const is = id === this.#chosen && !(has('zero-not-chosen') && id === 0)
            row.ariaPressed = String(is && !has('none-says-it-is-chosen'))
            row.onclick = () => this.#choose(has('row-of-the-page') ? this.#tides[place]!.id : id)
            return row
          }),
        )
        this.#back.disabled = this.#page === 0
        this.#on.disabled = this.#page >= this.pages - 1
      }
      get pages() {
        return Math.ceil(this.#tides.length / this.#each)
      }
      get tides() {
        return this.#tides
      }
      set tides(tides: readonly Tide[] | undefined) {
        this.#tides = tides ?? []
        this.#draw()
      }
      get each() {
        return this.#each
      }
      set each(each: number | undefined) {
        this.#each = each ?? 3
        this.#draw()
      }
      get chosen() {
        return this.#chosen
      }
      set chosen(chosen: number | null | undefined) {
        this.#chosen = chosen ?? null
        this.#draw()
      }
    },
})
