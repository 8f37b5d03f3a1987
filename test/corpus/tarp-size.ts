import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A size out of some usual ones, or one of one's own that two fields open for. */
export const tarpSize = variants({
  tag: 'tarp-size',
  promise: {
    values: {
      size: {
        type: Type.Union([
          Type.Object({ wide: Type.Integer({ minimum: 1 }), long: Type.Integer({ minimum: 1 }) }),
          Type.Null(),
        ]),
        default: null,
        attribute: false,
        reports: 'commit',
        samples: [{ wide: 2, long: 3 }, { wide: 4, long: 6 }, { wide: 3, long: 7 }, null],
      },
    },
    commands: { clear: { effect: 'reset' } },
  },
  faults: {
    swapped: ['edits-stand', 'round-trip'],
    'own-fields-keep': ['follows-change', 'takes-empty'],
    'own-opens-reports': ['reports-once', 'reports-truth'],
    'usual-leaves-fields-open': ['every-way-in'],
    'clear-leaves-choice': ['resets-fully', 'commands-present'],
    'long-not-heard': ['every-way-in'],
    'text-payload': ['reports-truth'],
  },
  make: (has) =>
    class extends HTMLElement {
      #size: { wide: number; long: number } | null = null
      #own = false
      readonly #pick = made('select')
      readonly #wide = made('input', { type: 'number', min: '1' })
      readonly #long = made('input', { type: 'number', min: '1' })
      readonly #box = made('div')
      constructor() {
        super()
        for (const [value, text] of [
          ['', 'none'],
          ['2x3', '2 by 3'],
          ['4x6', '4 by 6'],
          ['own', 'of your own'],
        ] as const)
          this.#pick.append(made('option', { value, textContent: text }))
        this.#pick.ariaLabel = 'size'
        this.#wide.ariaLabel = 'wide'
        this.#long.ariaLabel = 'long'
        this.#box.append(this.#wide, this.#long)
        this.attachShadow({ mode: 'open' }).append(this.#pick, this.#box)
        this.#pick.onchange = () => {
          const { value } = this.#pick
          if (value === 'own') {
            this.#own = true
            this.#draw()
            if (has('own-opens-reports')) this.#tell()
            return
          }
          this.#own = false
          const [wide = 0, long = 0] = value.split('x').map(Number)
          const before = JSON.stringify(this.#size)
          this.#size = value === '' ? null : { wide, long }
          this.#draw()
          if (JSON.stringify(this.#size) !== before) this.#tell()
        }
        const typed = () => {
          const [wide, long] = [this.#wide.valueAsNumber, this.#long.valueAsNumber]
          if (!(Number.isInteger(wide) && wide >= 1 && Number.isInteger(long) && long >= 1)) return
          if (wide === this.#size?.wide && long === this.#size.long) return
          this.#size = has('swapped') ? { wide: long, long: wide } : { wide, long }
          this.#draw()
          this.#tell()
        }
        this.#wide.onchange = typed
        if (!has('long-not-heard')) this.#long.onchange = typed
      }
      connectedCallback(): void {
        this.#draw()
      }
      #tell(): void {
        report(
          this,
          'size-set',
          this.#size && (has('text-payload') ? `${this.#size.wide}x${this.#size.long}` : { ...this.#size }),
        )
      }
      #draw(): void {
        const usual = this.#size === null ? '' : `${this.#size.wide}x${this.#size.long}`
        const isOwn = this.#own || !['', '2x3', '4x6'].includes(usual)
        this.#pick.value = isOwn ? 'own' : usual
        this.#box.hidden = !isOwn && !has('usual-leaves-fields-open')
        if (has('own-fields-keep') && this.#wide.value !== '') return
        this.#wide.value = this.#size === null ? '' : String(this.#size.wide)
        this.#long.value = this.#size === null ? '' : String(this.#size.long)
      }
      get size() {
        return this.#size && { ...this.#size }
      }
      set size(size: { wide: number; long: number } | null | undefined) {
        this.#size = size ? { ...size } : null
        this.#own = false
        this.#draw()
      }
      clear(): void {
        const had = this.#size !== null
        this.#size = null
        this.#own = false
        if (!has('clear-leaves-choice')) this.#draw()
        else {
          this.#wide.value = ''
          this.#long.value = ''
        }
        if (had) this.#tell()
      }
    },
})
