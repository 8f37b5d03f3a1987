import { Type } from 'caulker'
import { made, variants } from './corpus.js'

const KNOTS = ['bowline', 'reef', 'sheet bend']
let groups = 0

/** Radio buttons under an event name and a payload of their own; it draws in a microtask, once for all changes of a turn. */
export const knotChoice = variants({
  tag: 'knot-choice',
  promise: {
    properties: { title: { type: Type.String(), default: 'Knot' }, advice: { type: Type.Boolean(), default: true } },
    values: {
      knot: {
        type: Type.Enum(KNOTS as ['bowline']),
        default: 'bowline' as never,
        event: 'knot-picked',
        payloadAt: '/detail/knot/name',
      },
    },
    commands: { startOver: { effect: 'reset' } },
  },
  faults: {
    'flat-payload': ['reports-truth'],
    'other-event': ['reports-once'],
    'stale-advice': ['follows-change', 'reports-truth'],
    'group-drawn-once': ['follows-change'],
    'report-at-render': ['quiet-when-told', 'reports-once'],
    'reset-without-drawing': ['resets-fully'],
    'default-at-mount': ['shows-initial'],
  },
  make: (has) =>
    class extends HTMLElement {
      #values = { title: 'Knot', advice: true, knot: 'bowline' }
      #waiting: Promise<void> | undefined
      readonly #name = `knot-${groups++}`

      connectedCallback(): void {
        if (has('default-at-mount')) this.#values.knot = 'bowline'
        this.#render()
      }

      #update(changes: object): void {
        Object.assign(this.#values, changes)
        if (this.isConnected) this.#waiting ??= Promise.resolve().then(() => this.#render())
      }

      #render(): void {
        this.#waiting = undefined
        const { title, advice, knot } = this.#values
        const set = made('fieldset')
        const isDrawn = this.firstChild !== null
        const radios = KNOTS.flatMap((name) => {
          const radio = made('input', { type: 'radio', name: this.#name, value: name, checked: name === knot })
          radio.onchange = () => this.#picked(name)
          return [radio, made('span', { textContent: name })]
        })
        set.append(made('legend', { textContent: title }), ...radios)
        const words = advice ? [made('p', { textContent: `A ${knot} holds` })] : []
        if (has('group-drawn-once') && isDrawn) return this.lastElementChild?.replaceWith(...words)
        if (has('stale-advice') && isDrawn) return this.firstElementChild?.replaceWith(set)
        this.replaceChildren(set, ...words)
        if (has('report-at-render')) this.#report(knot)
      }

      #picked(knot: string): void {
        this.#update({ knot })
        this.#report(knot)
      }

      #report(knot: string): void {
        const detail = has('flat-payload') ? { knot } : { knot: { name: knot } }
        this.dispatchEvent(new CustomEvent(has('other-event') ? 'knot-pickd' : 'knot-picked', { detail }))
      }

      override get title(): string {
        return this.#values.title
      }
      override set title(title: string | undefined) {
        this.#update({ title: title ?? 'Knot' })
      }
      get advice(): boolean {
        return this.#values.advice
      }
      set advice(advice: boolean | undefined) {
        this.#update({ advice: advice ?? true })
      }
      get knot(): string {
        return this.#values.knot
      }
      set knot(knot: string | undefined) {
        this.#update({ knot: knot ?? 'bowline' })
      }

      startOver(): void {
        const before = this.#values.knot
        if (has('reset-without-drawing')) this.#values.knot = 'bowline'
        else this.#update({ knot: 'bowline' })
        if (before !== 'bowline') this.#report('bowline')
      }
    },
})
