import { Type } from 'caulker'
import { made, report, variants } from '../corpus.js'

const KINDS = ['yawl', 'ketch', 'barge']

/** Kinds of craft that are ticked in a popover and count once Apply is pressed; Close and Escape give up what was ticked. */
export const craftFilter = variants({
  tag: 'craft-filter',
  promise: {
    properties: {
      kinds: { type: Type.Array(Type.String()), default: KINDS, attribute: false, samples: [KINDS, ['ketch', 'punt']] },
    },
    values: {
      shown: {
        type: Type.Array(Type.String(), { uniqueItems: true }),
        default: [],
        attribute: false,
        among: { list: 'kinds', gone: 'kept' },
        samples: [['ketch'], []],
      },
    },
  },
  faults: {
    'close-keeps-ticks': ['given-up'],
    'close-takes': ['given-up', 'reports-once'],
    'escape-applies': ['given-up'],
    'last-only': ['edits-stand', 'reports-truth'],
    'button-behind': ['reports-truth', 'follows-change', 'edits-stand'],
    'applies-twice': ['reports-once'],
    'kinds-once': ['follows-change'],
    'none-holds': ['reports-truth', 'edits-stand', 'reports-once', 'given-up'],
  },
  make: (has) =>
    class extends HTMLElement {
      #kinds: readonly string[] = KINDS
      #shown: readonly string[] = []
      #button = made('button', { type: 'button' })
      #popover = made('div', { popover: 'auto' } as never)
      #list = made('div')
      #none = made('button', { type: 'button', textContent: 'None' })
      #apply = made('button', { type: 'button', textContent: 'Apply' })
      #close = made('button', { type: 'button', textContent: 'Close' })

      constructor() {
        super()
        this.#popover.append(this.#list, this.#none, this.#apply, this.#close)
        this.attachShadow({ mode: 'open' }).append(this.#button, this.#popover)
        this.#button.onclick = () => {
          if (this.#popover.matches(':popover-open')) return this.#popover.hidePopover()
          if (!has('close-keeps-ticks')) this.#fill()
          this.#popover.showPopover()
        }
        for (const name of ['input', 'change']) this.#list.addEventListener(name, (event) => event.stopPropagation())
        this.#none.onclick = () => {
          for (const box of this.#boxes()) box.checked = false
          if (has('none-holds')) this.#shown = []
        }
        this.#apply.onclick = () => this.#take()
        this.#close.onclick = () => {
          if (has('close-takes')) this.#shown = this.#ticked()
          this.#popover.hidePopover()
        }
        this.#popover.addEventListener('keydown', ({ key }) => {
          if (key === 'Escape' && has('escape-applies')) this.#take()
        })
      }

      #boxes = () => [...this.#list.querySelectorAll('input')]

      #ticked(): readonly string[] {
        const gone = this.#shown.filter((kind) => !this.#kinds.includes(kind))
        const ticked = this.#boxes().flatMap(({ checked, value }) => (checked ? [value] : []))
        return [...gone, ...(has('last-only') ? ticked.slice(-1) : ticked)]
      }

      #take(): void {
        const shown = this.#ticked()
        this.#popover.hidePopover()
        if (String(shown) === String(this.#shown)) return
        this.#shown = shown
        if (!has('button-behind')) this.#draw()
        report(this, 'shown-set', [...shown])
        if (has('applies-twice')) queueMicrotask(() => report(this, 'shown-set', [...shown]))
      }

      connectedCallback(): void {
        this.#draw()
        this.#fill()
      }

      #draw(): void {
        this.#button.textContent = this.#shown.length === 0 ? 'All craft' : this.#shown.join(', ')
      }

      #fill(): void {
        const labels = this.#kinds.map((kind) => {
          const label = made('label', { textContent: kind })
          label.prepend(made('input', { type: 'checkbox', value: kind, checked: this.#shown.includes(kind) }))
          return label
        })
        this.#list.replaceChildren(...labels)
      }

      get kinds(): readonly string[] {
        return [...this.#kinds]
      }
      set kinds(kinds: readonly string[] | undefined) {
        if (has('kinds-once') && this.isConnected) return
        this.#kinds = [...(kinds ?? KINDS)]
        this.#fill()
      }

      get shown(): readonly string[] {
        return [...this.#shown]
      }
      set shown(shown: readonly string[] | undefined) {
        this.#shown = [...(shown ?? [])]
        this.#draw()
        this.#fill()
      }
    } as never,
})
