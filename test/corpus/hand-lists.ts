import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const hand = Type.Object({ id: Type.Integer(), name: Type.String() })
type Hand = { id: number; name: string }
const HANDS: Hand[] = [
  { id: 0, name: 'Ines' },
  { id: 1, name: 'Odd' },
  { id: 2, name: 'Tove' },
]
/** Who goes aboard: two lists, and two buttons that carry what is marked over. */
export const handLists = variants({
  tag: 'hand-lists',
  promise: {
    properties: {
      hands: {
        type: Type.Array(hand),
        default: HANDS,
        samples: [
          HANDS,
          [
            { id: 7, name: 'Per' },
            { id: 0, name: 'Ines' },
          ],
        ],
      },
    },
    values: {
      aboard: {
        type: Type.Array(Type.Integer(), { uniqueItems: true }),
        default: [],
        samples: [[1], [2, 0], []],
        among: { list: 'hands', at: '/id', gone: 'empty', reported: true },
      },
    },
  },
  faults: {
    'back-takes-all': ['edits-stand'],
    'nought-not-carried': ['every-way-in', 'keeps-falsy'],
    'dropped-unheard': ['choice-follows-list'],
  },
  make: (has) =>
    class extends HTMLElement {
      #hands: Hand[] = HANDS
      #aboard: number[] = []
      #ashoreList = made('select', { multiple: true })
      #aboardList = made('select', { multiple: true })
      #over = made('button', { type: 'button', textContent: 'Aboard' })
      #back = made('button', { type: 'button', textContent: 'Ashore' })
      #root = this.attachShadow({ mode: 'open' })
      constructor() {
        super()
        this.#ashoreList.ariaLabel = 'On the quay'
        this.#aboardList.ariaLabel = 'On board'
        this.#root.append(this.#ashoreList, this.#over, this.#back, this.#aboardList)
        const picked = (list: HTMLSelectElement) => [...list.selectedOptions].map(({ value }) => Number(value))
        this.#over.onclick = () => {
          let ids = picked(this.#ashoreList)
          if (has('nought-not-carried')) ids = ids.filter((id) => id)
          if (ids.length > 0) this.#take([...this.#aboard, ...ids])
        }
        this.#back.onclick = () => {
          const ids = picked(this.#aboardList)
          if (ids.length > 0) this.#take(has('back-takes-all') ? [] : this.#aboard.filter((id) => !ids.includes(id)))
        }
      }
      connectedCallback(): void {
        this.#draw()
      }
      #take(aboard: number[]): void {
        this.#aboard = aboard
        this.#draw()
        report(this, 'aboard-set', [...aboard])
      }
      #draw(): void {
        const put = (list: HTMLSelectElement, hands: Hand[]) =>
          list.replaceChildren(...hands.map(({ id, name }) => made('option', { value: String(id), textContent: name })))
        put(
          this.#ashoreList,
          this.#hands.filter(({ id }) => !this.#aboard.includes(id)),
        )
        put(
          this.#aboardList,
          this.#aboard.flatMap((id) => this.#hands.filter((one) => one.id === id)),
        )
      }
      get hands() {
        return this.#hands
      }
      set hands(hands: Hand[] | undefined) {
        this.#hands = hands ?? HANDS
        const left = this.#aboard.filter((id) => this.#hands.some((one) => one.id === id))
        const isOther = left.length !== this.#aboard.length
        this.#aboard = left
        this.#draw()
        if (isOther && this.isConnected && !has('dropped-unheard')) report(this, 'aboard-set', [...left])
      }
      get aboard() {
        return [...this.#aboard]
      }
      set aboard(aboard: number[] | undefined) {
        this.#aboard = (aboard ?? []).filter((id) => this.#hands.some((one) => one.id === id))
        this.#draw()
      }
    },
})
