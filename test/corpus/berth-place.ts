import { Type } from 'caulker'
import { made, variants } from './corpus.js'

const Degrees = Type.Union([Type.Number(), Type.Null()])
interface Place {
  north: number | null
  east: number | null
}

/** Where a berth lies, in degrees: two fields and one record. */
export const berthPlace = variants({
  tag: 'berth-place',
  promise: {
    properties: {
      digits: { type: Type.Integer({ minimum: 0, maximum: 6 }), default: 3 },
      legend: { type: Type.String(), default: 'Place' },
      shut: { type: Type.Boolean(), default: false },
    },
    values: {
      place: {
        type: Type.Object({ north: Degrees, east: Degrees }),
        default: { north: null, east: null },
        attribute: false,
        event: 'place-fixed',
        reports: 'commit',
        samples: [
          { north: 54.25, east: 10.5 },
          { north: 0, east: -3.125 },
        ],
      },
    },
    commands: { forget: { effect: 'reset', reports: false } },
    locks: { disabled: 'shut' },
  },
  faults: {
    'east-takes-north': ['reports-truth', 'edits-stand', 'every-way-in'],
    'rounds-what-is-held': ['round-trip', 'follows-change', 'owner-decides', 'edits-stand', 'reports-truth'],
    'digits-of-the-mount': ['follows-change'],
    'legend-as-usual': ['shows-initial'],
    'zero-degrees-blank': ['keeps-falsy', 'shows-initial', 'follows-change'],
    'zero-digits-is-three': ['keeps-falsy'],
    'reports-strings': ['reports-truth'],
    'east-emptied-is-zero': ['emptied-as-said', 'takes-empty'],
    'written-into-the-given': ['leaves-given-alone'],
    'whole-record-only-when-both': ['reports-once', 'every-way-in'],
    'null-members-fail': ['takes-empty', 'follows-change'],
    'forget-keeps-east-text': ['resets-fully'],
    'shut-north-only': ['locks-hold'],
    'at-each-key': ['reports-when-said'],
    'leaving-unchanged-reports': ['quiet-when-told', 'reports-once', 'no-strays'],
    'edit-clears-the-other': ['edits-stand'],
  },
  make: (has) =>
    class extends HTMLElement {
      #place: Place = { north: null, east: null }
      #digits = 3
      #first: number | undefined
      #legend = 'Place'
      #shut = false
      #group = made('fieldset')
      #words = made('legend')
      #fields: Record<'north' | 'east', HTMLInputElement> = { north: made('input'), east: made('input') }
      constructor() {
        super()
        this.#group.append(this.#words)
        for (const key of ['north', 'east'] as const) {
          const label = made('label', { textContent: `${key} ` })
          const field = this.#fields[key]
          field.inputMode = 'decimal'
          field.oninput = (event) => {
            event.stopPropagation()
            if (has('at-each-key')) this.#take(key)
          }
          field.onchange = (event) => {
            event.stopPropagation()
            this.#take(key)
          }
          if (has('leaving-unchanged-reports')) field.onblur = () => this.#say()
          label.append(field)
          this.#group.append(label)
        }
        this.attachShadow({ mode: 'open' }).append(this.#group)
        this.#draw()
      }
      connectedCallback() {
        this.#first ??= this.#digits
        this.#draw()
      }
      #text(degrees: number | null) {
        if (degrees === null || (degrees === 0 && has('zero-degrees-blank'))) return ''
        const digits = has('digits-of-the-mount')
          ? (this.#first ?? this.#digits)
          : has('zero-digits-is-three')
            ? this.#digits || 3
            : this.#digits
        return degrees.toFixed(digits)
      }
      #take(key: 'north' | 'east') {
        const text = this.#fields[key].value.trim()
        const read = Number(text.replace(',', '.'))
        if (text !== '' && Number.isNaN(read)) return this.#draw()
        if (text === this.#text(this.#place[key])) return
        const degrees = text === '' ? (has('east-emptied-is-zero') && key === 'east' ? 0 : null) : read
        if (degrees === this.#place[key]) return this.#draw()
        const rest = has('edit-clears-the-other') ? { north: null, east: null } : this.#place
        const held = has('rounds-what-is-held')
          ? { north: rest.north && Math.round(rest.north), east: rest.east && Math.round(rest.east) }
          : rest
        if (has('written-into-the-given')) this.#place[has('east-takes-north') ? 'north' : key] = degrees
        else this.#place = { ...held, [has('east-takes-north') ? 'north' : key]: degrees }
        this.#draw()
        if (has('whole-record-only-when-both') && (this.#place.north === null || this.#place.east === null)) return
        this.#say()
      }
      #say() {
        const { north, east } = this.#place
        const value = has('reports-strings')
          ? { north: this.#fields.north.value, east: this.#fields.east.value }
          : { north, east }
        this.dispatchEvent(new CustomEvent('place-fixed', { detail: { value }, bubbles: true, composed: true }))
      }
      #draw(isForgetting = false) {
        this.#words.textContent = has('legend-as-usual') ? 'Place' : this.#legend
        for (const key of ['north', 'east'] as const) {
          this.#fields[key].disabled = this.#shut && !(has('shut-north-only') && key === 'east')
          if (isForgetting && key === 'east' && has('forget-keeps-east-text')) continue
          if (has('null-members-fail') && this.#place[key] === null && this.isConnected) continue
          this.#fields[key].value = this.#text(this.#place[key])
        }
      }
      get place() {
        return has('written-into-the-given') ? this.#place : { ...this.#place }
      }
      set place(place: Place | undefined) {
        const given = place ?? { north: null, east: null }
        this.#place = has('written-into-the-given') ? given : { ...given }
        this.#draw()
      }
      get digits() {
        return this.#digits
      }
      set digits(digits: number | undefined) {
        this.#digits = digits ?? 3
        this.#draw()
      }
      get legend() {
        return this.#legend
      }
      set legend(legend: string | undefined) {
        this.#legend = legend ?? 'Place'
        this.#draw()
      }
      get shut() {
        return this.#shut
      }
      set shut(shut: boolean | undefined) {
        this.#shut = shut ?? false
        this.#draw()
      }
      forget() {
        this.#place = { north: null, east: null }
        this.#draw(true)
      }
    } as never,
})
