import { Type } from 'caulker'
import { made, report, variants } from './corpus.js'

/** Checkboxes from a list, and one that takes them all; the order of what is chosen is that of the list. */
export const flagSet = variants({
  tag: 'flag-set',
  promise: {
    required: ['flags', 'label'],
    properties: { flags: { type: Type.Array(Type.String(), { uniqueItems: true }) }, label: { type: Type.String() } },
    values: { flown: { type: Type.Array(Type.String()), default: [] } },
    commands: { strike: { effect: 'reset' } },
  },
  faults: {
    'all-unreported': ['reports-once', 'every-way-in'],
    'all-told-one-by-one': ['reports-once'],
    'all-forgets-to-clear': ['reports-once', 'every-way-in'],
    'half-box-of-the-mount': ['follows-change', 'reports-truth'],
    'same-list-reported': ['fresh-payload', 'leaves-given-alone'],
    'flags-of-the-mount': ['follows-change'],
    'legend-of-the-mount': ['follows-change', 'named-by-label'],
    'one-id-for-all': ['stands-alone'],
    'strike-leaves-the-half-box': ['resets-fully'],
    'change-as-well': ['no-strays'],
    'index-for-name': ['reports-truth'],
    'one-strikes-all': ['edits-stand'],
    'second-flag-snaps-back': ['every-way-in', 'reports-once'],
  },
  make: (has) =>
    class extends HTMLElement {
      #flags: readonly string[] = []
      #flown: string[] = []
      #isDrawn = false
      readonly #group = made('fieldset')
      readonly #legend = made('legend')
      readonly #all = made('input', { type: 'checkbox' })
      readonly #list = made('div')

      constructor() {
        super()
        const label = made('label')
        label.append(this.#all, ' All of them')
        if (has('one-id-for-all')) this.#all.id = 'all-flags'
        this.#group.append(this.#legend, label, this.#list)
        this.#all.addEventListener('change', () => this.#flyAll(this.#all.checked))
      }

      connectedCallback(): void {
        if (!this.contains(this.#group)) this.append(this.#group)
        this.#draw()
        this.#isDrawn = true
      }

      #flyAll(isAll: boolean): void {
        // Where there is no flag, none of them and all of them are the same.
        if (this.#flags.length === 0) return this.#draw()
        if (has('all-told-one-by-one') && isAll) {
          for (const flag of this.#flags) if (!this.#flown.includes(flag)) this.#put([...this.#flown, flag])
          return
        }
        this.#put(isAll ? [...this.#flags] : has('all-forgets-to-clear') ? this.#flown : [], has('all-unreported'))
      }

      #fly(flag: string, isFlown: boolean): void {
        if (has('second-flag-snaps-back') && this.#flags.indexOf(flag) === 1) return this.#draw()
        if (has('one-strikes-all') && !isFlown) return this.#put([])
        this.#put(this.#flags.filter((one) => (one === flag ? isFlown : this.#flown.includes(one))))
      }

      #put(flown: readonly string[], isSilent = false): void {
        if (has('same-list-reported')) this.#flown.splice(0, this.#flown.length, ...flown)
        else this.#flown = [...flown]
        this.#draw()
        if (isSilent) return
        const sent = has('same-list-reported') ? this.#flown : [...this.#flown]
        report(this, 'flown-set', has('index-for-name') ? sent.map((one) => this.#flags.indexOf(one)) : sent)
        if (has('change-as-well')) this.dispatchEvent(new Event('change'))
      }

      #draw(): void {
        if (!(has('legend-of-the-mount') && this.#isDrawn)) this.#legend.textContent = this.#label
        const known = this.#flown.filter((flag) => this.#flags.includes(flag))
        if (!(has('half-box-of-the-mount') && this.#isDrawn)) {
          this.#all.checked = this.#flags.length > 0 && known.length === this.#flags.length
          this.#all.indeterminate = known.length > 0 && !this.#all.checked
        }
        if (has('flags-of-the-mount') && this.#isDrawn) return
        this.#list.replaceChildren(
          ...this.#flags.map((flag) => {
            const label = made('label')
            const box = made('input', { type: 'checkbox', checked: this.#flown.includes(flag) })
            box.addEventListener('change', (event) => {
              event.stopPropagation()
              this.#fly(flag, box.checked)
            })
            label.append(box, ` ${flag}`)
            return label
          }),
        )
      }

      #label = ''
      get label(): string {
        return this.#label
      }
      set label(label: string) {
        this.#label = label
        this.#draw()
      }

      get flags(): readonly string[] {
        return this.#flags
      }
      set flags(flags: readonly string[]) {
        this.#flags = [...flags]
        this.#draw()
      }

      get flown(): readonly string[] {
        return has('same-list-reported') ? this.#flown : [...this.#flown]
      }
      set flown(flown: readonly string[] | undefined) {
        this.#flown = has('same-list-reported') ? ((flown ?? []) as string[]) : [...(flown ?? [])]
        this.#draw()
      }

      strike(): void {
        if (this.#flown.length === 0) return
        const { checked, indeterminate } = this.#all
        this.#put([])
        if (has('strike-leaves-the-half-box')) Object.assign(this.#all, { checked, indeterminate })
      }
    },
})
