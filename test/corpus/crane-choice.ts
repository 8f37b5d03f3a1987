import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const CRANES = ['north', 'south', 'gantry']

/** A combo box: a button that opens a list, and shows what was chosen. */
export const craneChoice = variants({
  tag: 'crane-choice',
  promise: {
    required: ['label'],
    properties: { label: { type: Type.String() } },
    values: { crane: { type: Type.Union([Type.Enum(CRANES), Type.Literal('')]), default: '', reports: 'commit' } },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'choice-unreported': ['reports-once'],
    'choice-told-early': ['reports-truth'],
    'shows-undefined': ['required-told'],
    'list-for-all': ['stands-alone', 'own-defaults'],
    'listens-on-page': ['leaves-no-trace'],
    'reset-leaves-text': ['resets-fully'],
    'label-at-first': ['follows-change', 'named-by-label'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label: string | undefined
      #crane = ''
      readonly #field = made('div', { tabIndex: 0 })
      readonly #list = made('ul', { id: has('list-for-all') ? 'cranes' : `cranes-${++lists}`, hidden: true })

      constructor() {
        super()
        this.#field.setAttribute('role', 'combobox')
        this.#field.setAttribute('aria-controls', this.#list.id)
        this.#list.setAttribute('role', 'listbox')
        this.#field.onclick = () => this.#open(this.#list.hidden === true)
        this.#field.onkeydown = ({ key }) => this.#walk(key)
        for (const crane of CRANES) {
          const option = made('li', { textContent: crane, onclick: () => this.#choose(crane) })
          option.setAttribute('role', 'option')
          this.#list.append(option)
        }
      }
      connectedCallback(): void {
        if (has('listens-on-page')) document.addEventListener('click', () => this.#open(false))
        if (!this.#list.isConnected) this.replaceChildren(this.#field, this.#list)
        this.#draw()
      }

      #open(isOpen: boolean): void {
        this.#list.hidden = !isOpen
        this.#field.setAttribute('aria-expanded', String(isOpen))
      }
      #walk(key: string): void {
        const by = { ArrowDown: 1, ArrowUp: -1 }[key]
        if (by === undefined) return
        const at = Math.max(0, Math.min(CRANES.length - 1, CRANES.indexOf(this.#crane) + by))
        this.#choose(CRANES[at] as string)
      }
      #choose(crane: string): void {
        this.#open(false)
        if (crane === this.#crane) return
        if (has('choice-told-early')) report(this, 'crane-set', this.#crane)
        this.#crane = crane
        this.#draw()
        if (!has('choice-unreported') && !has('choice-told-early')) report(this, 'crane-set', crane)
      }
      #draw(isAll = true): void {
        if (isAll) this.#field.textContent = this.#crane === '' ? 'no crane' : this.#crane
        if (has('label-at-first') && this.#field.hasAttribute('aria-label')) return
        const name = has('shows-undefined') ? String(this.#label) : (this.#label ?? '')
        if (this.isConnected || name !== '') this.#field.setAttribute('aria-label', name)
      }

      get label(): string {
        return this.#label ?? ''
      }
      set label(label: string | undefined) {
        this.#label = label
        this.#draw()
      }
      get crane(): string {
        return this.#crane
      }
      set crane(crane: string | undefined) {
        this.#crane = crane ?? ''
        this.#draw()
      }
      reset(): void {
        if (this.#crane === '') return
        this.#crane = ''
        this.#draw(!has('reset-leaves-text'))
        report(this, 'crane-set', '')
      }
    },
})

let lists = 0
