import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** Names in a list: typed and added by a button, moved up and removed one by one. Every change makes a new array. */
export const crewList = variants({
  tag: 'crew-list',
  promise: {
    properties: { label: { type: Type.String(), default: 'Crew' } },
    values: { crew: { type: Type.Array(Type.String({ minLength: 1 })), default: [], reports: 'commit' } },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'no-clearing': ['takes-empty'],
    'remove-unreported': ['reports-once'],
    'count-stale': ['follows-change', 'reports-truth'],
    'name-payload': ['reports-truth'],
    'empty-lines': ['shows-initial'],
    'reset-keeps-draft': ['resets-fully'],
    'adds-on-tell': ['quiet-when-told'],
    'one-behind': ['reports-truth'],
    'up-goes-down': ['edits-stand'],
    'up-removes': ['edits-stand'],
  },
  make: (has) =>
    class extends HTMLElement {
      #crew: readonly string[] = []
      #label = 'Crew'
      readonly #field = made('input', { placeholder: 'Name' })
      readonly #title = made('h3')
      readonly #list = made('ul')

      constructor() {
        super()
        const add = made('button', { type: 'button', textContent: 'Add' })
        add.onclick = () => this.#add()
        this.#field.onkeydown = ({ key }) => {
          if (key === 'Enter') this.#add()
        }
        this.attachShadow({ mode: 'open' }).append(this.#title, this.#list, this.#field, add)
        this.#draw()
      }

      #add(): void {
        const name = this.#field.value.trim()
        this.#field.value = ''
        if (name !== '') this.#take([...this.#crew, name], has('name-payload') ? name : undefined)
      }

      #take(crew: readonly string[], payload?: unknown): void {
        const before = this.#crew
        this.#crew = crew
        this.#draw()
        if (crew.length < before.length && has('remove-unreported')) return
        report(this, 'crew-set', payload ?? (has('one-behind') ? before : [...crew]))
      }

      #draw(): void {
        this.#title.textContent =
          has('count-stale') && this.isConnected ? this.#title.textContent : `${this.#label}: ${this.#crew.length}`
        this.#list.replaceChildren(
          ...this.#crew.map((name, at) => {
            const remove = made('button', { type: 'button', textContent: 'Remove' })
            remove.onclick = () => this.#take(this.#crew.filter((_, other) => other !== at))
            const up = made('button', { type: 'button', textContent: 'Up', disabled: at === 0 })
            const to = has('up-goes-down') ? at + 2 : at - 1
            const others = this.#crew.filter((_, other) => other !== at)
            up.onclick = () =>
              this.#take(has('up-removes') ? others : [...others.slice(0, to), name, ...others.slice(to)])
            const item = made('li')
            if (!has('empty-lines')) item.append(name, up, remove)
            return item
          }),
        )
      }

      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? 'Crew'
        this.#draw()
      }

      get crew(): readonly string[] {
        return this.#crew
      }
      set crew(crew: readonly string[] | undefined) {
        if (has('no-clearing') && (crew ?? []).length === 0) return
        this.#crew = [...(crew ?? [])]
        this.#draw()
        if (has('adds-on-tell') && this.isConnected) report(this, 'crew-set', [...this.#crew])
      }

      reset(): void {
        if (!has('reset-keeps-draft')) this.#field.value = ''
        if (this.#crew.length > 0) this.#take([])
      }
    },
})
