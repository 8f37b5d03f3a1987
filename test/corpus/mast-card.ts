import { Type } from 'caulker'
import { made, variants } from './corpus.js'

interface Mast {
  wood: string
  feet: number
  note: string
}
const EMPTY: Mast = { wood: '', feet: 0, note: '' }

/** A mast on two tabs: its wood and length on one, a note on the other; what a tab hides is kept. */
export const mastCard = variants({
  tag: 'mast-card',
  promise: {
    properties: {
      woods: {
        type: Type.Array(Type.String()),
        default: [],
        attribute: false,
        samples: [
          ['ash', 'fir'],
          ['elm', 'ash', 'oak'],
        ],
      },
      firm: { type: Type.Boolean(), default: false },
      head: { type: Type.String(), default: 'Mast' },
    },
    values: {
      mast: {
        type: Type.Object({ wood: Type.String(), feet: Type.Integer({ minimum: 0 }), note: Type.String() }),
        default: EMPTY,
        attribute: false,
        reports: 'commit',
        event: 'mast-written',
        payloadAt: '/detail',
        samples: [
          { wood: 'ash', feet: 12, note: 'sound' },
          { wood: 'elm', feet: 0, note: '' },
          { wood: 'ash', feet: 7, note: 'cracked <at> the foot' },
        ],
      },
    },
    commands: { blank: { effect: 'reset' } },
    locks: { readonly: 'firm' },
  },
  faults: {
    'tab-forgets-the-note': ['shown-when-unfolded', 'edits-stand', 'follows-change'],
    'note-undoes-feet': ['edits-stand', 'reports-truth', 'resets-fully'],
    'woods-of-the-mount': ['follows-change'],
    'feet-as-text': ['reports-truth'],
    'feet-below-nought': ['reports-truth'],
    'same-object-sent': ['fresh-payload', 'leaves-given-alone'],
    'writes-into-the-given': ['leaves-given-alone'],
    'tab-reports': ['reports-once'],
    'firm-but-the-note': ['locks-hold'],
    'firm-but-the-wood': ['locks-hold'],
    'blank-forgets-the-note': ['resets-fully'],
    'blank-in-silence': ['resets-fully'],
    'head-of-the-mount': ['follows-change'],
    'wood-in-silence': ['reports-once', 'every-way-in'],
    'wood-not-in-list-is-first': ['round-trip', 'shows-initial', 'follows-change', 'quiet-when-told'],
    'leaving-reports-anyhow': ['reports-once'],
  },
  make: (has) =>
    class extends HTMLElement {
      #woods: string[] = []
      #firstWoods: string[] | undefined
      #firm = false
      #head = 'Mast'
      #mast: Mast = EMPTY
      #tab = 0
      #isReady = false
      #wood = made('select')
      #feet = made('input', { type: 'text', inputMode: 'numeric' })
      #note = made('textarea')
      #panels = [made('div'), made('div')]
      #old: Mast | undefined

      connectedCallback(): void {
        this.#firstWoods ??= this.#woods
        this.#old ??= this.#mast
        if (!this.#isReady) {
          this.#isReady = true
          const tabs = ['Spar', 'Note'].map((text, at) => {
            const tab = made('button', { type: 'button', textContent: text })
            tab.setAttribute('role', 'tab')
            tab.onclick = () => {
              this.#tab = at
              if (has('tab-forgets-the-note') && at === 1) this.#note.value = ''
              if (has('tab-reports')) this.#say()
              this.#draw(has('tab-forgets-the-note'))
            }
            return tab
          })
          this.#wood.setAttribute('aria-label', 'Wood')
          this.#feet.setAttribute('aria-label', 'Feet')
          this.#note.setAttribute('aria-label', 'Note')
          this.#panels[0]!.append(this.#wood, this.#feet)
          this.#panels[1]!.append(this.#note)
          this.append(made('h4'), ...tabs, ...this.#panels)
          this.addEventListener('input', (event) => event.target !== this && event.stopPropagation())
          this.#wood.addEventListener('change', (event) => this.#take(event, { wood: this.#wood.value }, 'wood'))
          this.#feet.addEventListener('change', (event) => {
            const feet = Number(this.#feet.value)
            const isRight = Number.isInteger(feet) && (feet >= 0 || has('feet-below-nought')) && this.#feet.value !== ''
            this.#take(
              event,
              isRight ? { feet: (has('feet-as-text') ? this.#feet.value : feet) as number } : {},
              'feet',
            )
          })
          this.#note.addEventListener('change', (event) => this.#take(event, { note: this.#note.value }, 'note'))
          this.#note.addEventListener('blur', () => has('leaving-reports-anyhow') && this.#say())
        }
        this.#draw()
      }

      #take(event: Event, part: Partial<Mast>, name: keyof Mast): void {
        event.stopPropagation()
        if (name in part && part[name] !== this.#mast[name]) {
          const base = has('note-undoes-feet') && name === 'note' ? (this.#old ?? this.#mast) : this.#mast
          if (has('writes-into-the-given') || has('same-object-sent')) Object.assign(this.#mast, part)
          else this.#mast = { ...base, ...part }
          if (!(has('wood-in-silence') && name === 'wood')) this.#say()
        }
        this.#draw()
      }
      #say(): void {
        const detail = has('same-object-sent') ? this.#mast : { ...this.#mast }
        this.dispatchEvent(new CustomEvent('mast-written', { detail }))
      }
      #draw(keepsNote = false): void {
        if (!this.#isReady) return
        const { wood, feet, note } = this.#mast
        const heading = this.querySelector('h4')!
        if (!has('head-of-the-mount') || heading.textContent === '') heading.textContent = this.#head
        ;[...this.querySelectorAll('[role=tab]')].forEach((tab, at) =>
          tab.setAttribute('aria-selected', String(at === this.#tab)),
        )
        this.#panels.forEach((panel, at) => (panel.hidden = at !== this.#tab))
        const woods = has('woods-of-the-mount') ? (this.#firstWoods ?? this.#woods) : this.#woods
        const known = woods.includes(wood) || has('wood-not-in-list-is-first') ? woods : [wood, ...woods]
        this.#wood.replaceChildren(...known.map((one) => new Option(one || '—', one)))
        if (has('wood-not-in-list-is-first') && woods.length > 0 && !woods.includes(wood))
          this.#mast = { ...this.#mast, wood: woods[0]! }
        this.#wood.value = this.#mast.wood
        this.#feet.value = String(feet)
        if (!keepsNote) this.#note.value = note
        this.#wood.disabled = this.#firm && !has('firm-but-the-wood')
        this.#feet.readOnly = this.#firm
        this.#note.readOnly = this.#firm && !has('firm-but-the-note')
      }

      get woods(): string[] {
        return this.#woods
      }
      set woods(woods: string[] | undefined) {
        this.#woods = woods ?? []
        this.#draw()
      }
      get firm(): boolean {
        return this.#firm
      }
      set firm(firm: boolean | undefined) {
        this.#firm = firm ?? false
        this.#draw()
      }
      get head(): string {
        return this.#head
      }
      set head(head: string | undefined) {
        this.#head = head ?? 'Mast'
        this.#draw()
      }
      get mast(): Mast {
        return has('same-object-sent') ? this.#mast : { ...this.#mast }
      }
      set mast(mast: Mast | undefined) {
        this.#mast = has('writes-into-the-given') ? (mast ?? { ...EMPTY }) : { ...(mast ?? EMPTY) }
        this.#draw()
      }
      blank(): void {
        const isOther = JSON.stringify(this.#mast) !== JSON.stringify(EMPTY)
        this.#mast = has('blank-forgets-the-note') ? { ...EMPTY, note: this.#mast.note } : { ...EMPTY }
        this.#draw()
        if (isOther && !has('blank-in-silence')) this.#say()
      }
    } as never,
})
