import { Type } from 'caulker'
import { made, variants } from './corpus.js'

/** A remark of several lines, with a count of the letters that are left. */
export const deckRemark = variants({
  tag: 'deck-remark',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      room: { type: Type.Integer({ minimum: 1 }), default: 60 },
      needed: { type: Type.Boolean(), default: false },
      off: { type: Type.Boolean(), default: false },
    },
    values: {
      remark: {
        type: Type.String(),
        default: '',
        attribute: false,
        reports: 'commit',
        event: 'change',
        payloadAt: '/target/remark',
        bubbles: true,
      },
    },
    commands: { clear: { effect: 'reset', reports: false } },
    readings: { left: { type: Type.Integer(), from: ['remark', 'room'] } },
    form: { value: 'remark', requiredBy: 'needed' },
    locks: { disabled: 'off' },
  },
  faults: {
    'told-inside-is-lost': ['follows-change'],
    'room-of-the-mount': ['follows-change', 'readings-agree'],
    'count-of-the-left-field': ['follows-change', 'takes-empty', 'shows-initial', 'resets-fully'],
    'native-change-too': ['reports-once'],
    'change-does-not-bubble': ['sent-as-said'],
    'trims-what-is-told': ['round-trip', 'shows-initial', 'follows-change'],
    'needed-of-the-mount': ['required-in-validity'],
    'needed-never-checked': ['required-in-validity'],
    'blank-lines-are-text': ['required-in-validity', 'takes-empty'],
    'off-still-sent': ['follows-fieldset', 'locks-hold'],
    'off-of-itself-only': ['follows-fieldset'],
    'form-reset-forgets': ['form-resets'],
    'restore-forgets': ['form-restores'],
    'label-of-the-mount': ['follows-change', 'named-by-label'],
    'clear-forgets-the-count': ['resets-fully', 'readings-agree'],
    'told-empty-is-default': ['takes-empty'],
    'reports-while-typing': ['reports-when-said', 'reports-once'],
    'typed-is-lost-when-told-room': ['keeps-caret', 'follows-change'],
    'null-is-the-word': ['takes-empty', 'carries-form-value'],
  },
  make: (has) =>
    class extends HTMLElement {
      static formAssociated = true
      static observedAttributes = ['label', 'room', 'needed', 'off']
      #inside = this.attachInternals()
      #label = ''
      #room = 60
      #firstRoom: number | undefined
      #needed = false
      #firstNeeded: boolean | undefined
      #off = false
      #isFieldsetOff = false
      #remark = ''
      #area = made('textarea')
      #words = made('label')
      #count = made('small')
      #isReady = false
      #left: number | undefined

      constructor() {
        super()
        const root = this.attachShadow({ mode: 'open', delegatesFocus: true })
        this.#area.id = 'area'
        this.#words.htmlFor = 'area'
        root.append(this.#words, this.#area, this.#count)
        this.#area.oninput = (event) => {
          event.stopPropagation()
          this.#remark = this.#area.value
          this.#sync()
          this.#tell()
          if (has('reports-while-typing')) this.#say()
        }
        this.#area.onchange = (event) => {
          event.stopPropagation()
          this.#remark = this.#area.value
          this.#sync()
          this.#say()
          if (has('native-change-too')) this.#say()
        }
      }
      connectedCallback(): void {
        this.#isReady = true
        this.#firstRoom ??= this.#room
        this.#firstNeeded ??= this.#needed
        this.#draw()
      }
      attributeChangedCallback(name: 'label', _: string | null, to: string | null): void {
        const own = this as unknown as Record<string, unknown>
        if (['needed', 'off'].includes(name)) own[name] = to !== null
        else own[name] = to === null ? undefined : name === ('room' as string) ? Number(to) : to
      }
      formResetCallback(): void {
        if (!has('form-reset-forgets')) this.remark = ''
      }
      formDisabledCallback(isOff: boolean): void {
        if (!has('off-of-itself-only')) this.#isFieldsetOff = isOff
        this.#draw()
      }
      formStateRestoreCallback(text: string): void {
        if (!has('restore-forgets')) this.remark = text
      }

      #say(): void {
        this.dispatchEvent(new Event('change', { bubbles: !has('change-does-not-bubble') }))
      }
      #sync(): void {
        const isOff = (this.#off || this.#isFieldsetOff) && !has('off-still-sent')
        this.#inside.setFormValue(isOff ? null : this.#remark)
        const needed = has('needed-of-the-mount') ? this.#firstNeeded : this.#needed && !has('needed-never-checked')
        const isMissing = has('blank-lines-are-text') ? this.#remark.length < 0 : this.#remark === ''
        if (needed === true && isMissing && !isOff)
          this.#inside.setValidity({ valueMissing: true }, 'Write a remark.', this.#area)
        else this.#inside.setValidity({})
      }
      #tell(): void {
        const room = has('room-of-the-mount') ? (this.#firstRoom ?? this.#room) : this.#room
        this.#left = room - this.#remark.length
        this.#count.textContent = `${this.#left} left`
      }
      #draw(isCounted = true): void {
        if (!this.#isReady) return
        if (!has('label-of-the-mount') || this.#words.textContent === '') this.#words.textContent = this.#label
        const isInside = this.shadowRoot?.activeElement === this.#area
        if (has('told-inside-is-lost') && isInside) return
        if (this.#area.value !== this.#remark) this.#area.value = this.#remark
        this.#area.disabled = this.#off || this.#isFieldsetOff
        if (isCounted && !(has('count-of-the-left-field') && this.#left !== undefined)) this.#tell()
        this.#sync()
      }

      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? ''
        this.#draw()
      }
      get room(): number {
        return this.#room
      }
      set room(room: number | undefined) {
        this.#room = room ?? 60
        if (has('typed-is-lost-when-told-room')) this.#area.value = ''
        this.#draw()
      }
      get needed(): boolean {
        return this.#needed
      }
      set needed(needed: boolean | undefined) {
        this.#needed = needed ?? false
        this.#draw()
      }
      get off(): boolean {
        return this.#off
      }
      set off(off: boolean | undefined) {
        this.#off = off ?? false
        this.#draw()
      }
      get remark(): string {
        return this.#remark
      }
      set remark(remark: string | undefined) {
        if (remark === '' && has('told-empty-is-default')) return
        this.#remark = has('null-is-the-word') ? String(remark) : (remark ?? '')
        if (has('trims-what-is-told')) this.#remark = this.#remark.trim()
        this.#draw()
      }
      get left(): number {
        return this.#left ?? this.#room - this.#remark.length
      }
      clear(): void {
        this.#remark = ''
        this.#draw(!has('clear-forgets-the-count'))
      }
    } as never,
})
