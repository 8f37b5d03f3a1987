import { Type, host } from 'caulker'
import { made, report, variants } from '../corpus.js'

/** A chart that is handed in as a file, and may be taken out again. */
export const chartFile = variants({
  tag: 'chart-file',
  promise: {
    required: ['label'],
    properties: { label: { type: Type.String() }, accept: { type: Type.String(), default: '' } },
    values: { chart: { type: Type.Union([host('File'), Type.Null()]), default: null, attribute: false } },
  },
  faults: {
    'accept-dropped': ['shows-initial', 'follows-change'],
    'reported-by-name': ['reports-truth'],
    'same-chart-is-dead': ['reports-once'],
    'told-not-drawn': ['follows-change', 'shows-initial', 'owner-decides', 'takes-empty'],
    'taken-out-unreported': ['reports-once', 'every-way-in'],
    'label-of-the-mount': ['follows-change', 'named-by-label'],
    'takes-nothing': ['reports-once', 'every-way-in', 'no-strays'],
    'picked-is-unheard': ['every-way-in'],
  },
  make: (has) =>
    class extends HTMLElement {
      #chart: File | null = null
      readonly #label = made('label')
      readonly #caption = made('span')
      readonly #field = made('input', { type: 'file' })
      readonly #name = made('output')
      readonly #out = made('button', { type: 'button', textContent: 'Take it out' })

      constructor() {
        super()
        this.#label.append(this.#caption, this.#field)
        this.append(this.#label, this.#name, this.#out)
        this.#field.addEventListener('input', (event) => event.stopPropagation())
        this.#field.addEventListener('change', (event) => {
          event.stopPropagation()
          const [file] = this.#field.files ?? []
          if (!has('same-chart-is-dead')) this.#field.value = ''
          if (file !== undefined && !has('picked-is-unheard')) this.#take(file)
        })
        this.#out.onclick = () => this.#take(null, has('taken-out-unreported'))
        this.#draw()
      }

      #take(file: File | null, isSilent = false): void {
        if (has('same-chart-is-dead') && file !== null && file.name === this.#last) return
        this.#last = file?.name ?? this.#last
        this.#chart = file
        this.#draw()
        if (isSilent) return
        const event = has('takes-nothing') ? 'chart-taken' : 'chart-set'
        report(this, event, has('reported-by-name') ? (file?.name ?? null) : this.#chart)
      }
      #last = ''

      #draw(): void {
        this.#name.textContent = this.#chart?.name ?? 'no chart'
        this.#out.hidden = this.#chart === null
      }

      get label(): string {
        return this.#caption.textContent ?? ''
      }
      set label(label: string) {
        if (!has('label-of-the-mount') || this.#caption.textContent === '') this.#caption.textContent = label
      }
      #accept = ''
      get accept(): string {
        return this.#accept
      }
      set accept(accept: string | undefined) {
        this.#accept = accept ?? ''
        if (!has('accept-dropped')) this.#field.accept = this.#accept
      }
      get chart(): File | null {
        return this.#chart
      }
      set chart(chart: File | null | undefined) {
        this.#chart = chart ?? null
        if (!has('told-not-drawn')) this.#draw()
      }
    },
})
