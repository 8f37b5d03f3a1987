import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A valve that asks before it opens or closes. */
export const seaCock = variants({
  tag: 'sea-cock',
  promise: {
    properties: { locked: { type: Type.Boolean(), default: false } },
    values: { open: { type: Type.Boolean(), default: false, vetoEvent: 'open-asked', reflects: true } },
    locks: { disabled: 'locked' },
  },
  faults: {
    'asks-in-vain': ['asks-first'],
    'asks-after': ['asks-first'],
    'cannot-be-vetoed': ['asks-first'],
    'vetoed-and-shown': ['asks-first'],
    'vetoed-and-reported': ['asks-first'],
    'asks-when-told': ['quiet-when-told'],
    'asks-when-locked': ['locks-hold'],
    'not-reflected': ['attribute-agrees'],
    'reflected-late': ['attribute-agrees'],
    'asked-twice': ['asks-first'],
  },
  make: (has) =>
    class extends HTMLElement {
      #open = false
      #locked = false
      readonly #switch = made('button', { type: 'button', role: 'switch' })
      constructor() {
        super()
        this.#switch.textContent = 'Sea cock'
        this.attachShadow({ mode: 'open' }).append(this.#switch)
        this.#switch.onclick = () => {
          const next = !this.#open
          if (has('asks-after')) this.#put(next)
          const ask = () =>
            this.dispatchEvent(
              new CustomEvent('open-asked', { detail: { value: next }, cancelable: !has('cannot-be-vetoed') }),
            )
          const may = ask()
          if (has('asked-twice')) ask()
          if (!may && !has('asks-in-vain')) {
            if (has('vetoed-and-shown')) this.#draw(next)
            if (has('vetoed-and-reported')) report(this, 'open-set', next)
            return
          }
          this.#put(next)
          report(this, 'open-set', next)
        }
      }
      connectedCallback(): void {
        this.#draw(this.#open)
      }
      #put(open: boolean): void {
        this.#open = open
        this.#reflect()
        this.#draw(open)
      }
      #reflect(): void {
        if (has('not-reflected')) return
        if (has('reflected-late')) {
          if (this.isConnected) setTimeout(() => this.toggleAttribute('open', this.#open), 400)
          return
        }
        if (this.hasAttribute('open') !== this.#open) this.toggleAttribute('open', this.#open)
      }
      #draw(open: boolean): void {
        this.#switch.ariaChecked = String(open)
        this.#switch.disabled = this.#locked
      }
      get open() {
        return this.#open
      }
      set open(open: boolean | undefined) {
        if (has('asks-when-told') && this.isConnected && Boolean(open) !== this.#open)
          this.dispatchEvent(new CustomEvent('open-asked', { detail: { value: open }, cancelable: true }))
        this.#put(open ?? false)
      }
      get locked() {
        return this.#locked
      }
      set locked(locked: boolean | undefined) {
        this.#locked = locked ?? false
        this.#draw(this.#open)
        if (has('asks-when-locked')) this.#switch.disabled = false
      }
      static observedAttributes = ['open', 'locked']
      attributeChangedCallback(name: 'open' | 'locked', _: string | null, value: string | null): void {
        if ((value !== null) !== this[name]) this[name] = value !== null
      }
    },
})
