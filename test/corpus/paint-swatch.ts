import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const PAINTS = ['#aa3311', '#114477', '#eeeecc']

/** A paint: one of some swatches, or a code that is typed. */
export const paintSwatch = variants({
  tag: 'paint-swatch',
  promise: {
    properties: {
      paints: {
        type: Type.Array(Type.String({ pattern: '^#[0-9a-f]{6}$' }), { uniqueItems: true }),
        default: PAINTS,
        samples: [
          ['#aa3311', '#222222'],
          ['#00ff00', '#114477', '#333333', '#444444'],
        ],
      },
      hint: { type: Type.String(), default: '' },
      locked: { type: Type.Boolean(), default: false },
    },
    values: {
      paint: {
        type: Type.Union([Type.String({ pattern: '^#[0-9a-f]{6}$' }), Type.Null()]),
        default: null,
        empty: null,
        event: 'paint-set',
        attribute: false,
        reports: 'commit',
        samples: ['#aa3311', '#114477', '#0a0b0c'],
      },
    },
    locks: { disabled: 'locked' },
  },
  faults: {
    'typed-code-unchecked': [
      'follows-change',
      'every-way-in',
      'round-trip',
      'edits-stand',
      'reports-truth',
      'ignores-unreadable',
    ],
    'swatch-leaves-code': ['every-way-in', 'edits-stand', 'round-trip', 'reports-truth'],
    'upper-case-reported': ['reports-truth', 'ignores-unreadable', 'every-way-in', 'round-trip'],
    'again-clears-silently': ['reports-once'],
    'short-code-taken': ['ignores-unreadable', 'reports-truth', 'stays-within'],
    'paints-of-the-mount': ['follows-change'],
    'hint-of-the-mount': ['follows-change'],
    'arrows-do-nothing': ['every-way-in'],
    'null-leaves-code': ['takes-empty'],
    'locked-code-open': ['locks-hold'],
    'code-emptied-unheard': ['every-way-in'],
    'two-reports-a-swatch': ['reports-once'],
    'own-code-unwritten': ['shows-initial', 'round-trip', 'every-way-in'],
  },
  make: (has) =>
    class extends HTMLElement {
      #paints = PAINTS
      #hint = ''
      #locked = false
      #paint: string | null = null
      #group = made('div')
      #code = made('input', { ariaLabel: 'Code' })
      #note = made('p')
      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#group, this.#code, this.#note)
        this.#group.setAttribute('role', 'radiogroup')
        this.#group.ariaLabel = 'Paint'
        this.#code.addEventListener('change', () => {
          const text = this.#code.value.trim().toLowerCase()
          if (text === '') {
            if (has('code-emptied-unheard')) return
            return this.#take(null)
          }
          const whole = text.startsWith('#') ? text : `#${text}`
          if (!(has('short-code-taken') ? /^#[0-9a-f]{3,6}$/ : /^#[0-9a-f]{6}$/).test(whole)) return this.#draw()
          this.#take(whole, has('typed-code-unchecked') ? 'code' : 'all')
        })
        this.#group.addEventListener('keydown', (event) => {
          const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
          if (step === undefined || this.#locked || has('arrows-do-nothing')) return
          event.preventDefault()
          const at = this.#paints.indexOf(this.#paint ?? '')
          const next = this.#paints[(at + step + this.#paints.length) % this.#paints.length]
          if (next === undefined) return
          this.#take(next)
          ;(this.#group.querySelector('[tabindex="0"]') as HTMLElement | null)?.focus()
        })
        this.#draw()
      }
      #take(paint: string | null, what: 'all' | 'code' | 'swatch' = 'all') {
        if (paint === this.#paint) return this.#draw()
        this.#paint = paint
        this.#draw(what)
        report(this, 'paint-set', has('upper-case-reported') && paint !== null ? paint.toUpperCase() : paint)
        if (has('two-reports-a-swatch') && what === 'swatch') report(this, 'paint-set', paint)
      }
      #draw(what: 'all' | 'code' | 'swatch' = 'all') {
        if (what !== 'code') {
          const chosen = this.#paints.indexOf(this.#paint ?? '')
          this.#group.replaceChildren(
            ...this.#paints.map((paint, at) => {
              const swatch = made('span', {
                textContent: paint,
                tabIndex: at === Math.max(0, chosen) && !this.#locked ? 0 : -1,
              })
              swatch.setAttribute('role', 'radio')
              swatch.ariaChecked = String(at === chosen)
              swatch.ariaDisabled = String(this.#locked)
              const choose = () => {
                if (!this.#locked) {
                  if (has('again-clears-silently') && this.#paint === paint) {
                    this.#paint = null
                    return this.#draw()
                  }
                  this.#take(paint, 'swatch')
                }
              }
              swatch.onclick = choose
              swatch.onkeydown = (event) => {
                if (event.key === ' ') {
                  event.preventDefault()
                  choose()
                  ;(this.#group.children[at] as HTMLElement).focus()
                }
              }
              return swatch
            }),
          )
        }
        if (!(what === 'swatch' && (has('swatch-leaves-code') || (has('null-leaves-code') && this.#paint === null))))
          this.#code.value =
            has('own-code-unwritten') && !this.#paints.includes(this.#paint ?? '') ? '' : (this.#paint ?? '')
        this.#code.disabled = this.#locked && !has('locked-code-open')
        if (!has('hint-of-the-mount') || this.#note.textContent === '') this.#note.textContent = this.#hint
      }
      get paints() {
        return this.#paints
      }
      set paints(paints: string[] | undefined) {
        if (has('paints-of-the-mount') && this.isConnected) return
        this.#paints = paints ?? PAINTS
        this.#draw()
      }
      get hint() {
        return this.#hint
      }
      set hint(hint: string | undefined) {
        this.#hint = hint ?? ''
        this.#draw()
      }
      get locked() {
        return this.#locked
      }
      set locked(locked: boolean | undefined) {
        this.#locked = locked ?? false
        this.#draw()
      }
      get paint() {
        return this.#paint
      }
      set paint(paint: string | null | undefined) {
        if ((paint ?? null) === this.#paint) return
        this.#paint = paint ?? null
        this.#draw(has('null-leaves-code') && this.#paint === null ? 'swatch' : 'all')
      }
    },
})
