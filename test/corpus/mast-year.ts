import { Type } from 'caulker'
import { made, variants } from './corpus.js'

const Mast = Type.Object({ wood: Type.String(), year: Type.Union([Type.Integer(), Type.Null()]) })
interface Standing {
  wood: string
  year: number | null
}

/** What mast stands in her: the wood is edited on a copy, saved with the whole record, or given up. */
export const mastYear = variants({
  tag: 'mast-year',
  promise: {
    properties: {
      mast: { type: Mast, default: { wood: '', year: null } },
      closed: { type: Type.Boolean(), default: false },
    },
    events: { 'mast-kept': { payload: Type.Object({ mast: Mast }) } },
    drafts: {
      wood: {
        of: 'mast',
        member: 'wood',
        event: 'mast-kept',
        payloadAt: '/detail/mast/wood',
        recordAt: '/detail/mast',
      },
    },
    locks: { readonly: 'closed' },
  },
  faults: {
    'year-of-the-opening': ['draft-saves'],
    'given-up-comes-back': ['draft-cancels'],
    'tell-closes-it': ['draft-stands'],
    'writes-into-the-given': ['draft-saves'],
    'closed-too-late': ['locks-hold'],
    'year-nought-unknown': ['keeps-falsy'],
  },
  make: (has) =>
    class extends HTMLElement {
      #mast: Standing = { wood: '', year: null }
      #begun = this.#mast
      #closed = false
      #left = ''
      readonly #words = made('p')
      readonly #edit = made('button', { type: 'button', textContent: 'Edit the wood' })
      readonly #field = made('input', { ariaLabel: 'Wood' })
      readonly #keep = made('button', { type: 'button', textContent: 'Keep' })
      readonly #drop = made('button', { type: 'button', textContent: 'Give up' })

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#words, this.#edit)
        this.#edit.onclick = () => {
          this.#begun = this.#mast
          this.#field.value = this.#left || this.#mast.wood
          this.#left = ''
          this.shadowRoot?.append(this.#field, this.#keep, this.#drop)
          this.#field.focus()
        }
        this.#keep.onclick = () => this.#save()
        this.#drop.onclick = () => {
          if (has('given-up-comes-back')) this.#left = this.#field.value
          this.#shut()
        }
        this.#draw()
      }

      #save(): void {
        if (this.#closed && !has('closed-too-late')) return
        const wood = this.#field.value
        if (has('writes-into-the-given')) this.#mast.wood = wood
        this.#shut()
        const mast = { ...(has('year-of-the-opening') ? this.#begun : this.#mast), wood }
        this.dispatchEvent(new CustomEvent('mast-kept', { detail: { mast } }))
      }

      #shut(): void {
        for (const part of [this.#field, this.#keep, this.#drop]) part.remove()
      }

      #draw(): void {
        const { wood, year } = this.#mast
        const known = has('year-nought-unknown') ? year || null : year
        this.#words.textContent = `${wood}, ${known ?? 'year unknown'}`
        this.#edit.disabled = this.#closed
        this.#field.readOnly = this.#keep.disabled = this.#closed && !has('closed-too-late')
      }

      get mast(): Standing {
        return this.#mast
      }
      set mast(mast: Standing | undefined) {
        this.#mast = mast ?? { wood: '', year: null }
        if (has('tell-closes-it')) this.#shut()
        this.#draw()
      }
      get closed(): boolean {
        return this.#closed
      }
      set closed(closed: boolean | undefined) {
        this.#closed = closed ?? false
        this.#draw()
      }
    },
})
