import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A note that is its own master: what it is given begins it, and a reset brings that back. */
export const slateNote = variants({
  tag: 'slate-note',
  promise: {
    properties: { locked: { type: Type.Boolean(), default: false } },
    values: {
      note: {
        type: Type.String(),
        default: '',
        lastWord: 'self',
        accepts: 'never',
        resetTo: 'initial',
        reports: 'edit',
      },
    },
    commands: { reset: { effect: 'reset' } },
    locks: { readonly: 'locked' },
  },
  faults: {
    'takes-later-tells': ['follows-change'],
    'reset-to-nothing': ['resets-fully'],
    'reset-silent': ['resets-fully'],
    'begins-empty': ['shows-initial'],
    'tell-wipes': ['keeps-caret', 'follows-change'],
    doubled: ['reports-once'],
    'locked-late': ['locks-hold', 'follows-change'],
  },
  make: (has) =>
    class extends HTMLElement {
      #note = ''
      #given = ''
      #begun = false
      #locked = false
      readonly #field = made('textarea')
      constructor() {
        super()
        const label = made('label', { textContent: 'Note' })
        label.append(this.#field)
        this.attachShadow({ mode: 'open' }).append(label)
        this.#field.oninput = () => {
          this.#note = this.#field.value
          report(this, 'note-set', this.#note)
          if (has('doubled')) report(this, 'note-set', this.#note)
        }
      }
      connectedCallback(): void {
        if (!this.#begun)
          queueMicrotask(() => {
            this.#begun = true
          })
        this.#draw()
      }
      #draw(): void {
        this.#field.value = this.#note
        this.#field.readOnly = this.#locked && !(has('locked-late') && this.#begun)
      }
      get note() {
        return this.#note
      }
      set note(note: string | undefined) {
        if (this.#begun && !has('takes-later-tells')) {
          if (has('tell-wipes')) {
            this.#note = ''
            this.#draw()
          }
          return
        }
        this.#given = note ?? ''
        this.#note = has('begins-empty') ? '' : this.#given
        this.#draw()
      }
      get locked() {
        return this.#locked
      }
      set locked(locked: boolean | undefined) {
        this.#locked = locked ?? false
        this.#draw()
      }
      static observedAttributes = ['note', 'locked']
      attributeChangedCallback(name: string, _: string | null, value: string | null): void {
        if (name === 'note') this.note = value ?? undefined
        else this.locked = value !== null
      }
      reset(): void {
        const before = this.#note
        this.#note = has('reset-to-nothing') ? '' : this.#given
        this.#draw()
        if (this.#note !== before && !has('reset-silent')) report(this, 'note-set', this.#note)
      }
    },
})
