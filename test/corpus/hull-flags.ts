import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'
type Part = { id: string; words: string }
/** What of a hull is sound: a box for each part, told as one record. */
export const hullFlags = variants({
  tag: 'hull-flags',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      parts: {
        type: Type.Array(Type.Object({ id: Type.String(), words: Type.String() })),
        default: [
          { id: 'keel', words: 'Keel' },
          { id: 'stem', words: 'Stem' },
        ],
      },
      firm: { type: Type.Boolean(), default: false },
    },
    values: { sound: { type: Type.Record(Type.String(), Type.Boolean()), default: {} } },
    readings: { count: { type: Type.Integer(), from: ['sound'] } },
    commands: { none: { effect: 'reset' } },
    locks: { readonly: 'firm' },
  },
  faults: {
    'drops-the-others': ['edits-stand', 'reports-truth'],
    'same-record': ['fresh-payload', 'leaves-given-alone'],
    'count-of-the-mount': ['readings-agree'],
    'words-html': ['text-stays-text'],
    'boxes-not-told': ['reports-once', 'survives-move', 'follows-change'],
    'parts-lose-the-ticks': ['follows-change', 'any-order'],
    'firm-shows-but-takes': ['locks-hold'],
    'none-leaves-the-boxes': ['resets-fully'],
    'tick-told-by-click-and-change': ['reports-once'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #parts: readonly Part[] = [
        { id: 'keel', words: 'Keel' },
        { id: 'stem', words: 'Stem' },
      ]
      #firm = false
      #sound: Record<string, boolean> = {}
      #first: number | undefined
      #up = false
      #box = made('fieldset')
      #legend = made('legend')
      #rows = made('div')
      connectedCallback() {
        if (!this.#up) {
          this.#up = true
          this.#box.append(this.#legend, this.#rows)
          this.append(this.#box)
          this.#rows.addEventListener('change', (event) => {
            event.stopPropagation()
            this.#take(event.target as HTMLInputElement)
          })
          this.#rows.addEventListener('input', (event) => event.stopPropagation())
          if (has('tick-told-by-click-and-change'))
            this.#rows.addEventListener('click', (event) => {
              if ((event.target as HTMLElement).localName === 'input')
                setTimeout(() => report(this, 'sound-set', { ...this.#sound }))
            })
        }
        this.#draw()
      }
      #take(box: HTMLInputElement) {
        if (this.#firm && !has('firm-shows-but-takes')) return this.#draw()
        const id = box.dataset['id']!
        if (has('same-record')) {
          this.#sound[id] = box.checked
          this.#draw()
          report(this, 'sound-set', this.#sound)
          return
        }
        const next = has('drops-the-others') ? { [id]: box.checked } : { ...this.#sound, [id]: box.checked }
        this.#sound = next
        this.#draw(false)
        report(this, 'sound-set', { ...next })
      }
      #draw(isWhole = true) {
        if (!this.#up) return
        this.#first ??= this.#now
        this.#legend.textContent = this.#label
        if (isWhole || this.#rows.childElementCount !== this.#parts.length)
          this.#rows.replaceChildren(
            ...this.#parts.map((part) => {
              const row = made('label')
              const { words } = part
              const box = made('input', {
                type: 'checkbox',
                checked: !has('boxes-not-told') && this.#sound[part.id] === true,
                disabled: this.#firm && !has('firm-shows-but-takes'),
              })
              box.dataset['id'] = part.id
              const text = made('span')
              if (has('words-html')) text.innerHTML = words
              else text.textContent = words
              row.append(box, text)
              return row
            }),
          )
      }
      get #now() {
        return Object.values(this.#sound).filter((one) => one).length
      }
      get label() {
        return this.#label
      }
      set label(v: string | undefined) {
        this.#label = v ?? ''
        this.#draw()
      }
      get parts() {
        return this.#parts
      }
      set parts(v: readonly Part[] | undefined) {
        this.#parts = v ?? [
          { id: 'keel', words: 'Keel' },
          { id: 'stem', words: 'Stem' },
        ]
        if (has('parts-lose-the-ticks')) this.#sound = {}
        this.#draw()
      }
      get firm() {
        return this.#firm
      }
      set firm(v: boolean | undefined) {
        this.#firm = v ?? false
        this.#draw()
      }
      get sound() {
        return { ...this.#sound }
      }
      set sound(v: Record<string, boolean> | undefined) {
        this.#sound = { ...(v ?? {}) }
        this.#draw()
      }
      get count() {
        return has('count-of-the-mount') && this.#first !== undefined ? this.#first : this.#now
      }
      none() {
        if (Object.keys(this.#sound).length === 0) return
        this.#sound = {}
        this.#draw(!has('none-leaves-the-boxes'))
        report(this, 'sound-set', {})
      }
    } as never,
})
