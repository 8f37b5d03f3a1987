import { Type } from 'caulker'
import { made, report, variants } from '../corpus.js'

const plate = Type.Object({ name: Type.String(), tons: Type.Integer({ minimum: 0 }) })
type Plate = { name: string; tons: number }
const NONE: Plate = { name: '', tons: 0 }

/** A plate with two fields, kept by a button. */
export const namePlate = variants({
  tag: 'name-plate',
  promise: {
    values: {
      plate: {
        type: plate,
        default: NONE,
        attribute: false,
        reports: 'commit',
        samples: [
          { name: 'Heron', tons: 12 },
          { name: 'Teal', tons: 3 },
        ],
      },
    },
  },
  faults: { 'tons-unkept': ['every-way-in'], 'keeps-the-name-alone': ['reports-truth', 'every-way-in'] },
  make: (has) =>
    class extends HTMLElement {
      held = NONE
      name_ = made('input', { ariaLabel: 'Name' })
      tons = made('input', { ariaLabel: 'Tons', inputMode: 'numeric' })
      keep = made('button', { type: 'button', textContent: 'Keep' })

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.name_, this.tons, this.keep)
        for (const field of [this.name_, this.tons]) field.oninput = (event) => event.stopPropagation()
        this.keep.onclick = () => {
          if (!/^\d+$/.test(this.tons.value)) return this.draw()
          const tons = has('tons-unkept') ? this.held.tons : Number(this.tons.value)
          const now = { name: this.name_.value, tons }
          const isNew = now.name !== this.held.name || tons !== this.held.tons
          this.held = now
          this.draw()
          if (isNew) report(this, 'plate-set', has('keeps-the-name-alone') ? { name: now.name } : { ...now })
        }
        this.draw()
      }

      draw(): void {
        this.name_.value = this.held.name
        this.tons.value = `${this.held.tons}`
      }

      get plate(): Plate {
        return { ...this.held }
      }
      set plate(plate: Plate | undefined) {
        this.held = { ...(plate ?? NONE) }
        this.draw()
      }
    },
})
