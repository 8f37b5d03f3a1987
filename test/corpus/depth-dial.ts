import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** A spin button without a native control: keys, two small buttons, bounds and a step that its owner sets. */
export const depthDial = variants({
  tag: 'depth-dial',
  promise: {
    required: ['label'],
    properties: {
      label: { type: Type.String() },
      shallowest: { type: Type.Number(), default: 0 },
      deepest: { type: Type.Number(), default: 12 },
      stride: { type: Type.Number({ exclusiveMinimum: 0 }), default: 0.1 },
      disabled: { type: Type.Boolean(), default: false },
    },
    values: {
      depth: { type: Type.Number(), default: 2, bounds: { least: 'shallowest', most: 'deepest' }, step: 'stride' },
    },
    events: { 'ground-met': { payload: Type.Object({ depth: Type.Number() }) } },
    locks: { disabled: 'disabled' },
  },
  faults: {
    'adds-floats': ['true-steps', 'stays-within', 'reports-truth', 'round-trip'],
    'no-deepest-by-key': ['stays-within'],
    'no-shallowest-by-button': ['stays-within'],
    'told-past-the-end': ['stays-within'],
    'end-goes-to-default': ['stays-within', 'follows-change', 'every-way-in'],
    'page-unreported': ['reports-once', 'every-way-in'],
    'home-told-at-home': ['reports-once'],
    'deepest-or-twelve': ['keeps-falsy'],
    'stride-of-the-mount': ['follows-change', 'true-steps'],
    'works-though-disabled': ['locks-hold'],
    'valuenow-of-the-mount': ['follows-change', 'reports-truth'],
    'valuemax-of-the-mount': ['follows-change', 'attribute-agrees'],
    unnamed: ['named-by-label'],
    'keys-unlisted': ['no-strays'],
    'up-is-unheard': ['every-way-in'],
    'down-goes-up': ['every-way-in'],
    'any-key-sinks': ['every-way-in'],
    'rise-by-keys-alone': ['every-way-in'],
    'keys-unheard': ['every-way-in'],
    'never-at-the-deepest': ['stays-within'],
    'nameless-buttons': ['shows-initial'],
  },
  make: (has) =>
    class extends HTMLElement {
      #label = ''
      #least = 0
      #most = 12
      #stride = 0.1
      #depth = 2
      #disabled = false
      #isDrawn = false
      readonly #dial = made('div')
      readonly #up = made('button', { type: 'button', textContent: has('nameless-buttons') ? '' : 'Rise' })
      readonly #down = made('button', { type: 'button', textContent: 'Sink' })

      constructor() {
        super()
        this.#dial.setAttribute('role', 'spinbutton')
        this.#dial.tabIndex = 0
        this.attachShadow({ mode: 'open' }).append(this.#up, this.#dial, this.#down)
        let isHeld = false
        this.#up.addEventListener('pointerdown', () => (isHeld = has('rise-by-keys-alone')))
        this.#up.addEventListener('keydown', () => (isHeld = false))
        this.#up.addEventListener(
          'click',
          () => isHeld || this.#go(this.#depth - this.#step(), has('no-shallowest-by-button')),
        )
        this.#down.addEventListener('click', () => this.#go(this.#depth + this.#step()))
        this.#dial.addEventListener('keydown', (event) => this.#pressed(event))
      }

      connectedCallback(): void {
        this.#draw()
        this.#isDrawn = true
      }

      #step(): number {
        return this.#stride
      }

      #pressed(event: KeyboardEvent): void {
        const ways: Readonly<Record<string, () => unknown>> = {
          ArrowUp: () => has('up-is-unheard') || this.#go(this.#depth + this.#step(), has('no-deepest-by-key')),
          ArrowDown: () => this.#go(this.#depth + (has('down-goes-up') ? 1 : -1) * this.#step()),
          PageUp: () => this.#go(this.#depth + 10 * this.#step(), false, has('page-unreported')),
          PageDown: () => this.#go(this.#depth - 10 * this.#step()),
          Home: () => this.#go(this.#least, false, false, has('home-told-at-home')),
          End: () => this.#go(has('end-goes-to-default') ? 12 : this.#most, has('end-goes-to-default')),
        }
        const way = ways[event.key] ?? (has('any-key-sinks') ? ways['ArrowDown'] : undefined)
        if (way === undefined || has('keys-unheard')) return
        event.preventDefault()
        if (has('keys-unlisted')) this.dispatchEvent(new CustomEvent('dial-key', { detail: event.key }))
        way()
      }

      #fit(depth: number): number {
        const most = has('deepest-or-twelve') ? this.#most || 12 : this.#most
        const steps = Math.round((depth - this.#least) / this.#stride)
        const decimals = Math.max(...[this.#stride, this.#least].map((one) => String(one).split('.')[1]?.length ?? 0))
        const last =
          Math.floor((most - this.#least) / this.#stride + 1e-9) -
          (has('never-at-the-deepest') && depth > this.#depth ? 1 : 0)
        const on = this.#least + Math.max(0, Math.min(last, steps)) * this.#stride
        return most < this.#least ? this.#least : Number(on.toFixed(decimals))
      }

      #go(depth: number, isUnbound = false, isSilent = false, isAlways = false): void {
        if (this.#disabled && !has('works-though-disabled')) return
        const before = this.#depth
        this.#depth = isUnbound || has('adds-floats') ? depth : this.#fit(depth)
        if (has('adds-floats')) this.#depth = Math.max(this.#least, Math.min(this.#most, depth))
        this.#draw()
        if ((before !== this.#depth || isAlways) && !isSilent) report(this, 'depth-set', this.#depth)
        if (before !== this.#depth && this.#depth === this.#fit(this.#most))
          this.dispatchEvent(new CustomEvent('ground-met', { detail: { depth: this.#depth } }))
      }

      #draw(): void {
        const say = (name: string, text: string) => this.#dial.setAttribute(name, text)
        if (!has('unnamed')) say('aria-label', this.#label)
        if (!(has('valuenow-of-the-mount') && this.#isDrawn)) say('aria-valuenow', String(this.#depth))
        say('aria-valuemin', String(this.#least))
        if (!(has('valuemax-of-the-mount') && this.#isDrawn)) say('aria-valuemax', String(this.#most))
        say('aria-disabled', String(this.#disabled))
        this.#dial.textContent = `${this.#depth} fathoms`
        if (!has('works-though-disabled')) for (const one of [this.#up, this.#down]) one.disabled = this.#disabled
      }

      #told(): void {
        if (!has('told-past-the-end')) this.#depth = this.#fit(this.#wanted)
        else this.#depth = this.#wanted
        this.#draw()
      }

      #given = 2
      get #wanted(): number {
        return this.#given
      }

      get label(): string {
        return this.#label
      }
      set label(label: string) {
        this.#label = label
        this.#draw()
      }

      get shallowest(): number {
        return this.#least
      }
      set shallowest(shallowest: number | undefined) {
        this.#given = this.#depth
        this.#least = shallowest ?? 0
        this.#told()
      }

      get deepest(): number {
        return this.#most
      }
      set deepest(deepest: number | undefined) {
        this.#given = this.#depth
        this.#most = deepest ?? 12
        this.#told()
      }

      get stride(): number {
        return this.#stride
      }
      set stride(stride: number | undefined) {
        if (has('stride-of-the-mount') && this.#isDrawn) return
        this.#given = this.#depth
        this.#stride = stride ?? 0.1
        this.#told()
      }

      get disabled(): boolean {
        return this.#disabled
      }
      set disabled(disabled: boolean | undefined) {
        this.#disabled = disabled ?? false
        this.#draw()
      }

      get depth(): number {
        return this.#depth
      }
      set depth(depth: number | undefined) {
        this.#given = depth ?? 2
        this.#told()
      }
    },
})
