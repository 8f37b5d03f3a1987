import { equal, isEmpty, printed, type ValueClause } from '../contract/index.js'
import { controlRefs, findControl, optionsOf, type ControlKind, type ControlRef, type Gesture } from '../probe/index.js'

const TEXTS: readonly ControlKind[] = ['text field', 'number field', 'combo box', 'slider', 'spin button']
const TICKS: readonly ControlKind[] = ['checkbox', 'switch']

/** How a person enters a value, where there is anything to be done for it; or why nobody can. */
export type WayIn = { readonly gesture: Gesture | undefined } | { readonly why: string }

/** How a person enters a value at a component: typed, ticked, chosen or picked, at the control that its type asks for. */
export function wayIn(place: HTMLElement, value: ValueClause, all: readonly ValueClause[], to: unknown): WayIn {
  const controls = controlRefs(place)
  const kinds = (wanted: readonly ControlKind[]) =>
    controls.filter(({ ref }) => wanted.includes(ref.kind)).map(({ ref }) => ref)
  if (typeof to === 'boolean') {
    const tick = nth(kinds(TICKS), value, all)
    if (tick === undefined) return none(value, 'to tick')
    const { checked } = findControl(place, tick) as HTMLInputElement
    return { gesture: checked === to ? undefined : { do: 'press', on: tick } }
  }
  if (isFile(to)) {
    const field = nth(kinds(['file field']), value, all)
    return field === undefined ? none(value, 'to pick a file') : { gesture: { do: 'pick', on: field, file: to } }
  }
  const chosen = choice(place, kinds(['radio button', 'select', 'list box']), to)
  if (chosen !== undefined) return { gesture: chosen }
  const field = nth(kinds(TEXTS), value, all)
  // All at once, as the ideal component takes it: what is passed through key by key is no other edit.
  if (field !== undefined && (to === null || typeof to === 'string' || typeof to === 'number'))
    return { gesture: { do: isEmpty(to) ? 'type' : 'paste', on: field, text: String(to ?? '') } }
  return none(value, `to enter ${printed(to, 40)}`)
}

/** Fields and values stand in the same order. */
function nth(refs: readonly ControlRef[], value: ValueClause, all: readonly ValueClause[]): ControlRef | undefined {
  return refs.length === 1 ? refs[0] : refs[all.indexOf(value)]
}

/** The option that says what is to be chosen: by its value, else by its text. */
function choice(place: HTMLElement, refs: readonly ControlRef[], to: unknown) {
  for (const on of refs) {
    const element = findControl(place, on)
    if (element === undefined) continue
    if (on.kind === 'radio button') {
      if (says(element, to)) return { do: 'press', on } as const
      continue
    }
    const option = optionsOf(element).findIndex((one) => says(one, to))
    if (option >= 0) return { do: 'choose', on, option } as const
  }
  return undefined
}

/** By its value, or by its words where it has some. */
function says(element: HTMLElement, to: unknown): boolean {
  const { value } = element as HTMLInputElement
  const words = element.textContent?.trim() || undefined
  return [value, element.getAttribute('data-value'), words].some((text) => equal(text, String(to)))
}

function none(value: ValueClause, what: string): WayIn {
  return { why: `there is no control for ${value.name} in which a person could be asked ${what}` }
}

function isFile(value: unknown): value is File {
  return typeof File !== 'undefined' && value instanceof File
}
