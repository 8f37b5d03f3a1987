import { Type } from 'caulker'
import { variants } from './corpus.js'

/** Which leaf of the yard book is open: a button for each, and one forth and back. */
export const pageTurner = variants({
  tag: 'page-turner',
  promise: {
    properties: {
      leaves: { type: Type.Integer({ minimum: 1, maximum: 9 }), default: 3 },
      name: { type: Type.String(), default: 'Leaves' },
    },
    values: {
      leaf: {
        type: Type.Integer(),
        default: 1,
        bounds: { least: 1, most: 'leaves' },
        event: 'leaf-turned',
        payloadAt: '/detail/leaf',
        carries: { '/detail/of': 'leaves' },
        bubbles: true,
      },
    },
    commands: { first: { effect: 'reset' } },
  },
  faults: {
    'leaves-of-the-mount': ['follows-change'],
    'current-by-click': ['resets-fully', 'follows-change', 'owner-decides', 'shows-initial', 'reports-truth'],
    'forth-past-the-end': ['stays-within'],
    'shrinks-and-stays': ['stays-within', 'follows-change'],
    'same-leaf-reports': ['reports-once'],
    'forth-counts-own': ['follows-change', 'owner-decides', 'reports-once'],
    'counted-from-nought': ['reports-truth'],
    'of-one-too-few': ['sent-as-said'],
    'of-the-mount': ['sent-as-said'],
    'first-in-silence': ['resets-fully'],
    'told-turns': ['quiet-when-told'],
    'sends-no-bubble': ['sent-as-said'],
    'buttons-submit': ['no-accidental-submit'],
    'name-of-the-mount': ['follows-change', 'named-by-label'],
    'drawn-twice-when-moved': ['survives-move'],
    'back-at-first-wraps': ['stays-within', 'true-steps'],
  },
  make: (has) =>
    class extends HTMLElement {
      static observedAttributes = ['leaves', 'name', 'leaf']
      #leaves = 3
      #first: number | undefined
      #drawn = 0
      #name = 'Leaves'
      #leaf = 1
      #own = 1
      #isReady = false
      #clicked = 1

      connectedCallback(): void {
        if (!this.#isReady || has('drawn-twice-when-moved')) {
          this.insertAdjacentHTML('beforeend', '<nav><button>‹</button><span></span><button>›</button></nav>')
          const [back, forth] = [...this.lastElementChild!.querySelectorAll('button')] as HTMLElement[] as [
            HTMLElement,
            HTMLElement,
          ]
          back.setAttribute('aria-label', 'Back')
          forth.setAttribute('aria-label', 'Forth')
          const from = () => (has('forth-counts-own') ? this.#own : this.#leaf)
          back.addEventListener('click', () => this.#turn(from() - 1))
          forth.addEventListener('click', () => this.#turn(from() + 1, !has('forth-past-the-end')))
          this.lastElementChild!.querySelector('span')!.addEventListener('click', (event) => {
            const button = (event.target as Element).closest('button')
            if (button === null) return
            this.#clicked = Number(button.textContent)
            this.#turn(this.#clicked)
          })
        }
        if (!this.#isReady) this.#own = this.#leaf
        this.#first ??= this.#leaves
        this.#isReady = true
        this.#bringIn()
      }
      attributeChangedCallback(name: 'leaf', _: string | null, to: string | null): void {
        const own = this as unknown as Record<string, unknown>
        own[name] = to === null ? undefined : name === ('name' as string) ? to : Number(to)
      }

      #turn(to: number, isWithin = true): void {
        let leaf = isWithin ? Math.min(Math.max(to, 1), this.#leaves) : to
        if (has('back-at-first-wraps') && to === 0) leaf = this.#leaves + 1
        if (leaf === this.#leaf && !has('same-leaf-reports')) return
        this.#leaf = leaf
        this.#own = leaf
        this.#draw()
        this.#say()
      }
      #say(): void {
        const detail = {
          leaf: has('counted-from-nought') ? this.#leaf - 1 : this.#leaf,
          of: has('of-the-mount') ? this.#first : has('of-one-too-few') ? this.#leaves - 1 : this.#leaves,
        }
        this.dispatchEvent(new CustomEvent('leaf-turned', { detail, bubbles: !has('sends-no-bubble') }))
      }
      #bringIn(): void {
        if (this.#isReady && !has('shrinks-and-stays')) this.#leaf = Math.min(Math.max(this.#leaf, 1), this.#leaves)
        this.#draw()
      }
      #draw(): void {
        if (!this.#isReady) return
        const nav = this.querySelector('nav')!
        if (!has('name-of-the-mount') || !nav.hasAttribute('aria-label')) nav.setAttribute('aria-label', this.#name)
        const all = nav.querySelector('span')!
        const count = has('leaves-of-the-mount') && this.#drawn > 0 ? this.#drawn : this.#leaves
        this.#drawn = count
        while (all.children.length > count) all.lastElementChild!.remove()
        while (all.children.length < count) {
          const button = all.appendChild(document.createElement('button'))
          button.textContent = String(all.children.length)
        }
        for (const button of nav.querySelectorAll('button')) if (!has('buttons-submit')) button.type = 'button'
        const at = has('current-by-click') ? this.#clicked : this.#leaf
        ;[...all.children].forEach((button, index) => {
          if (index + 1 === at) button.setAttribute('aria-current', 'page')
          else button.removeAttribute('aria-current')
          button.classList.toggle('open', index + 1 === at)
          ;(button as HTMLElement).style.fontWeight = index + 1 === at ? 'bold' : ''
        })
      }

      get leaves(): number {
        return this.#leaves
      }
      set leaves(leaves: number | undefined) {
        this.#leaves = leaves ?? 3
        this.#bringIn()
      }
      get name(): string {
        return this.#name
      }
      set name(name: string | undefined) {
        this.#name = name ?? 'Leaves'
        this.#draw()
      }
      get leaf(): number {
        return this.#leaf
      }
      set leaf(leaf: number | undefined) {
        const before = this.#leaf
        this.#leaf = leaf ?? 1
        this.#bringIn()
        if (has('told-turns') && this.#isReady && before !== this.#leaf) this.#say()
      }
      first(): void {
        if (!has('first-in-silence')) return this.#turn(1)
        this.#leaf = 1
        this.#draw()
      }
    } as never,
})
