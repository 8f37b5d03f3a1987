import { equal, printed, type ValueClause } from '../contract/index.js'
import { controlRefs, findControl, optionsOf, type ControlKind, type ControlRef, type Person } from '../probe/index.js'

const TEXTS: readonly ControlKind[] = ['text field', 'number field', 'combo box', 'slider', 'spin button']
const TICKS: readonly ControlKind[] = ['checkbox', 'switch']

/**
 * Has a person enter a value at a component: typed, ticked, chosen or picked, at the control that its type asks for. Gives why that
 * cannot be done, or nothing.
 */
export function enter(
  person: Person,
  place: HTMLElement,
  value: ValueClause,
  all: readonly ValueClause[],
  to: unknown,
): string | undefined {
  const controls = controlRefs(place)
  const kinds = (wanted: readonly ControlKind[]) =>
    controls.filter(({ ref }) => wanted.includes(ref.kind)).map(({ ref }) => ref)
  if (typeof to === 'boolean') {
    const tick = nth(kinds(TICKS), value, all)
    if (tick === undefined) return none(value, 'to tick')
    const { checked } = findControl(place, tick) as HTMLInputElement
    return checked === to ? undefined : acted(person.act({ do: 'press', on: tick }))
  }
  if (isFile(to)) {
    const field = nth(kinds(['file field']), value, all)
    return field === undefined ? none(value, 'to pick a file') : acted(person.act({ do: 'pick', on: field, file: to }))
  }
  const chosen = choice(place, kinds(['radio button', 'select', 'list box']), to)
  if (chosen !== undefined) return acted(person.act(chosen))
  const field = nth(kinds(TEXTS), value, all)
  if (field !== undefined && (to === null || typeof to === 'string' || typeof to === 'number'))
    return acted(person.act({ do: 'type', on: field, text: to === null ? '' : String(to) }))
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

function says(element: HTMLElement, to: unknown): boolean {
  const { value } = element as HTMLInputElement
  return [value, element.getAttribute('data-value'), element.textContent?.trim()].some((text) =>
    equal(text, String(to)),
  )
}

function acted(result: string | undefined | Promise<string | undefined>): string | undefined {
  return typeof result === 'string' ? result : undefined
}

function none(value: ValueClause, what: string): string {
  return `there is no control for ${value.name} in which a person could be asked ${what}`
}

function isFile(value: unknown): value is File {
  return typeof File !== 'undefined' && value instanceof File
}
