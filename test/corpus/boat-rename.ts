import { Type } from 'caulker'
import { made, variants } from './corpus.js'

/** A name that is shown as a text and renamed in place: Enter saves it, Escape and a button forget it. */
export const boatRename = variants({
  tag: 'boat-rename',
  promise: {
    properties: {
      boat: { type: Type.String(), default: 'Unnamed' },
      locked: { type: Type.Boolean(), default: false },
    },
    events: { renamed: { payload: Type.Object({ to: Type.String() }), bubbles: true } },
    drafts: { rename: { of: 'boat', event: 'renamed', payloadAt: '/detail/to' } },
    locks: { readonly: 'locked' },
  },
  faults: {
    'cancel-saves': ['draft-cancels'],
    'cancelled-comes-back': ['draft-cancels'],
    'saves-the-old': ['draft-saves'],
    'enter-twice': ['draft-saves'],
    'save-writes-nothing': ['draft-saves'],
    'tell-wipes-the-draft': ['draft-stands'],
    'opens-when-locked': ['locks-hold'],
    'opens-on-the-mount': ['draft-saves', 'draft-cancels'],
    'shown-after-cancel': ['draft-cancels'],
    'save-is-unheard': ['draft-saves'],
  },
  make: (has) =>
    class extends HTMLElement {
      #boat = 'Unnamed'
      #first: string | undefined
      #locked = false
      #draft: string | undefined
      #left: string | undefined
      readonly #name = made('span')
      readonly #open = made('button', { type: 'button', textContent: 'Rename' })
      readonly #field = made('input', { ariaLabel: 'New name' })
      readonly #save = made('button', { type: 'button', textContent: 'Save' })
      readonly #drop = made('button', { type: 'button', textContent: 'Forget' })

      constructor() {
        super()
        this.attachShadow({ mode: 'open' })
        this.#open.onclick = () => this.#begin()
        this.#field.oninput = (event) => {
          event.stopPropagation()
          this.#draft = this.#field.value
        }
        this.#field.onkeydown = ({ key }) => {
          if (key === 'Enter') this.#keep()
          if (key === 'Escape') this.#forget()
        }
        if (!has('save-is-unheard')) this.#save.onclick = () => this.#keep()
        this.#drop.onclick = () => (has('cancel-saves') ? this.#keep() : this.#forget())
      }

      connectedCallback(): void {
        this.#first ??= this.#boat
        this.#draw()
      }

      #begin(): void {
        if (this.#locked && !has('opens-when-locked')) return
        const start = has('opens-on-the-mount') ? this.#first : this.#boat
        this.#draft = has('cancelled-comes-back') ? (this.#left ?? start) : start
        this.#draw()
        this.#field.focus()
      }

      #forget(): void {
        this.#left = this.#draft
        if (has('shown-after-cancel') && this.#draft !== undefined) this.#boat = this.#draft
        this.#draft = undefined
        this.#draw()
      }

      #keep(): void {
        if (this.#draft === undefined) return
        const to = has('saves-the-old') ? this.#boat : this.#draft
        this.#draft = this.#left = undefined
        if (!has('save-writes-nothing')) this.#boat = to
        this.#draw()
        for (let left = has('save-writes-nothing') ? 0 : has('enter-twice') ? 2 : 1; left > 0; left--)
          this.dispatchEvent(new CustomEvent('renamed', { detail: { to }, bubbles: true }))
      }

      #draw(): void {
        if (has('tell-wipes-the-draft') && this.#field.isConnected && this.#draft !== undefined)
          this.#draft = this.#boat
        this.#name.textContent = this.#boat
        this.#open.disabled = this.#locked && !has('opens-when-locked')
        if (this.#field.value !== this.#draft) this.#field.value = this.#draft ?? ''
        const shown = this.#draft === undefined ? [this.#name, this.#open] : [this.#field, this.#save, this.#drop]
        if (!shown.every((one) => one.isConnected)) this.shadowRoot?.replaceChildren(...shown)
      }

      get boat(): string {
        return this.#boat
      }
      set boat(boat: string | undefined) {
        this.#boat = boat ?? 'Unnamed'
        this.#draw()
      }
      get locked(): boolean {
        return this.#locked
      }
      set locked(locked: boolean) {
        this.#locked = locked
        if (locked) this.#draft = undefined
        this.#draw()
      }
    },
})
