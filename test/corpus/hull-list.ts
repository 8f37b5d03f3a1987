import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

const HULLS = ['clinker', 'carvel', 'steel', 'ferrocement']

/** A list box of its own making: options that are clicked, or walked through by keys. */
export const hullList = variants({
  tag: 'hull-list',
  promise: {
    required: ['label'],
    properties: { label: { type: Type.String() }, locked: { type: Type.Boolean(), default: false } },
    values: { hull: { type: Type.Union([Type.Enum(HULLS), Type.Null()]), default: null } },
    commands: { reset: { effect: 'reset' } },
    locks: { disabled: 'locked' },
  },
  faults: {
    'keys-unreported': ['reports-once'],
    'keys-pass-lock': ['locks-hold'],
    'end-one-short': ['reports-truth', 'reports-once'],
    'selected-at-first': ['follows-change', 'shows-initial'],
    'label-for-sight-only': ['named-by-label'],
    'hidden-hull-setter': ['no-hidden-ways'],
    'hull-not-cleared': ['takes-empty', 'resets-fully'],
    'option-index-told': ['reports-truth'],
  },
  make: (has) => {
    class HullList extends HTMLElement {
      state = { label: '', locked: false, hull: null as string | null }
      list = made('ul', { tabIndex: 0 })
      heading = made('span')

      connectedCallback(): void {
        if (this.list.isConnected) return
        this.list.setAttribute('role', 'listbox')
        HULLS.forEach((hull) => {
          const option = made('li', { textContent: hull, onclick: () => this.take(hull) })
          option.setAttribute('role', 'option')
          this.list.append(option)
        })
        this.list.onkeydown = ({ key }) => this.walk(key)
        this.replaceChildren(this.heading, this.list)
        this.draw()
      }

      walk(key: string): void {
        const at = this.state.hull === null ? -1 : HULLS.indexOf(this.state.hull)
        const last = has('end-one-short') ? HULLS.length - 2 : HULLS.length - 1
        const to = { ArrowDown: Math.min(last, at + 1), ArrowUp: Math.max(0, at - 1), Home: 0, End: last }[key]
        if (to === undefined) return
        if (has('end-one-short') && key === 'End') report(this, 'hull-set', HULLS[HULLS.length - 1])
        this.take(HULLS[to] as string, true)
      }

      take(hull: string, byKey = false): void {
        const isLocked = this.state.locked && !(byKey && has('keys-pass-lock'))
        if (isLocked || hull === this.state.hull) return
        this.state.hull = hull
        this.draw()
        if (byKey && has('keys-unreported')) return
        report(this, 'hull-set', has('option-index-told') ? HULLS.indexOf(hull) : hull)
      }

      draw(): void {
        const { label, locked, hull } = this.state
        this.heading.textContent = label
        if (!has('label-for-sight-only')) this.list.setAttribute('aria-label', label)
        this.list.setAttribute('aria-disabled', String(locked))
        for (const option of this.list.children)
          if (!has('selected-at-first') || !option.hasAttribute('aria-selected'))
            option.setAttribute('aria-selected', String(option.textContent === hull))
      }

      get label(): string {
        return this.state.label
      }
      set label(label: string | undefined) {
        this.state.label = label ?? ''
        this.draw()
      }
      get locked(): boolean {
        return this.state.locked
      }
      set locked(locked: boolean | undefined) {
        this.state.locked = locked ?? false
        this.draw()
      }
      get hull(): string | null {
        return this.state.hull
      }
      set hull(hull: string | null | undefined) {
        if (has('hull-not-cleared') && !hull) return
        this.state.hull = hull ?? null
        this.draw()
      }
      reset(): void {
        if (this.state.hull === null) return
        this.hull = null
        report(this, 'hull-set', this.state.hull)
      }
    }
    if (has('hidden-hull-setter'))
      Object.defineProperty(HullList.prototype, 'current', {
        get(this: HullList) {
          return this.state.hull
        },
        set(this: HullList, hull: string) {
          this.heading.textContent = String(hull)
        },
      })
    return HullList
  },
})
