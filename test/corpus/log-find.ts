import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** What is looked for in the log: told a moment after the last key, or at once with Enter. */
export const logFind = variants({
  tag: 'log-find',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      hint: { type: Type.String(), default: '' },
      busy: { type: Type.Boolean(), default: false },
      off: { type: Type.Boolean(), default: false },
    },
    values: { sought: { type: Type.String(), default: '', attribute: false, within: 300 } },
    events: {
      'asked-now': { payload: Type.Object({ sought: Type.String() }), carries: { '/detail/sought': 'sought' } },
    },
    commands: { clear: { effect: 'reset', reports: false }, focus: { effect: 'focus' } },
    locks: { disabled: 'off' },
  },
  faults: {
    'each-key-later': ['reports-once'],
    'each-key-at-once': ['reports-when-said'],
    'clock-from-the-first-key': ['reports-when-said'],
    'late-after-removal': ['quiet-when-gone'],
    'late-after-a-tell': ['quiet-when-told', 'resets-fully', 'owner-decides'],
    'cross-unheard': ['reports-once'],
    'cross-when-off': ['locks-hold'],
    'clear-leaves-the-cross': ['resets-fully'],
    'busy-only-at-the-mount': ['follows-change'],
    'hint-is-the-value': ['shows-initial', 'follows-change', 'reports-truth'],
    'never-after-the-first': ['reports-once', 'follows-change'],
    'trimmed-in-the-report': ['reports-truth'],
    'focus-not-taken': ['commands-present'],
    'nothing-is-a-word': ['takes-empty'],
    'tell-while-typing-is-lost': ['follows-change', 'quiet-when-told'],
    'told-empty-is-ignored': ['takes-empty', 'follows-change'],
    'form-submits': ['no-accidental-submit'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #hint = ''
      #busy = false
      #off = false
      #sought = ''
      #timer: ReturnType<typeof setTimeout> | undefined
      #count = 0
      #wrap = made('label')
      #name = made('span')
      #field = made('input', { type: 'text' })
      #cross = made('button', { type: 'button', textContent: '×', ariaLabel: 'empty it' })
      #state = made('p')
      #there = false
      connectedCallback() {
        if (this.#there) return this.#draw()
        this.#there = true
        if (has('form-submits')) this.#cross.type = 'submit'
        this.#wrap.append(this.#name, this.#field)
        this.append(this.#wrap, this.#cross, this.#state)
        this.#field.addEventListener('input', (event) => {
          event.stopPropagation()
          this.#sought = this.#field.value
          this.#draw()
          if (has('each-key-at-once')) return this.#say()
          if (has('clock-from-the-first-key') && this.#timer !== undefined) return
          if (!has('each-key-later')) clearTimeout(this.#timer)
          this.#timer = setTimeout(() => this.#say(), 200)
        })
        this.#field.addEventListener('change', (event) => event.stopPropagation())
        this.#field.addEventListener('keydown', (event) => {
          if (event.key !== 'Enter') return
          event.preventDefault()
          if (this.#timer !== undefined) this.#say()
          this.dispatchEvent(new CustomEvent('asked-now', { detail: { sought: this.#sought } }))
        })
        this.#cross.addEventListener('click', () => {
          if (this.#off && !has('cross-when-off')) return
          if (this.#sought === '') return
          this.#sought = ''
          this.#draw()
          if (!has('cross-unheard')) this.#say()
        })
        this.#draw()
      }
      disconnectedCallback() {
        if (!has('late-after-removal')) this.#drop()
      }
      #drop() {
        clearTimeout(this.#timer)
        this.#timer = undefined
      }
      #say() {
        this.#drop()
        if (has('never-after-the-first') && this.#count++ > 0) return
        report(this, 'sought-set', has('trimmed-in-the-report') ? this.#sought.slice(0, 3) : this.#sought)
      }
      #draw(isClear = false) {
        if (!this.#there) return
        this.#name.textContent = this.#label
        if (has('hint-is-the-value') && this.#sought === '') this.#field.value = this.#hint
        else if (this.#field.value !== this.#sought) this.#field.value = this.#sought
        this.#field.placeholder = this.#hint
        this.#field.disabled = this.#off
        this.#cross.disabled = this.#off && !has('cross-when-off')
        if (!(isClear && has('clear-leaves-the-cross'))) this.#cross.hidden = this.#sought === ''
        if (!(has('busy-only-at-the-mount') && this.#state.isConnected && this.#state.textContent !== ''))
          this.#state.textContent = this.#busy ? 'looking' : 'ready'
      }
      get label() {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? ''
        this.#draw()
      }
      get hint() {
        return this.#hint
      }
      set hint(hint: string | undefined) {
        this.#hint = has('nothing-is-a-word') ? String(hint) : (hint ?? '')
        this.#draw()
      }
      get busy() {
        return this.#busy
      }
      set busy(busy: boolean | undefined) {
        this.#busy = busy ?? false
        this.#draw()
      }
      get off() {
        return this.#off
      }
      set off(off: boolean | undefined) {
        this.#off = off ?? false
        this.#draw()
      }
      get sought() {
        return this.#sought
      }
      set sought(sought: string | undefined) {
        const next = sought ?? ''
        if (has('told-empty-is-ignored') && next === '') return
        if (has('tell-while-typing-is-lost') && this.#field.matches(':focus')) return
        if (next !== this.#sought && !has('late-after-a-tell')) this.#drop()
        this.#sought = next
        this.#draw()
      }
      clear() {
        this.#drop()
        this.#sought = ''
        this.#draw(true)
      }
      override focus() {
        if (!has('focus-not-taken')) this.#field.focus()
      }
    } as never,
})
