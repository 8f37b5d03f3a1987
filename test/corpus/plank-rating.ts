import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const MARKS = [1, 2, 3, 4, 5]

/** Five buttons that show a rating; pressed again, the last one takes it back. Rendered from one function of its state. */
export const plankRating = variants({
  tag: 'plank-rating',
  promise: {
    required: ['plank'],
    properties: {
      plank: { type: Type.String() },
      best: { type: Type.Integer({ minimum: 0, maximum: 5 }), default: 5 },
    },
    values: {
      rating: { type: Type.Integer({ minimum: 0, maximum: 5 }), default: 0, bounds: { least: 0, most: 'best' } },
    },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'zero-best-ignored': ['keeps-falsy', 'stays-within'],
    'rating-beyond-best': ['stays-within'],
    'taking-back-unreported': ['reports-once'],
    'stale-plank': ['follows-change'],
    'pressed-one-short': ['every-way-in'],
    doubled: ['reports-once'],
    'zero-kept-old': ['keeps-falsy', 'takes-empty'],
    'reset-draws-nothing': ['resets-fully'],
    'wrong-by-one': ['reports-truth'],
  },
  make: (has) =>
    class extends HTMLElement {
      #state: { readonly plank: string; readonly best: number; readonly rating: number } = {
        plank: '',
        best: 5,
        rating: 0,
      }
      #plankAtFirst: string | undefined

      connectedCallback(): void {
        this.#render()
      }

      #set(changes: Partial<{ plank: string; best: number; rating: number }>, isDrawn = true): void {
        const next = { ...this.#state, ...changes }
        const best = has('zero-best-ignored') ? next.best || 5 : next.best
        this.#state = {
          ...next,
          rating: has('rating-beyond-best') ? next.rating : Math.max(0, Math.min(best, next.rating)),
        }
        if (this.isConnected && isDrawn) this.#render()
      }

      #pressed(mark: number): void {
        const before = this.#state.rating
        const rating = mark === before ? mark - 1 : mark
        this.#set({ rating })
        if (this.#state.rating === before || (rating < mark && has('taking-back-unreported'))) return
        report(this, 'rating-set', has('wrong-by-one') ? this.#state.rating - 1 : this.#state.rating)
        if (has('doubled')) report(this, 'rating-set', this.#state.rating)
      }

      #render(): void {
        const { plank, rating, best } = this.#state
        this.#plankAtFirst ??= plank
        const title = made('h3', {
          textContent: `${has('stale-plank') ? this.#plankAtFirst : plank}: ${rating} of ${best}`,
        })
        const buttons = MARKS.map((mark) => {
          const button = made('button', {
            type: 'button',
            textContent: String(mark),
            onclick: () => this.#pressed(mark),
          })
          button.setAttribute('aria-pressed', String(has('pressed-one-short') ? mark < rating : mark <= rating))
          return button
        })
        this.replaceChildren(title, ...buttons)
      }

      get plank(): string {
        return this.#state.plank
      }
      set plank(plank: string) {
        this.#set({ plank })
      }
      get best(): number {
        return this.#state.best
      }
      set best(best: number | undefined) {
        this.#set({ best: best ?? 5 })
      }
      get rating(): number {
        return this.#state.rating
      }
      set rating(rating: number | undefined) {
        if (!has('zero-kept-old') || rating) this.#set({ rating: rating ?? 0 })
      }

      reset(): void {
        const before = this.#state.rating
        this.#set({ rating: 0 }, !has('reset-draws-nothing'))
        if (before !== 0) report(this, 'rating-set', 0)
      }
    },
})
