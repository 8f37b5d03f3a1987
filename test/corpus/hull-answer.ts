import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** Three answers, gone through by each press: not asked yet, yes, no. */
export const hullAnswer = variants({
  tag: 'hull-answer',
  promise: {
    properties: {
      question: { type: Type.String(), default: 'Sound?' },
      problem: { type: Type.String(), default: '' },
    },
    values: { answer: { type: Type.Union([Type.Boolean(), Type.Null()]), default: null, attribute: false } },
    problem: 'problem',
    commands: { forget: { effect: 'reset', reports: false } },
  },
  faults: {
    'no-shown-as-unasked': ['keeps-falsy'],
    'unasked-held-as-no': ['takes-empty', 'keeps-falsy', 'shows-initial', 'reports-truth', 'owner-decides'],
    'problem-stays': ['takes-empty'],
    'problem-once': ['follows-change'],
    'keys-go-two': ['every-way-in', 'reports-once'],
    'says-a-text': ['reports-truth'],
    'says-when-told': ['quiet-when-told'],
  },
  make: (has) =>
    class extends HTMLElement {
      #question = 'Sound?'
      #problem = ''
      #answer: boolean | null = null
      readonly #box = made('span', { tabIndex: 0, role: 'checkbox' })
      readonly #words = made('b')
      readonly #alert = made('em', { role: 'alert' })

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#box, this.#words, this.#alert)
        this.#box.onclick = () => this.#next()
        this.#box.onkeydown = (event) => {
          if (event.key !== ' ') return
          event.preventDefault()
          this.#next()
          if (has('keys-go-two')) this.#next()
        }
        this.#draw()
      }

      #next(): void {
        this.#answer = this.#answer === null ? true : this.#answer ? false : null
        this.#draw()
        report(this, 'answer-set', has('says-a-text') ? String(this.#answer) : this.#answer)
      }

      #draw(): void {
        const answer = has('no-shown-as-unasked') && this.#answer === false ? null : this.#answer
        this.#box.ariaChecked = answer === null ? 'mixed' : String(answer)
        this.#box.textContent = answer === null ? '?' : answer ? 'yes' : 'no'
        this.#box.setAttribute('aria-checked', this.#box.ariaChecked)
        this.#box.setAttribute('aria-label', this.#question)
        this.#words.textContent = this.#question
        if (has('problem-once') && this.isConnected) return
        if (!has('problem-stays') || this.#problem !== '') this.#alert.textContent = this.#problem
      }

      get question(): string {
        return this.#question
      }
      set question(question: string | undefined) {
        this.#question = question ?? 'Sound?'
        this.#draw()
      }
      get problem(): string {
        return this.#problem
      }
      set problem(problem: string | undefined) {
        this.#problem = problem ?? ''
        this.#draw()
      }
      get answer(): boolean | null {
        return this.#answer
      }
      set answer(answer: boolean | null | undefined) {
        const before = this.#answer
        this.#answer = has('unasked-held-as-no') ? Boolean(answer) : (answer ?? null)
        this.#draw()
        if (has('says-when-told') && before !== this.#answer) report(this, 'answer-set', this.#answer)
      }
      forget(): void {
        this.#answer = null
        this.#draw()
      }
    },
})
