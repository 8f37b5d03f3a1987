import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

interface Berth {
  code: string
  name: string
}
const BERTHS: Berth[] = [
  { code: 'n1', name: 'North one' },
  { code: 'n2', name: 'North two' },
  { code: 's1', name: 'South one' },
]

/** One of many berths, found by typing: a field with a list below it. */
export const berthFind = variants({
  tag: 'berth-find',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      berths: {
        type: Type.Array(Type.Object({ code: Type.String({ minLength: 1 }), name: Type.String({ minLength: 1 }) })),
        default: BERTHS,
        attribute: false,
        samples: [
          [
            { code: 's1', name: 'South quay one' },
            { code: 'w9', name: 'West nine' },
          ],
          [
            { code: 'n2', name: 'North two' },
            { code: 'e3', name: 'East three' },
          ],
        ],
      },
      shut: { type: Type.Boolean(), default: false },
    },
    values: {
      berth: {
        type: Type.Union([Type.String(), Type.Null()]),
        default: null,
        empty: null,
        event: 'berth-set',
        attribute: false,
        among: { list: 'berths', at: '/code', gone: 'kept' },
        samples: ['n1', 's1', 'n2'],
      },
    },
    commands: { look: { effect: 'focus' }, drop: { effect: 'reset', reports: false } },
    locks: { disabled: 'shut' },
  },
  faults: {
    'left-text-stays': ['every-way-in', 'ignores-unreadable', 'edits-stand'],
    'cleared-in-silence': ['reports-once', 'every-way-in', 'emptied-as-said'],
    'name-not-renewed': ['follows-change', 'choice-follows-list'],
    'escape-chooses': ['given-up', 'no-strays', 'reports-once', 'edits-stand'],
    'click-too-late': ['every-way-in'],
    'enter-twice': ['reports-once'],
    'shut-but-keys': ['locks-hold'],
    'drop-keeps-text': ['resets-fully'],
    'null-keeps-text': ['takes-empty'],
  },
  make: (has) =>
    class extends HTMLElement {
      static observedAttributes = ['label', 'shut']
      #label = ''
      #berths = BERTHS
      #shut = false
      #berth: string | null = null
      #open = false
      #at = -1
      #text = made('span')
      #name = made('label')
      #field = made('input', { autocomplete: 'off' })
      #list = made('ul')
      constructor() {
        super()
        const id = `berths-${Math.random().toString(36).slice(2)}`
        this.#list.id = id
        this.#list.setAttribute('role', 'listbox')
        this.#list.ariaLabel = 'Berths'
        this.#field.setAttribute('role', 'combobox')
        this.#field.setAttribute('aria-controls', id)
        this.#field.setAttribute('aria-autocomplete', 'list')
        this.#name.append(this.#text, this.#field)
        this.#field.oninput = () => {
          this.#open = true
          this.#at = -1
          this.#drawList()
        }
        this.#field.onkeydown = (event) => {
          if (this.#shut && !has('shut-but-keys')) return
          const found = this.#found()
          if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault()
            if (!this.#open) this.#open = true
            this.#at =
              found.length === 0
                ? -1
                : (this.#at +
                    (event.key === 'ArrowDown' ? 1 : -1) +
                    found.length +
                    (this.#at < 0 && event.key === 'ArrowUp' ? 1 : 0)) %
                  found.length
            this.#drawList()
          } else if (event.key === 'Enter' && this.#open) {
            event.preventDefault()
            const one = found[this.#at]
            if (one !== undefined) {
              this.#take(one.code)
              if (has('enter-twice')) report(this, 'berth-set', one.code)
            } else this.#settle()
          } else if (event.key === 'Escape' && this.#open) {
            if (has('escape-chooses') && found[Math.max(0, this.#at)] !== undefined)
              return this.#take(found[Math.max(0, this.#at)]!.code)
            this.#open = false
            this.#draw()
          }
        }
        this.#field.onblur = () => this.#settle()
      }
      attributeChangedCallback(name: string, _old: string | null, text: string | null) {
        if (name === 'shut') this.shut = text !== null
        else this.label = text ?? ''
      }
      connectedCallback() {
        if (this.childElementCount === 0) this.append(this.#name, this.#list)
        this.#draw()
      }
      #found() {
        const text = this.#field.value.trim().toLowerCase()
        const own = this.#berths.find(({ code }) => code === this.#berth)?.name.toLowerCase()
        return text === own ? this.#berths : this.#berths.filter(({ name }) => name.toLowerCase().includes(text))
      }
      #settle() {
        this.#open = false
        const text = this.#field.value.trim()
        if (text === '') {
          if (this.#berth !== null) this.#take(null, has('cleared-in-silence'))
          else this.#draw()
          return
        }
        const one = this.#berths.find(({ name }) => name.toLowerCase() === text.toLowerCase())
        if (one !== undefined && one.code !== this.#berth) return this.#take(one.code)
        if (has('left-text-stays')) return this.#drawList()
        this.#draw()
      }
      #take(berth: string | null, isSilent = false) {
        const isNew = berth !== this.#berth
        this.#berth = berth
        this.#open = false
        this.#at = -1
        this.#draw()
        if (isNew && !isSilent) report(this, 'berth-set', berth)
      }
      #draw(keepsText = false) {
        this.#text.textContent = this.#label
        const one = this.#berths.find(({ code }) => code === this.#berth)
        if (!keepsText) this.#field.value = one?.name ?? ''
        this.#field.disabled = this.#shut && !has('shut-but-keys')
        if (has('shut-but-keys')) this.#field.readOnly = this.#shut
        this.#drawList()
      }
      #drawList() {
        this.#field.ariaExpanded = String(this.#open)
        this.#list.hidden = !this.#open
        this.#list.replaceChildren(
          ...this.#found().map(({ code, name }, at) => {
            const entry = made('li', { textContent: name, id: `${this.#list.id}-${code}` })
            entry.setAttribute('role', 'option')
            entry.ariaSelected = String(at === this.#at)
            entry[has('click-too-late') ? 'onclick' : 'onpointerdown'] = (event: Event) => {
              event.preventDefault()
              this.#take(code)
            }
            return entry
          }),
        )
        const active = this.#at < 0 ? undefined : this.#list.children[this.#at]?.id
        if (active === undefined) this.#field.removeAttribute('aria-activedescendant')
        else this.#field.setAttribute('aria-activedescendant', active)
      }
      look() {
        this.#field.focus()
      }
      drop() {
        this.#berth = null
        this.#draw(has('drop-keeps-text'))
      }
      get label() {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? ''
        this.#text.textContent = this.#label
      }
      get berths() {
        return this.#berths
      }
      set berths(berths: Berth[] | undefined) {
        this.#berths = berths ?? BERTHS
        this.#draw(has('name-not-renewed') && this.isConnected)
      }
      get shut() {
        return this.#shut
      }
      set shut(shut: boolean | undefined) {
        this.#shut = shut ?? false
        this.#draw()
      }
      get berth() {
        return this.#berth
      }
      set berth(berth: string | null | undefined) {
        if (this.#berth === (berth ?? null)) return
        this.#berth = berth ?? null
        this.#draw(has('null-keeps-text') && this.#berth === null)
      }
    },
})
