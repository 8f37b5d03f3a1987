import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** An editable paragraph: no field at all, and composed text counts once it is finished. */
export const seamNote = variants({
  tag: 'seam-note',
  promise: {
    properties: {
      label: { type: Type.String(), default: 'Seams' },
      closed: { type: Type.Boolean(), default: false },
    },
    values: { note: { type: Type.String(), default: '' } },
    commands: { reset: { effect: 'reset' } },
    locks: { readonly: 'closed' },
  },
  faults: {
    'pasted-unheard': ['reports-once', 'every-way-in'],
    'composed-unheard': ['reports-once', 'every-way-in'],
    'note-as-markup': ['text-stays-text'],
    'told-with-delay': ['reports-truth', 'reports-once', 'reports-when-said'],
    'length-stale': ['follows-change', 'reports-truth'],
  },
  make: (has) =>
    class extends HTMLElement {
      #note = ''
      #text = made('p', { tabIndex: 0 })
      #length = made('small')

      connectedCallback(): void {
        if (!this.#text.isConnected) this.replaceChildren(this.#text, this.#length)
        this.#text.oninput = (event) => this.#edited(event as InputEvent)
        this.#text.addEventListener('compositionend', this.#composed)
        this.#draw()
      }
      #edited({ inputType, isComposing }: InputEvent): void {
        if (isComposing || (has('pasted-unheard') && inputType === 'insertFromPaste')) return
        this.#take()
      }
      #composed = () => void (has('composed-unheard') || this.#take())

      #take(): void {
        const note = this.#text.textContent ?? ''
        if (note === this.#note) return
        this.#note = note
        this.#count()
        if (has('told-with-delay')) setTimeout(() => report(this, 'note-set', note), 400)
        else report(this, 'note-set', note)
      }
      #draw(): void {
        if (has('note-as-markup')) this.#text.innerHTML = this.#note
        else if (this.#text.textContent !== this.#note) this.#text.textContent = this.#note
        this.#text.setAttribute('aria-label', this.#label)
        this.#text.setAttribute('contenteditable', String(!this.#closed))
        if (!has('length-stale') || this.#length.textContent === '') this.#count()
      }
      #count(): void {
        this.#length.textContent = `${this.#note.length} letters`
      }

      #label = 'Seams'
      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? 'Seams'
        this.#draw()
      }
      #closed = false
      get closed(): boolean {
        return this.#closed
      }
      set closed(closed: boolean | undefined) {
        this.#closed = closed ?? false
        this.#draw()
      }
      get note(): string {
        return this.#note
      }
      set note(note: string | undefined) {
        this.#note = note ?? ''
        this.#draw()
      }
      reset(): void {
        if (this.#note === '') return
        this.note = ''
        report(this, 'note-set', '')
      }
    },
})
