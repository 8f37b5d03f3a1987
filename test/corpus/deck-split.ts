import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** How a deck is shared: a bar between two parts that is dragged, or moved by keys. */
export const deckSplit = variants({
  tag: 'deck-split',
  promise: {
    properties: { locked: { type: Type.Boolean(), default: false, reflects: true } },
    values: {
      share: {
        type: Type.Integer(),
        default: 50,
        attribute: false,
        bounds: { least: 10, most: 90 },
        outside: 'clamp',
      },
    },
    locks: { disabled: 'locked' },
  },
  faults: {
    'locked-not-reflected': ['attribute-agrees'],
    'moves-unsaid': ['reports-when-said'],
    'cancel-drags-on': ['ends-when-let-go'],
    'end-says-it-again': ['reports-once'],
  },
  make: (has) =>
    class extends HTMLElement {
      static observedAttributes = ['locked']
      #share = 50
      #locked = false
      #from: number | undefined
      readonly #one = made('span')
      readonly #bar = made('span')
      constructor() {
        super()
        const style = ':host{display:flex;width:200px;height:40px} [role]{flex:none;width:10px}'
        this.attachShadow({ mode: 'open' }).append(made('style', { textContent: style }), this.#one, this.#bar)
        this.#bar.setAttribute('role', 'slider')
        this.#bar.ariaLabel = 'Fore'
        this.#bar.addEventListener('keydown', ({ key }) => {
          const way = { ArrowRight: 5, ArrowUp: 5, ArrowLeft: -5, ArrowDown: -5 }[key]
          if (way !== undefined && !this.#locked) this.#to(this.#share + way)
        })
        this.#bar.addEventListener('pointerdown', ({ pointerId }) => {
          if (this.#locked) return
          this.#from = this.#share
          this.#bar.setPointerCapture(pointerId)
        })
        this.#bar.addEventListener('pointermove', ({ clientX }) => {
          const { left, width } = this.getBoundingClientRect()
          if (this.#from !== undefined) this.#to(Math.round(((clientX - left) / width) * 20) * 5, has('moves-unsaid'))
        })
        this.#bar.addEventListener('pointerup', () => {
          const isMoved = this.#from !== undefined && this.#from !== this.#share
          this.#from = undefined
          if ((isMoved && has('moves-unsaid')) || has('end-says-it-again')) report(this, 'share-set', this.#share)
        })
        if (!has('cancel-drags-on')) this.#bar.addEventListener('lostpointercapture', () => (this.#from = undefined))
        this.#draw()
      }
      #to(share: number, isSilent = false): void {
        const next = this.#fit(share)
        if (next === this.#share) return
        this.#share = next
        this.#draw()
        if (!isSilent) report(this, 'share-set', next)
      }
      #fit(share: number): number {
        return Math.min(90, Math.max(10, share))
      }
      #draw(): void {
        this.#one.style.width = `${this.#share}%`
        this.#one.textContent = `Fore ${this.#share}`
        this.#bar.ariaValueMin = '10'
        this.#bar.ariaValueMax = '90'
        this.#bar.ariaValueNow = String(this.#share)
        this.#bar.ariaDisabled = String(this.#locked)
        this.#bar.tabIndex = this.#locked ? -1 : 0
      }
      attributeChangedCallback(): void {
        this.#locked = this.hasAttribute('locked')
        this.#draw()
      }
      get share() {
        return this.#share
      }
      set share(share: number | undefined) {
        this.#share = this.#fit(share ?? 50)
        this.#draw()
      }
      get locked() {
        return this.#locked
      }
      set locked(locked: boolean | undefined) {
        this.#locked = locked ?? false
        if (!has('locked-not-reflected')) this.toggleAttribute('locked', this.#locked)
        this.#draw()
      }
    },
})
