import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A text area that is committed when it is left, drawn in a task of its own some milliseconds after each change. */
export const deckNote = variants({
  tag: 'deck-note',
  promise: {
    properties: {
      heading: { type: Type.String(), default: 'Note' },
      most: { type: Type.Integer({ minimum: 0 }), default: 200 },
    },
    values: { note: { type: Type.String(), default: '', reports: 'commit', within: 40 } },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'zero-most-ignored': ['keeps-falsy'],
    'empty-heading-ignored': ['takes-empty', 'keeps-falsy'],
    'stale-count': ['follows-change'],
    'each-key': ['reports-once', 'reports-truth'],
    'no-report': ['reports-once'],
    'empty-unreported': ['reports-once'],
    'reset-leaves-count': ['resets-fully'],
    'heading-once': ['follows-change'],
  },
  make: (has) =>
    class extends HTMLElement {
      #note = ''
      #heading = 'Note'
      #most = 200
      readonly #area = made('textarea')
      readonly #title = made('h3')
      readonly #count = made('p')

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#title, this.#area, this.#count)
        this.#area.addEventListener('input', () => has('each-key') && report(this, 'note-set', this.#note))
        this.#area.addEventListener('change', () => this.#left(this.#area.value))
        this.#drawSoon()
      }

      #left(note: string): void {
        if (has('empty-unreported') && !note) return void (this.#note = note)
        this.#note = note
        this.#drawSoon()
        if (!has('no-report')) setTimeout(() => report(this, 'note-set', this.#note), 20)
      }

      #drawSoon(isReset = false): void {
        setTimeout(() => this.#draw(isReset), 5)
      }

      #draw(isReset: boolean): void {
        this.#title.textContent = this.#heading
        if (this.#area.value !== this.#note) this.#area.value = this.#note
        const isStale = (has('stale-count') && this.#count.textContent !== '') || (has('reset-leaves-count') && isReset)
        if (!isStale)
          this.#count.textContent = `${this.#note.length} of ${has('zero-most-ignored') ? this.#most || 200 : this.#most}`
      }

      get heading(): string {
        return this.#heading
      }
      set heading(heading: string | undefined) {
        if (has('heading-once') && this.isConnected) return
        this.#heading = has('empty-heading-ignored') ? heading || 'Note' : (heading ?? 'Note')
        this.#drawSoon()
      }

      get most(): number {
        return this.#most
      }
      set most(most: number | undefined) {
        this.#most = most ?? 200
        this.#drawSoon()
      }

      get note(): string {
        return this.#note
      }
      set note(note: string | undefined) {
        this.#note = note ?? ''
        this.#drawSoon()
      }

      reset(): void {
        const isNew = this.#note !== ''
        this.#note = ''
        this.#area.value = ''
        this.#drawSoon(true)
        if (isNew) report(this, 'note-set', '')
      }
    },
})
