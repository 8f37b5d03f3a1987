import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

interface Length {
  readonly amount: number
  readonly unit: string
}

const UNITS = ['feet', 'fathoms'] as const
const NOTHING: Length = { amount: 0, unit: 'feet' }

/** An amount and its unit, which are one value; two native controls in a closed shadow tree. */
export const ropeLength = variants({
  tag: 'rope-length',
  promise: {
    values: {
      length: {
        type: Type.Object({ amount: Type.Number(), unit: Type.Enum([...UNITS]) }),
        default: { ...NOTHING },
      },
    },
  },
  faults: {
    'amount-told-in-feet': ['reports-truth'],
    'unit-unreported': ['reports-once', 'every-way-in'],
    'unit-not-drawn': ['follows-change'],
    'amount-not-drawn': ['follows-change'],
    'amount-as-text': ['reports-truth'],
    'amount-alone': ['reports-truth'],
    'changes-the-given': ['leaves-given-alone', 'fresh-payload'],
    'one-for-all': ['own-defaults', 'stands-alone', 'leaves-given-alone', 'fresh-payload'],
    'zero-for-missing': ['keeps-falsy', 'follows-change', 'takes-empty', 'owner-decides', 'shows-initial'],
    'unit-resets-amount': ['reports-truth', 'every-way-in', 'follows-change', 'owner-decides'],
    'listens-to-change-only': ['reports-when-said'],
  },
  make: (has) => {
    const shared = { ...NOTHING }
    return class extends HTMLElement {
      #length: { amount: number; unit: string } = has('one-for-all') ? shared : { ...NOTHING }
      readonly #amount = made('input', { type: 'number' })
      readonly #unit = made('select')

      constructor() {
        super()
        for (const unit of UNITS) this.#unit.add(made('option', { value: unit, textContent: unit }))
        this.#amount.setAttribute('aria-label', 'Length')
        this.#unit.setAttribute('aria-label', 'Unit')
        this.attachShadow({ mode: 'closed' }).append(this.#amount, this.#unit)
        const taken = () =>
          this.#amount.value !== '' && this.#set({ ...this.#length, amount: Number(this.#amount.value) })
        this.#amount.addEventListener(has('listens-to-change-only') ? 'change' : 'input', taken)
        this.#amount.addEventListener('change', () => this.#draw())
        this.#unit.addEventListener('change', () =>
          this.#set({ amount: has('unit-resets-amount') ? 0 : this.#length.amount, unit: this.#unit.value }),
        )
        this.#draw()
      }

      #set({ amount, unit }: Length): void {
        const before = this.#length
        if (amount === before.amount && unit === before.unit) return
        const isUnit = unit !== before.unit
        if (has('changes-the-given') || has('one-for-all')) Object.assign(this.#length, { amount, unit })
        else this.#length = { amount, unit }
        if (isUnit && has('unit-unreported')) return
        if (has('amount-alone')) return report(this, 'length-set', amount)
        if (has('amount-told-in-feet') && !isUnit) return report(this, 'length-set', { amount, unit: 'feet' })
        if (has('amount-as-text')) return report(this, 'length-set', { amount: String(amount), unit })
        report(this, 'length-set', has('changes-the-given') || has('one-for-all') ? this.#length : { ...this.#length })
      }

      #draw(): void {
        const { amount, unit } = this.#length
        const isFirst = this.#amount.value === ''
        if (isFirst || (Number(this.#amount.value) !== amount && !(has('amount-not-drawn') && this.isConnected)))
          this.#amount.value = String(amount)
        if (!has('unit-not-drawn') || !this.isConnected) this.#unit.value = unit
      }

      get length(): Length {
        return has('changes-the-given') || has('one-for-all') ? this.#length : { ...this.#length }
      }
      set length(length: Length | undefined) {
        if (has('zero-for-missing') && length !== undefined && !length.amount) return
        if (has('changes-the-given') && length !== undefined) this.#length = length
        else this.#length = { ...(length ?? NOTHING) }
        this.#draw()
      }
    }
  },
})
