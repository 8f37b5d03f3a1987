import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'
/** The sails on deck: each a word that is typed and added with Enter or a comma. */
export const sailTags = variants({
  tag: 'sail-tags',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      most: { type: Type.Integer(), default: 6 },
      off: { type: Type.Boolean(), default: false },
    },
    values: { sails: { type: Type.Array(Type.String()), default: [] } },
    commands: { reset: { effect: 'reset' }, focus: { effect: 'focus' } },
    locks: { disabled: 'off' },
  },
  faults: {
    'added-twice': ['edits-stand'],
    'same-array': ['fresh-payload', 'leaves-given-alone', 'reports-once'],
    'removes-the-next': ['edits-stand', 'reports-truth', 'follows-change'],
    'told-pushes-on': ['follows-change', 'takes-empty'],
    'enter-submits': ['no-accidental-submit', 'every-way-in'],
    'removed-silently': ['reports-once', 'reports-truth'],
    'cross-when-off': ['locks-hold'],
    'reset-leaves-the-draft': ['resets-fully'],
    'label-of-the-mount': ['follows-change', 'named-by-label'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #most = 6
      #off = false
      #sails: string[] = []
      #wrap = made('label')
      #name = made('span')
      #list = made('ul')
      #field = made('input', { type: 'text' })
      #built = false
      connectedCallback() {
        if (this.#built) return this.#draw()
        this.#built = true
        this.#wrap.append(this.#name, this.#field)
        this.append(this.#wrap, this.#list)
        if (has('label-of-the-mount')) this.#name.textContent = this.#label
        for (const type of ['input', 'change']) this.#field.addEventListener(type, (event) => event.stopPropagation())
        this.#field.addEventListener('keydown', (event) => {
          if (event.isComposing) return
          if (event.key === 'Enter' || event.key === ',') {
            if (!(has('enter-submits') && event.key === 'Enter')) event.preventDefault()
            this.#add()
          } else if (event.key === 'Backspace' && this.#field.value === '' && this.#sails.length > 0) {
            event.preventDefault()
            this.#take(this.#sails.slice(0, -1))
          }
        })
        this.#list.addEventListener('click', (event) => {
          const button = (event.target as HTMLElement).closest('button')
          if (button === null || (this.#off && !has('cross-when-off'))) return
          const at = [...this.#list.querySelectorAll('button')].indexOf(button) + (has('removes-the-next') ? 1 : 0)
          const next = this.#sails.filter((_, one) => one !== at)
          if (has('removed-silently')) {
            this.#sails = next
            this.#draw()
          } else this.#take(next)
        })
        this.#draw()
      }
      #add() {
        const word = this.#field.value.trim()
        if (word === '' || this.#sails.includes(word) || this.#sails.length >= this.#most) return
        this.#field.value = ''
        if (has('same-array')) {
          this.#sails.push(word)
          this.#draw()
          report(this, 'sails-set', this.#sails)
          return
        }
        this.#take(has('added-twice') ? [...this.#sails, word, word] : [...this.#sails, word])
      }
      #take(next: string[]) {
        if (next.length === this.#sails.length && next.every((one, at) => one === this.#sails[at])) return
        this.#sails = next
        this.#draw()
        report(this, 'sails-set', [...next])
      }
      #draw() {
        if (!this.#built) return
        if (!has('label-of-the-mount')) this.#name.textContent = this.#label
        this.#field.disabled = this.#off
        this.#field.placeholder = this.#sails.length >= this.#most ? 'No more room' : 'One more sail'
        this.#list.replaceChildren(
          ...this.#sails.map((sail) => {
            const item = made('li', { textContent: `${sail} ` })
            item.append(
              made('button', {
                type: 'button',
                textContent: '×',
                ariaLabel: `without ${sail}`,
                disabled: this.#off && !has('cross-when-off'),
              }),
            )
            return item
          }),
        )
      }
      get label() {
        return this.#label
      }
      set label(v: string | undefined) {
        this.#label = v ?? ''
        this.#draw()
      }
      get most() {
        return this.#most
      }
      set most(v: number | undefined) {
        this.#most = v ?? 6
        this.#draw()
      }
      get off() {
        return this.#off
      }
      set off(v: boolean | undefined) {
        this.#off = v ?? false
        this.#draw()
      }
      get sails() {
        return [...this.#sails]
      }
      set sails(v: string[] | undefined) {
        this.#sails = has('told-pushes-on') ? [...new Set([...this.#sails, ...(v ?? [])])] : [...(v ?? [])]
        this.#draw()
      }
      reset() {
        if (!has('reset-leaves-the-draft')) this.#field.value = ''
        this.#take([])
      }
      override focus() {
        this.#field.focus()
      }
    } as never,
})
