import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const Berth = Type.Object({ place: Type.String(), feet: Type.Integer({ minimum: 0 }), water: Type.Boolean() })
interface Place {
  place: string
  feet: number
  water: boolean
}
const nowhere: Place = { place: '', feet: 0, water: false }

/** A berth, changed in a modal dialog on a copy: a button saves all of it, another and Escape leave it. */
export const berthDialog = variants({
  tag: 'berth-dialog',
  promise: {
    properties: { shut: { type: Type.Boolean(), default: false } },
    values: { berth: { type: Berth, default: nowhere, attribute: false, reports: 'commit', event: 'berth-kept' } },
    locks: { disabled: 'shut' },
  },
  faults: {
    'water-lost': ['every-way-in'],
    'place-lost': ['every-way-in', 'edits-stand'],
    'opens-with-the-old': ['shown-when-unfolded', 'follows-change'],
    'feet-as-text': ['reports-truth'],
  },
  make: (has) =>
    class extends HTMLElement {
      #berth = nowhere
      #first: Place | undefined
      readonly #open = made('button', { type: 'button', textContent: 'Change' })
      readonly #dialog = made('dialog')
      readonly #place = made('input', { ariaLabel: 'Place' })
      readonly #feet = made('input', { ariaLabel: 'Feet', inputMode: 'numeric' })
      readonly #water = made('input', { ariaLabel: 'Water', type: 'checkbox' })

      constructor() {
        super()
        const save = made('button', { type: 'button', textContent: 'Save' })
        const leave = made('button', { type: 'button', textContent: 'Leave it' })
        this.#dialog.append(this.#place, this.#feet, this.#water, save, leave)
        this.attachShadow({ mode: 'open' }).append(this.#open, this.#dialog)
        this.#open.onclick = () => this.#show()
        leave.onclick = () => this.#dialog.close()
        save.onclick = () => this.#save()
      }

      #show(): void {
        this.#first ??= this.#berth
        const { place, feet, water } = has('opens-with-the-old') ? this.#first : this.#berth
        this.#place.value = place
        this.#feet.value = String(feet)
        this.#water.checked = water
        this.#dialog.showModal()
      }

      #save(): void {
        const feet = Number(this.#feet.value)
        if (this.#feet.value.trim() === '' || !Number.isInteger(feet) || feet < 0) return
        this.#dialog.close()
        const place = has('place-lost') ? this.#berth.place : this.#place.value
        const now = { place, feet, water: has('water-lost') ? this.#berth.water : this.#water.checked }
        if (JSON.stringify(now) === JSON.stringify(this.#berth)) return
        this.#berth = now
        report(this, 'berth-kept', has('feet-as-text') ? { ...now, feet: String(feet) } : { ...now })
      }

      get berth(): Place {
        return { ...this.#berth }
      }
      set berth(berth: Place | undefined) {
        this.#berth = { ...(berth ?? nowhere) }
      }
      get shut(): boolean {
        return this.#open.disabled
      }
      set shut(shut: boolean | undefined) {
        this.#open.disabled = shut ?? false
        if (this.shut) this.#dialog.close()
      }
    },
})
