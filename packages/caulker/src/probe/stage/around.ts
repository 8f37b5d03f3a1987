import { equal, isDate, isHost } from '../../contract/index.js'
import { deepActiveElement, isInside } from '../../dom/index.js'
import type { Picture } from '../sight/picture.js'
import type { Given } from '../../mount/index.js'
import { isEditable } from '../person/fields.js'

/** How far an event flies, and whether it may be cancelled (DOM Standard, section 2.2). */
export const FLAGS = ['bubbles', 'composed', 'cancelable'] as const

/** An event of its own as it was sent: whether it bubbles, leaves shadow trees, and may be cancelled. */
export interface SentEvent {
  readonly event: string
  readonly bubbles: boolean
  readonly composed: boolean
  readonly cancelable: boolean
  /** What its contract says that it carries along, as it was sent, and as the component held it then. */
  readonly along: readonly { readonly name: string; readonly value: unknown; readonly readThen: unknown }[]
}

/** What is not part of the picture, and that clauses of their own look at. */
export interface Around {
  /** Events that it sent from its own element, and that its contract does not declare. */
  readonly strays: readonly string[]
  /** What scripts sent as input or change from inside it to where its owner hears it, and that its contract does not declare. */
  readonly fromInside: readonly string[]
  /** The events that its contract declares, as they were sent since the last row. */
  readonly sent: readonly SentEvent[]
  /** How many warnings and errors it has written to the console since the last row. */
  readonly said: number
  /** The names whose given object it has changed, and the reports that carried such an object. */
  readonly mutated: readonly string[]
  /** What its form would send for it now, and what it would have sent at each submit since the last row. */
  readonly formValues: readonly unknown[]
  readonly submits: readonly (readonly unknown[])[]
  readonly isValid: boolean | undefined
  /** The second one of two. */
  readonly twin:
    | {
        readonly read: Given
        readonly picture: Picture
        /** Ids that both have in one tree. */ readonly sharedIds: readonly string[]
      }
    | undefined
  /** How much of what was put into its slots is in none of them any more. */
  readonly unplaced: number
  /** Whether the focus is inside it. */
  readonly hasFocus: boolean
  /** Where the caret is, if it is in a text of this component. */
  readonly caret: { readonly text: string; readonly at: number | null } | undefined
  /** The attributes of its own element. */
  readonly attributes: Readonly<Record<string, string>>
}

/** What it is now, even if it is changed in place later; host objects, such as files, stay the very same, but for dates. */
export function snapshot(value: unknown): unknown {
  return copied(value, new Map())
}

function copied(value: unknown, known: Map<unknown, unknown>): unknown {
  if (isDate(value)) return new Date(value.getTime())
  if (typeof value !== 'object' || value === null || isHost(value)) return value
  if (known.has(value)) return known.get(value)
  const copy: Record<string, unknown> | unknown[] = Array.isArray(value) ? [] : {}
  known.set(value, copy)
  for (const [name, one] of Object.entries(value)) copy[name as never] = copied(one, known) as never
  return copy
}

/** Counts warnings and errors on the console instead of printing them, until the function that it gives is called. */
export function hearConsole(onSaid: () => void): () => void {
  const { console } = globalThis
  const { warn, error } = console
  console.warn = onSaid
  console.error = onSaid
  return () => Object.assign(console, { warn, error })
}

/** The ids that stand in the tree of the page itself: those in a shadow tree are its own affair. */
export function idsIn(place: HTMLElement): string[] {
  return Array.from(place.querySelectorAll('[id]'), ({ id }) => id)
}

export function hasFocusIn(place: HTMLElement): boolean {
  const active = deepActiveElement(place.ownerDocument)
  return active !== null && active !== place.ownerDocument.body && isInside(active, place)
}

export function caretIn(place: HTMLElement): Around['caret'] {
  const active = deepActiveElement(place.ownerDocument) as HTMLInputElement | null
  if (active === null || !isInside(active, place)) return undefined
  // Where it is in an editable element, a page outside of its shadow tree is not told.
  if (isEditable(active)) return { text: active.textContent ?? '', at: null }
  if (!('selectionStart' in active)) return undefined
  try {
    return { text: active.value, at: active.selectionStart }
  } catch {
    return undefined
  }
}

/** Copies of what an owner hands over, so that a component that changes one is found out, and spoils no other trail. */
export function ownObjects() {
  const handed: { name: string; object: object; before: unknown }[] = []
  const copyOne = (name: string, value: unknown): unknown => {
    if (typeof value !== 'object' || value === null || (isHost(value) && !isDate(value))) return value
    const object = snapshot(value) as object
    handed.push({ name, object, before: snapshot(value) })
    return object
  }
  /** What was reported, as it was then. */
  const reported = new Map<object, unknown>()
  const again = new Set<string>()
  const lastBy = new Map<string, object>()
  const isChanged = ({ object, before }: (typeof handed)[number]) => !equal(object, before)
  return {
    copy: (given: Given): Given =>
      Object.fromEntries(Object.entries(given).map(([name, value]) => [name, copyOne(name, value)])),
    /** Notes a report; one that carries the object of an earlier one, with other contents, is found out. */
    report: (event: string, payload: unknown) => {
      if (typeof payload !== 'object' || payload === null || isHost(payload)) return
      if (reported.has(payload) && !equal(reported.get(payload), payload)) again.add(`the payload of ${event}`)
      reported.set(payload, snapshot(payload))
      lastBy.set(event, payload)
    },
    /** The object that an event brought last. */
    last: (event: string) => lastBy.get(event),
    resent: () => [...again],
    changed: () => [...new Set(handed.filter(isChanged).map(({ name }) => name))],
    hasChanged: (payload: unknown) => handed.some((one) => one.object === payload && isChanged(one)),
  }
}
