import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A page out of some, to which its owner may go. */
export const pageGo = variants({
  tag: 'page-go',
  promise: {
    properties: { pages: { type: Type.Integer({ minimum: 1 }), default: 5 } },
    values: {
      page: { type: Type.Integer({ minimum: 1 }), default: 1, bounds: { least: 1, most: 'pages' }, outside: 'clamp' },
    },
    commands: {
      goTo: { takes: Type.Integer(), reports: true },
      left: { gives: Type.Integer() },
      first: { reports: false },
    },
  },
  faults: {
    'goes-to-the-next': ['commands-present'],
    'goes-beyond': ['stays-within'],
    'goes-unheard': ['commands-present'],
    'left-is-a-text': ['commands-present'],
    'first-is-heard': ['quiet-when-told'],
    'first-shows-the-old': ['commands-present'],
    'goes-and-shows-the-old': ['commands-present'],
  },
  make: (has) =>
    class extends HTMLElement {
      #pages = 5
      #page = 1
      readonly #back = made('button', { type: 'button', textContent: '‹', ariaLabel: 'back' })
      readonly #on = made('button', { type: 'button', textContent: '›', ariaLabel: 'on' })
      readonly #said = made('output')
      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.#back, this.#said, this.#on)
        this.#back.onclick = () => this.#turn(this.#page - 1)
        this.#on.onclick = () => this.#turn(this.#page + 1)
      }
      connectedCallback(): void {
        this.#draw()
      }
      #bring(page: number): number {
        return Math.max(1, Math.min(this.#pages, page))
      }
      #turn(page: number): void {
        this.#page = this.#bring(page)
        this.#draw()
        report(this, 'page-set', this.#page)
      }
      #draw(): void {
        this.#said.value = `${this.#page} of ${this.#pages}`
        this.#back.disabled = this.#page === 1
        this.#on.disabled = this.#page === this.#pages
      }
      goTo(page: number): void {
        const next = has('goes-to-the-next')
          ? this.#bring(this.#page + 1)
          : has('goes-beyond')
            ? page
            : this.#bring(page)
        if (next === this.#page) return
        this.#page = next
        if (!has('goes-and-shows-the-old')) this.#draw()
        if (!has('goes-unheard')) report(this, 'page-set', this.#page)
      }
      left(): number | string {
        const left = this.#pages - this.#page
        return has('left-is-a-text') ? String(left) : left
      }
      first(): void {
        const was = this.#page
        this.#page = 1
        if (!has('first-shows-the-old')) this.#draw()
        if (has('first-is-heard') && was !== 1) report(this, 'page-set', 1)
      }
      get pages() {
        return this.#pages
      }
      set pages(pages: number | undefined) {
        this.#pages = pages ?? 5
        this.#page = this.#bring(this.#page)
        this.#draw()
      }
      get page() {
        return this.#page
      }
      set page(page: number | undefined) {
        this.#page = this.#bring(page ?? 1)
        this.#draw()
      }
      static observedAttributes = ['page', 'pages']
      attributeChangedCallback(name: 'page' | 'pages', _: string | null, value: string | null): void {
        this[name] = value === null || !/^\d+$/.test(value) ? undefined : Number(value)
      }
    },
})
