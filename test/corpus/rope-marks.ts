import { Type } from 'caulker'
import { made, variants } from './corpus.js'

/** Marks on a rope: each is typed and taken with Enter or a comma, and taken off by its button or by Backspace in the empty field. */
export const ropeMarks = variants({
  tag: 'rope-marks',
  promise: {
    properties: {
      most: { type: Type.Integer({ minimum: 0 }), default: 5 },
      label: { type: Type.String(), default: 'Marks' },
      fixed: { type: Type.Boolean(), default: false },
    },
    values: {
      marks: {
        type: Type.Array(Type.String({ minLength: 1 })),
        default: [],
        attribute: false,
        event: 'marks-made',
        payloadAt: '/detail/marks',
      },
    },
    commands: { wipe: { effect: 'reset' }, focus: { effect: 'focus' } },
    readings: { free: { type: Type.Integer(), from: ['marks', 'most'] } },
    locks: { readonly: 'fixed' },
  },
  faults: {
    'comma-in-silence': ['reports-once'],
    'blank-is-a-mark': ['reports-truth'],
    'most-of-the-mount': ['follows-change', 'readings-agree'],
    'pushes-into-the-given': ['leaves-given-alone', 'fresh-payload'],
    'fixed-but-backspace': ['locks-hold'],
    'fixed-but-off': ['locks-hold'],
    'typed-stays-after-wipe': ['resets-fully'],
    'wipe-in-silence': ['resets-fully'],
    'names-as-markup': ['text-stays-text'],
    'told-list-drawn-before': ['follows-change', 'shows-initial'],
    'off-tells-twice': ['reports-once'],
  },
  make: (has) =>
    class extends HTMLElement {
      #most = 5
      #firstMost: number | undefined
      #label = 'Marks'
      #fixed = false
      #marks: string[] = []
      #list = made('ul')
      #field = made('input', { type: 'text' })
      #isReady = false

      connectedCallback(): void {
        this.#firstMost ??= this.#most
        if (!this.#isReady) {
          this.#isReady = true
          this.append(this.#list, this.#field)
          this.#field.addEventListener('input', (event) => {
            event.stopPropagation()
            if (!this.#field.value.includes(',')) return
            const [text = ''] = this.#field.value.split(',')
            this.#take(text, has('comma-in-silence'))
          })
          this.#field.addEventListener('change', (event) => {
            event.stopPropagation()
          })
          this.#field.addEventListener('keydown', (event) => {
            if (event.key === 'Enter') {
              event.preventDefault()
              this.#take(this.#field.value)
            }
            const isOpen = !this.#fixed || has('fixed-but-backspace')
            if (event.key === 'Backspace' && this.#field.value === '' && this.#marks.length > 0 && isOpen)
              this.#edit(this.#marks.slice(0, -1))
          })
          this.#list.addEventListener('click', (event) => {
            const button = (event.target as Element).closest('button')
            if (button === null || (this.#fixed && !has('fixed-but-off'))) return
            const at = [...this.#list.querySelectorAll('button')].indexOf(button)
            this.#edit(this.#marks.filter((_, other) => other !== at))
            if (has('off-tells-twice')) this.#say()
          })
        }
        this.#draw()
      }

      #take(typed: string, isSilent = false): void {
        const text = typed.trim()
        if (text === '' && !has('blank-is-a-mark')) return
        if (this.#room <= 0) return
        this.#field.value = ''
        if (has('pushes-into-the-given')) {
          this.#marks.push(text)
          this.#edit(this.#marks)
        } else this.#edit([...this.#marks, text], isSilent)
      }
      get #room(): number {
        return (has('most-of-the-mount') ? (this.#firstMost ?? this.#most) : this.#most) - this.#marks.length
      }
      #edit(marks: string[], isSilent = false): void {
        this.#marks = marks
        this.#draw()
        if (!isSilent) this.#say()
      }
      #say(): void {
        const marks = has('pushes-into-the-given') ? this.#marks : [...this.#marks]
        this.dispatchEvent(new CustomEvent('marks-made', { detail: { marks } }))
      }
      #draw(): void {
        if (!this.#isReady) return
        this.#field.setAttribute('aria-label', this.#label)
        this.#field.readOnly = this.#fixed
        this.#list.replaceChildren(
          ...this.#marks.map((mark) => {
            const entry = made('li')
            if (has('names-as-markup')) entry.innerHTML = mark
            else entry.textContent = mark
            const off = made('button', {
              type: 'button',
              textContent: '×',
              disabled: this.#fixed && !has('fixed-but-off'),
            })
            off.setAttribute('aria-label', `Take off ${mark}`)
            entry.append(off)
            return entry
          }),
        )
      }

      get most(): number {
        return this.#most
      }
      set most(most: number | undefined) {
        this.#most = most ?? 5
        this.#draw()
      }
      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? 'Marks'
        this.#draw()
      }
      get fixed(): boolean {
        return this.#fixed
      }
      set fixed(fixed: boolean | undefined) {
        this.#fixed = fixed ?? false
        this.#draw()
      }
      get marks(): string[] {
        return [...this.#marks]
      }
      set marks(marks: string[] | undefined) {
        if (has('told-list-drawn-before')) this.#draw()
        this.#marks = has('pushes-into-the-given') ? (marks ?? []) : [...(marks ?? [])]
        if (!has('told-list-drawn-before')) this.#draw()
      }
      get free(): number {
        const free = this.#room
        return Math.max(0, free)
      }
      wipe(): void {
        const had = this.#marks.length > 0
        this.#marks = []
        if (!has('typed-stays-after-wipe')) this.#field.value = ''
        this.#draw()
        if (had && !has('wipe-in-silence')) this.#say()
      }
      override focus(): void {
        this.#field.focus()
      }
    } as never,
})
