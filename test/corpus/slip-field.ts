import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A text field in the light tree, with attributes, a lock and a form value of its own. */
export const slipField = variants({
  tag: 'slip-field',
  promise: {
    properties: {
      label: { type: Type.String(), default: 'Slip' },
      hint: { type: Type.String(), default: '' },
      locked: { type: Type.Boolean(), default: false },
    },
    values: { slip: { type: Type.String(), default: '', reflects: true } },
    commands: { reset: { effect: 'reset' }, focus: { effect: 'focus' } },
    form: { value: 'slip' },
    locks: { readonly: 'locked' },
  },
  faults: {
    'attribute-only-at-first': ['attribute-agrees'],
    'flag-by-its-text': ['attribute-agrees'],
    'attribute-misspelt': ['attribute-agrees'],
    'removed-attribute-stays': ['attribute-agrees'],
    'not-reflected': ['attribute-agrees'],
    'lock-leaves-button': ['locks-hold'],
    'lock-at-first-only': ['locks-hold', 'follows-change'],
    'locked-is-deaf': ['locks-hold', 'follows-change'],
    'button-submits': ['no-accidental-submit'],
    'form-value-of-the-mount': ['carries-form-value'],
    'form-value-misses-edits': ['carries-form-value', 'submits-current'],
    'form-value-misses-tells': ['carries-form-value'],
    'form-reset-unheard': ['form-resets'],
    'hint-as-html': ['text-stays-text'],
    'drawn-anew': ['keeps-caret'],
    'caret-to-the-end': ['keeps-caret'],
    'label-beside': ['named-by-label'],
    'name-of-the-mount': ['named-by-label'],
    'stray-event': ['no-strays'],
    'misnamed-report': ['no-strays', 'reports-once'],
    'reports-when-left': ['reports-when-said', 'reports-once'],
    'listens-again-when-moved': ['survives-move'],
    'forgets-when-moved': ['survives-move'],
    'reports-when-moved': ['survives-move', 'quiet-when-told'],
    'leaves-listener': ['leaves-no-trace'],
    'leaves-interval': ['leaves-no-trace'],
    'leaves-element': ['leaves-no-trace'],
    'one-state-for-all': ['stands-alone'],
    'same-id-in-each': ['stands-alone', 'named-by-label'],
    'own-truth': ['owner-decides', 'follows-change', 'reports-once'],
    'reset-missing': ['commands-present', 'resets-fully'],
    'focus-too-early': ['early-commands-safe'],
    'takes-trimmed': ['round-trip', 'shows-initial', 'follows-change', 'reports-truth'],
  },
  make(has) {
    let shared = ''
    let mounts = 0
    return class extends HTMLElement {
      static observedAttributes = [has('attribute-misspelt') ? 'lable' : 'label', 'hint', 'locked', 'slip']
      state = { label: 'Slip', hint: '', locked: false, slip: '' }
      caption = made('label')
      words = made('p')
      field = made('input')
      wipe = made('button', { textContent: 'Wipe' })
      hidden_ = made('input', { type: 'hidden' })
      isMade = false
      isEdited = false

      connectedCallback(): void {
        if (!this.isMade) {
          if (!has('button-submits')) this.wipe.type = 'button'
          const id = has('same-id-in-each') ? 'slip' : `slip-${mounts++}`
          this.field.id = id
          if (has('label-beside')) this.append(made('span'), this.field, this.wipe, this.words, this.hidden_)
          else {
            this.caption.htmlFor = id
            this.append(this.caption, this.field, this.wipe, this.words, this.hidden_)
          }
          if (has('name-of-the-mount')) this.field.setAttribute('aria-label', this.state.label)
          if (!has('listens-again-when-moved')) this.listen()
          this.wipe.onclick = () => (this.state.locked && !has('lock-leaves-button') ? undefined : this.edit(''))
          this.hidden_.name = this.getAttribute('name') ?? ''
          this.hidden_.value = this.state.slip
        }
        if (has('listens-again-when-moved')) this.listen()
        if (has('forgets-when-moved') && this.isMade) this.state.slip = ''
        if (has('reports-when-moved') && this.isMade) report(this, 'slip-set', this.slip)
        if (has('leaves-listener')) window.addEventListener('resize', () => this.draw())
        if (has('leaves-interval')) setInterval(() => this.draw(), 500)
        if (has('leaves-element') && !this.isMade) document.body.append(made('aside', { hidden: true }))
        this.isMade = true
        this.draw()
        const { form } = this.field
        // The browser empties the field after the event.
        const emptied = () => queueMicrotask(() => (this.slip = ''))
        if (!has('form-reset-unheard')) form?.addEventListener('reset', emptied)
        this.letGo = () => form?.removeEventListener('reset', emptied)
      }

      letGo = () => {}

      disconnectedCallback(): void {
        this.letGo()
      }

      listen(): void {
        this.field.addEventListener(has('reports-when-left') ? 'change' : 'input', () => this.edit(this.field.value))
        if (has('listens-again-when-moved'))
          this.wipe.addEventListener('click', () => report(this, 'slip-set', this.slip))
      }

      attributeChangedCallback(name: string, _before: string | null, text: string | null): void {
        if (has('attribute-only-at-first') && this.isMade) return
        if (text === null && has('removed-attribute-stays')) return
        if (name === 'locked') this.locked = has('flag-by-its-text') ? Boolean(text) : text !== null
        else if (name === 'slip') {
          if ((text ?? '') !== this.state.slip) this.slip = text ?? ''
        } else if (name === 'label' || name === 'hint') this[name] = text ?? undefined
      }

      edit(slip: string): void {
        if (slip === this.slip) return
        this.isEdited = true
        this.keep(slip)
        if (!has('form-value-misses-edits') && !has('form-value-of-the-mount')) this.hidden_.value = slip
        this.draw()
        report(this, has('misnamed-report') ? 'slip-changed' : 'slip-set', slip)
        if (has('stray-event')) report(this, 'slip-touched', slip)
      }

      keep(slip: string): void {
        if (has('one-state-for-all')) shared = slip
        this.state.slip = slip
      }

      draw(): void {
        if (!this.isMade) return
        const { label, hint, locked } = this.state
        if (has('drawn-anew')) {
          const again = made('input', { id: this.field.id, oninput: () => this.edit(again.value) })
          this.field.replaceWith(again)
          this.field = again
        }
        const caption = has('label-beside') ? this.querySelector('span') : this.caption
        if (caption) caption.textContent = label
        if (has('hint-as-html')) this.words.innerHTML = hint
        else this.words.textContent = hint
        const isLocked = has('lock-at-first-only')
          ? this.field.readOnly || (locked && !this.isEdited && this.words.dataset['drawn'] === undefined)
          : locked
        this.words.dataset['drawn'] = ''
        this.field.readOnly = isLocked
        this.wipe.disabled = isLocked && !has('lock-leaves-button')
        if (has('caret-to-the-end') || this.field.value !== this.slip) {
          this.field.value = this.slip
          if (has('caret-to-the-end')) this.field.setSelectionRange(this.slip.length, this.slip.length)
        }
        if (!has('not-reflected') && this.getAttribute('slip') !== this.state.slip)
          this.setAttribute('slip', this.state.slip)
      }

      set(changes: object): void {
        Object.assign(this.state, changes)
        this.draw()
      }

      get slip(): string {
        return has('one-state-for-all') ? shared : this.state.slip
      }
      set slip(slip: string | undefined) {
        if (has('own-truth') && this.isEdited) return
        if (has('locked-is-deaf') && this.state.locked) return
        this.keep(has('takes-trimmed') ? (slip ?? '').slice(0, 4) : (slip ?? ''))
        if (!has('form-value-misses-tells') && !has('form-value-of-the-mount')) this.hidden_.value = this.state.slip
        this.draw()
      }
      get label(): string {
        return this.state.label
      }
      set label(label: string | undefined) {
        this.set({ label: label ?? 'Slip' })
      }
      get hint(): string {
        return this.state.hint
      }
      set hint(hint: string | undefined) {
        this.set({ hint: hint ?? '' })
      }
      get locked(): boolean {
        return this.state.locked
      }
      set locked(locked: boolean | undefined) {
        this.set({ locked: locked ?? false })
      }

      reset = has('reset-missing') ? (undefined as never) : () => this.edit('')

      override focus(): void {
        if (has('focus-too-early')) (this.querySelector('input') as HTMLInputElement).focus()
        else this.field.focus()
      }
    }
  },
})
