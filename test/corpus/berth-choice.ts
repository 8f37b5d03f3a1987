import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A native select behind a contract: options from a property, one redraw of everything at each change. */
export const berthChoice = variants({
  tag: 'berth-choice',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      berths: { type: Type.Array(Type.Enum(['North', 'South', 'Creek'])), default: ['North', 'South', 'Creek'] },
    },
    values: { berth: { type: Type.Union([Type.Enum(['North', 'South', 'Creek']), Type.Null()]), default: null } },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'stale-options': ['follows-change'],
    'stale-label': ['follows-change'],
    'no-clearing': ['takes-empty'],
    'nothing-looks-like-north': ['takes-empty'],
    echo: ['quiet-when-told'],
    'no-report': ['reports-once'],
    'index-payload': ['reports-truth'],
    'silent-reset': ['resets-fully'],
    'late-take': ['reports-truth'],
    'mount-blind': ['shows-initial'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #berths: string[] = ['North', 'South', 'Creek']
      #berth: string | null = null
      readonly #caption = made('span')
      readonly #select = made('select')

      constructor() {
        super()
        const label = made('label')
        label.append(this.#caption, this.#select)
        this.attachShadow({ mode: 'open' }).append(label)
        this.#select.addEventListener('change', () =>
          this.#chosen(this.#select.value === '' ? null : this.#select.value),
        )
        this.#drawOptions()
      }

      #chosen(berth: string | null): void {
        const before = this.#berth
        if (has('late-take')) report(this, 'berth-set', before)
        this.#berth = berth
        if (has('no-report') || has('late-take')) return
        report(this, 'berth-set', has('index-payload') ? this.#select.selectedIndex : berth)
      }

      #drawOptions(): void {
        const options = ['', ...this.#berths].map((berth) =>
          made('option', { value: berth, text: berth || 'No berth' }),
        )
        this.#select.replaceChildren(...options)
        this.#draw()
      }

      #draw(): void {
        this.#caption.textContent = this.#label
        this.#select.value = this.#berth ?? (has('nothing-looks-like-north') ? 'North' : '')
      }

      get label(): string {
        return this.#label
      }
      set label(label: string) {
        if (has('stale-label') && this.#label !== '') return
        this.#label = label
        this.#draw()
      }

      get berths(): string[] {
        return this.#berths
      }
      set berths(berths: string[] | undefined) {
        this.#berths = berths ?? ['North', 'South', 'Creek']
        if (has('stale-options') && this.isConnected) this.#draw()
        else this.#drawOptions()
      }

      get berth(): string | null {
        return this.#berth
      }
      set berth(berth: string | null | undefined) {
        if (has('no-clearing') && !berth) return
        if (has('mount-blind') && !this.isConnected) return
        const isNew = this.#berth !== (berth ?? null)
        this.#berth = berth ?? null
        this.#draw()
        if (has('echo') && isNew) report(this, 'berth-set', this.#berth)
      }

      reset(): void {
        const wasChosen = this.#berth !== null
        this.#berth = null
        this.#draw()
        if (wasChosen && !has('silent-reset')) report(this, 'berth-set', null)
      }
    },
})
