import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'
const Slot = Type.Object({ id: Type.String(), words: Type.String(), taken: Type.Optional(Type.Boolean()) })
type SlotOf = { id: string; words: string; taken?: boolean }
/** At which tide she goes out: marks of a group that arrow keys walk over; those that are taken cannot be chosen. */
export const tideSlot = variants({
  tag: 'tide-slot',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      slots: { type: Type.Array(Slot), default: [] },
      locked: { type: Type.Boolean(), default: false },
    },
    values: {
      berth: {
        type: Type.Union([Type.String(), Type.Null()]),
        default: null,
        among: { list: 'slots', at: '/id', gone: 'kept' },
      },
    },
    commands: { clear: { effect: 'reset' } },
    locks: { readonly: 'locked' },
  },
  faults: {
    'words-for-id': ['reports-truth'],
    'back-goes-on': ['every-way-in'],
    'none-says-it': ['shows-initial'],
    'taken-by-keys': ['every-way-in', 'locks-hold'],
    'keys-do-not-report': ['reports-once', 'reports-truth', 'every-way-in'],
    'checked-of-the-mount': ['follows-change', 'owner-decides'],
    'slots-of-the-mount': ['follows-change'],
    'null-keeps-the-mark': ['takes-empty', 'follows-change'],
    'no-tab-stop-when-none': ['every-way-in'],
    'locked-by-pointer-only': ['locks-hold'],
    'unnamed-group': ['named-by-label', 'follows-change'],
    'clear-silent': ['resets-fully'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #slots: readonly SlotOf[] = []
      #slot: string | null = null
      #locked = false
      #up = false
      #first: string | null | undefined
      #drawn = false
      connectedCallback() {
        if (!this.#up) {
          this.#up = true
          this.setAttribute('role', 'radiogroup')
          this.addEventListener('click', (event) => {
            const mark = (event.target as HTMLElement).closest<HTMLElement>('[role=radio]')
            if (mark !== null) this.#choose(mark.dataset['id']!)
          })
          this.addEventListener('keydown', (event) => {
            const marks = [...this.querySelectorAll<HTMLElement>('[role=radio]')]
            const at = marks.indexOf(event.target as HTMLElement)
            if (at < 0) return
            if (event.key === ' ') {
              event.preventDefault()
              this.#choose(marks[at]!.dataset['id']!, 'keys')
            }
            const back = has('back-goes-on') ? 1 : -1
            const step = { ArrowDown: 1, ArrowRight: 1, ArrowUp: back, ArrowLeft: back }[event.key]
            if (step === undefined) return
            event.preventDefault()
            const open = has('taken-by-keys')
              ? marks
              : marks.filter((one) => one.ariaDisabled !== 'true' || one === marks[at])
            const next = open[(open.indexOf(marks[at]!) + step + open.length) % open.length]!
            this.#choose(next.dataset['id']!, 'keys')
            {
              const id = next.dataset['id']
              ;[...this.querySelectorAll<HTMLElement>('[role=radio]')].find((one) => one.dataset['id'] === id)?.focus()
            }
          })
        }
        this.#draw()
      }
      #choose(id: string, how = 'pointer') {
        if (this.#locked && !(has('locked-by-pointer-only') && how === 'keys')) return
        const slot = this.#slots.find((one) => one.id === id)
        if (slot === undefined || (slot.taken === true && !(has('taken-by-keys') && how === 'keys'))) return
        if (id === this.#slot) return
        this.#slot = id
        this.#draw()
        if (has('keys-do-not-report') && how === 'keys') return
        report(this, 'berth-set', has('words-for-id') ? slot.words : id)
      }
      #draw() {
        if (!this.#up || !this.isConnected) return
        if (!has('unnamed-group')) this.ariaLabel = this.#label
        this.ariaReadOnly = String(this.#locked)
        this.#first ??= this.#slot
        const checked =
          has('checked-of-the-mount') && this.#drawn && !this.contains(document.activeElement)
            ? (this.querySelector<HTMLElement>('[aria-checked=true]')?.dataset['id'] ?? null)
            : this.#slot
        const stop =
          this.#slots.find((one) => one.id === checked) ??
          (has('no-tab-stop-when-none') ? undefined : this.#slots.find((one) => one.taken !== true))
        if (has('slots-of-the-mount') && this.#drawn) {
          for (const mark of this.querySelectorAll<HTMLElement>('[role=radio]')) {
            mark.ariaChecked = String(mark.dataset['id'] === checked)
            mark.tabIndex = mark.dataset['id'] === stop?.id ? 0 : -1
          }
          return
        }
        const focused = (document.activeElement as HTMLElement | null)?.dataset?.['id']
        this.replaceChildren(
          ...this.#slots.map((one) => {
            const mark = made('div', {
              role: 'radio',
              textContent: one.words,
              ariaChecked: String(one.id === checked && !has('none-says-it')),
              ariaDisabled: String(one.taken === true),
              tabIndex: one.id === stop?.id ? 0 : -1,
            })
            mark.dataset['id'] = one.id
            return mark
          }),
        )
        if (focused !== undefined)
          [...this.querySelectorAll<HTMLElement>('[role=radio]')].find((one) => one.dataset['id'] === focused)?.focus()
        this.#drawn = this.#slots.length > 0
      }
      get label() {
        return this.#label
      }
      set label(v: string | undefined) {
        this.#label = v ?? ''
        this.#draw()
      }
      get slots() {
        return this.#slots
      }
      set slots(v: readonly SlotOf[] | undefined) {
        this.#slots = v ?? []
        this.#draw()
      }
      get locked() {
        return this.#locked
      }
      set locked(v: boolean | undefined) {
        this.#locked = v ?? false
        this.#draw()
      }
      get berth() {
        return this.#slot
      }
      set berth(v: string | null | undefined) {
        if (has('null-keeps-the-mark') && (v === null || v === undefined)) {
          this.#slot = null
          return
        }
        this.#slot = v ?? null
        this.#draw()
      }
      clear() {
        if (this.#slot === null) return
        this.#slot = null
        this.#draw()
        if (!has('clear-silent')) report(this, 'berth-set', null)
      }
    } as never,
})
