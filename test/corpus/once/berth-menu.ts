import { Type } from 'caulker'
import { made, report, variants } from '../corpus.js'

const BERTHS = ['Slip 1', 'Slip 2', 'Pontoon A']

/** A berth out of a list that a button opens; keys go to where the focus is, and Escape gives it up. */
export const berthMenu = variants({
  tag: 'berth-menu',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      berths: {
        type: Type.Array(Type.String({ minLength: 1 }), { uniqueItems: true }),
        default: BERTHS,
        samples: [BERTHS, ['Quay', 'Slip 2']],
      },
      off: { type: Type.Boolean(), default: false },
    },
    values: { berth: { type: Type.String(), default: '', among: { list: 'berths', at: '', gone: 'kept' } } },
    events: { 'open-changed': { payload: Type.Object({ value: Type.Boolean() }) } },
    locks: { disabled: 'off' },
  },
  faults: {
    'escape-takes': ['given-up'],
    'arrow-skips': ['every-way-in'],
    'enter-takes-the-first': ['every-way-in'],
    'list-of-the-first-opening': ['shown-when-unfolded'],
    'label-lost-when-chosen': ['named-by-label', 'follows-change'],
    'told-shows-the-old': ['follows-change'],
    'same-again-reports': ['reports-once'],
    'off-opens': ['locks-hold'],
    'reports-the-place': ['reports-truth', 'round-trip'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #berths: readonly string[] = BERTHS
      #off = false
      #berth = ''
      #at = -1
      #isMade = false
      #button = made('button', { type: 'button', ariaHasPopup: 'listbox', ariaExpanded: 'false' })
      #list = made('ul', { role: 'listbox', tabIndex: -1, hidden: true } as never)

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#button, this.#list)
        this.#button.onclick = () => this.#turn(this.#list.hidden === true)
        this.#button.onkeydown = (event) => {
          if (event.key !== 'ArrowDown' || this.#list.hidden === false) return
          event.preventDefault()
          this.#turn(true)
        }
        this.#list.onkeydown = (event) => {
          const to = {
            ArrowDown: this.#at + (has('arrow-skips') ? 2 : 1),
            ArrowUp: this.#at - 1,
            Home: 0,
            End: this.#berths.length - 1,
          }[event.key]
          if (to !== undefined) this.#go(to)
          else if (event.key === 'Enter' || event.key === ' ') this.#pick(has('enter-takes-the-first') ? 0 : this.#at)
          else if (event.key === 'Escape' && has('escape-takes')) this.#pick(this.#at)
          else if (event.key === 'Escape') this.#close()
          else return
          event.preventDefault()
        }
        this.#list.addEventListener('focusout', ({ relatedTarget }) => {
          if (!this.#list.contains(relatedTarget as Node) && relatedTarget !== this.#button) this.#turn(false)
        })
      }
      connectedCallback(): void {
        this.#draw()
      }

      #turn(isOpen: boolean): void {
        if (isOpen !== (this.#list.hidden === true) || (isOpen && this.#off && !has('off-opens'))) return
        if (isOpen && !(has('list-of-the-first-opening') && this.#isMade)) this.#fill()
        this.#list.hidden = !isOpen
        this.#button.ariaExpanded = String(isOpen)
        report(this, 'open-changed', isOpen)
        if (isOpen) this.#go(this.#berths.indexOf(this.#berth))
      }
      #close(): void {
        this.#turn(false)
        this.#button.focus()
      }
      #fill(): void {
        this.#isMade = true
        this.#list.replaceChildren(
          ...this.#berths.map((textContent, at) =>
            made('li', { textContent, role: 'option', tabIndex: -1, onclick: () => this.#pick(at) } as never),
          ),
        )
      }
      #go(to: number): void {
        this.#at = Math.max(0, Math.min(this.#berths.length - 1, to))
        ;(this.#list.children[this.#at] as HTMLElement | undefined)?.focus()
      }
      #pick(at: number): void {
        const berth = this.#berths[at]
        this.#close()
        if (berth === undefined || (berth === this.#berth && !has('same-again-reports'))) return
        this.#berth = berth
        this.#draw()
        report(this, 'berth-set', has('reports-the-place') ? String(at) : berth)
      }
      #draw(): void {
        const name = has('label-lost-when-chosen') && this.#berth !== '' ? '' : `${this.#label}: `
        this.#button.textContent = `${name}${this.#berth || 'none'}`
        this.#button.disabled = this.#off && !has('off-opens')
      }

      get berth(): string {
        return this.#berth
      }
      set berth(berth: string | undefined) {
        this.#berth = berth ?? ''
        if (!has('told-shows-the-old') || this.#button.textContent === '') this.#draw()
      }
      get berths(): readonly string[] {
        return [...this.#berths]
      }
      set berths(berths: readonly string[] | undefined) {
        this.#berths = [...(berths ?? BERTHS)]
        if (this.#list.hidden === false && !has('list-of-the-first-opening')) this.#fill()
      }
      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? ''
        this.#draw()
      }
      get off(): boolean {
        return this.#off
      }
      set off(off: boolean | undefined) {
        this.#off = off ?? false
        if (this.#off && !has('off-opens')) this.#turn(false)
        this.#draw()
      }
    },
})
