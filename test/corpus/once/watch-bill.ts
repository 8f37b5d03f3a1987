import { Type } from 'caulker'
import { made, variants } from '../corpus.js'

type Hand = { name: string; watch: string }
const WATCHES = ['first', 'middle', 'dog']

/** Who stands which watch: a table with a row for each, one field to add a hand, and no form of its own. */
export const watchBill = variants({
  tag: 'watch-bill',
  promise: {
    properties: { most: { type: Type.Integer({ minimum: 0 }), default: 4 } },
    values: {
      bill: {
        type: Type.Array(Type.Object({ name: Type.String(), watch: Type.Enum(['first', 'middle', 'dog']) })),
        default: [],
        event: 'bill-change',
        payloadAt: '/detail',
        reports: 'edit',
      },
    },
    readings: { count: { type: Type.Integer(), from: ['bill'] } },
  },
  faults: {
    'add-submits': ['no-accidental-submit'],
    'enter-adds-twice': ['reports-once'],
    'change-of-watch-unsaid': ['reports-once'],
    'pushes-into-the-given': ['leaves-given-alone', 'fresh-payload'],
    'count-of-the-mount': ['readings-agree'],
    'most-of-the-mount': ['follows-change'],
    'told-rows-are-added': ['follows-change', 'shows-initial', 'takes-empty'],
    'no-row-taken-for-nothing': ['takes-empty'],
    'says-what-it-is-told': ['quiet-when-told'],
    'listens-at-the-page': ['leaves-no-trace'],
    'removed-row-stays': ['reports-truth'],
  },
  make: (has) =>
    class extends HTMLElement {
      #bill: Hand[] = []
      #most = 4
      #counted: number | undefined
      #isDrawn = false
      readonly #rows = made('tbody')
      readonly #name = made('input', { type: 'text', ariaLabel: 'Name of a hand' })
      readonly #add = made('button', { textContent: 'Add', type: has('add-submits') ? 'submit' : 'button' })

      connectedCallback(): void {
        if (!this.#isDrawn) {
          const table = made('table')
          table.append(this.#rows)
          this.append(table, this.#name, this.#add)
          this.#name.addEventListener('input', (event) => event.stopPropagation())
          this.#name.addEventListener('change', (event) => event.stopPropagation())
          this.#add.addEventListener('click', () => this.#added())
          this.#name.addEventListener('keydown', (event) => {
            if (event.key !== 'Enter') return
            event.preventDefault()
            this.#added()
            if (has('enter-adds-twice')) this.#say([...this.#bill])
          })
        }
        if (has('listens-at-the-page')) document.addEventListener('keyup', () => this.#count())
        this.#isDrawn = true
        this.#draw()
      }

      #added(): void {
        const name = this.#name.value.trim()
        if (name === '' || this.#bill.length >= this.#most) return
        this.#name.value = ''
        const hand = { name, watch: 'first' }
        if (has('pushes-into-the-given')) this.#bill.push(hand)
        else this.#bill = [...this.#bill, hand]
        this.#draw()
        this.#say([...this.#bill])
      }

      #say(bill: Hand[]): void {
        this.dispatchEvent(new CustomEvent('bill-change', { detail: bill.map((hand) => ({ ...hand })) }))
      }

      #count(): void {
        this.title = String(this.#bill.length)
      }

      #draw(): void {
        if (!this.#isDrawn) return
        this.#rows.replaceChildren(...this.#bill.map((hand, at) => this.#row(hand, at)))
        this.#limit()
      }

      #limit(): void {
        this.#add.disabled = this.#bill.length >= this.#most
      }

      #row({ name, watch }: Hand, at: number): HTMLElement {
        const row = made('tr')
        const choice = made('select', { ariaLabel: `Watch of ${name}` })
        choice.append(
          ...WATCHES.map((one) => made('option', { value: one, textContent: one, selected: one === watch })),
        )
        choice.addEventListener('change', (event) => {
          event.stopPropagation()
          this.#bill = this.#bill.map((hand, other) => (other === at ? { ...hand, watch: choice.value } : hand))
          if (!has('change-of-watch-unsaid')) this.#say(this.#bill)
        })
        const off = made('button', { type: 'button', textContent: `Relieve ${name}` })
        off.addEventListener('click', () => {
          this.#bill = this.#bill.filter((_, other) => other !== at)
          if (!has('removed-row-stays')) this.#draw()
          this.#say(this.#bill)
        })
        const [first, second, third] = [made('td', { textContent: name }), made('td'), made('td')]
        second.append(choice)
        third.append(off)
        row.append(first, second, third)
        return row
      }

      get count(): number {
        this.#counted ??= this.#bill.length
        return has('count-of-the-mount') ? this.#counted : this.#bill.length
      }

      get bill(): Hand[] {
        return this.#bill.map((hand) => ({ ...hand }))
      }
      set bill(bill: Hand[] | undefined) {
        if (has('no-row-taken-for-nothing') && bill?.length === 0) return
        const given = bill ?? []
        this.#bill =
          has('told-rows-are-added') && this.#isDrawn
            ? [...this.#bill, ...given]
            : has('pushes-into-the-given')
              ? given
              : [...given]
        this.#draw()
        if (has('says-what-it-is-told') && this.#isDrawn) this.#say(this.#bill)
      }

      get most(): number {
        return this.#most
      }
      set most(most: number | undefined) {
        if (has('most-of-the-mount') && this.#isDrawn) return
        this.#most = most ?? 4
        if (this.#isDrawn) this.#limit()
      }
    },
})
