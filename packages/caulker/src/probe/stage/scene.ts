import { messageOf } from '../../words/index.js'
import { type AnyContract } from '../../contract/index.js'
import type { Driver, Machine } from '../../machine/index.js'
import type { Mounted } from '../../mount/index.js'
import type { personAt } from '../person/index.js'
import type { ownObjects, SentEvent } from './around.js'
import type { FormState } from './form-state.js'
import type { HeardThen, StageOptions } from './played.js'
import { FORM_NAME } from './settings.js'
import type { Trail } from './trail.js'

/** One mount of a component in a place of its own, with its owner and a person: what a trail is played on. */
export interface Scene {
  readonly contract: AnyContract
  readonly plan: Machine
  readonly trail: Trail
  readonly options: StageOptions
  readonly view: Window & typeof globalThis
  /** All that belongs to the scene, and in it the place of the component. */
  readonly container: HTMLElement
  readonly place: HTMLElement
  readonly person: ReturnType<typeof personAt>
  readonly runner: Driver
  readonly owned: ReturnType<typeof ownObjects>
  /** What was put into its slots. */
  readonly fills: Node[]
  mounted: Mounted | undefined
  twin: { readonly mounted: Mounted; readonly place: HTMLElement } | undefined
  /** What its form held after the mount. */
  recorded: FormState | undefined
  /** The answers that it waits for, in the order in which it asked. */
  readonly answers: { readonly give: () => void; readonly fail: () => void }[]
  heardInAll: number
  /** What has happened since the last row. */
  since: Happenings
}

export interface Happenings {
  heard: HeardThen[]
  /** Events of its own that no contract names. */
  strays: string[]
  fromInside: string[]
  /** The declared events, as they were sent. */
  sent: SentEvent[]
  /** How often it said something to the console. */
  said: number
  submits: unknown[][]
  gave: { readonly value: unknown } | undefined
  fault: string | undefined
  /** What it has replaced for all code on the page; it was put back. */
  spoils: string[]
}

export function nothingYet(): Happenings {
  return {
    heard: [],
    strays: [],
    fromInside: [],
    sent: [],
    said: 0,
    submits: [],
    gave: undefined,
    fault: undefined,
    spoils: [],
  }
}

/** The first fault of a step is what went wrong; others follow from it. */
export function noteFault(scene: Scene, thrown: unknown): void {
  scene.since.fault ??= messageOf(thrown)
}

/** What a component says that a name is: what it throws there is a fault of the step. */
export function readOf(scene: Scene, name: string, from = scene.mounted): unknown {
  try {
    return from?.read(name)
  } catch (thrown) {
    noteFault(scene, thrown)
    return undefined
  }
}

/** The element of the component, wherever it stands by now. */
export function rootOf({ place, contract }: Scene): HTMLElement | undefined {
  return place.getElementsByTagName(contract.tag)[0] as HTMLElement | undefined
}

export function formOf({ place }: Scene): HTMLFormElement | undefined {
  return place.parentElement?.localName === 'form' ? (place.parentElement as HTMLFormElement) : undefined
}

export function formValuesOf(scene: Scene): unknown[] {
  const form = formOf(scene)
  if (form === undefined) return []
  const data = new scene.view.FormData(form)
  const own = data.getAll(FORM_NAME)
  // Nothing else is in this form: what goes by another name comes from inside it, too.
  return own.length > 0 ? own : [...data.values()]
}
