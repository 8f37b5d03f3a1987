import { Type } from 'caulker'
import { made, variants } from './corpus.js'

interface Size {
  length: number | null
  width: number | null
}
const Metres = Type.Union([Type.Number({ minimum: 0 }), Type.Null()])
const FEET = 3.25

/** The size of a crate: held in metres, shown in metres or in yard feet. */
export const crateSize = variants({
  tag: 'crate-size',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      unit: { type: Type.Union([Type.Literal('metres'), Type.Literal('feet')]), default: 'metres' },
      locked: { type: Type.Boolean(), default: false },
    },
    values: {
      size: {
        type: Type.Object({ length: Metres, width: Metres }),
        default: { length: null, width: null },
        attribute: false,
        event: 'size-written',
        payloadAt: '/detail/size',
        reports: 'commit',
      },
    },
    commands: { wipe: { effect: 'reset', reports: true } },
    locks: { readonly: 'locked' },
  },
  faults: {
    'unit-of-the-mount': ['follows-change'],
    'reports-as-shown': ['reports-once', 'reports-truth', 'round-trip', 'quiet-when-told'],
    'width-undoes-length': ['edits-stand', 'reports-truth', 'owner-decides'],
    'writes-in-the-given': ['leaves-given-alone'],
    'same-object-again': ['fresh-payload', 'leaves-given-alone'],
    'nothing-is-zero': ['keeps-falsy', 'shows-initial', 'round-trip', 'follows-change'],
    'zero-is-nothing': ['keeps-falsy', 'shows-initial', 'round-trip', 'follows-change'],
    'emptied-is-ignored': ['takes-empty', 'reports-once'],
    'leaving-reports': ['reports-once', 'quiet-when-told'],
    'width-stays-open': ['locks-hold'],
    'unit-reports': ['quiet-when-told'],
    'unit-rounds-what-is-held': ['any-order', 'round-trip', 'follows-change', 'quiet-when-told'],
    'label-of-the-mount': ['follows-change', 'named-by-label'],
    'wipe-forgets-width': ['resets-fully'],
    'negative-is-taken': ['reports-truth', 'stays-within'],
    'enter-says-nothing': ['reports-when-said', 'every-way-in', 'reports-once'],
    'enter-then-leave-twice': ['reports-once'],
    'at-each-key': ['reports-when-said', 'reports-once'],
  },
  make: (has) =>
    class extends HTMLElement {
      #size: Size = { length: null, width: null }
      #first: Size | undefined
      #unit = 'metres'
      #label: string | undefined
      #locked = false
      #names = [made('label'), made('label')]
      #fields = [made('input', { type: 'text' }), made('input', { type: 'text' })]
      #isReady = false
      #firstUnit: string | undefined
      #drawnLabel: string | undefined

      connectedCallback(): void {
        this.#first ??= this.#size
        this.#firstUnit ??= this.#unit
        if (!this.#isReady) {
          this.#isReady = true
          this.#names.forEach((name, at) => {
            name.append(made('span'), this.#fields[at]!, made('small'))
            this.append(name)
          })
          this.#fields.forEach((field, at) => {
            field.addEventListener('input', (event) => {
              event.stopPropagation()
              if (has('at-each-key')) this.#take(at)
            })
            field.addEventListener('change', (event) => {
              event.stopPropagation()
              this.#take(at)
            })
            field.addEventListener('keydown', ({ key }) => {
              if (key !== 'Enter' || has('enter-says-nothing')) return
              this.#take(at)
              if (has('enter-then-leave-twice')) field.addEventListener('blur', () => this.#say(), { once: true })
            })
            if (has('leaving-reports')) field.addEventListener('blur', () => this.#say())
            if (has('enter-says-nothing'))
              field.addEventListener('keydown', (event) => event.key === 'Enter' && event.preventDefault())
          })
        }
        this.#draw()
      }

      #take(at: number): void {
        const key = at === 0 ? 'length' : 'width'
        const text = this.#fields[at]!.value.trim()
        const shown = Number(text)
        if (text === '' && has('emptied-is-ignored')) return this.#draw()
        const isBad = Number.isNaN(shown) || (shown < 0 && !has('negative-is-taken'))
        if (isBad) return this.#draw()
        if (text === this.#shown(this.#size[key])) return
        const factor = this.#feet && !has('reports-as-shown') ? FEET : 1
        const metres = text === '' ? null : Number((shown / factor).toFixed(4))
        // Rounded off, another text may come to what stands there already.
        if (metres === this.#size[key]) return this.#draw()
        const base = has('width-undoes-length') && at === 1 ? (this.#first ?? this.#size) : this.#size
        if (has('writes-in-the-given') || has('same-object-again')) this.#size[key] = metres
        else this.#size = { ...base, [key]: metres }
        this.#draw()
        this.#say()
      }
      #say(): void {
        const size = has('same-object-again') ? this.#size : { ...this.#size }
        this.dispatchEvent(new CustomEvent('size-written', { detail: { size } }))
      }
      get #feet(): boolean {
        return (has('unit-of-the-mount') ? this.#firstUnit : this.#unit) === 'feet'
      }
      #shown(metres: number | null): string {
        if (metres === null) return has('nothing-is-zero') ? '0' : ''
        if (metres === 0 && has('zero-is-nothing')) return ''
        return String(this.#feet ? Number((metres * FEET).toFixed(4)) : metres)
      }
      #draw(): void {
        if (!this.#isReady) return
        if (!has('label-of-the-mount') || this.#drawnLabel === undefined) this.#drawnLabel = this.#label ?? ''
        const { length, width } = this.#size
        for (const [at, metres] of [length, width].entries()) {
          const [words, field, unit] = [...this.#names[at]!.children] as [HTMLElement, HTMLInputElement, HTMLElement]
          words.textContent = `${this.#drawnLabel} ${at === 0 ? 'length' : 'width'}`
          unit.textContent = this.#feet ? 'ft' : 'm'
          const text = this.#shown(metres)
          if (field.value !== text) field.value = text
          field.readOnly = this.#locked && !(has('width-stays-open') && at === 1)
        }
      }

      get label(): string | undefined {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label
        this.#draw()
      }
      get unit(): string {
        return this.#unit
      }
      set unit(unit: string | undefined) {
        this.#unit = unit ?? 'metres'
        if (has('unit-rounds-what-is-held') && this.#isReady) {
          const rounded = (value: number | null) => (value === null ? null : Math.round(value))
          this.#size = { length: rounded(this.#size.length), width: rounded(this.#size.width) }
        }
        this.#draw()
        if (has('unit-reports') && this.#isReady) this.#say()
      }
      get locked(): boolean {
        return this.#locked
      }
      set locked(locked: boolean | undefined) {
        this.#locked = locked ?? false
        this.#draw()
      }
      get size(): Size {
        return has('same-object-again') ? this.#size : { ...this.#size }
      }
      set size(size: Size | undefined) {
        const given = size ?? { length: null, width: null }
        this.#size = has('writes-in-the-given') ? given : { ...given }
        this.#draw()
      }
      wipe(): void {
        const { length, width } = this.#size
        this.#size = { length: null, width: has('wipe-forgets-width') ? width : null }
        this.#draw()
        if (length !== null || width !== null) this.#say()
      }
    } as never,
})
