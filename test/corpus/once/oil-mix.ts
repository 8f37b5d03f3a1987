import { Type } from 'caulker'
import { made, variants } from '../corpus.js'

type Mix = { linseed: number; tar: number; turps: number }
const PARTS = ['linseed', 'tar', 'turps'] as const

/** Three shares of one mixture, entered apart and reported together. */
export const oilMix = variants({
  tag: 'oil-mix',
  promise: {
    properties: {
      unit: { type: Type.String(), default: '%', attribute: 'data-unit', only: 'attribute' },
      locked: { type: Type.Boolean(), default: false },
    },
    values: {
      mix: {
        type: Type.Object({ linseed: Type.Number(), tar: Type.Number(), turps: Type.Number() }),
        default: { linseed: 50, tar: 25, turps: 25 },
        event: 'mix-change',
        payloadAt: '/detail/mix',
        reports: 'commit',
        bubbles: true,
      },
    },
    readings: { total: { type: Type.Number(), from: ['mix'] } },
    commands: { reset: { effect: 'reset' } },
    locks: { readonly: 'locked' },
  },
  faults: {
    'writes-into-the-given': ['leaves-given-alone', 'fresh-payload', 'reports-truth'],
    'hands-out-its-own': ['fresh-payload', 'leaves-given-alone'],
    'total-of-told-ones': ['readings-agree', 'reports-truth'],
    'one-part-lost': ['reports-truth', 'round-trip'],
    'third-field-left-behind': ['follows-change', 'shows-initial'],
    'text-for-number': ['reports-truth'],
    'emptied-is-no-number': ['reports-truth', 'stays-within'],
    'third-field-stays-open': ['locks-hold'],
    'unit-of-the-mount': ['follows-change'],
    'reset-leaves-the-sum': ['resets-fully'],
    'does-not-bubble': ['sent-as-said'],
  },
  make: (has) =>
    class extends HTMLElement {
      static readonly observedAttributes = ['data-unit']
      #mix: Mix = { linseed: 50, tar: 25, turps: 25 }
      #locked = false
      readonly #fields = PARTS.map((part) => made('input', { type: 'number', ariaLabel: part }))
      readonly #sum = made('output')
      #isDrawn = false

      connectedCallback(): void {
        if (!this.#isDrawn) {
          this.#isDrawn = true
          for (const [at, field] of this.#fields.entries()) {
            field.addEventListener('change', (event) => {
              event.stopPropagation()
              this.#entered(at)
            })
            this.append(field)
          }
          this.append(this.#sum)
        }
        this.#draw()
        this.#add()
      }

      attributeChangedCallback(): void {
        if (this.#isDrawn && !has('unit-of-the-mount')) this.#add()
      }

      #entered(at: number): void {
        const part = PARTS[at]!
        const field = this.#fields[at]!
        const share = has('text-for-number') ? (field.value as never) : field.valueAsNumber
        if (Number.isNaN(field.valueAsNumber) && !has('emptied-is-no-number')) return this.#draw()
        if (share === this.#mix[part]) return
        if (has('writes-into-the-given')) this.#mix[part] = share
        else this.#mix = { ...this.#mix, [part]: share }
        if (!has('total-of-told-ones')) this.#add()
        const { turps: _, ...partly } = this.#mix
        const mix =
          has('one-part-lost') && part !== 'turps' ? partly : has('hands-out-its-own') ? this.#mix : { ...this.#mix }
        this.dispatchEvent(new CustomEvent('mix-change', { detail: { mix }, bubbles: !has('does-not-bubble') }))
      }

      #draw(): void {
        for (const [at, field] of this.#fields.entries()) {
          if (at === 2 && has('third-field-left-behind') && field.value !== '') continue
          field.value = String(this.#mix[PARTS[at]!])
          field.readOnly = this.#locked && !(at === 2 && has('third-field-stays-open'))
        }
      }

      #add(): void {
        this.#sum.textContent = `${this.#total()} ${this.dataset['unit'] ?? '%'}`
      }

      #summed = 100
      #total(): number {
        return (this.#summed = this.#mix.linseed + this.#mix.tar + this.#mix.turps)
      }

      get total(): number {
        return has('total-of-told-ones') ? this.#summed : this.#mix.linseed + this.#mix.tar + this.#mix.turps
      }

      get mix(): Mix {
        return has('hands-out-its-own') ? this.#mix : { ...this.#mix }
      }
      set mix(mix: Mix | undefined) {
        const given = mix ?? { linseed: 50, tar: 25, turps: 25 }
        this.#mix = has('writes-into-the-given') ? given : { ...given }
        this.#draw()
        if (this.#isDrawn) this.#add()
        else this.#total()
      }

      get locked(): boolean {
        return this.#locked
      }
      set locked(locked: boolean | undefined) {
        this.#locked = locked ?? false
        this.#draw()
      }

      reset(): void {
        const before = JSON.stringify(this.#mix)
        this.#mix = { linseed: 50, tar: 25, turps: 25 }
        this.#draw()
        if (!has('reset-leaves-the-sum')) this.#add()
        if (before !== JSON.stringify(this.#mix))
          this.dispatchEvent(new CustomEvent('mix-change', { detail: { mix: { ...this.#mix } }, bubbles: true }))
      }
    },
})
