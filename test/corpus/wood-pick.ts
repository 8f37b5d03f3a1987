import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const WOODS = ['oak', 'larch', 'pine']

/** A choice that asks before it changes, with a thickness that goes in broken steps. */
export const woodPick = variants({
  tag: 'wood-pick',
  promise: {
    properties: {
      label: { type: Type.String(), default: 'Wood' },
      stride: { type: Type.Number({ exclusiveMinimum: 0 }), default: 0.1 },
    },
    values: {
      wood: { type: Type.Enum(['oak', 'larch', 'pine']), default: 'oak', vetoEvent: 'wood-asks' },
      inches: { type: Type.Number(), default: 1, bounds: { least: 0, most: 9 }, step: 'stride' },
    },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'never-asks': ['asks-first'],
    'woods-unheard': ['every-way-in'],
    'asks-afterwards': ['asks-first'],
    'passes-over-veto': ['asks-first'],
    'reports-the-vetoed': ['asks-first'],
    'sums-of-broken-steps': ['true-steps', 'stays-within'],
    'fewer-breaks-steps': ['true-steps', 'stays-within'],
    'steps-before-bounds': ['stays-within'],
    'order-matters': ['any-order', 'shows-initial', 'follows-change'],
    'says-its-own-event': ['no-strays'],
    'same-group-for-all': ['stands-alone'],
    'wood-by-label-order': ['any-order', 'follows-change', 'shows-initial'],
    'frames-for-ever': ['leaves-no-trace'],
    'loses-early': ['early-property'],
  },
  make: (has) => {
    let instances = 0
    return class extends HTMLElement {
      state = { label: 'Wood', stride: 0.1, wood: 'oak', inches: 1 }
      group = made('fieldset')
      legend = made('legend')
      words = made('output')
      radios = WOODS.map((wood) => made('input', { type: 'radio', value: wood }))

      constructor() {
        super()
        const name = has('same-group-for-all') ? 'wood' : `wood-${instances++}`
        const lines = this.radios.map((radio, at) => {
          radio.name = name
          radio.onclick = (event) => this.choose(WOODS[at] as string, event)
          const line = made('label', { textContent: WOODS[at] })
          line.prepend(radio)
          return line
        })
        const button = (text: string, way: number) =>
          made('button', { type: 'button', textContent: text, onclick: () => this.step(way) })
        this.group.append(this.legend, ...lines)
        this.isShadow()
          ? this.attachShadow({ mode: 'open' }).append(
              this.group,
              this.words,
              button('Thinner', -1),
              button('Thicker', 1),
            )
          : (this.late = [this.group, this.words, button('Thinner', -1), button('Thicker', 1)])
        this.draw()
      }
      late: Node[] = []
      isShadow(): boolean {
        return !has('same-group-for-all')
      }

      connectedCallback(): void {
        this.append(...this.late)
        const frame = () => {
          requestAnimationFrame(frame)
        }
        if (has('frames-for-ever')) frame()
      }

      choose(wood: string, event: Event): void {
        if (wood === this.state.wood || has('woods-unheard')) return
        const asks = () =>
          this.dispatchEvent(new CustomEvent('wood-asks', { cancelable: true, detail: { value: wood } }))
        const isAllowed = has('never-asks') || has('asks-afterwards') || asks()
        if (!isAllowed && !has('passes-over-veto')) {
          event.preventDefault()
          if (has('reports-the-vetoed')) report(this, 'wood-set', wood)
          queueMicrotask(() => this.draw())
          return
        }
        this.state.wood = wood
        queueMicrotask(() => this.draw())
        report(this, 'wood-set', wood)
        if (has('asks-afterwards')) asks()
        if (has('says-its-own-event')) report(this, 'wood-picked', wood)
      }

      step(way: number): void {
        const { stride, inches } = this.state
        const isLoose = has('sums-of-broken-steps') || (has('fewer-breaks-steps') && way < 0)
        const sum = inches + way * stride
        const next = isLoose ? sum : this.snapped(sum)
        const bounded = has('steps-before-bounds') ? next : Math.max(0, Math.min(next, this.highest()))
        if (bounded === inches) return
        this.state.inches = bounded
        this.draw()
        report(this, 'inches-set', bounded)
      }

      snapped(inches: number): number {
        const { stride } = this.state
        const places = (String(stride).split('.')[1] ?? '').length
        return Number((Math.round(inches / stride) * stride).toFixed(places))
      }

      highest(): number {
        const { stride } = this.state
        const places = (String(stride).split('.')[1] ?? '').length
        return Number((Math.floor(Number((9 / stride).toFixed(9))) * stride).toFixed(places))
      }

      draw(): void {
        this.legend.textContent = this.state.label
        this.words.textContent = `${this.state.inches} in.`
        this.radios.forEach((radio) => (radio.checked = radio.value === this.state.wood))
      }

      set(changes: object): void {
        Object.assign(this.state, changes)
        this.state.inches = Math.max(0, Math.min(this.snapped(this.state.inches), this.highest()))
        this.draw()
      }

      get wood(): string {
        return this.state.wood
      }
      set wood(wood: string | undefined) {
        this.set({ wood: wood ?? 'oak' })
      }
      get inches(): number {
        return this.state.inches
      }
      set inches(inches: number | undefined) {
        this.set({ inches: inches ?? 1 })
      }
      get label(): string {
        return this.state.label
      }
      set label(label: string | undefined) {
        if (has('wood-by-label-order')) this.set({ label: `${label ?? 'Wood'} (${this.state.stride})` })
        else this.set({ label: label ?? 'Wood' })
        if (has('order-matters')) this.legend.dataset['after'] = String(this.state.stride)
        if (has('order-matters') && this.state.stride !== 0.1) this.legend.textContent = `${this.legend.textContent} !`
      }
      get stride(): number {
        return this.state.stride
      }
      set stride(stride: number | undefined) {
        this.set({ stride: stride ?? 0.1 })
      }

      reset(): void {
        const before = { ...this.state }
        this.set({ wood: 'oak', inches: 1 })
        if (before.wood !== this.state.wood) report(this, 'wood-set', this.state.wood)
        if (before.inches !== this.state.inches) report(this, 'inches-set', this.state.inches)
      }
    }
  },
})
