import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const Code = Type.String({ pattern: '^\\+[0-9]{1,3}$' })

/** How the skipper is reached: a code of the shore and a number, held as one text such as `+4 123`. */
export const reachLine = variants({
  tag: 'reach-line',
  promise: {
    properties: { codes: { type: Type.Array(Code, { uniqueItems: true, minItems: 1 }), default: ['+4', '+77'] } },
    values: {
      line: {
        type: Type.Union([Type.String({ pattern: '^\\+[0-9]{1,3} [0-9]+$' }), Type.Null()]),
        default: null,
        samples: ['+4 123', '+77 9080'],
        reports: 'commit',
      },
    },
    commands: { clear: { effect: 'reset', reports: false } },
  },
  faults: {
    'loses-noughts': ['every-way-in'],
    'takes-blanks': ['reports-truth'],
    'codes-never-heard': ['shows-initial'],
    'half-a-line': ['reports-truth', 'emptied-as-said'],
    'clear-leaves-the-number': ['resets-fully'],
  },
  make: (has) =>
    class extends HTMLElement {
      #codes = ['+4', '+77']
      #line: string | null = null
      readonly #code = made('select', { ariaLabel: 'Code' })
      readonly #number = made('input', { ariaLabel: 'Number' })

      constructor() {
        super()
        this.#code.onchange = this.#number.onchange = () => this.#read()
        this.attachShadow({ mode: 'open' }).append(this.#code, this.#number)
        this.#draw()
      }

      #read(): void {
        const typed = this.#number.value.trim()
        const whole = has('takes-blanks') ? typed : typed.replaceAll(' ', '')
        const isNothing = whole === '' && !has('half-a-line')
        if (!/^[\d ]*$/.test(whole)) return this.#draw()
        const number = has('loses-noughts') ? whole.replace(/^0+(?=\d)/, '') : whole
        const line = isNothing ? null : `${this.#code.value} ${number}`
        const isNew = line !== this.#line
        this.#line = line
        this.#draw(this.#code.value)
        if (isNew) report(this, 'line-set', line)
      }

      #draw(chosen = this.#codes[0] ?? ''): void {
        const [code = chosen, number = ''] = this.#line?.split(' ') ?? []
        if (!has('codes-never-heard') || this.#code.length === 0)
          this.#code.replaceChildren(
            ...[...new Set([...this.#codes, code])].map((value) => made('option', { value, textContent: value })),
          )
        this.#code.value = code
        this.#number.value = number
      }

      get codes(): string[] {
        return this.#codes
      }
      set codes(codes: string[] | undefined) {
        this.#codes = codes ?? ['+4', '+77']
        this.#draw()
      }
      get line(): string | null {
        return this.#line
      }
      set line(line: string | null | undefined) {
        this.#line = line ?? null
        this.#draw()
      }
      clear(): void {
        const { value } = this.#number
        this.line = null
        if (has('clear-leaves-the-number')) this.#number.value = value
      }
    },
})
