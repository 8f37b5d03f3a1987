import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A slider of its own making, in a closed shadow tree: keys as the pattern for sliders has them. */
export const pitchSlider = variants({
  tag: 'pitch-slider',
  promise: {
    properties: {
      label: { type: Type.String(), default: 'Pitch' },
      coldest: { type: Type.Integer(), default: 0 },
      hottest: { type: Type.Integer(), default: 100 },
    },
    values: {
      heat: {
        type: Type.Integer(),
        default: 20,
        bounds: { least: 'coldest', most: 'hottest' },
      },
    },
    commands: { reset: { effect: 'reset' } },
  },
  faults: {
    'page-keys-leave-bounds': ['stays-within'],
    'end-goes-to-100': ['stays-within', 'follows-change'],
    'home-unreported': ['reports-once'],
    'stale-hottest': ['follows-change', 'stays-within', 'reports-once'],
    'valuenow-stale': ['follows-change', 'reports-truth', 'shows-initial'],
    'arrows-told-twice': ['reports-once'],
    'zero-for-missing': ['keeps-falsy'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = 'Pitch'
      #coldest = 0
      #hottest = 100
      #heat = 20
      #hottestAtFirst: number | undefined
      #thumb = made('div', { tabIndex: 0 })

      constructor() {
        super()
        this.attachShadow({ mode: 'closed' }).append(this.#thumb)
        this.#thumb.setAttribute('role', 'slider')
        this.#thumb.onkeydown = ({ key }) => this.#press(key)
      }
      connectedCallback(): void {
        this.#hottestAtFirst ??= this.#hottest
        this.#draw()
      }

      #press(key: string): void {
        const far = { PageUp: 10, PageDown: -10 }[key]
        const near = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[key]
        const end = { Home: this.#coldest, End: has('end-goes-to-100') ? 100 : this.#most() }[key]
        const wanted = end ?? this.#heat + (far ?? near ?? 0)
        const isFree = (has('page-keys-leave-bounds') && far !== undefined) || (has('end-goes-to-100') && key === 'End')
        const heat = isFree ? wanted : this.#inside(wanted)
        if (heat === this.#heat) return
        this.#heat = heat
        this.#draw()
        if (has('home-unreported') && key === 'Home') return
        report(this, 'heat-set', heat)
        if (has('arrows-told-twice') && near !== undefined) report(this, 'heat-set', heat)
      }

      #most(): number {
        return has('stale-hottest') ? (this.#hottestAtFirst ?? this.#hottest) : this.#hottest
      }
      #inside(heat: number): number {
        return Math.max(this.#coldest, Math.min(this.#most(), heat))
      }

      #take(heat: number): void {
        this.#heat = this.#inside(heat)
        this.#draw()
      }

      #draw(): void {
        this.#thumb.setAttribute('aria-label', this.#label)
        this.#thumb.setAttribute('aria-valuemin', String(this.#coldest))
        this.#thumb.setAttribute('aria-valuemax', String(this.#hottest))
        if (has('valuenow-stale') && this.#thumb.hasAttribute('aria-valuenow')) return
        this.#thumb.setAttribute('aria-valuenow', String(this.#heat))
      }

      get label(): string {
        return this.#label
      }
      set label(label: string | undefined) {
        this.#label = label ?? 'Pitch'
        this.#draw()
      }
      get coldest(): number {
        return this.#coldest
      }
      set coldest(coldest: number | undefined) {
        this.#coldest = coldest ?? 0
        this.#take(this.#heat)
      }
      get hottest(): number {
        return this.#hottest
      }
      set hottest(hottest: number | undefined) {
        this.#hottest = hottest ?? 100
        this.#take(this.#heat)
      }
      get heat(): number {
        return this.#heat
      }
      set heat(heat: number | undefined) {
        this.#take((has('zero-for-missing') ? heat || 20 : heat) ?? 20)
      }
      reset(): void {
        const before = this.#heat
        this.heat = 20
        if (this.#heat !== before) report(this, 'heat-set', this.#heat)
      }
    },
})
