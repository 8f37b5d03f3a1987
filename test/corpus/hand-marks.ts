import { Type } from 'caulker'
import { made, variants } from './corpus.js'

/** Marks that a hull carries: toggles, of which at most so many may be on. */
export const handMarks = variants({
  tag: 'hand-marks',
  promise: {
    required: ['caption'],
    properties: {
      caption: { type: Type.String() },
      marks: {
        type: Type.Array(Type.String({ minLength: 1 }), { uniqueItems: true }),
        default: ['load', 'tide', 'owner'],
        samples: [
          ['load', 'tide', 'owner', 'yard'],
          ['yard', 'tide'],
        ],
      },
      most: { type: Type.Union([Type.Integer({ minimum: 0 }), Type.Null()]), default: null },
      still: { type: Type.Boolean(), default: false },
    },
    values: {
      worn: {
        type: Type.Array(Type.String(), { uniqueItems: true }),
        default: [],
        attribute: false,
        among: { list: 'marks', gone: 'empty', reported: false },
        samples: [['load'], ['tide', 'load'], ['owner']],
      },
    },
    readings: { left: { type: Type.Union([Type.Integer(), Type.Null()]), from: ['most', 'worn'] } },
    locks: { disabled: 'still' },
  },
  faults: {
    'one-at-a-time': ['edits-stand', 'every-way-in', 'reports-truth'],
    'untick-unheard': ['reports-once'],
    'untick-does-nothing': ['every-way-in', 'reports-once'],
    'gone-mark-stays': ['choice-follows-list', 'follows-change'],
    'gone-mark-is-reported': ['choice-follows-list', 'quiet-when-told'],
    'last-enabled-when-still': ['locks-hold'],
    'pressed-not-told': ['follows-change', 'shows-initial'],
    'left-not-drawn-after-an-edit': ['reports-truth', 'readings-agree', 'follows-change'],
    'most-zero-is-no-most': ['keeps-falsy'],
    'most-once': ['follows-change'],
    'caption-once': ['follows-change'],
    'reports-one-mark': ['reports-truth'],
    'reports-doubled': ['reports-once'],
    'null-most-is-nought': ['keeps-falsy', 'takes-empty', 'shows-initial', 'readings-agree', 'follows-change'],
  },
  make: (has) => {
    const USUAL = ['load', 'tide', 'owner']
    return class extends HTMLElement {
      #caption = ''
      #marks = [...USUAL]
      #worn: string[] = []
      #most: number | null = null
      #firstMost: number | null | undefined
      #still = false
      #legend = made('legend')
      #set = made('fieldset')
      #left = made('output')
      #buttons = new Map<string, HTMLButtonElement>()
      connectedCallback() {
        this.#firstMost ??= this.#most
        if (!this.#set.isConnected) {
          this.#set.append(this.#legend)
          this.append(this.#set, this.#left)
        }
        this.#draw()
      }
      get left() {
        const most = has('most-once') && this.#firstMost !== undefined ? this.#firstMost : this.#most
        if (has('null-most-is-nought') && most === null) return 0 - this.#worn.length
        if (most === null || (most === 0 && has('most-zero-is-no-most'))) return null
        return most - this.#worn.length
      }
      #turn(mark: string) {
        const isOn = this.#worn.includes(mark)
        if (isOn && has('untick-does-nothing')) return
        if (!isOn && this.left !== null && this.left <= 0) return
        const next = isOn
          ? this.#worn.filter((one) => one !== mark)
          : has('one-at-a-time')
            ? [mark]
            : [...this.#worn, mark]
        this.#worn = next
        this.#draw(true)
        if (isOn && has('untick-unheard')) return
        this.#say(has('reports-one-mark') ? [mark] : next)
        if (has('reports-doubled')) this.#say(next)
      }
      #say(worn: string[]) {
        this.dispatchEvent(new CustomEvent('worn-set', { detail: { value: [...worn] } }))
      }
      #draw(isEdit = false) {
        if (!this.#set.isConnected) return
        if (!(has('caption-once') && this.#legend.textContent !== '')) this.#legend.textContent = this.#caption
        for (const [mark, button] of this.#buttons)
          if (!this.#marks.includes(mark)) {
            button.remove()
            this.#buttons.delete(mark)
          }
        this.#marks.forEach((mark, at) => {
          let button = this.#buttons.get(mark)
          if (button === undefined) {
            button = made('button', { type: 'button', textContent: mark })
            button.addEventListener('click', () => this.#turn(mark))
            this.#buttons.set(mark, button)
          }
          const isOn = this.#worn.includes(mark)
          if (!has('pressed-not-told') || !this.#set.contains(button) || isEdit)
            button.setAttribute('aria-pressed', String(isOn))
          const isFull = this.left !== null && this.left <= 0 && !isOn
          button.disabled =
            (this.#still && !(has('last-enabled-when-still') && at === this.#marks.length - 1)) || isFull
          this.#set.append(button)
        })
        if (isEdit && has('left-not-drawn-after-an-edit')) return
        this.#left.textContent = this.left === null ? 'any number' : `${this.left} left`
      }
      get caption() {
        return this.#caption
      }
      set caption(caption: string | undefined) {
        this.#caption = caption ?? ''
        this.#draw()
      }
      get marks() {
        return [...this.#marks]
      }
      set marks(marks: string[] | undefined) {
        this.#marks = [...(marks ?? USUAL)]
        const kept = this.#worn.filter((mark) => this.#marks.includes(mark))
        const lost = kept.length < this.#worn.length
        if (!has('gone-mark-stays')) this.#worn = kept
        this.#draw()
        if (lost && has('gone-mark-is-reported')) this.#say(kept)
      }
      get worn() {
        return [...this.#worn]
      }
      set worn(worn: string[] | undefined) {
        this.#worn = [...(worn ?? [])]
        this.#draw()
      }
      get most() {
        return this.#most
      }
      set most(most: number | null | undefined) {
        this.#most = most ?? null
        this.#draw()
      }
      get still() {
        return this.#still
      }
      set still(still: boolean | undefined) {
        this.#still = still ?? false
        this.#draw()
      }
    } as never
  },
})
