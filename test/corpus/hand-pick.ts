import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

interface Hand {
  id: number
  name: string
  gang: string
}

/** One of the hands by a number, listed gang by gang; nobody by null, since 0 is a number like any other. */
export const handPick = variants({
  tag: 'hand-pick',
  promise: {
    properties: {
      hands: {
        type: Type.Array(Type.Object({ id: Type.Integer(), name: Type.String(), gang: Type.String() })),
        default: [],
      },
      lead: { type: Type.Union([Type.Integer(), Type.Null()]), default: null },
    },
    values: {
      hand: {
        type: Type.Union([Type.Integer(), Type.Null()]),
        default: null,
        empty: null,
        attribute: false,
        event: 'hand-set',
        among: { list: 'hands', at: '/id', gone: 'kept' },
      },
    },
  },
  faults: {
    'nought-is-nobody': ['keeps-falsy'],
    'nought-leads-nobody': ['keeps-falsy'],
    'second-gang-is-dead': ['every-way-in'],
    'nobody-in-silence': ['reports-once', 'follows-change'],
    'name-for-a-number': ['reports-truth'],
    'new-hands-forget': ['follows-change', 'choice-follows-list'],
  },
  make: (has) =>
    class extends HTMLElement {
      #hands: Hand[] = []
      #hand: number | null = null
      #lead: number | null = null
      readonly #list = made('select', { ariaLabel: 'Hand' })
      readonly #note = made('p')

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#list, this.#note)
        this.#list.onchange = (event) => {
          event.stopPropagation()
          const hand = this.#hands.find(({ id }) => String(id) === this.#list.value)
          if (has('second-gang-is-dead') && hand !== undefined && hand.gang !== this.#hands[0]?.gang) return
          this.#hand = hand?.id ?? null
          if (has('nobody-in-silence') && hand === undefined) return
          report(this, 'hand-set', has('name-for-a-number') && hand !== undefined ? hand.name : this.#hand)
        }
      }

      connectedCallback(): void {
        this.#draw()
      }

      #draw(): void {
        const gangs = new Set(this.#hands.map(({ gang }) => gang))
        const groups = [...gangs].map((gang) => {
          const group = made('optgroup', { label: gang })
          const own = this.#hands.filter((hand) => hand.gang === gang)
          group.append(...own.map(({ id, name }) => made('option', { value: String(id), textContent: name })))
          return group
        })
        this.#list.replaceChildren(made('option', { value: '', textContent: 'Nobody' }), ...groups)
        const leads = (id: number) => (has('nought-leads-nobody') ? this.#lead && this.#lead === id : this.#lead === id)
        this.#note.textContent = `Led by ${this.#hands.find(({ id }) => leads(id))?.name ?? 'nobody'}`
        this.#show()
      }

      #show(): void {
        const isNobody = has('nought-is-nobody') ? !this.#hand : this.#hand === null
        this.#list.value = isNobody ? '' : String(this.#hand)
      }

      get lead(): number | null {
        return this.#lead
      }
      set lead(lead: number | null | undefined) {
        this.#lead = lead ?? null
        this.#draw()
      }
      get hands(): Hand[] {
        return this.#hands
      }
      set hands(hands: Hand[] | undefined) {
        this.#hands = hands ?? []
        if (has('new-hands-forget') && this.isConnected) this.#hand = null
        this.#draw()
      }
      get hand(): number | null {
        return this.#hand
      }
      set hand(hand: number | null | undefined) {
        this.#hand = hand ?? null
        this.#show()
      }
    },
})
