import { equal } from '../../contract/index.js'
import type { Frames } from '../stage/frames.js'
import { componentRef } from '../person/controls.js'
import { gestureText, type Gesture } from '../person/gestures.js'
import { snapshot } from '../stage/around.js'
import { foundControls, gesturesAt, wholeGestures } from '../person/operate.js'
import { filesToChoose } from '../subject/samples.js'
import { personAt } from '../person/index.js'
import { watchEvents, type SeenEvent } from './watch.js'

export type Reading = Readonly<Record<string, unknown>>

/** What was seen while a person did one thing: what changed, and which events came, by gesture. */
export interface Observation {
  readonly gestures: readonly Gesture[]
  readonly before: Reading
  readonly after: Reading
  /** For each gesture, the events that came of it. */
  readonly events: readonly (readonly SeenEvent[])[]
}

export interface Specimen {
  readonly tag: string
  readonly define: CustomElementConstructor
  readonly names: readonly string[]
  /** The names of its slots, and markup with something in each of them. */
  readonly slots: readonly string[]
  readonly content: string
  readonly view: Window & typeof globalThis
  readonly frames: Frames
}

const MOST_TRIES = 48
const FRAMES_TO_SETTLE = 4
/** A text field takes both; a number field takes the first two. */
const TEXTS = ['7', '12', 'oakum']

/** Mounts one, lets something be done with it, and takes it away again. */
export async function withSpecimen<T>(
  { define, content, view, frames }: Specimen,
  work: (element: HTMLElement, place: HTMLElement) => T | Promise<T>,
): Promise<T> {
  const place = view.document.body.appendChild(view.document.createElement('div'))
  try {
    const element = new define()
    if (content !== '') element.insertAdjacentHTML('beforeend', content)
    place.append(element)
    await settle(frames)
    return await work(element, place)
  } finally {
    place.remove()
  }
}

export function readAll(element: HTMLElement, names: readonly string[]): Reading {
  return Object.fromEntries(names.map((name) => [name, snapshot(readOne(element, name))]))
}

function readOne(element: HTMLElement, name: string): unknown {
  try {
    return (element as never as Record<string, unknown>)[name]
  } catch {
    return THROWS
  }
}

/** What stands for a member that cannot even be read. */
export const THROWS = Symbol('throws')

/** Operates everything that can be found, each time on a fresh one. */
export async function observed(specimen: Specimen): Promise<Observation[]> {
  const controls = await withSpecimen(specimen, (_, place) => foundControls(place))
  const supply = { texts: () => TEXTS, files: filesToChoose(specimen.view.document) }
  const tries: (readonly Gesture[])[] =
    controls.length > 0
      ? controls.flatMap((control) => [...gesturesAt(control, supply)].map(({ gestures }) => gestures))
      : wholeGestures(componentRef(specimen.tag))
  const found: Observation[] = []
  for (const gestures of tries.slice(0, MOST_TRIES)) {
    const one = await withSpecimen(specimen, (element, place) => observeOne(specimen, element, place, gestures))
    if (one !== undefined) found.push(one)
  }
  return found
}

async function observeOne(
  { names, view, frames }: Specimen,
  element: HTMLElement,
  place: HTMLElement,
  gestures: readonly Gesture[],
): Promise<Observation | undefined> {
  const person = personAt(place)
  const before = readAll(element, names)
  const events: (readonly SeenEvent[])[] = []
  for (const made of gestures) {
    const watch = watchEvents(element, view, () => readAll(element, names))
    try {
      if ((await person.act(made)) !== undefined) return undefined
      await settle(frames)
    } catch {
      return undefined
    } finally {
      watch.stop()
    }
    events.push(watch.seen)
  }
  return { gestures, before, after: readAll(element, names), events }
}

/** The members that something which a person did has changed. */
export function changedIn({ before, after }: Observation): string[] {
  return Object.keys(after).filter((name) => !equal(before[name], after[name]))
}

/** What was done, in words. */
export function didText({ gestures }: Observation): string {
  return gestures
    .filter(({ do: what }) => what !== 'leave')
    .map(gestureText)
    .join(', then ')
}

async function settle(frames: Frames): Promise<void> {
  for (let frame = 0; frame < FRAMES_TO_SETTLE; frame++) await frames.next()
}
