import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A native number field that reports each edit; what cannot be used yet is left to the person and not reported. */
export const mastHeight = variants({
  tag: 'mast-height',
  promise: {
    properties: {
      least: { type: Type.Number(), default: 1 },
      most: { type: Type.Number(), default: 30 },
      unit: { type: Type.String(), default: 'm' },
    },
    values: {
      height: {
        type: Type.Number(),
        default: 8,
        reports: 'commit',
        bounds: { least: 'least', most: 'most' },
        step: 0.5,
      },
    },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'float-steps': ['stays-within'],
    'text-payload': ['reports-truth'],
    'loose-typing': ['stays-within'],
    'loose-telling': ['stays-within'],
    'early-most': ['follows-change', 'stays-within'],
    'doubled-on-blur': ['reports-once'],
    'report-without-change': ['reports-once'],
    'stale-unit': ['follows-change'],
    'reset-to-last': ['resets-fully'],
    'reset-keeps-text': ['resets-fully'],
  },
  make: (has) =>
    class extends HTMLElement {
      state = { least: 1, most: 30, unit: 'm', height: 8 }
      field = made('input', { type: 'number', step: '0.5' })
      words = made('p')
      mostAtFirst: number | undefined
      given = 8

      constructor() {
        super()
        const up = made('button', { type: 'button', textContent: 'Higher' })
        const down = made('button', { type: 'button', textContent: 'Lower' })
        this.attachShadow({ mode: 'open' }).append(this.field, up, down, this.words)
        up.onclick = () => this.propose(this.state.height + (has('float-steps') ? 0.3 : 0.5))
        down.onclick = () => this.propose(this.state.height - 0.5)
        this.field.onchange = () => this.typed()
        this.field.onblur = () => has('doubled-on-blur') && report(this, 'height-set', this.state.height)
        this.draw()
      }

      typed(): void {
        const number = Number(this.field.value)
        if (this.field.value === '' || Number.isNaN(number)) this.draw()
        else if (has('loose-typing')) this.take(number)
        else this.propose(number)
      }

      inside(height: number): number {
        const { least } = this.state
        const most = has('early-most') ? (this.mostAtFirst ??= this.state.most) : this.state.most
        const stepped = has('float-steps') ? height : least + Math.round((height - least) / 0.5) * 0.5
        return Math.max(least, Math.min(stepped, least + Math.floor((most - least) / 0.5) * 0.5))
      }

      propose(height: number): void {
        this.take(this.inside(height))
      }

      take(height: number): void {
        const isNew = height !== this.state.height
        this.state.height = height
        this.draw()
        if (isNew || has('report-without-change'))
          report(this, 'height-set', has('text-payload') ? String(height) : height)
      }

      draw(): void {
        this.field.value = String(this.state.height)
        this.words.textContent =
          has('stale-unit') && this.isConnected ? this.words.textContent : `${this.state.height} ${this.state.unit}`
      }

      told(changes: object): void {
        Object.assign(this.state, changes)
        if (!has('loose-telling')) this.state.height = this.inside(this.state.height)
        this.draw()
      }

      get least(): number {
        return this.state.least
      }
      set least(least: number | undefined) {
        this.told({ least: least ?? 1 })
      }
      get most(): number {
        return this.state.most
      }
      set most(most: number | undefined) {
        this.told({ most: most ?? 30 })
      }
      get unit(): string {
        return this.state.unit
      }
      set unit(unit: string | undefined) {
        this.told({ unit: unit ?? 'm' })
      }
      get height(): number {
        return this.state.height
      }
      set height(height: number | undefined) {
        this.given = height ?? 8
        this.told({ height: this.given })
      }

      reset(): void {
        if (has('reset-keeps-text') && this.state.height === this.inside(8)) return
        this.draw()
        this.propose(has('reset-to-last') ? this.given : 8)
      }
    },
})
