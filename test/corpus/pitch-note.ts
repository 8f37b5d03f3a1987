import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'
/** A note on the pitch: some lines of text that report when they are left, with what room is left said beside them. */
export const pitchNote = variants({
  tag: 'pitch-note',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String(), attribute: false },
      room: { type: Type.Integer(), default: 80, attribute: false },
      help: { type: Type.String(), default: '', attribute: false },
      firm: { type: Type.Boolean(), default: false, attribute: false },
    },
    values: { note: { type: Type.String(), default: '', reports: 'commit', attribute: 'note', reflects: true } },
    readings: { left: { type: Type.Integer(), from: ['note', 'room'] } },
    commands: { reset: { effect: 'reset' }, focus: { effect: 'focus' } },
    locks: { readonly: 'firm' },
    form: { value: 'note' },
  },
  faults: {
    'reports-each-key': ['reports-once', 'reports-when-said'],
    'note-not-reflected': ['attribute-agrees'],
    'attribute-not-heard': ['attribute-agrees'],
    'lines-joined': ['round-trip', 'reports-truth', 'reports-when-said'],
    'left-of-the-mount': ['readings-agree', 'follows-change'],
    'left-without-the-room': ['readings-agree', 'follows-change'],
    'help-in-the-placeholder-once': ['follows-change'],
    'firm-only-shown': ['locks-hold'],
    'form-value-late': ['carries-form-value'],
    'reset-keeps-the-typed': ['resets-fully'],
    'same-note-told-again-reports': ['quiet-when-told'],
  },
  make: (has) =>
    class extends HTMLElement {
      static formAssociated = true
      static observedAttributes = ['note']
      #internals = this.attachInternals()
      #label = ''
      #room = 80
      #help = ''
      #firm = false
      #note = ''
      #up = false
      #busy = false
      #first: number | undefined
      #wrap = made('label')
      #name = made('span')
      #area = made('textarea')
      #rest = made('p')
      connectedCallback() {
        if (!this.#up) {
          this.#up = true
          this.#wrap.append(this.#name, this.#area)
          this.append(this.#wrap, this.#rest)
          this.#area.addEventListener('input', (event) => {
            event.stopPropagation()
            if (has('reports-each-key')) this.#commit()
            else this.#say()
          })
          this.#area.addEventListener('change', (event) => {
            event.stopPropagation()
            this.#commit()
          })
          if (has('help-in-the-placeholder-once')) this.#area.placeholder = this.#help
        }
        this.#draw()
      }
      attributeChangedCallback(_n: string, _o: string | null, v: string | null) {
        if (this.#busy || has('attribute-not-heard')) return
        this.#note = v ?? ''
        this.#draw()
      }
      #commit() {
        if (this.#firm && !has('firm-only-shown')) return this.#draw()
        const text = has('lines-joined') ? this.#area.value.replaceAll('\n', ' ').slice(0, 12) : this.#area.value
        if (text === this.#note) return
        this.#note = text
        this.#draw()
        report(this, 'note-set', text)
      }
      #say() {
        this.#rest.textContent = `${this.#room - this.#area.value.length} left`
      }
      get #leftNow() {
        return has('left-without-the-room') ? 80 - this.#note.length : this.#room - this.#note.length
      }
      #draw() {
        if (!this.#up) return
        this.#name.textContent = this.#label
        if (this.#area.value !== this.#note) this.#area.value = this.#note
        if (!has('help-in-the-placeholder-once')) this.#area.placeholder = this.#help
        this.#area.readOnly = this.#firm && !has('firm-only-shown')
        this.#area.classList.toggle('firm', this.#firm)
        this.#first ??= this.#leftNow
        this.#rest.textContent = `${has('left-of-the-mount') ? this.#first : this.#leftNow} left`
        if (has('form-value-late')) setTimeout(() => this.#internals.setFormValue(this.#note), 400)
        else this.#internals.setFormValue(this.#note)
        if (!has('note-not-reflected')) {
          this.#busy = true
          this.setAttribute('note', this.#note)
          this.#busy = false
        }
      }
      formResetCallback() {
        this.#note = ''
        this.#draw()
      }
      get label() {
        return this.#label
      }
      set label(v: string | undefined) {
        this.#label = v ?? ''
        this.#draw()
      }
      get room() {
        return this.#room
      }
      set room(v: number | undefined) {
        this.#room = v ?? 80
        this.#draw()
      }
      get help() {
        return this.#help
      }
      set help(v: string | undefined) {
        this.#help = v ?? ''
        this.#draw()
      }
      get firm() {
        return this.#firm
      }
      set firm(v: boolean | undefined) {
        this.#firm = v ?? false
        this.#draw()
      }
      get note() {
        return this.#note
      }
      set note(v: string | undefined) {
        const next = v ?? ''
        const same = next === this.#note
        this.#note = next
        this.#draw()
        if (has('same-note-told-again-reports') && same && this.#up && next !== '') report(this, 'note-set', next)
      }
      get left() {
        return has('left-of-the-mount') && this.#first !== undefined ? this.#first : this.#leftNow
      }
      reset() {
        const was = this.#note
        this.#note = ''
        if (!has('reset-keeps-the-typed') || was !== '') this.#draw()
        if (was !== '') report(this, 'note-set', '')
      }
      override focus() {
        this.#area.focus()
      }
    } as never,
})
