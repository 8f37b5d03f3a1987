import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** Lines for a log, written one below the other. */
export const logLines = variants({
  tag: 'log-lines',
  promise: {
    values: { lines: { type: Type.Array(Type.String()), default: [], reports: 'commit' } },
  },
  faults: {
    'joined-by-commas': ['round-trip', 'every-way-in', 'reports-truth'],
    'last-line-lost': ['round-trip', 'every-way-in', 'reports-truth'],
  },
  make: (has) =>
    class extends HTMLElement {
      #lines: string[] = []
      readonly #area = made('textarea', { ariaLabel: 'Log' })
      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#area)
        this.#area.onchange = () => {
          const written = this.#area.value.split('\n').map((line) => line.trim())
          const all = written.filter((line) => line !== '')
          const next = has('last-line-lost') && all.length > 1 ? all.slice(0, -1) : all
          const isOther = next.join('\n') !== this.#lines.join('\n')
          this.lines = next
          if (isOther) report(this, 'lines-set', [...next])
        }
      }
      get lines() {
        return [...this.#lines]
      }
      set lines(lines: readonly string[] | undefined) {
        this.#lines = [...(lines ?? [])]
        this.#area.value = this.#lines.join(has('joined-by-commas') ? ', ' : '\n')
      }
    },
})
