import { Type } from 'caulker'
import { made, variants } from '../corpus.js'

/** Strokes of a bilge pump: two buttons that go on while they are held, and the arrow keys. */
export const pumpLever = variants({
  tag: 'pump-lever',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      most: { type: Type.Number(), default: 50 },
      by: { type: Type.Number({ exclusiveMinimum: 0 }), default: 1 },
    },
    values: {
      strokes: {
        type: Type.Number(),
        default: 10,
        bounds: { least: 0, most: 'most' },
        stride: 'by',
        attribute: false,
        bubbles: true,
        composed: true,
      },
    },
    commands: { drain: { effect: 'reset', reports: false } },
  },
  faults: {
    'runs-on-beside-the-button': ['ends-when-let-go'],
    'runs-on-without-a-pointer': ['ends-when-let-go'],
    'runs-on-when-gone': ['ends-when-let-go', 'leaves-no-trace', 'quiet-when-gone'],
    'broken-strokes': ['true-steps', 'stays-within'],
    'most-of-the-mount': ['follows-change', 'stays-within', 'attribute-agrees'],
    'held-past-the-most': ['stays-within'],
    'stays-in-its-tree': ['sent-as-said'],
    'keys-unreported': ['reports-once', 'every-way-in'],
    'zero-for-missing': ['keeps-falsy'],
    'goes-on-from-its-own': ['follows-change', 'reports-truth', 'owner-decides', 'resets-fully', 'reports-once'],
    'drain-reports': ['quiet-when-told'],
    'drain-forgets-the-key': ['resets-fully'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #most = 50
      #by = 1
      #strokes = 10
      #own = 10
      #timer: ReturnType<typeof setInterval> | undefined
      #firstMost: number | undefined
      readonly #less = made('button', { type: 'button', textContent: 'Less' })
      readonly #more = made('button', { type: 'button', textContent: 'More' })
      readonly #shown = made('output')
      readonly #let = () => this.#stop()

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#less, this.#shown, this.#more)
        this.#hold(this.#less, -1)
        this.#hold(this.#more, 1)
        this.shadowRoot?.addEventListener('keydown', (event) => {
          const { key } = event as KeyboardEvent
          if (key === 'ArrowUp') this.#pump(1, has('keys-unreported'))
          if (key === 'ArrowDown') this.#pump(-1, has('keys-unreported'))
        })
        this.#draw()
      }

      connectedCallback(): void {
        if (!has('runs-on-beside-the-button')) window.addEventListener('pointerup', this.#let)
        if (!has('runs-on-without-a-pointer')) window.addEventListener('pointercancel', this.#let)
        this.#firstMost ??= this.#most
        this.#draw()
      }

      disconnectedCallback(): void {
        window.removeEventListener('pointerup', this.#let)
        window.removeEventListener('pointercancel', this.#let)
        if (!has('runs-on-when-gone')) this.#stop()
      }

      #hold(button: HTMLButtonElement, way: number): void {
        button.onpointerdown = () => {
          this.#stop()
          this.#pump(way)
          this.#timer = setInterval(() => this.#pump(way, false, has('held-past-the-most')), 150)
        }
        button.onpointerup = () => this.#stop()
        // A press by the keyboard has no pointer.
        button.onclick = ({ detail, isTrusted }) => {
          if (isTrusted && detail === 0) this.#pump(way)
        }
      }

      #stop(): void {
        clearInterval(this.#timer)
      }

      #pump(way: number, isSilent = false, isFree = false): void {
        const from = has('goes-on-from-its-own') ? this.#own : this.#strokes
        const sum = from + way * this.#by
        const next = has('broken-strokes') ? sum : Number(sum.toFixed(6))
        const most = has('most-of-the-mount') ? (this.#firstMost ?? this.#most) : this.#most
        const inside = isFree ? next : Math.min(Math.max(next, 0), most)
        if (inside === this.#strokes) return
        this.#strokes = inside
        this.#own = inside
        this.#draw()
        if (!isSilent) this.#report()
      }

      #report(): void {
        const detail = { value: this.#strokes }
        this.dispatchEvent(
          new CustomEvent('strokes-set', { detail, bubbles: true, composed: !has('stays-in-its-tree') }),
        )
      }

      drain(): void {
        this.#strokes = 10
        if (!has('drain-forgets-the-key')) this.#own = 10
        else this.#strokes = 11
        this.#draw()
        if (has('drain-reports')) this.#report()
      }

      #draw(): void {
        this.#shown.textContent = `${this.#label}: ${this.#strokes}`
        this.#less.disabled = this.#strokes <= 0
        this.#more.disabled = this.#strokes >= this.#most && !has('held-past-the-most') && !has('most-of-the-mount')
        for (const [button, word] of [
          [this.#less, 'Less'],
          [this.#more, 'More'],
        ] as const)
          button.setAttribute('aria-label', `${word} ${this.#label}`)
      }

      get label(): string {
        return this.#label
      }
      set label(label: string) {
        this.#label = label
        this.#draw()
      }

      get most(): number {
        return this.#most
      }
      set most(most: number | undefined) {
        this.#most = most ?? 50
        this.#strokes = Math.min(this.#strokes, has('most-of-the-mount') ? Infinity : this.#most)
        this.#draw()
      }

      get by(): number {
        return this.#by
      }
      set by(by: number | undefined) {
        this.#by = by ?? 1
      }

      get strokes(): number {
        return this.#strokes
      }
      set strokes(strokes: number | undefined) {
        const given = has('zero-for-missing') ? strokes || 10 : (strokes ?? 10)
        this.#strokes = Math.min(Math.max(given, 0), this.#most)
        this.#draw()
      }
    },
})
