import { host, Type } from 'caulker'
import { made, variants } from './corpus.js'

const FileType = host('File')

/** Papers that go with a rope: files, each of which can be taken out again. */
export const ropePapers = variants({
  tag: 'rope-papers',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      most: { type: Type.Integer({ minimum: 0 }), default: 3 },
      sealed: { type: Type.Boolean(), default: false },
    },
    values: {
      papers: {
        type: Type.Array(FileType),
        default: [],
        attribute: false,
        event: 'papers-laid',
        payloadAt: '/detail/papers',
      },
    },
    commands: { drop: { effect: 'reset', reports: false } },
    locks: { disabled: 'sealed' },
  },
  faults: {
    'take-out-takes-the-first': ['edits-stand'],
    'take-out-unheard': ['reports-once'],
    'take-out-when-sealed': ['locks-hold'],
    'pushes-into-the-given': ['leaves-given-alone'],
    'told-not-drawn': ['follows-change'],
    'told-empty-not-drawn': ['takes-empty', 'follows-change'],
    'same-file-again-unheard': ['reports-once', 'resets-fully'],
    'reports-names': ['reports-truth'],
    'drop-keeps-the-list': ['resets-fully'],
    'label-once': ['follows-change', 'named-by-label'],
    'same-array-each-time': ['fresh-payload', 'leaves-given-alone'],
    'reports-on-tell': ['quiet-when-told'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #most = 3
      #sealed = false
      #papers: File[] = []
      #wrap = made('label')
      #name = made('span')
      #field = made('input', { type: 'file', multiple: true })
      #list = made('ul')
      #there = false
      connectedCallback() {
        if (!this.#there) {
          this.#there = true
          this.#wrap.append(this.#name, this.#field)
          this.append(this.#wrap, this.#list)
          this.#field.addEventListener('change', (event) => {
            event.stopPropagation()
            const files = [...(this.#field.files ?? [])]
            if (!has('same-file-again-unheard')) this.#field.value = ''
            if (files.length === 0) return
            if (has('pushes-into-the-given') || has('same-array-each-time')) {
              this.#papers.push(...files)
              this.#draw()
              return this.#say()
            }
            if (this.#papers.length >= this.#most) return
            this.#papers = [...this.#papers, ...files].slice(0, this.#most)
            this.#draw()
            this.#say()
          })
          this.#field.addEventListener('input', (event) => event.stopPropagation())
        }
        this.#draw()
      }
      #say() {
        const papers = has('reports-names')
          ? this.#papers.map(({ name }) => name)
          : has('same-array-each-time')
            ? this.#papers
            : [...this.#papers]
        this.dispatchEvent(new CustomEvent('papers-laid', { detail: { papers } }))
      }
      #draw() {
        if (!this.#there) return
        if (!(has('label-once') && this.#name.textContent !== '')) this.#name.textContent = this.#label
        this.#field.disabled = this.#sealed
        this.#list.replaceChildren(
          ...this.#papers.map((paper, at) => {
            const item = made('li', { textContent: `${paper.name} ` })
            const out = made('button', {
              type: 'button',
              textContent: 'take out',
              disabled: this.#sealed && !has('take-out-when-sealed'),
            })
            out.setAttribute('aria-label', `take out ${paper.name}`)
            out.addEventListener('click', () => {
              this.#papers = this.#papers.filter((_, other) => other !== (has('take-out-takes-the-first') ? 0 : at))
              this.#draw()
              if (!has('take-out-unheard')) this.#say()
            })
            item.append(out)
            return item
          }),
        )
      }
      get label() {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? ''
        this.#draw()
      }
      get most() {
        return this.#most
      }
      set most(most: number | undefined) {
        this.#most = most ?? 3
      }
      get sealed() {
        return this.#sealed
      }
      set sealed(sealed: boolean | undefined) {
        this.#sealed = sealed ?? false
        this.#draw()
      }
      get papers() {
        return has('pushes-into-the-given') || has('same-array-each-time') ? this.#papers : [...this.#papers]
      }
      set papers(papers: File[] | undefined) {
        this.#papers = has('pushes-into-the-given') ? (papers ?? []) : [...(papers ?? [])]
        if (this.#there && (has('told-not-drawn') || (has('told-empty-not-drawn') && this.#papers.length === 0))) return
        this.#draw()
        if (this.#there && has('reports-on-tell')) this.#say()
      }
      drop() {
        this.#papers = []
        if (!has('drop-keeps-the-list')) this.#draw()
      }
    } as never,
})
