import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A tank's dip in metres, with a comma: typed, nudged by buttons and arrows, to some decimals. */
export const dipReading = variants({
  tag: 'dip-reading',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      nudge: { type: Type.Number({ exclusiveMinimum: 0 }), default: 0.1, samples: [0.1, 0.25, 1] },
      deepest: { type: Type.Number(), default: 8 },
      unit: { type: Type.String(), default: 'm' },
      frozen: { type: Type.Boolean(), default: false },
    },
    values: {
      dip: {
        type: Type.Union([Type.Number(), Type.Null()]),
        default: null,
        empty: null,
        event: 'dip-set',
        bounds: { least: 0, most: 'deepest' },
        outside: 'mark',
        outsideTold: 'keep',
        stride: 'nudge',
        reports: 'commit',
        blank: 'empty',
      },
    },
    commands: { revert: { effect: 'reset', reports: false } },
    locks: { readonly: 'frozen' },
  },
  faults: {
    'comma-cuts': ['reports-truth', 'every-way-in', 'ignores-unreadable', 'round-trip'],
    'float-dust': ['true-steps', 'stays-within', 'reports-truth'],
    'nudge-of-the-mount': ['follows-change', 'true-steps'],
    'deepest-of-the-mount': ['stays-within', 'follows-change'],
    'frozen-buttons': ['locks-hold'],
    'frozen-arrows': ['locks-hold'],
    'unit-of-the-mount': ['follows-change'],
    'revert-reports': ['quiet-when-told'],
    'revert-shows-old': ['resets-fully'],
    'zero-shown-empty': ['keeps-falsy', 'shows-initial'],
    'arrows-silent': ['reports-once', 'every-way-in'],
    'typed-then-nudged-old': ['every-way-in'],
    'not-marked': ['stays-within'],
  },
  make: (has) =>
    class extends HTMLElement {
      static observedAttributes = ['label', 'nudge', 'deepest', 'unit', 'frozen', 'dip']
      #label = ''
      #nudge = 0.1
      #deepest = 8
      #unit = 'm'
      #frozen = false
      #dip: number | null = null
      #name = made('label')
      #text = made('span')
      #field = made('input', { inputMode: 'decimal' })
      #less = made('button', { type: 'button', textContent: '−', ariaLabel: 'less' })
      #more = made('button', { type: 'button', textContent: '+', ariaLabel: 'more' })
      #suffix = made('span')
      #at: { nudge: number; deepest: number; unit: string } | undefined
      attributeChangedCallback(name: string, _old: string | null, text: string | null) {
        if (name === 'frozen') this.frozen = text !== null
        else if (name === 'label' || name === 'unit')
          (this as never as Record<string, unknown>)[name] = text ?? undefined
        else (this as never as Record<string, unknown>)[name] = text === null || text === '' ? undefined : Number(text)
      }
      connectedCallback() {
        this.#at ??= { nudge: this.#nudge, deepest: this.#deepest, unit: this.#unit }
        if (this.childElementCount === 0) {
          this.#name.append(this.#text, this.#field)
          this.append(this.#name, this.#suffix, this.#less, this.#more)
          this.#field.onchange = () => this.#read()
          this.#field.onkeydown = (event) => {
            if (event.key === 'Enter') return this.#read()
            if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return
            event.preventDefault()
            if (!this.#frozen || has('frozen-arrows'))
              this.#step(event.key === 'ArrowUp' ? 1 : -1, has('arrows-silent'))
          }
          this.#less.onclick = () => (!this.#frozen || has('frozen-buttons')) && this.#step(-1)
          this.#more.onclick = () => (!this.#frozen || has('frozen-buttons')) && this.#step(1)
        }
        this.#draw()
      }
      #most() {
        return has('deepest-of-the-mount') ? this.#at!.deepest : this.#deepest
      }
      #parsed(): number | null | undefined {
        const text = this.#field.value.trim()
        if (text === '') return null
        const number = has('comma-cuts') ? parseFloat(text) : Number(text.replace(',', '.'))
        return Number.isFinite(number) ? number : undefined
      }
      #read() {
        const dip = this.#parsed()
        if (dip === undefined) return this.#draw()
        this.#take(dip)
      }
      #step(by: number, isSilent = false) {
        const nudge = has('nudge-of-the-mount') ? this.#at!.nudge : this.#nudge
        const typed = has('typed-then-nudged-old') ? this.#dip : (this.#parsed() ?? this.#dip)
        const sum = (typed ?? 0) + by * nudge
        const clean = has('float-dust') ? sum : Number(sum.toFixed(6))
        this.#take(Math.min(Math.max(clean, 0), this.#most()), isSilent)
      }
      #take(dip: number | null, isSilent = false) {
        const changed = dip !== this.#dip
        this.#dip = dip
        this.#draw()
        if (changed && !isSilent) report(this, 'dip-set', dip)
      }
      #draw() {
        this.#text.textContent = this.#label
        const none = this.#dip === null || (has('zero-shown-empty') && this.#dip === 0)
        this.#field.value = none ? '' : String(this.#dip).replace('.', ',')
        this.#field.readOnly = this.#frozen
        this.#less.disabled = this.#frozen && !has('frozen-buttons')
        this.#more.disabled = this.#frozen && !has('frozen-buttons')
        const outside =
          this.#dip !== null && (this.#dip < 0 || this.#dip > (this.#at === undefined ? this.#deepest : this.#most()))
        this.#field.ariaInvalid = String(outside && !has('not-marked'))
        this.#suffix.textContent = has('unit-of-the-mount') ? (this.#at?.unit ?? this.#unit) : this.#unit
      }
      revert() {
        this.#dip = null
        if (!has('revert-shows-old')) this.#draw()
        if (has('revert-reports')) report(this, 'dip-set', null)
      }
      get label() {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? ''
        this.#draw()
      }
      get nudge() {
        return this.#nudge
      }
      set nudge(nudge: number | undefined) {
        this.#nudge = nudge ?? 0.1
      }
      get deepest() {
        return this.#deepest
      }
      set deepest(deepest: number | undefined) {
        this.#deepest = deepest ?? 8
        this.#draw()
      }
      get unit() {
        return this.#unit
      }
      set unit(unit: string | undefined) {
        this.#unit = unit ?? 'm'
        this.#draw()
      }
      get frozen() {
        return this.#frozen
      }
      set frozen(frozen: boolean | undefined) {
        this.#frozen = frozen ?? false
        this.#draw()
      }
      get dip() {
        return this.#dip
      }
      set dip(dip: number | null | undefined) {
        this.#dip = dip ?? null
        this.#draw()
      }
    },
})
