import { Type } from 'caulker'
import { made, variants } from './corpus.js'

interface Hold {
  id: string
  name: string
  parts: { id: string; name: string }[]
}
const Named = { id: Type.String(), name: Type.String() }

/** What is stowed: holds with their parts, each with a box, and a box for all parts of a hold; a hold can be folded. */
export const holdTree = variants({
  tag: 'hold-tree',
  promise: {
    properties: {
      holds: {
        type: Type.Array(Type.Object({ ...Named, parts: Type.Array(Type.Object(Named)) })),
        default: [],
        attribute: false,
        samples: [
          [
            {
              id: 'fore',
              name: 'Fore hold',
              parts: [
                { id: 'rope', name: 'Rope' },
                { id: 'a b', name: 'Tar' },
              ],
            },
            { id: 'aft', name: 'Aft hold', parts: [{ id: 'oars', name: 'Oars' }] },
          ],
          [
            {
              id: 'mid',
              name: 'Mid hold',
              parts: [
                { id: 'rope', name: 'Old rope' },
                { id: 'oars', name: 'Oars' },
              ],
            },
          ],
        ],
      },
      closed: { type: Type.Boolean(), default: false },
      title: { type: Type.String(), default: 'Stowed' },
    },
    values: {
      stowed: {
        type: Type.Array(Type.String(), { uniqueItems: true }),
        default: [],
        attribute: false,
        event: 'stow-change',
        payloadAt: '/detail',
        samples: [['rope'], ['oars', 'a b'], ['rope', 'oars']],
      },
    },
    commands: { empty: { effect: 'reset', reports: false } },
    locks: { readonly: 'closed' },
  },
  faults: {
    'all-in-silence': ['reports-once', 'every-way-in'],
    'all-twice-over': ['reports-truth'],
    'holds-of-the-mount': ['follows-change'],
    'writes-in-the-given': ['leaves-given-alone'],
    'fold-forgets': ['shown-when-unfolded', 'shows-initial', 'follows-change', 'reports-once', 'quiet-when-told'],
    'closed-but-all': ['locks-hold'],
    'names-as-markup': ['text-stays-text'],
    'one-set-for-all': ['own-defaults', 'stands-alone'],
    'all-box-of-last-edit': ['follows-change', 'reports-once'],
    'id-in-a-selector': ['follows-change', 'round-trip', 'shows-initial'],
    'empty-leaves-boxes': ['resets-fully'],
    'empty-reports': ['quiet-when-told', 'resets-fully'],
    'gone-are-dropped-in-silence': ['round-trip', 'quiet-when-told', 'any-order', 'follows-change'],
    'title-of-the-mount': ['follows-change'],
    'told-adds': ['follows-change', 'round-trip', 'takes-empty'],
    'fold-reports': ['reports-once', 'quiet-when-told'],
    'title-stands-while-folded': ['follows-change'],
  },
  make: (has) => {
    const common: string[] = []
    return class extends HTMLElement {
      #holds: Hold[] = []
      #closed = false
      #title = 'Stowed'
      #stowed: string[] = has('one-set-for-all') ? common : []
      #folded = new Set<string>()
      #isReady = false
      #drawn: Hold[] | undefined

      connectedCallback(): void {
        if (!this.#isReady) {
          this.#isReady = true
          this.append(made('h4'), made('ul'))
          this.addEventListener('change', (event) => this.#changed(event))
          this.addEventListener('click', (event) => {
            const button = (event.target as Element).closest('button')
            if (button !== null) this.#fold(button.dataset['fold']!)
          })
          this.#build()
        }
        this.#draw()
      }

      #changed(event: Event): void {
        const box = event.target as HTMLInputElement
        if (this.#closed && !(has('closed-but-all') && box.dataset['all'] !== undefined)) return this.#draw()
        const all = box.dataset['all']
        const ids =
          all === undefined ? [box.value] : this.#holds.find(({ id }) => id === all)!.parts.map(({ id }) => id)
        const base = this.#stowed
        const without = has('all-twice-over') && box.checked ? base : base.filter((id) => !ids.includes(id))
        const next = box.checked ? [...without, ...ids] : without
        if (has('writes-in-the-given')) this.#stowed.splice(0, Infinity, ...next)
        else this.#stowed = next
        this.#draw(true)
        if (all === undefined || !has('all-in-silence')) this.#say()
      }
      #say(): void {
        const detail = [...this.#stowed]
        this.dispatchEvent(new CustomEvent('stow-change', { detail }))
      }
      #fold(id: string): void {
        if (!this.#folded.delete(id)) this.#folded.add(id)
        const isFolded = this.#folded.has(id)
        if (has('fold-forgets') && !isFolded) this.#build()
        if (has('fold-reports')) this.#say()
        this.#draw(true, has('fold-forgets'))
      }

      #build(): void {
        const holds = has('holds-of-the-mount') && this.#drawn?.length ? this.#drawn : this.#holds
        this.#drawn = holds
        this.querySelector('ul')!.replaceChildren(
          ...holds.map(({ id, name, parts }) => {
            const entry = made('li')
            const fold = made('button', { type: 'button', textContent: 'Fold' })
            fold.dataset['fold'] = id
            fold.setAttribute('aria-label', `Fold ${name}`)
            const all = made('input', { type: 'checkbox' })
            all.dataset['all'] = id
            all.setAttribute('aria-label', `All of ${name}`)
            const head = made('b')
            if (has('names-as-markup')) head.innerHTML = name
            else head.textContent = name
            const list = made('div')
            for (const part of parts) {
              const label = made('label')
              label.append(made('input', { type: 'checkbox', value: part.id }), part.name)
              list.append(label)
            }
            entry.append(fold, all, head, list)
            return entry
          }),
        )
      }
      #draw(isEdit = false, keepsBoxes = false): void {
        if (!this.#isReady) return
        const [heading, list] = [...this.children] as [HTMLElement, HTMLElement]
        const isHeld = has('title-stands-while-folded') && this.#folded.size > 0
        if ((!has('title-of-the-mount') && !isHeld) || heading.textContent === '') heading.textContent = this.#title
        for (const entry of list.children) {
          const id = entry.querySelector<HTMLElement>('[data-all]')!.dataset['all']!
          const isFolded = this.#folded.has(id)
          const parts = entry.querySelector('div')!
          parts.hidden = isFolded
          entry.querySelector('button')!.setAttribute('aria-expanded', String(!isFolded))
          const boxes = [...parts.querySelectorAll('input')]
          if (!keepsBoxes) {
            if (has('id-in-a-selector')) {
              for (const box of boxes) box.checked = false
              for (const one of this.#stowed) {
                const box = parts.querySelector<HTMLInputElement>(`[value=${one}]`)
                if (box !== null) box.checked = true
              }
            } else for (const box of boxes) box.checked = this.#stowed.includes(box.value)
          }
          for (const box of boxes) box.disabled = this.#closed
          const all = entry.querySelector<HTMLInputElement>('[data-all]')!
          all.disabled = this.#closed && !has('closed-but-all')
          if (!isEdit && has('all-box-of-last-edit')) continue
          const count = boxes.filter(({ value }) => this.#stowed.includes(value)).length
          all.checked = count > 0 && count === boxes.length
          all.indeterminate = count > 0 && count < boxes.length
        }
      }

      get holds(): Hold[] {
        return this.#holds
      }
      set holds(holds: Hold[] | undefined) {
        this.#holds = holds ?? []
        if (has('gone-are-dropped-in-silence')) {
          const ids = this.#holds.flatMap(({ parts }) => parts.map(({ id }) => id))
          this.#stowed = this.#stowed.filter((id) => ids.includes(id))
        }
        if (this.#isReady) this.#build()
        this.#draw()
      }
      get closed(): boolean {
        return this.#closed
      }
      set closed(closed: boolean | undefined) {
        this.#closed = closed ?? false
        this.#draw()
      }
      override get title(): string {
        return this.#title
      }
      override set title(title: string | undefined) {
        this.#title = title ?? 'Stowed'
        this.#draw()
      }
      get stowed(): string[] {
        return has('one-set-for-all') ? this.#stowed : [...this.#stowed]
      }
      set stowed(stowed: string[] | undefined) {
        if (has('told-adds')) this.#stowed = [...new Set([...this.#stowed, ...(stowed ?? [])])]
        else if (has('one-set-for-all')) this.#stowed.splice(0, Infinity, ...(stowed ?? []))
        else this.#stowed = has('writes-in-the-given') ? (stowed ?? []) : [...(stowed ?? [])]
        this.#draw()
      }
      empty(): void {
        this.#stowed = []
        if (!has('empty-leaves-boxes')) this.#draw()
        if (has('empty-reports')) this.#say()
      }
    } as never
  },
})
