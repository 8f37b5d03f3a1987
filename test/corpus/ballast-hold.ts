import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A list of stones with a weight each: a reading that adds them up, a command that takes one more, and a slot for a hint. */
export const ballastHold = variants({
  tag: 'ballast-hold',
  promise: {
    required: ['label'],
    properties: { label: { type: Type.String() } },
    values: { stones: { type: Type.Array(Type.Integer({ minimum: 1, maximum: 90 })), default: [] } },
    readings: { weight: { type: Type.Integer(), from: ['stones'] } },
    commands: { load: { takes: Type.Integer({ minimum: 1, maximum: 90 }), gives: Type.Integer() } },
    slots: { hint: { holds: ['p'] } },
  },
  faults: {
    'weight-of-the-mount': ['readings-agree'],
    'weight-of-told-ones': ['readings-agree'],
    'weight-as-text': ['readings-agree'],
    'load-gives-nothing': ['commands-present'],
    'load-without-report': ['readings-agree', 'reports-once', 'every-way-in'],
    'load-into-the-given-list': ['leaves-given-alone', 'fresh-payload'],
    'hint-drawn-over': ['shows-slotted'],
    'hint-read-once': ['shows-slotted'],
    'hint-in-another-slot': ['shows-slotted'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #stones: readonly number[] = []
      #weighed: number | undefined
      #hint: string | undefined
      readonly #title = made('h4')
      readonly #list = made('ol')
      readonly #aside = made('aside')
      readonly #more = made('button', { type: 'button', textContent: 'Load 20' })

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#title, this.#list, this.#more, this.#aside)
        if (!has('hint-read-once'))
          this.#aside.append(made('slot', { name: has('hint-in-another-slot') ? 'note' : 'hint' }))
        this.#more.addEventListener('click', () => void this.load(20))
      }

      connectedCallback(): void {
        if (has('hint-read-once')) this.#aside.textContent = this.#hint ??= this.textContent ?? ''
        this.#draw()
        this.#weighed ??= this.#sum()
      }

      #sum(): number {
        return this.#stones.reduce((sum, stone) => sum + stone, 0)
      }

      #draw(): void {
        this.#title.textContent = `${this.#label}: ${this.#stones.length} stones`
        this.#list.replaceChildren(...this.#stones.map((stone) => made('li', { textContent: `${stone} pounds` })))
        if (has('hint-drawn-over') && this.#stones.length > 1) this.replaceChildren()
      }

      get label(): string {
        return this.#label
      }
      set label(label: string) {
        this.#label = label
        this.#draw()
      }

      get stones(): readonly number[] {
        return this.#stones
      }
      set stones(stones: readonly number[] | undefined) {
        this.#stones = has('load-into-the-given-list') ? (stones ?? []) : [...(stones ?? [])]
        if (has('weight-of-told-ones')) this.#weighed = this.#sum()
        this.#draw()
      }

      get weight(): unknown {
        if (has('weight-as-text')) return `${this.#sum()} pounds`
        return has('weight-of-the-mount') || has('weight-of-told-ones') ? (this.#weighed ?? 0) : this.#sum()
      }

      load(stone: number): unknown {
        if (has('load-into-the-given-list')) (this.#stones as number[]).push(stone)
        else this.#stones = [...this.#stones, stone]
        this.#draw()
        if (!has('load-without-report')) report(this, 'stones-set', [...this.#stones])
        return has('load-gives-nothing') ? undefined : this.#sum()
      }
    },
})
