import { Type } from 'caulker'
import { report, variants } from '../corpus.js'

const FEET = 3.2808398950131

/** A depth that is held in metres and shown in the unit that its owner likes; a comma stands for a point, and a button goes by steps. */
export const draughtMeter = variants({
  tag: 'draught-meter',
  promise: {
    properties: {
      unit: { type: Type.Enum(['m', 'ft']), default: 'm' },
      caption: { type: Type.String(), default: 'Draught' },
      step: { type: Type.Number(), default: 0.5 },
      locked: { type: Type.Boolean(), default: false },
    },
    values: {
      depth: {
        type: Type.Union([Type.Number(), Type.Null()]),
        default: null,
        bounds: { least: 0, most: 12 },
        reports: 'commit',
      },
    },
    commands: { reset: { effect: 'reset' } },
    locks: { readonly: 'locked' },
  },
  faults: {
    'unit-of-the-mount': ['follows-change'],
    'unit-converts-what-is-held': ['quiet-when-told', 'follows-change', 'owner-decides', 'any-order'],
    'left-untouched-it-rounds': ['reports-once', 'reports-truth', 'round-trip', 'every-way-in', 'keeps-caret'],
    'nothing-as-nought': ['takes-empty', 'reports-truth', 'reports-once', 'keeps-falsy', 'shows-initial', 'round-trip'],
    'nought-as-nothing': ['keeps-falsy'],
    'deeper-than-it-goes': ['stays-within'],
    'step-of-the-mount': ['follows-change', 'true-steps'],
    'locked-field-alone': ['locks-hold'],
    'caption-as-markup': ['text-stays-text'],
    'reset-says-nothing': ['resets-fully'],
    'reset-of-the-field': ['resets-fully'],
    'told-while-it-is-typed': ['follows-change', 'keeps-caret', 'owner-decides'],
  },
  make: (has) => {
    interface State {
      unit: 'm' | 'ft'
      caption: string
      step: number
      locked: boolean
      depth: number | null
    }
    const START: State = { unit: 'm', caption: 'Draught', step: 0.5, locked: false, depth: null }

    return class extends HTMLElement {
      private state: State = { ...START }
      private first: State | undefined

      connectedCallback(): void {
        this.first ??= { ...this.state }
        if (this.firstElementChild === null) this.build()
        this.render()
      }

      private build(): void {
        this.innerHTML =
          '<label><b></b> <input inputmode="decimal" autocomplete="off"></label> <i></i> <button type="button">Deeper</button>'
        const field = this.field as HTMLInputElement
        field.addEventListener('input', (event) => event.stopPropagation())
        field.addEventListener('change', (event) => {
          event.stopPropagation()
          this.take(this.parsed(field.value))
          this.render()
        })
        if (has('left-untouched-it-rounds')) field.addEventListener('blur', () => this.take(this.parsed(field.value)))
        this.querySelector('button')?.addEventListener('click', () => this.deeper())
      }

      private get field(): HTMLInputElement | null {
        return this.querySelector('input')
      }
      private get shownUnit(): 'm' | 'ft' {
        return has('unit-of-the-mount') ? (this.first ?? this.state).unit : this.state.unit
      }

      private deeper(): void {
        if (this.state.locked && !has('locked-field-alone')) return
        const step = has('step-of-the-mount') ? (this.first ?? this.state).step : this.state.step
        this.take(Math.round(((this.state.depth ?? 0) + step) * 1e6) / 1e6)
        this.render()
      }

      private parsed(text: string): number | null | undefined {
        const plain = text.trim().replace(',', '.')
        if (plain === '') return has('nothing-as-nought') ? 0 : null
        const number = Number(plain)
        if (Number.isNaN(number)) return undefined
        return this.shownUnit === 'ft' ? Math.round((number / FEET) * 1e6) / 1e6 : number
      }

      private take(depth: number | null | undefined): void {
        if (depth === undefined) return
        const kept = depth === null || has('deeper-than-it-goes') ? depth : Math.min(12, Math.max(0, depth))
        if (kept === this.state.depth || this.text(kept) === this.text(this.state.depth)) {
          if (!has('left-untouched-it-rounds') || kept === this.state.depth) return
        }
        this.state.depth = kept
        report(this, 'depth-set', kept)
      }

      private text(depth: number | null): string {
        if (depth === null || (has('nought-as-nothing') && depth === 0)) return has('nothing-as-nought') ? '0' : ''
        return this.shownUnit === 'ft' ? String(Math.round(depth * FEET * 100) / 100) : String(depth)
      }

      private render(): void {
        const { field } = this
        if (field === null) return
        const caption = this.querySelector('b') as HTMLElement
        if (has('caption-as-markup')) caption.innerHTML = this.state.caption
        else caption.textContent = this.state.caption
        const text = this.text(this.state.depth)
        if (!has('told-while-it-is-typed') || field.value === '') field.value = text
        field.readOnly = this.state.locked
        ;(this.querySelector('i') as HTMLElement).textContent = this.shownUnit
      }

      private tell<K extends keyof State>(name: K, value: State[K] | undefined): void {
        this.state[name] = value ?? START[name]
        this.render()
      }

      get unit(): 'm' | 'ft' {
        return this.state.unit
      }
      set unit(unit: 'm' | 'ft' | undefined) {
        const before = this.state.unit
        if (has('unit-converts-what-is-held') && this.state.depth !== null && unit !== undefined && unit !== before) {
          this.state.depth = Math.min(12, unit === 'ft' ? this.state.depth * FEET : this.state.depth / FEET)
          report(this, 'depth-set', this.state.depth)
        }
        this.tell('unit', unit)
      }
      get caption(): string {
        return this.state.caption
      }
      set caption(caption: string | undefined) {
        this.tell('caption', caption)
      }
      get step(): number {
        return this.state.step
      }
      set step(step: number | undefined) {
        this.tell('step', step)
      }
      get locked(): boolean {
        return this.state.locked
      }
      set locked(locked: boolean | undefined) {
        this.tell('locked', locked)
      }
      get depth(): number | null {
        return this.state.depth
      }
      set depth(depth: number | null | undefined) {
        this.tell('depth', typeof depth === 'number' ? Math.min(12, Math.max(0, depth)) : (depth ?? null))
      }
      reset(): void {
        if (has('reset-of-the-field')) {
          if (this.field !== null) this.field.value = ''
          return
        }
        const before = this.state.depth
        this.depth = null
        if (before !== null && !has('reset-says-nothing')) report(this, 'depth-set', null)
      }
    } as never
  },
})
