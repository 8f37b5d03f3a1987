import { Type } from 'caulker'
import { made, report, variants } from '../corpus.js'

/** A number that is entered by the keys of a pad, and may begin with a zero. */
export const gateNumber = variants({
  tag: 'gate-number',
  promise: {
    properties: {
      room: { type: Type.Integer({ minimum: 1, maximum: 8 }), default: 4, samples: [4, 6] },
      shut: { type: Type.Boolean(), default: false },
    },
    values: { number: { type: Type.String({ pattern: '^[0-9]*$' }), default: '', samples: ['12', '0', '0042'] } },
    locks: { disabled: 'shut' },
    commands: { clear: { effect: 'reset', reports: true } },
  },
  faults: {
    'first-zero-lost': ['every-way-in', 'reports-once'],
    'five-is-six': ['every-way-in'],
    'zeros-not-shown': ['keeps-falsy'],
    'clear-silent': ['commands-present', 'resets-fully'],
    'shut-keys': ['locks-hold'],
    'shown-late': ['reports-truth', 'edits-stand'],
    'room-once': ['follows-change'],
    'key-twice': ['reports-once'],
  },
  make: (has) =>
    class extends HTMLElement {
      #number = ''
      #room = 4
      #isShut = false
      #out = made('output')
      #keys: HTMLButtonElement[] = []

      constructor() {
        super()
        const pad = made('div')
        this.attachShadow({ mode: 'open' }).append(this.#out, pad)
        for (const digit of '1234567890') pad.append(this.#key(digit, () => this.#strike(digit)))
        pad.append(
          this.#key('Back', () => {
            if (this.#number !== '') this.#take(this.#number.slice(0, -1))
          }),
        )
      }

      #key(textContent: string, onclick: () => void): HTMLButtonElement {
        const key = made('button', { type: 'button', textContent, onclick })
        this.#keys.push(key)
        return key
      }

      #strike(digit: string): void {
        if (this.#number.length >= this.#room || (has('first-zero-lost') && digit === '0' && this.#number === ''))
          return
        this.#take(`${this.#number}${has('five-is-six') && digit === '5' ? '6' : digit}`)
      }

      #take(number: string): void {
        this.#number = number
        if (!has('shown-late') || number.length === this.#room) this.#draw()
        report(this, 'number-set', number)
        if (has('key-twice')) report(this, 'number-set', number)
      }

      connectedCallback(): void {
        this.#draw()
      }

      #draw(): void {
        const text = has('zeros-not-shown') && this.#number !== '' ? String(Number(this.#number)) : this.#number
        this.#out.textContent = text.padEnd(this.#room, '·')
        for (const key of this.#keys) key.disabled = this.#isShut && !has('shut-keys')
      }

      clear(): void {
        if (this.#number === '') return
        this.#number = ''
        this.#draw()
        if (!has('clear-silent')) report(this, 'number-set', '')
      }

      get number(): string {
        return this.#number
      }
      set number(number: string | undefined) {
        this.#number = number ?? ''
        this.#draw()
      }

      get room(): number {
        return this.#room
      }
      set room(room: number | undefined) {
        if (has('room-once') && this.isConnected) return
        this.#room = room ?? 4
        this.#draw()
      }

      get shut(): boolean {
        return this.#isShut
      }
      set shut(isShut: boolean | undefined) {
        this.#isShut = isShut ?? false
        this.#draw()
      }
    } as never,
})
