import { Type } from 'caulker'
import { made, report, variants } from '../corpus.js'

const PAUSE = 250

/** A search that waits until the person pauses. */
export const tarSearch = variants({
  tag: 'tar-search',
  promise: {
    properties: { hint: { type: Type.String(), default: '' }, placeholder: { type: Type.String(), default: '' } },
    values: { words: { type: Type.String(), default: '', within: PAUSE, attribute: false } },
    commands: { focus: { effect: 'focus' } },
  },
  faults: {
    'reported-when-gone': ['quiet-when-gone'],
    'reported-twice': ['reports-once'],
    'lost-when-left': ['reports-once', 'every-way-in'],
    'told-is-reported': ['quiet-when-told'],
    'clear-unreported': ['reports-once', 'every-way-in'],
    'hint-as-words': ['reports-truth', 'takes-empty', 'shows-initial', 'follows-change'],
    'placeholder-dropped': ['shows-initial'],
    'words-from-before': ['reports-truth'],
    'old-words-after-a-tell': ['quiet-when-told', 'reports-truth', 'owner-decides'],
  },
  make: (has) =>
    class extends HTMLElement {
      #words = ''
      #hint = ''
      #timer: ReturnType<typeof setTimeout> | undefined
      readonly #field = made('input', { type: 'search' })
      readonly #clear = made('button', { type: 'button', textContent: 'Clear' })
      readonly #beside = made('p')

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#field, this.#clear, this.#beside)
        this.#field.setAttribute('aria-label', 'Search the loft')
        this.#field.addEventListener('input', (event) => {
          event.stopPropagation()
          this.#wait()
        })
        this.#field.addEventListener('change', (event) => {
          event.stopPropagation()
          if (has('lost-when-left')) clearTimeout(this.#timer)
        })
        this.#clear.onclick = () => {
          clearTimeout(this.#timer)
          this.#field.value = ''
          if (has('clear-unreported')) this.#words = ''
          else this.#take()
        }
        this.#draw()
      }

      disconnectedCallback(): void {
        if (!has('reported-when-gone')) clearTimeout(this.#timer)
      }

      #wait(): void {
        clearTimeout(this.#timer)
        const typed = this.#field.value
        this.#timer = setTimeout(() => this.#take(has('old-words-after-a-tell') ? typed : this.#field.value), PAUSE)
      }

      #take(text = this.#field.value): void {
        const before = this.#words
        if (text === before) return
        this.#words = text
        report(this, 'words-set', has('words-from-before') ? before : this.#words)
        if (has('reported-twice')) report(this, 'words-set', this.#words)
      }

      #draw(): void {
        const text = this.#words === '' && has('hint-as-words') ? this.#hint : this.#words
        if (this.#field.value !== text) this.#field.value = text
        this.#beside.textContent = this.#hint
        this.#beside.hidden = this.#hint === ''
      }

      override focus(): void {
        this.#field.focus()
      }

      get hint(): string {
        return this.#hint
      }
      set hint(hint: string | undefined) {
        this.#hint = hint ?? ''
        this.#draw()
      }
      #example = ''
      get placeholder(): string {
        return this.#example
      }
      set placeholder(placeholder: string | undefined) {
        this.#example = placeholder ?? ''
        if (!has('placeholder-dropped')) this.#field.placeholder = this.#example
      }
      get words(): string {
        return this.#words
      }
      set words(words: string | undefined) {
        if (!has('old-words-after-a-tell')) clearTimeout(this.#timer)
        const before = this.#words
        this.#words = words ?? ''
        this.#draw()
        if (has('told-is-reported') && before !== this.#words) report(this, 'words-set', this.#words)
      }
    },
})
