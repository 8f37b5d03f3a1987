import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const day = Type.String({ format: 'date' })
const USUAL: readonly string[] = ['2031-05-01', '2031-05-09']

/** From one day to another, in two native date fields of the light tree. */
export const mooringStay = variants({
  tag: 'mooring-stay',
  promise: {
    properties: { earliest: { type: day, default: '2031-01-01' } },
    values: {
      stay: {
        type: Type.Array(day, { minItems: 2, maxItems: 2 }),
        default: [...USUAL],
        ordered: true,
      },
    },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'ends-cross': ['pair-in-order'],
    'crossed-from-its-owner': ['pair-in-order'],
    'second-end-unreported': ['reports-once', 'every-way-in'],
    'reports-the-old-stay': ['reports-truth', 'reports-once'],
    'reports-one-day': ['reports-truth'],
    'one-list-for-all': ['own-defaults', 'stands-alone', 'leaves-given-alone', 'fresh-payload'],
    'changes-the-given-list': ['leaves-given-alone', 'fresh-payload'],
    'earliest-of-the-mount': ['follows-change', 'attribute-agrees'],
    'second-field-of-the-mount': ['follows-change'],
    'reset-of-one-end': ['resets-fully'],
    'listens-again-after-a-move': ['survives-move'],
  },
  make: (has) => {
    const shared = [...USUAL]
    return class extends HTMLElement {
      #stay: string[] = has('one-list-for-all') ? shared : [...USUAL]
      #earliest = '2031-01-01'
      readonly #from = made('input', { type: 'date', ariaLabel: 'From' })
      readonly #to = made('input', { type: 'date', ariaLabel: 'To' })

      constructor() {
        super()
        this.#from.setAttribute('aria-label', 'From')
        this.#to.setAttribute('aria-label', 'To')
        if (!has('listens-again-after-a-move')) this.#listen()
      }

      connectedCallback(): void {
        if (has('listens-again-after-a-move')) this.#listen()
        if (!this.contains(this.#from)) this.append(this.#from, this.#to)
        this.#draw()
        if (has('second-field-of-the-mount')) this.#to.value = this.#stay[1] as string
        if (has('earliest-of-the-mount')) this.#from.min = this.#earliest
      }

      #listen(): void {
        this.#from.addEventListener('change', () => this.#moved(0, this.#from.value))
        this.#to.addEventListener('change', () => this.#moved(1, this.#to.value))
      }

      #moved(end: 0 | 1, day: string): void {
        const [from = '', to = ''] = this.#stay
        const before = [from, to]
        const stopped = end === 0 ? (day > to ? to : day) : day < from ? from : day
        const put = day === '' ? (before[end] as string) : has('ends-cross') ? day : stopped
        if (has('one-list-for-all') || has('changes-the-given-list')) this.#stay[end] = put
        else this.#stay = end === 0 ? [put, to] : [from, put]
        this.#draw()
        this.#to.value = this.#stay[1] as string
        const isSame = this.#stay.every((one, at) => one === before[at])
        if ((isSame && !has('listens-again-after-a-move')) || (end === 1 && has('second-end-unreported'))) return
        const payload = has('one-list-for-all') || has('changes-the-given-list') ? this.#stay : [...this.#stay]
        report(this, 'stay-set', has('reports-the-old-stay') ? before : has('reports-one-day') ? day : payload)
      }

      #draw(): void {
        const [from = '', to = ''] = this.#stay
        this.#from.value = from
        if (!has('second-field-of-the-mount')) this.#to.value = to
        if (!has('earliest-of-the-mount')) this.#from.min = this.#earliest
        this.#to.min = from
      }

      get earliest(): string {
        return this.#earliest
      }
      set earliest(earliest: string | undefined) {
        this.#earliest = earliest ?? '2031-01-01'
        this.#draw()
      }

      get stay(): readonly string[] {
        return has('one-list-for-all') || has('changes-the-given-list') ? this.#stay : [...this.#stay]
      }
      set stay(stay: readonly string[] | undefined) {
        const [from = '', to = ''] = stay ?? USUAL
        if (from > to && !has('crossed-from-its-owner')) return
        this.#stay = has('changes-the-given-list') && stay !== undefined ? (stay as string[]) : [from, to]
        this.#draw()
      }

      reset(): void {
        const before = this.#stay.join()
        this.#stay = has('reset-of-one-end') ? [USUAL[0] as string, this.#stay[1] as string] : [...USUAL]
        this.#draw()
        if (before !== this.#stay.join()) report(this, 'stay-set', [...this.#stay])
      }
    }
  },
})
