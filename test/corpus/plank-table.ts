import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

interface Plank {
  readonly wood: string
  readonly feet: number
}

const plank = Type.Object({ wood: Type.String(), feet: Type.Integer({ minimum: 0 }) })

/** Rows that are edited in place, added and taken away; the fields of a row stay while a person is in them. */
export const plankTable = variants({
  tag: 'plank-table',
  promise: {
    properties: { locked: { type: Type.Boolean(), default: false } },
    values: { planks: { type: Type.Array(plank), default: [], reports: 'commit' } },
    readings: { feet: { type: Type.Integer(), from: ['planks'] } },
    locks: { readonly: 'locked' },
  },
  faults: {
    'feet-as-text': ['reports-truth'],
    'edits-the-first': ['edits-stand'],
    'changes-the-given-rows': ['leaves-given-alone', 'fresh-payload'],
    'pushes-into-the-given': ['leaves-given-alone', 'fresh-payload'],
    'taken-away-unreported': ['reports-once', 'every-way-in'],
    'added-twice-told': ['reports-once'],
    'rows-of-the-mount': ['follows-change', 'takes-empty'],
    'fewer-rows-not-drawn': ['follows-change', 'takes-empty'],
    'sum-of-the-mount': ['follows-change', 'reports-truth'],
    'sum-when-told': ['reports-truth', 'every-way-in'],
    'lock-forgets-adding': ['locks-hold'],
    'lock-of-the-mount': ['locks-hold', 'follows-change'],
    'one-default-list': ['own-defaults', 'stands-alone', 'leaves-given-alone', 'fresh-payload'],
  },
  make: (has) => {
    const shared: Plank[] = []
    return class extends HTMLElement {
      #planks: Plank[] = has('one-default-list') ? shared : []
      #locked = false
      #isDrawn = false
      readonly #table = made('table')
      readonly #sum = made('p')
      readonly #add = made('button', { type: 'button', textContent: 'Add a plank' })

      constructor() {
        super()
        this.#add.addEventListener('click', () => this.#put([...this.#planks, { wood: 'oak', feet: 8 }]))
      }

      connectedCallback(): void {
        if (!this.contains(this.#table)) this.append(this.#table, this.#add, this.#sum)
        this.#draw()
        this.#say()
        this.#isDrawn = true
      }

      #put(planks: readonly Plank[]): void {
        const isMore = planks.length > this.#planks.length
        const isFewer = planks.length < this.#planks.length
        if (has('pushes-into-the-given') || has('one-default-list'))
          this.#planks.splice(0, this.#planks.length, ...planks)
        else this.#planks = [...planks]
        this.#draw()
        if (!has('sum-when-told')) this.#say()
        if (isFewer && has('taken-away-unreported')) return
        const sent = has('feet-as-text')
          ? planks.map((one) => ({ ...one, feet: String(one.feet) }))
          : planks.map((one) => ({ ...one }))
        report(this, 'planks-set', sent)
        if (isMore && has('added-twice-told'))
          report(
            this,
            'planks-set',
            planks.map((one) => ({ ...one })),
          )
      }

      #row(one: Plank, at: number): HTMLElement {
        const row = made('tr')
        const wood = made('input', { value: one.wood, readOnly: this.#locked })
        const feet = made('input', { type: 'number', min: '0', value: String(one.feet), readOnly: this.#locked })
        const away = made('button', { type: 'button', textContent: 'Take away', disabled: this.#locked })
        wood.setAttribute('aria-label', `Wood of plank ${at + 1}`)
        feet.setAttribute('aria-label', `Feet of plank ${at + 1}`)
        const edited = (more: Partial<Plank>) => {
          if (has('changes-the-given-rows')) Object.assign(this.#planks[at] as Plank, more)
          if (Object.entries(more).every(([name, part]) => one[name as keyof Plank] === part)) return this.#draw()
          const planks = this.#planks.map((other, place) =>
            place === (has('edits-the-first') ? 0 : at) ? { ...other, ...more } : other,
          )
          this.#put(has('changes-the-given-rows') ? this.#planks : planks)
        }
        wood.addEventListener('change', () => edited({ wood: wood.value }))
        feet.addEventListener('change', () =>
          edited({ feet: feet.value === '' ? one.feet : Math.max(0, Math.round(Number(feet.value))) }),
        )
        away.addEventListener('click', () => {
          this.#put(this.#planks.filter((_, place) => place !== at))
        })
        for (const part of [wood, feet, away]) row.appendChild(made('td')).append(part)
        return row
      }

      #draw(): void {
        if (has('rows-of-the-mount') && this.#isDrawn) return
        const rows = this.#planks.map((one, at) => this.#row(one, at))
        if (has('fewer-rows-not-drawn'))
          rows.forEach((row, at) =>
            this.#table.rows[at] ? this.#table.rows[at]?.replaceWith(row) : this.#table.append(row),
          )
        else this.#table.replaceChildren(...rows)
        if (!has('lock-forgets-adding')) this.#add.disabled = this.#locked
      }

      #say(): void {
        if (!(has('sum-of-the-mount') && this.#isDrawn)) this.#sum.textContent = `${this.feet} feet in all`
      }

      get planks(): readonly Plank[] {
        return has('one-default-list') ? this.#planks : [...this.#planks]
      }
      set planks(planks: readonly Plank[] | undefined) {
        const isKept = has('changes-the-given-rows') || has('pushes-into-the-given')
        this.#planks = isKept ? ((planks ?? []) as Plank[]) : [...(planks ?? [])]
        this.#draw()
        this.#say()
      }

      get locked(): boolean {
        return this.#locked
      }
      set locked(locked: boolean | undefined) {
        if (has('lock-of-the-mount') && this.#isDrawn) return
        this.#locked = locked ?? false
        this.#draw()
      }

      get feet(): number {
        return this.#planks.reduce((sum, { feet }) => sum + feet, 0)
      }
    }
  },
})
