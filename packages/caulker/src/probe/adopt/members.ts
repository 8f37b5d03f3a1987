import { kebab } from '../../words/index.js'

/** A public accessor of an element's class. */
export interface Member {
  readonly name: string
  readonly isSettable: boolean
  /** The attribute that the class observes for it. */
  readonly attribute: string | undefined
}

/** What an element shows of itself: accessors, methods that are commands by their name, and what was left out, with the reason. */
export interface Members {
  readonly accessors: readonly Member[]
  readonly commands: readonly string[]
  readonly left: readonly string[]
}

/** HTML Standard, section 4.10.19: what every form control has, and no owner of a component sets. */
const OF_EVERY_CONTROL = ['form', 'validity', 'validationMessage', 'willValidate', 'labels', 'type', 'name']

/** Methods that mean the same at every component; of any other nobody can say by its name whether it is meant to be called. */
const COMMANDS = ['reset', 'clear', 'select', 'open', 'close', 'show', 'hide', 'toggle', 'stepUp', 'stepDown']

export function membersOf(element: HTMLElement, view: Window & typeof globalThis): Members {
  const { observedAttributes: observed = [] } = element.constructor as { observedAttributes?: readonly string[] }
  const found = new Map<string, PropertyDescriptor>()
  for (
    let holder: object | null = element;
    holder !== view.HTMLElement.prototype && holder !== null;
    holder = Object.getPrototypeOf(holder) as object | null
  )
    for (const [name, descriptor] of Object.entries(Object.getOwnPropertyDescriptors(holder)))
      if (!found.has(name)) found.set(name, descriptor)
  const accessors: Member[] = []
  const commands: string[] = []
  const left: string[] = []
  for (const [name, { get, set, value }] of found) {
    if (name.startsWith('_') || name.startsWith('$') || OF_EVERY_CONTROL.includes(name)) continue
    if (typeof value === 'function') {
      if (COMMANDS.includes(name) || name === 'focus') commands.push(name)
    } else if (get !== undefined && !(name in view.HTMLElement.prototype))
      accessors.push({
        name,
        isSettable: set !== undefined,
        attribute: observed.find((one) => one === kebab(name) || one === name.toLowerCase()),
      })
  }
  for (const attribute of observed)
    if (!accessors.some((one) => one.attribute === attribute) && !OF_EVERY_CONTROL.includes(attribute))
      left.push(`the attribute ${attribute}: no property goes with it; say its type, with only: 'attribute'`)
  return { accessors, commands, left }
}
