import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** Why a hull is hauled out: one of some causes, or another in one's own words. */
export const hullCause = variants({
  tag: 'hull-cause',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      causes: {
        type: Type.Array(Type.String({ minLength: 1 }), { uniqueItems: true }),
        default: ['paint', 'survey'],
        samples: [['paint', 'rot', 'survey'], ['leak']],
      },
      over: { type: Type.Boolean(), default: false },
    },
    values: {
      cause: {
        type: Type.Union([Type.String({ minLength: 1 }), Type.Null()]),
        default: null,
        empty: null,
        event: 'cause-set',
        attribute: false,
        samples: ['paint', 'survey', 'a loose plank'],
      },
    },
    commands: { start: { effect: 'focus' } },
    locks: { disabled: 'over' },
  },
  faults: {
    'told-words-not-shown': ['shows-initial', 'follows-change', 'owner-decides'],
    'other-reported-as-other': ['reports-truth'],
    'words-silent': ['reports-once'],
    'causes-of-the-mount': ['follows-change'],
    'over-words-open': ['locks-hold'],
    'names-shared': ['stands-alone'],
    'start-goes-nowhere': ['commands-present'],
    'null-leaves-mark': ['takes-empty'],
    'null-leaves-words': ['takes-empty'],
    'group-unnamed': ['named-by-label'],
    'early-cause-lost': ['early-property', 'any-order', 'shows-initial'],
  },
  make: (has) =>
    class extends HTMLElement {
      static observedAttributes = ['label', 'over']
      #id = has('names-shared') ? 'causes' : `causes-${Math.random()}`
      #label = ''
      #causes = ['paint', 'survey']
      #over = false
      #cause: string | null = null
      #isOther = false
      #group = made('fieldset')
      #name = made('legend')
      #choices = made('div')
      #words = made('input', { ariaLabel: 'In your own words' })
      attributeChangedCallback(name: string, _old: string | null, text: string | null) {
        if (name === 'over') this.over = text !== null
        else this.label = text ?? ''
      }
      connectedCallback() {
        if (this.childElementCount === 0) {
          if (!has('group-unnamed')) this.#group.append(this.#name)
          else this.#group.append(made('b', { textContent: 'x' }))
          this.#group.append(this.#choices, this.#words)
          this.append(this.#group)
          this.#words.oninput = () => {
            this.#cause = this.#words.value.trim() === '' ? null : this.#words.value
            if (!has('words-silent'))
              report(this, 'cause-set', has('other-reported-as-other') && this.#cause !== null ? 'other' : this.#cause)
          }
          this.#words.onchange = () => {
            if (this.#cause !== null && this.#causes.includes(this.#cause)) this.#draw()
          }
        }
        if (has('early-cause-lost')) this.#cause = null
        this.#place()
      }
      #place() {
        const choice = (value: string, text: string) => {
          const label = made('label', { textContent: text })
          const radio = made('input', { type: 'radio', name: this.#id, value })
          radio.onchange = () => {
            const before = this.#cause
            this.#isOther = value === 'other:'
            this.#cause = this.#isOther ? this.#words.value.trim() || null : value
            const kept = this.#words.value
            this.#draw()
            this.#words.value = this.#isOther ? kept : ''
            if (this.#cause !== before) report(this, 'cause-set', this.#cause)
          }
          label.prepend(radio)
          return label
        }
        this.#choices.replaceChildren(
          ...this.#causes.map((cause) => choice(cause, cause)),
          choice('other:', 'something else'),
        )
        this.#draw()
      }
      #draw() {
        this.#name.textContent = this.#label
        const isKnown = this.#cause !== null && this.#causes.includes(this.#cause)
        if (this.#cause !== null) this.#isOther = !isKnown
        for (const radio of this.#choices.querySelectorAll('input')) {
          if (!(has('null-leaves-mark') && this.#cause === null && !this.#isOther))
            radio.checked = radio.value === 'other:' ? this.#isOther : radio.value === this.#cause
          radio.disabled = this.#over
        }
        this.#words.hidden = !this.#isOther
        this.#words.disabled = this.#over && !has('over-words-open')
        if (this.#isOther && !has('told-words-not-shown')) this.#words.value = this.#cause ?? ''
      }
      start() {
        const chosen = this.#choices.querySelector<HTMLElement>('input:checked') ?? this.#choices.querySelector('input')
        if (!has('start-goes-nowhere')) chosen?.focus()
      }
      get label() {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? ''
        this.#draw()
      }
      get causes() {
        return this.#causes
      }
      set causes(causes: string[] | undefined) {
        if (has('causes-of-the-mount') && this.isConnected) return
        this.#causes = causes ?? ['paint', 'survey']
        this.#place()
      }
      get over() {
        return this.#over
      }
      set over(over: boolean | undefined) {
        this.#over = over ?? false
        this.#draw()
      }
      get cause() {
        return this.#cause
      }
      set cause(cause: string | null | undefined) {
        this.#cause = cause ?? null
        if (this.#cause === null && !has('null-leaves-words')) {
          this.#isOther = false
          this.#words.value = ''
        }
        this.#draw()
      }
    },
})
