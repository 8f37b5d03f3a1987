import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

interface Cargo {
  what: string
  kilos: number
  cold?: { least: number }
}

const nothing = (): Cargo => ({ what: '', kilos: 0 })

/** One line of a cargo: what it is and how heavy, in any number of kilos, and with a tick how cold it has to stay. */
export const cargoLine = variants({
  tag: 'cargo-line',
  promise: {
    properties: { firm: { type: Type.Boolean(), default: false, attribute: false } },
    values: {
      cargo: {
        type: Type.Object({
          what: Type.String(),
          kilos: Type.Number(),
          cold: Type.Optional(Type.Object({ least: Type.Integer() })),
        }),
        default: nothing(),
        event: 'cargo-set',
        samples: [
          { what: 'tar', kilos: 40 },
          { what: 'herring', kilos: 120, cold: { least: -4 } },
          { what: 'ice', kilos: 5, cold: { least: 0 } },
        ],
      },
    },
    locks: { readonly: 'firm' },
  },
  faults: {
    'no-weight-is-blank': ['keeps-falsy'],
    'tick-does-not-untick': ['reports-once', 'every-way-in'],
    'tick-in-silence': ['reports-once', 'follows-change'],
    'what-takes-the-cold': ['edits-stand'],
    'least-into-the-old': ['fresh-payload', 'reports-once', 'leaves-given-alone'],
    'tick-when-firm': ['locks-hold'],
    'least-of-the-mount': ['follows-change', 'reports-truth'],
  },
  make: (has) =>
    class extends HTMLElement {
      #cargo = nothing()
      #firm = false
      #first: number | undefined
      readonly #what = made('input', { ariaLabel: 'What' })
      readonly #kilos = made('input', { type: 'number', step: 'any', ariaLabel: 'Kilos' })
      readonly #tick = made('input', { type: 'checkbox', ariaLabel: 'Keep cold' })
      readonly #least = made('input', { type: 'number', ariaLabel: 'Coldest' })

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#what, this.#kilos, this.#tick, this.#least)
        for (const field of [this.#what, this.#kilos, this.#least])
          field.oninput = (event) => {
            event.stopPropagation()
            this.#typed(field)
          }
        for (const field of [this.#kilos, this.#least]) field.onblur = () => this.#draw()
        this.#tick.onchange = () => {
          const { cold: _cold, ...rest } = this.#cargo
          if (this.#tick.checked) this.#set({ ...rest, cold: { least: 0 } }, has('tick-in-silence'))
          else this.#set(has('tick-does-not-untick') ? { ...this.#cargo } : rest, has('tick-in-silence'))
        }
      }

      connectedCallback(): void {
        this.#draw()
      }

      #typed(field: HTMLInputElement): void {
        const { cold, ...rest } = this.#cargo
        const number = field.valueAsNumber
        if (field === this.#what)
          return this.#set({ ...(has('what-takes-the-cold') ? rest : this.#cargo), what: field.value })
        if (Number.isNaN(number)) return
        if (field === this.#kilos) return this.#set({ ...this.#cargo, kilos: number })
        if (cold === undefined || !Number.isInteger(number)) return
        if (has('least-into-the-old')) cold.least = number
        this.#set(has('least-into-the-old') ? this.#cargo : { ...this.#cargo, cold: { least: number } })
      }

      #set(cargo: Cargo, isSilent = false): void {
        this.#cargo = cargo
        this.#draw()
        if (!isSilent) report(this, 'cargo-set', has('least-into-the-old') ? cargo : structuredClone(cargo))
      }

      #draw(): void {
        const { what, kilos, cold } = this.#cargo
        if (this.#what.value !== what) this.#what.value = what
        if (this.#kilos.valueAsNumber !== kilos)
          this.#kilos.value = has('no-weight-is-blank') ? String(kilos || '') : String(kilos)
        this.#tick.checked = cold !== undefined
        this.#least.hidden = cold === undefined
        this.#first ??= cold?.least
        const least = has('least-of-the-mount') ? this.#first : cold?.least
        if (least !== undefined && this.#least.valueAsNumber !== least) this.#least.value = String(least)
        for (const field of [this.#what, this.#kilos, this.#least]) field.readOnly = this.#firm
        this.#tick.disabled = this.#firm && !has('tick-when-firm')
      }

      get firm(): boolean {
        return this.#firm
      }
      set firm(firm: boolean | undefined) {
        this.#firm = firm ?? false
        this.#draw()
      }
      get cargo(): Cargo {
        return has('least-into-the-old') ? this.#cargo : structuredClone(this.#cargo)
      }
      set cargo(cargo: Cargo | undefined) {
        this.#cargo = has('least-into-the-old') ? (cargo ?? nothing()) : structuredClone(cargo ?? nothing())
        this.#draw()
      }
    },
})
