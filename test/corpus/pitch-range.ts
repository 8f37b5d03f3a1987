import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

type Pair = [number, number]

/** From one temperature to another: two number fields of which neither passes the other. */
export const pitchRange = variants({
  tag: 'pitch-range',
  promise: {
    properties: {
      least: { type: Type.Number(), default: 0 },
      most: { type: Type.Number(), default: 100 },
      held: { type: Type.Boolean(), default: false },
    },
    values: {
      range: {
        type: Type.Tuple([Type.Number(), Type.Number()]),
        default: [20, 60],
        reports: 'commit',
        ordered: true,
        bounds: { least: 'least', most: 'most' },
      },
    },
    commands: { reset: { effect: 'reset' } },
    locks: { disabled: 'held' },
  },
  faults: {
    'ends-cross': ['pair-in-order'],
    'low-end-crosses': ['pair-in-order'],
    'takes-crossed': ['pair-in-order'],
    'high-end-unbounded': ['stays-within'],
    'reports-one-end': ['reports-truth'],
    'shows-low-only': ['follows-change', 'shows-initial', 'resets-fully'],
    'buttons-pass-lock': ['locks-hold'],
    'changes-given-pair': ['leaves-given-alone', 'fresh-payload'],
    'reports-both-ends-apart': ['reports-once'],
    'reset-low-only': ['resets-fully'],
  },
  make: (has) =>
    class extends HTMLElement {
      state = { least: 0, most: 100, held: false, range: [20, 60] as Pair }
      ends = [made('input', { type: 'number' }), made('input', { type: 'number' })] as const
      more = [
        made('button', { type: 'button', textContent: '+' }),
        made('button', { type: 'button', textContent: '+' }),
      ] as const

      constructor() {
        super()
        this.attachShadow({ mode: 'open' }).append(this.ends[0], this.more[0], this.ends[1], this.more[1])
        for (const end of [0, 1] as const) {
          this.ends[end].onchange = () =>
            this.move(end, this.ends[end].value === '' ? this.state.range[end] : Number(this.ends[end].value))
          this.more[end].onclick = () => this.move(end, this.state.range[end] + 25)
        }
        this.draw()
      }

      move(end: 0 | 1, to: number): void {
        const other = this.state.range[end === 0 ? 1 : 0]
        const crosses = has('ends-cross') || (has('low-end-crosses') && end === 0)
        let moved = crosses ? to : end === 0 ? Math.min(to, other) : Math.max(to, other)
        if (!(has('high-end-unbounded') && end === 1)) moved = this.inside(moved)
        const pair: Pair = has('changes-given-pair') ? this.state.range : [...this.state.range]
        const before = this.state.range[end]
        pair[end] = moved
        this.state.range = pair
        this.draw()
        if (moved === before) return
        const payload = has('reports-one-end') ? moved : has('changes-given-pair') ? pair : [...pair]
        report(this, 'range-set', payload)
        if (has('reports-both-ends-apart')) report(this, 'range-set', [...pair])
      }

      inside(end: number): number {
        return Math.max(this.state.least, Math.min(end, this.state.most))
      }

      set(changes: object): void {
        Object.assign(this.state, changes)
        const pair = this.state.range.map((end) => this.inside(end)) as Pair
        if (pair.some((end, at) => end !== this.state.range[at])) this.state.range = pair
        this.draw()
      }

      draw(): void {
        this.ends.forEach((field, end) => {
          const text = String(this.state.range[has('shows-low-only') ? 0 : end])
          if (field.value !== text) field.value = text
          field.disabled = this.state.held
        })
        for (const button of this.more) button.disabled = this.state.held && !has('buttons-pass-lock')
      }

      get range(): Pair {
        return this.state.range
      }
      set range(range: Pair | undefined) {
        const [low, high] = range ?? [20, 60]
        if (low > high && !has('takes-crossed')) return
        this.set({ range: has('changes-given-pair') ? (range ?? [20, 60]) : [low, high] })
      }
      get least(): number {
        return this.state.least
      }
      set least(least: number | undefined) {
        this.set({ least: least ?? 0 })
      }
      get most(): number {
        return this.state.most
      }
      set most(most: number | undefined) {
        this.set({ most: most ?? 100 })
      }
      get held(): boolean {
        return this.state.held
      }
      set held(held: boolean | undefined) {
        this.set({ held: held ?? false })
      }

      reset(): void {
        const before = this.state.range
        this.state.range = has('reset-low-only') ? [20, before[1]] : [20, 60]
        this.state.range = this.state.range.map((end) => this.inside(end)) as Pair
        this.draw()
        if (this.state.range.some((end, at) => end !== before[at])) report(this, 'range-set', this.state.range)
      }
    },
})
