import { Type } from 'caulker'
import { made, variants } from './corpus.js'

const CORDS = ['hemp', 'manila', 'sisal']

/** A cord out of a list that opens while its name is typed, by an arrow key, or by a button beside the field. */
export const cordFinder = variants({
  tag: 'cord-finder',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      cords: { type: Type.Array(Type.String()), default: CORDS },
      disabled: { type: Type.Boolean(), default: false },
    },
    values: {
      cord: {
        type: Type.Union([Type.String(), Type.Null()]),
        default: null,
        attribute: false,
        reports: 'commit',
        among: { list: 'cords', gone: 'empty', reported: true },
      },
    },
    commands: { clear: { effect: 'reset', reports: false } },
    locks: { disabled: 'disabled' },
  },
  faults: {
    'pointer-chooses-nothing': ['every-way-in'],
    'button-opens-when-disabled': ['locks-hold'],
    'same-again-said': ['reports-once'],
    'gone-entry-stays': ['choice-follows-list'],
    'nothing-as-a-text': ['reports-truth', 'takes-empty'],
    'told-is-said': ['quiet-when-told'],
    'free-text-stands': ['choice-follows-list', 'reports-truth'],
    'pasted-as-it-is': ['every-way-in', 'choice-follows-list'],
    'clear-leaves-the-text': ['resets-fully'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #cords: readonly string[] = CORDS
      #isOff = false
      #cord: string | null = null
      #isOpen = false
      #isTyped = false
      #at = -1
      readonly #words = made('label', { htmlFor: 'field' })
      readonly #field = made('input', { id: 'field', role: 'combobox', autocomplete: 'off' })
      readonly #button = made('button', { type: 'button', textContent: 'v', ariaLabel: 'Show all' })
      readonly #list = made('ul', { id: 'list', role: 'listbox', hidden: true })

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#words, this.#field, this.#button, this.#list)
        this.#field.setAttribute('role', 'combobox')
        this.#field.setAttribute('aria-controls', 'list')
        this.#list.setAttribute('role', 'listbox')
        this.#field.oninput = (event) => {
          event.stopPropagation()
          this.#isTyped = true
          this.#open(true)
          if (has('pasted-as-it-is') && (event as InputEvent).inputType === 'insertFromPaste')
            this.#take(this.#field.value)
        }
        this.#field.onkeydown = (event) => this.#struck(event)
        this.#field.onblur = () => this.#commit()
        this.#button.onclick = () => this.#open(!this.#isOpen)
        this.#list.onmousedown = (event) => event.preventDefault()
        this.#list.onclick = (event) => {
          const cord = (event.target as HTMLElement).closest('li')?.textContent
          if (has('pointer-chooses-nothing')) this.#open(false)
          else if (cord !== undefined && cord !== null) this.#take(cord)
        }
        this.#draw()
      }

      #found(): readonly string[] {
        const text = this.#field.value.trim().toLowerCase()
        return this.#isTyped ? this.#cords.filter((cord) => cord.includes(text)) : this.#cords
      }

      #struck(event: KeyboardEvent): void {
        const found = this.#found()
        if (event.key === 'ArrowDown') {
          event.preventDefault()
          this.#at = this.#isOpen ? Math.min(this.#at + 1, found.length - 1) : -1
          this.#open(true)
        } else if (event.key === 'Escape') this.#back()
        else if (event.key === 'Enter') {
          const chosen = this.#isOpen ? found[this.#at] : undefined
          if (chosen === undefined) this.#commit()
          else this.#take(chosen)
        }
      }

      #open(isOpen: boolean): void {
        this.#isOpen = isOpen
        if (!isOpen) this.#at = -1
        this.#draw()
      }

      #back(): void {
        this.#isTyped = false
        this.#field.value = this.#cord ?? ''
        this.#open(false)
      }

      #take(cord: string | null): void {
        const isNew = cord !== this.#cord
        this.#cord = cord
        this.#back()
        const detail = { value: cord === null && has('nothing-as-a-text') ? '' : cord }
        if (isNew || has('same-again-said')) this.dispatchEvent(new CustomEvent('cord-set', { detail }))
      }

      #commit(): void {
        if (!this.#isTyped) return void (this.#isOpen && this.#open(false))
        const text = this.#field.value.trim()
        const cord = text === '' ? null : this.#cords.find((one) => one === text.toLowerCase())
        if (cord !== undefined) this.#take(cord)
        else if (has('free-text-stands')) this.#take(text)
        else this.#back()
      }

      #draw(): void {
        this.#words.textContent = this.#label
        this.#field.disabled = this.#isOff
        this.#button.disabled = this.#isOff && !has('button-opens-when-disabled')
        this.#list.hidden = !this.#isOpen
        this.#field.setAttribute('aria-expanded', String(this.#isOpen))
        const found = this.#isOpen ? this.#found() : []
        this.#list.replaceChildren(
          ...found.map((cord, at) => {
            const option = made('li', { textContent: cord })
            option.setAttribute('role', 'option')
            option.setAttribute('aria-selected', String(at === this.#at))
            return option
          }),
        )
      }

      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? ''
        this.#draw()
      }
      get disabled(): boolean {
        return this.#isOff
      }
      set disabled(disabled: boolean) {
        this.#isOff = disabled
        this.#open(false)
      }
      get cords(): readonly string[] {
        return this.#cords
      }
      set cords(cords: readonly string[] | undefined) {
        this.#cords = cords ?? CORDS
        this.#draw()
        if (this.#cord !== null && !this.#cords.includes(this.#cord) && !has('gone-entry-stays')) this.#take(null)
      }
      get cord(): string | null {
        return this.#cord
      }
      set cord(cord: string | null | undefined) {
        if ((cord ?? null) === this.#cord) return
        this.#cord = cord ?? null
        this.#back()
        if (has('told-is-said')) this.dispatchEvent(new CustomEvent('cord-set', { detail: { value: this.#cord } }))
      }
      clear(): void {
        this.#cord = null
        this.#isTyped = false
        if (!has('clear-leaves-the-text')) this.#field.value = ''
        this.#open(false)
      }
    },
})
