import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const WOODS = ['oak', 'elm', 'larch'] as const
const survey = Type.Object({ wood: Type.Enum([...WOODS]), seams: Type.Integer({ minimum: 0 }), dry: Type.Boolean() })
type Survey = { wood: string; seams: number; dry: boolean }
const NONE: Survey = { wood: 'oak', seams: 0, dry: false }

/** A survey on three pages, one after the other; it is kept on the last, as a whole. */
export const hullSurvey = variants({
  tag: 'hull-survey',
  promise: {
    properties: {
      heading: { type: Type.String({ minLength: 1 }), default: 'Survey' },
      shut: { type: Type.Boolean(), default: false },
    },
    values: { survey: { type: survey, default: NONE, attribute: false, reports: 'commit' } },
    locks: { disabled: 'shut' },
  },
  faults: {
    'back-forgets': ['shown-when-unfolded'],
    'seams-as-text': ['reports-truth'],
    'reports-each-page': ['reports-once', 'reports-truth'],
    'keeps-when-shut': ['locks-hold'],
    'hands-out-its-own': ['fresh-payload'],
    'heading-of-the-mount': ['follows-change'],
  },
  make: (has) =>
    class extends HTMLElement {
      held = NONE
      draft = NONE
      page = 0
      isShut = false
      head = made('h3')
      says = made('p')
      woods = made('fieldset')
      seams = made('input', { inputMode: 'numeric', ariaLabel: 'Seams' })
      dry = made('input', { type: 'checkbox', ariaLabel: 'Dry' })
      back = made('button', { type: 'button', textContent: 'Back' })
      on = made('button', { type: 'button', textContent: 'On' })
      keep = made('button', { type: 'button', textContent: 'Keep' })

      constructor() {
        super()
        for (const wood of WOODS) {
          const label = made('label', { textContent: wood })
          label.prepend(made('input', { type: 'radio', name: 'wood', value: wood }))
          this.woods.append(label)
        }
        const fields = made('div')
        fields.append(this.woods, this.seams, this.dry)
        fields.oninput = (event) => event.stopPropagation()
        fields.onchange = (event) => (event.stopPropagation(), this.take(event.target as HTMLInputElement))
        this.back.onclick = () => this.turn(this.page - 1, has('back-forgets') ? this.held : this.draft)
        this.on.onclick = () => this.turn(this.page + 1, this.draft)
        this.keep.onclick = () => this.kept()
        this.attachShadow({ mode: 'open' }).append(this.head, this.says, fields, this.back, this.on, this.keep)
        this.head.textContent = 'Survey'
        this.draw()
      }

      take({ value, type, checked }: HTMLInputElement): void {
        if (type === 'radio') this.draft = { ...this.draft, wood: value }
        else if (type === 'checkbox') this.draft = { ...this.draft, dry: checked }
        else if (/^\d+$/.test(value)) this.draft = { ...this.draft, seams: Number(value) }
        this.draw()
      }

      turn(page: number, draft: Survey): void {
        this.page = page
        this.draft = draft
        if (has('reports-each-page') && page > 0) report(this, 'survey-set', { ...draft })
        this.draw()
      }

      kept(): void {
        const isNew = JSON.stringify(this.draft) !== JSON.stringify(this.held)
        this.held = this.draft
        this.page = 0
        this.draw()
        const whole = has('hands-out-its-own') ? this.held : { ...this.held }
        if (isNew) report(this, 'survey-set', has('seams-as-text') ? { ...whole, seams: `${whole.seams}` } : whole)
      }

      draw(): void {
        const { wood, seams, dry } = this.held
        this.says.textContent = `${wood}, ${seams} seams, ${dry ? 'dry' : 'wet'}`
        for (const radio of this.woods.querySelectorAll('input')) radio.checked = radio.value === this.draft.wood
        this.seams.value = `${this.draft.seams}`
        this.dry.checked = this.draft.dry
        for (const [at, part] of [this.woods, this.seams, this.dry].entries()) part.hidden = this.page !== at
        this.back.hidden = this.page === 0
        this.on.hidden = this.page === 2
        this.keep.hidden = this.page !== 2
        for (const part of [this.woods, this.seams, this.dry, this.back, this.on]) part.disabled = this.isShut
        this.keep.disabled = this.isShut && !has('keeps-when-shut')
      }

      get survey(): Survey {
        return { ...this.held }
      }
      set survey(survey: Survey | undefined) {
        this.held = { ...(survey ?? NONE) }
        this.draft = this.held
        this.draw()
      }
      get heading(): string {
        return this.head.textContent ?? ''
      }
      set heading(heading: string | undefined) {
        if (!has('heading-of-the-mount') || !this.isConnected) this.head.textContent = heading ?? 'Survey'
      }
      get shut(): boolean {
        return this.isShut
      }
      set shut(shut: boolean | undefined) {
        this.isShut = shut ?? false
        this.draw()
      }
    },
})
