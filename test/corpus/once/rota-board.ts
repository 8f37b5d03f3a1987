import { Type } from 'caulker'
import { variants } from '../corpus.js'

interface Hand {
  id: string
  name: string
}

/** Who is on watch: hands are put on a list from a menu, taken off with a button of their own, and moved up; the list is held by ids. */
export const rotaBoard = variants({
  tag: 'rota-board',
  promise: {
    properties: {
      hands: {
        type: Type.Array(Type.Object({ id: Type.String(), name: Type.String() })),
        default: [],
        attribute: false,
      },
      places: { type: Type.Integer({ minimum: 0 }), default: 3 },
      closed: { type: Type.Boolean(), default: false },
    },
    values: {
      watch: {
        type: Type.Array(Type.String()),
        default: [],
        attribute: false,
        event: 'watch-moved',
        payloadAt: '/detail/watch',
        among: { list: 'hands', at: '/id', gone: 'kept' },
        reports: 'edit',
      },
    },
    commands: { reset: { effect: 'reset' } },
    readings: { free: { type: Type.Integer(), from: ['watch', 'places'] } },
    locks: { disabled: 'closed' },
  },
  faults: {
    'hands-of-the-mount': ['follows-change', 'choice-follows-list', 'shows-initial'],
    'places-of-the-mount': ['follows-change', 'readings-agree'],
    'free-of-the-last-edit': ['readings-agree'],
    'reports-its-own-list': ['fresh-payload', 'leaves-given-alone', 'reports-truth'],
    'moves-in-the-given-list': ['leaves-given-alone'],
    'taken-off-in-silence': ['reports-once', 'every-way-in'],
    'up-told-twice': ['reports-once'],
    'closed-menu-alone': ['locks-hold'],
    'listens-with-each-drawing': ['reports-once', 'survives-move', 'quiet-when-told'],
    'first-goes-up-to-the-end': ['reports-truth', 'reports-once', 'every-way-in'],
    'one-list-for-all': ['own-defaults', 'stands-alone'],
    'names-as-markup': ['text-stays-text'],
    'reset-of-what-is-held': ['resets-fully'],
    'watch-by-name': ['reports-truth', 'round-trip', 'sent-as-said', 'owner-decides'],
    'emptied-is-ignored': ['takes-empty'],
  },
  make: (has) => {
    const common: string[] = []

    return class extends HTMLElement {
      #hands: Hand[] = []
      #places = 3
      #closed = false
      #watch: string[] = has('one-list-for-all') ? common : []
      #first: { hands: Hand[]; places: number } | undefined
      #lastFree: number | undefined

      connectedCallback(): void {
        this.#first ??= { hands: this.#hands, places: this.#places }
        if (this.querySelector('ol') === null) {
          this.innerHTML = '<select aria-label="Put on"></select><ol></ol><p></p>'
          this.querySelector('select')!.addEventListener('change', (event) => {
            event.stopPropagation()
            const { value } = event.target as HTMLSelectElement
            if (value !== '' && this.free > 0) this.#edit([...this.#watch, value])
            else this.#draw()
          })
          this.querySelector('select')!.addEventListener('input', (event) => event.stopPropagation())
          if (!has('listens-with-each-drawing')) this.#listen()
        }
        this.#draw()
      }

      #listen(): void {
        this.querySelector('ol')!.addEventListener('click', (event) => {
          const button = (event.target as Element).closest('button')
          if (button === null || (this.#closed && !has('closed-menu-alone'))) return
          const at = Number(button.dataset['at'])
          if (button.dataset['do'] === 'off') this.#takeOff(at)
          else this.#up(at)
        })
      }

      #takeOff(at: number): void {
        const watch = this.#watch.filter((_, other) => other !== at)
        if (!has('taken-off-in-silence')) return this.#edit(watch)
        this.#watch = watch
        this.#draw()
      }

      #up(at: number): void {
        const watch = has('moves-in-the-given-list') ? this.#watch : [...this.#watch]
        const [moved] = watch.splice(at, 1)
        if (moved === undefined) return
        watch.splice(at === 0 && !has('first-goes-up-to-the-end') ? 0 : at - 1, 0, moved)
        if (at === 0 && !has('first-goes-up-to-the-end')) return
        this.#edit(watch)
        if (has('up-told-twice')) this.#say()
      }

      #edit(watch: string[]): void {
        this.#watch = watch
        this.#draw()
        this.#say()
      }
      #say(): void {
        this.#lastFree = this.#places - this.#watch.length
        const watch = has('watch-by-name') ? this.#watch.map((id) => this.#nameOf(id)) : this.#watch
        const detail = { watch: has('reports-its-own-list') ? watch : [...watch] }
        this.dispatchEvent(new CustomEvent('watch-moved', { detail }))
      }

      get #known(): Hand[] {
        return has('hands-of-the-mount') ? (this.#first?.hands ?? this.#hands) : this.#hands
      }
      #nameOf(id: string): string {
        return this.#known.find((hand) => hand.id === id)?.name ?? id
      }

      #draw(): void {
        const [menu, list, note] = [...this.children] as [HTMLSelectElement, HTMLElement, HTMLElement]
        if (list === undefined) return
        const others = this.#known.filter(({ id }) => !this.#watch.includes(id))
        menu.replaceChildren(new Option('—', ''), ...others.map(({ id, name }) => new Option(name, id)))
        menu.disabled = this.#closed
        list.replaceChildren(
          ...this.#watch.map((id, at) => {
            const entry = document.createElement('li')
            const name = this.#nameOf(id)
            if (has('names-as-markup')) entry.innerHTML = name
            else entry.textContent = name
            for (const [what, label] of [
              ['up', 'Up'],
              ['off', 'Off'],
            ] as const) {
              const button = entry.appendChild(document.createElement('button'))
              button.type = 'button'
              button.textContent = label
              button.setAttribute('aria-label', `${label}: ${name}`)
              button.dataset['do'] = what
              button.dataset['at'] = String(at)
              button.disabled = this.#closed && !has('closed-menu-alone')
            }
            return entry
          }),
        )
        if (has('listens-with-each-drawing')) this.#listen()
        const places = has('places-of-the-mount') ? (this.#first?.places ?? this.#places) : this.#places
        note.textContent = `${Math.max(0, places - this.#watch.length)} places left`
      }

      get hands(): Hand[] {
        return this.#hands
      }
      set hands(hands: Hand[] | undefined) {
        this.#hands = hands ?? []
        this.#draw()
      }
      get places(): number {
        return this.#places
      }
      set places(places: number | undefined) {
        this.#places = places ?? 3
        this.#draw()
      }
      get closed(): boolean {
        return this.#closed
      }
      set closed(closed: boolean | undefined) {
        this.#closed = closed ?? false
        this.#draw()
      }
      get watch(): string[] {
        return has('reports-its-own-list') || has('one-list-for-all') ? this.#watch : [...this.#watch]
      }
      set watch(watch: string[] | undefined) {
        if (has('emptied-is-ignored') && !watch?.length) return
        if (has('one-list-for-all')) this.#watch.splice(0, Infinity, ...(watch ?? []))
        else this.#watch = has('moves-in-the-given-list') ? (watch ?? []) : [...(watch ?? [])]
        this.#draw()
      }
      get free(): number {
        const free = this.#places - this.#watch.length
        return Math.max(0, has('free-of-the-last-edit') ? (this.#lastFree ?? free) : free)
      }
      reset(): void {
        if (this.#watch.length === 0) return
        this.#watch = []
        if (!has('reset-of-what-is-held')) this.#draw()
        this.#say()
      }
    } as never
  },
})
