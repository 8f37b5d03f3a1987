import { Type } from 'caulker'
import { report, variants } from './corpus.js'
/** The length of an oar: a number with a unit beside it, and a slider for the same, in a shadow tree that is made once. */
export const oarLength = variants({
  tag: 'oar-length',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      least: { type: Type.Number(), default: 1 },
      most: { type: Type.Number(), default: 5 },
      step: { type: Type.Number(), default: 0.25 },
      problem: { type: Type.String(), default: '' },
      off: { type: Type.Boolean(), default: false },
    },
    values: {
      metres: {
        type: Type.Number(),
        default: 2.5,
        bounds: { least: 'least', most: 'most' },
        step: 'step',
        reports: 'commit',
      },
    },
    readings: { feet: { type: Type.Number(), from: ['metres'] } },
    commands: { reset: { effect: 'reset' }, focus: { effect: 'focus' } },
    locks: { disabled: 'off' },
    problem: 'problem',
  },
  faults: {
    'problem-unread': ['shows-initial'],
    'nameless-with-a-problem': ['named-by-label'],
    'slider-unheard': ['reports-once', 'reports-truth', 'every-way-in'],
    'slider-not-moved': ['reports-truth', 'follows-change', 'shows-initial', 'owner-decides'],
    'field-not-rewritten': ['reports-truth', 'follows-change'],
    'step-of-the-mount': ['follows-change', 'stays-within', 'any-order'],
    'off-step-by-typing': ['stays-within', 'true-steps', 'reports-truth'],
    'comma-cut': ['round-trip', 'reports-truth', 'ignores-unreadable'],
    'slider-when-off': ['locks-hold'],
    'report-says-text': ['reports-truth'],
    'told-clamped-to-the-default': ['stays-within', 'follows-change'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #least = 1
      #most = 5
      #step = 0.25
      #problem = ''
      #off = false
      #metres = 2.5
      #feet = 0
      #root = this.attachShadow({ mode: 'open', delegatesFocus: true })
      #text: HTMLElement
      #field: HTMLInputElement
      #range: HTMLInputElement
      #why: HTMLElement
      constructor() {
        super()
        this.#root.innerHTML =
          '<label><span></span><input id="f" inputmode="decimal" aria-describedby="w"></label><input id="r" type="range" aria-label="the same, by hand"><p id="w" role="status"></p>'
        this.#text = this.#root.querySelector('span')!
        this.#field = this.#root.querySelector('#f')!
        this.#range = this.#root.querySelector('#r')!
        this.#why = this.#root.querySelector('#w')!
        this.#field.addEventListener('change', () => {
          const text = this.#field.value.trim()
          const number = has('comma-cut') ? parseFloat(text) : Number(text.replace(',', '.'))
          if (text === '' || Number.isNaN(number)) return this.#draw()
          this.#take(
            has('off-step-by-typing') ? Math.min(Math.max(number, this.#least), this.#most) : this.#fit(number),
          )
        })
        this.#range.addEventListener('change', () => {
          if (has('slider-unheard')) {
            this.#metres = Number(this.#range.value)
            this.#draw()
            return
          }
          this.#take(this.#fit(Number(this.#range.value)))
        })
        this.#draw()
      }
      #fit(n: number) {
        const steps = Math.round((n - this.#least) / this.#step)
        const on = Number((this.#least + steps * this.#step).toFixed(6))
        return Math.max(
          this.#least,
          on <= this.#most
            ? on
            : Number(
                (
                  this.#least +
                  Math.floor(Number(((this.#most - this.#least) / this.#step).toFixed(9))) * this.#step
                ).toFixed(6),
              ),
        )
      }
      #take(n: number) {
        if (n === this.#metres) return this.#draw()
        this.#metres = n
        this.#draw()
        report(this, 'metres-set', has('report-says-text') ? String(n) : n)
      }
      #draw() {
        this.#text.textContent = has('nameless-with-a-problem') && this.#problem !== '' ? '' : this.#label
        if (!(has('field-not-rewritten') && this.#field.value !== '' && this.#root.activeElement === this.#range))
          this.#field.value = String(this.#metres)
        if (!(has('step-of-the-mount') && this.#range.step !== '')) this.#range.step = String(this.#step)
        this.#range.min = String(this.#least)
        this.#range.max = String(this.#most)
        if (!has('slider-not-moved')) this.#range.value = String(this.#metres)
        this.#why.textContent = this.#problem
        this.#why.style.display = has('problem-unread') ? 'none' : ''
        this.#field.ariaInvalid = String(this.#problem !== '')
        this.#field.disabled = this.#off
        this.#range.disabled = this.#off && !has('slider-when-off')
        this.#feet = Number((this.#metres * 3.28).toFixed(2))
      }
      get label() {
        return this.#label
      }
      set label(v: string | undefined) {
        this.#label = v ?? ''
        this.#draw()
      }
      get least() {
        return this.#least
      }
      set least(v: number | undefined) {
        this.#least = v ?? 1
        this.#metres = this.#fit(this.#metres)
        this.#draw()
      }
      get most() {
        return this.#most
      }
      set most(v: number | undefined) {
        this.#most = v ?? 5
        this.#metres = this.#fit(this.#metres)
        this.#draw()
      }
      get step() {
        return this.#step
      }
      set step(v: number | undefined) {
        if (has('step-of-the-mount') && this.isConnected) return
        this.#step = v === undefined || v <= 0 ? 0.25 : v
        this.#metres = this.#fit(this.#metres)
        this.#draw()
      }
      get problem() {
        return this.#problem
      }
      set problem(v: string | undefined) {
        this.#problem = v ?? ''
        this.#draw()
      }
      get off() {
        return this.#off
      }
      set off(v: boolean | undefined) {
        this.#off = v ?? false
        this.#draw()
      }
      get metres() {
        return this.#metres
      }
      set metres(v: number | undefined) {
        const n = v ?? 2.5
        this.#metres =
          has('told-clamped-to-the-default') && (n < this.#least || n > this.#most) ? this.#fit(2.5) : this.#fit(n)
        this.#draw()
      }
      get feet() {
        return this.#feet
      }
      reset() {
        this.#take(this.#fit(2.5))
      }
      override focus() {
        this.#field.focus()
      }
    } as never,
})
