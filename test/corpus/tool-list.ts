import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const DEFAULT: string[] = []

/** A list that is added to and taken from, drawn from an array that is never changed. */
export const toolList = variants({
  tag: 'tool-list',
  promise: {
    properties: { heading: { type: Type.String(), default: 'Tools' } },
    values: { tools: { type: Type.Array(Type.String()), default: [] } },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'one-default-for-all': ['own-defaults', 'stands-alone'],
    'pushes-into-given': ['leaves-given-alone', 'fresh-payload'],
    'sorts-what-is-given': ['leaves-given-alone'],
    'sends-what-was-given': ['fresh-payload', 'leaves-given-alone'],
    'empties-what-was-given': ['leaves-given-alone', 'fresh-payload', 'resets-fully'],
    'misses-the-last': ['reports-once', 'reports-truth', 'round-trip', 'every-way-in'],
    'listener-for-each-draw': ['reports-once', 'quiet-when-told'],
    'heading-as-html': ['text-stays-text'],
    'reports-count': ['reports-truth'],
    'late-timer': ['reports-once', 'reports-truth'],
  },
  make: (has) =>
    class extends HTMLElement {
      held: string[] = has('one-default-for-all') ? DEFAULT : []
      title_ = 'Tools'
      head = made('h3')
      list = made('ul')
      add = made('button', { type: 'button', textContent: 'Add a maul' })
      drop = made('button', { type: 'button', textContent: 'Take the last away' })

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.head, this.list, this.add, this.drop)
        this.add.onclick = () => this.grow(`maul ${this.held.length + 1}`)
        this.drop.onclick = () => this.shrink()
        this.draw()
      }

      grow(tool: string): void {
        const isShared = has('one-default-for-all') && this.held === DEFAULT
        if (isShared || has('pushes-into-given')) {
          this.held.push(tool)
          this.edit([...this.held])
        } else if (has('sends-what-was-given')) {
          this.held.push(tool)
          this.edit(this.held)
        } else this.edit([...this.held, tool])
      }

      shrink(): void {
        if (this.held.length > 0) this.edit(this.held.slice(0, -1))
      }

      edit(tools: string[]): void {
        if (!(has('one-default-for-all') && this.held === DEFAULT)) this.held = tools
        this.draw()
        if (has('misses-the-last') && tools.length === 0) return
        const send = () =>
          report(
            this,
            'tools-set',
            has('reports-count') ? tools.length : has('sends-what-was-given') ? tools : [...tools],
          )
        if (has('late-timer')) setTimeout(send, 3000)
        else send()
      }

      draw(): void {
        if (has('heading-as-html')) this.head.innerHTML = this.title_
        else this.head.textContent = this.title_
        const shown = has('sorts-what-is-given') ? this.held.sort().reverse() : this.held
        this.list.replaceChildren(...shown.map((tool) => made('li', { textContent: tool })))
        if (has('listener-for-each-draw'))
          this.drop.addEventListener('click', () => report(this, 'tools-set', this.held))
      }

      get tools(): string[] {
        return this.held
      }
      set tools(tools: string[] | undefined) {
        this.held = tools ?? []
        this.draw()
      }
      get heading(): string {
        return this.title_
      }
      set heading(heading: string | undefined) {
        this.title_ = heading ?? 'Tools'
        this.draw()
      }

      reset(): void {
        if (this.held.length === 0) return
        if (has('empties-what-was-given')) {
          this.held.length = 0
          this.edit(this.held)
        } else this.edit([])
      }
    },
})
