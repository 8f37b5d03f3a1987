import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const Parts = Type.Array(Type.String({ minLength: 1 }), { uniqueItems: true })
const usual = ['shrouds', 'stays', 'halyards']

/** The rigging of a boat: a button says which, and opens boxes that only a style hides. */
export const riggingSet = variants({
  tag: 'rigging-set',
  promise: {
    properties: { parts: { type: Parts, default: usual }, off: { type: Type.Boolean(), default: false } },
    values: { rigging: { type: Parts, default: [], among: { list: 'parts', gone: 'kept' }, attribute: false } },
    locks: { disabled: 'off' },
  },
  faults: {
    'boxes-of-the-mount': ['follows-change', 'shown-when-unfolded', 'owner-decides'],
    'new-parts-unheard': ['follows-change', 'reports-once', 'every-way-in'],
    'drops-what-is-gone': ['choice-follows-list', 'edits-stand'],
    'off-leaves-boxes': ['locks-hold'],
    'says-when-opened': ['reports-once', 'no-strays', 'reports-truth'],
  },
  make: (has) =>
    class extends HTMLElement {
      #parts = usual
      #off = false
      #rigging: string[] = []
      #isMounted = false
      readonly #button = made('button', { type: 'button' })
      readonly #panel = made('div', { className: 'panel' })

      constructor() {
        super()
        const style = made('style', { textContent: '.panel { display: none } .panel.open { display: grid }' })
        this.attachShadow({ mode: 'open' }).append(style, this.#button, this.#panel)
        this.#button.onclick = () => {
          this.#panel.classList.toggle('open')
          if (has('says-when-opened')) report(this, 'rigging-set', [...this.#rigging])
        }
        this.#fill()
      }
      connectedCallback(): void {
        this.#isMounted = true
      }

      #fill(): void {
        const boxes = this.#parts.map((part) => {
          const box = made('input', { type: 'checkbox', value: part })
          if (!has('new-parts-unheard') || !this.#isMounted) box.onchange = () => this.#turn(part, box.checked)
          const label = made('label')
          label.append(box, part)
          return label
        })
        this.#panel.replaceChildren(...boxes)
        this.#draw()
      }

      #turn(part: string, isOn: boolean): void {
        const others = this.#rigging.filter((one) => one !== part)
        const kept = has('drops-what-is-gone') ? others.filter((one) => this.#parts.includes(one)) : others
        this.#rigging = isOn ? [...kept, part] : kept
        this.#draw()
        report(this, 'rigging-set', [...this.#rigging])
      }

      #draw(): void {
        this.#button.textContent = this.#rigging.join(', ') || 'No rigging'
        this.#button.disabled = this.#off
        for (const box of this.#panel.querySelectorAll('input')) {
          if (!has('boxes-of-the-mount') || !this.#isMounted) box.checked = this.#rigging.includes(box.value)
          box.disabled = this.#off && !has('off-leaves-boxes')
        }
      }

      get parts(): string[] {
        return [...this.#parts]
      }
      set parts(parts: string[] | undefined) {
        this.#parts = [...(parts ?? usual)]
        this.#fill()
      }
      get off(): boolean {
        return this.#off
      }
      set off(off: boolean | undefined) {
        this.#off = off ?? false
        this.#draw()
      }
      get rigging(): string[] {
        return [...this.#rigging]
      }
      set rigging(rigging: string[] | undefined) {
        this.#rigging = [...(rigging ?? [])]
        this.#draw()
      }
    },
})
