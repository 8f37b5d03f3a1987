import { Type } from 'caulker'
import { made, variants } from './corpus.js'

/** From where to where a keel is caulked: two numbers that keep their order. */
export const keelSpan = variants({
  tag: 'keel-span',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      start: { type: Type.Number(), default: 0 },
      end: { type: Type.Number(), default: 20 },
      dry: { type: Type.Boolean(), default: false, reflects: true },
    },
    values: {
      from: {
        type: Type.Number(),
        default: 0,
        bounds: { least: 'start', most: 'to' },
        reports: 'commit',
        composed: true,
        bubbles: true,
        reflects: true,
      },
      to: {
        type: Type.Number(),
        default: 20,
        bounds: { least: 'from', most: 'end' },
        reports: 'commit',
        composed: true,
        bubbles: true,
        reflects: true,
      },
    },
    readings: { length: { type: Type.Number(), from: ['from', 'to'] } },
    commands: { whole: { effect: 'reset', reports: false } },
    locks: { readonly: 'dry' },
  },
  faults: {
    'to-not-reflected': ['attribute-agrees'],
    'not-composed': ['sent-as-said'],
    'crosses-when-typed': ['stays-within', 'reports-truth'],
    'crosses-when-told': ['stays-within'],
    'length-of-the-mount': ['readings-agree', 'follows-change'],
    'length-not-drawn-after-edit': ['readings-agree', 'reports-truth'],
    'start-zero-is-none': ['keeps-falsy', 'stays-within'],
    'whole-forgets-to': ['resets-fully'],
    'whole-reports': ['quiet-when-told', 'resets-fully'],
    'dry-only-from': ['locks-hold'],
    'dry-attribute-needs-true': ['attribute-agrees'],
    'both-reported': ['reports-once'],
    'to-reported-as-from': ['reports-once', 'reports-truth'],
    'text-is-string': ['reports-truth'],
    'end-once': ['stays-within', 'follows-change'],
    'fraction-is-cut': ['round-trip'],
    'from-goes-along': ['edits-stand'],
  },
  make: (has) =>
    class extends HTMLElement {
      static observedAttributes = ['label', 'start', 'end', 'dry', 'from', 'to']
      #label = ''
      #start = 0
      #end = 20
      #firstEnd: number | undefined
      #dry = false
      #from = 0
      #to = 20
      #firstLength: number | undefined
      #root = this.attachShadow({ mode: 'open' })
      #fields = {
        from: made('input', { type: 'number', step: 'any' }),
        to: made('input', { type: 'number', step: 'any' }),
      }
      #names = { from: made('span'), to: made('span') }
      #out = made('output')
      #ready = false
      constructor() {
        super()
        for (const key of ['from', 'to'] as const) {
          const label = made('label')
          label.append(this.#names[key], this.#fields[key])
          this.#root.append(label)
          this.#fields[key].addEventListener('change', () => this.#edit(key))
        }
        this.#root.append(this.#out)
      }
      connectedCallback() {
        this.#ready = true
        this.#firstEnd ??= this.#end
        this.#firstLength ??= this.length
        this.#draw()
      }
      attributeChangedCallback(name: string, _: string | null, text: string | null) {
        if (name === 'dry') {
          const is = has('dry-attribute-needs-true') ? text === 'true' : text !== null
          if (is !== this.#dry) this.dry = is
        } else if (name === 'label') this.label = text ?? ''
        else {
          const number = text === null ? undefined : Number(text)
          if (number !== (this as any)[name]) (this as any)[name] = number
        }
      }
      get length() {
        return Number((this.#to - this.#from).toFixed(6))
      }
      #limits(key: 'from' | 'to'): [number, number] {
        const end = has('end-once') ? (this.#firstEnd ?? this.#end) : this.#end
        const start = has('start-zero-is-none') ? this.#start || -Infinity : this.#start
        return key === 'from' ? [start, Math.min(this.#to, end)] : [Math.max(this.#from, start), end]
      }
      #edit(key: 'from' | 'to') {
        const text = this.#fields[key].value
        const [least, most] = this.#limits(key)
        const typed = has('fraction-is-cut') ? Math.trunc(Number(text)) : Number(text)
        if (text === '' || Number.isNaN(typed)) return this.#draw()
        const next = has('crosses-when-typed')
          ? Math.max(this.#start, Math.min(this.#end, typed))
          : Math.max(least, Math.min(most, typed))
        if (next === (key === 'from' ? this.#from : this.#to)) return this.#draw()
        if (key === 'from') this.#from = next
        else this.#to = next
        if (has('from-goes-along')) this.#from = next
        this.#draw(true)
        this.#say(has('to-reported-as-from') ? 'from' : key, next)
        if (has('both-reported')) this.#say(key === 'from' ? 'to' : 'from', key === 'from' ? this.#to : this.#from)
      }
      #say(key: 'from' | 'to', value: number) {
        this.dispatchEvent(
          new CustomEvent(`${key}-set`, {
            detail: { value: has('text-is-string') ? String(value) : value },
            bubbles: true,
            composed: !has('not-composed'),
          }),
        )
      }
      #draw(isEdit = false) {
        for (const key of ['from', 'to'] as const) {
          this.#names[key].textContent = `${this.#label} ${key}`
          this.#fields[key].readOnly = this.#dry && !(has('dry-only-from') && key === 'to')
          this.#fields[key].value = String(key === 'from' ? this.#from : this.#to)
          if (
            this.#ready &&
            !(key === 'to' && has('to-not-reflected')) &&
            this.getAttribute(key) !== this.#fields[key].value
          )
            this.setAttribute(key, this.#fields[key].value)
        }
        if (this.#ready && this.hasAttribute('dry') !== this.#dry && !has('dry-attribute-needs-true'))
          this.toggleAttribute('dry', this.#dry)
        if (isEdit && has('length-not-drawn-after-edit')) return
        this.#out.textContent = `${has('length-of-the-mount') ? (this.#firstLength ?? this.length) : this.length} long`
      }
      #order() {
        if (has('crosses-when-told')) return
        const [low, high] = [this.#start, Math.max(this.#start, this.#end)]
        this.#to = Math.max(low, Math.min(high, this.#to))
        this.#from = Math.max(low, Math.min(this.#to, this.#from))
      }
      get label() {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? ''
        this.#draw()
      }
      get start() {
        return this.#start
      }
      set start(start: number | undefined) {
        this.#start = start ?? 0
        this.#order()
        this.#draw()
      }
      get end() {
        return this.#end
      }
      set end(end: number | undefined) {
        this.#end = end ?? 20
        this.#order()
        this.#draw()
      }
      get dry() {
        return this.#dry
      }
      set dry(dry: boolean | undefined) {
        this.#dry = dry ?? false
        this.#draw()
      }
      get from() {
        return this.#from
      }
      set from(from: number | undefined) {
        this.#from = from ?? 0
        this.#order()
        this.#draw()
      }
      get to() {
        return this.#to
      }
      set to(to: number | undefined) {
        this.#to = to ?? 20
        this.#order()
        this.#draw()
      }
      whole() {
        this.#from = 0
        if (!has('whole-forgets-to')) this.#to = 20
        this.#order()
        this.#draw()
        if (has('whole-reports')) this.#say('from', this.#from)
      }
    } as never,
})
