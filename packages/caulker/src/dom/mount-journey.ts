import { CaulkerError, hint } from '../words/index.js'
import { compile, storedFrom, storedOf, type Machine, type Stored } from '../machine/index.js'
import type { Answering, Journey } from '../wiring/index.js'
import { liveOver, type Live, type LiveOptions } from './live.js'
import { documentOf } from './placing.js'
import { outside, type MountedLive, type SourcesOf } from './mount-screen.js'
import { waysInAddress, type AddressWays } from './ways.js'

type Together<U> = (U extends unknown ? (one: U) => void : never) extends (all: infer I) => void ? I : never
type ScreensOf<J> = J extends Journey<infer U> ? U : never
type AllSources<U> = Together<{ [K in keyof U]: SourcesOf<U[K]> }[keyof U]>

export interface MountJourneyOptions<O = unknown> extends LiveOptions {
  /** What answers for the sources of all screens, by the names that the screens give them. */
  readonly sources?: Answering<O>
  /** Whether the screen in front stands in the page's address, so that back and forward lead through the journey (the default). */
  readonly isInAddress?: boolean
  /** Where the journey is kept for a reload: a web storage, a name in it, and a version that changes with the wiring. */
  readonly store?: { readonly in: Storage; readonly as: string; readonly version: number | string }
  /** Is told why a screen was not left. */
  readonly onStay?: (reason: string) => void
}

/** A journey at work on a page. */
export interface MountedJourney extends MountedLive {
  /** The name of the screen in front. */
  front(): string
  /** The screens that were entered, and at which of them a person is. */
  way(): { readonly entries: readonly string[]; readonly at: number }
  /** To another entry of the way, where the browser's back and forward do not lead there. */
  travel(at: number): void
  /** What a cell holds, by the name that the screen in front or the journey gives it. */
  read(name: string): unknown
  set(cell: string, value: unknown): string | undefined
  setAll(changes: Readonly<Record<string, unknown>>): string | undefined
  act(action: string): void
}

/**
 * Mounts a journey on markup with a part for each screen, `data-screen="name"`: a `<template>` is copied when its screen is entered, any
 * other element is shown. The browser's back and forward lead through it; focus and the page's title (`data-title`) follow.
 *
 * Throws a {@link CaulkerError} `missing-screen` where the markup has no part for a screen.
 *
 * @example
 * ```ts
 * import { go, journey, screen } from 'caulker'
 * import { mountJourney, nativeButton } from 'caulker/dom'
 * document.body.innerHTML =
 *   '<section data-screen="first"><button type="button" data-fitting="next"></button></section><section data-screen="second"></section>'
 * const first = screen('first', { cells: {}, fittings: { next: nativeButton }, bind: () => ({ next: { text: 'On', on: { press: [go('second')] } } }) })
 * const second = screen('second', { cells: {}, fittings: {}, bind: () => ({}) })
 * const mounted = mountJourney(journey('trip', { screens: { first, second }, start: 'first' }), document.body, { isInAddress: false })
 * document.querySelector('button')?.click()
 * console.assert(mounted.front() === 'second')
 * ```
 */
export function mountJourney<J extends Journey<any>>(
  journey: J,
  root: ParentNode,
  options: MountJourneyOptions<AllSources<ScreensOf<J>>> = {},
): MountedJourney {
  const machine = compile(journey)
  const places = screenPlaces(machine, root)
  let live: Live | undefined
  let ways: AddressWays | undefined
  const stored = readStore(machine, options)

  const save = () => {
    const { store } = options
    if (store === undefined || live === undefined) return
    const text = JSON.stringify({
      caulker: 1,
      journey: machine.name,
      version: store.version,
      ...storedOf(machine, live.driver.state()),
    })
    if (text !== store.in.getItem(store.as)) store.in.setItem(store.as, text)
  }
  live = liveOver(machine, {
    options,
    answering: (options.sources ?? {}) as never,
    drive: { stored },
    enter: places.enter,
    leave: places.leave,
    host: {
      go({ to, at, isTravel }) {
        if (!isTravel) ways?.went(at, to)
        places.focus(to)
      },
      stay({ at, reason, isTravel }) {
        if (isTravel) ways?.putBack(at)
        options.onStay?.(reason)
      },
      settled: save,
    },
  })
  const { driver } = live
  const view = documentOf(root).defaultView
  if (options.isInAddress !== false && view !== null)
    ways = waysInAddress(view, machine.name, { at: driver.way().at, screen: driver.front() }, (at) => driver.travel(at))
  save()
  return {
    ...outside(live),
    front: driver.front,
    way: driver.way,
    travel: driver.travel,
    read: driver.read,
    set: driver.set,
    setAll: driver.setAll,
    act: driver.act,
    remove() {
      ways?.stop()
      live?.remove()
    },
  }
}

/** The parts of the markup, one for each screen. */
function screenPlaces({ name: journey, screens }: Machine, root: ParentNode) {
  const parts = new Map<string, Element>()
  const copies = new Map<string, Element>()
  const all = [...root.querySelectorAll('[data-screen]')]
  for (const { name } of screens) {
    const part = all.find((element) => element.getAttribute('data-screen') === name)
    if (part === undefined)
      throw new CaulkerError(
        'missing-screen',
        `journey '${journey}': the markup has no part with data-screen="${name}"${hint(
          name,
          all.map((element) => element.getAttribute('data-screen') ?? ''),
        )}`,
      )
    parts.set(name, part)
    if (part.localName !== 'template') (part as HTMLElement).hidden = true
  }
  return {
    enter(name: string): ParentNode {
      const part = parts.get(name) as HTMLElement
      if (part.localName !== 'template') {
        part.hidden = false
        return part
      }
      const copy = part.ownerDocument.createElement('section')
      for (const { name: attribute, value } of part.attributes)
        if (attribute !== 'data-screen') copy.setAttribute(attribute, value)
      copy.append(part.ownerDocument.importNode((part as HTMLTemplateElement).content, true))
      part.after(copy)
      copies.set(name, copy)
      return copy
    },
    leave(name: string) {
      const copy = copies.get(name)
      copies.delete(name)
      if (copy !== undefined) copy.remove()
      else (parts.get(name) as HTMLElement).hidden = true
    },
    /** A new screen is a new page for whoever does not see it: its title is the page's, and its heading has the focus. */
    focus(name: string) {
      const part = copies.get(name) ?? parts.get(name)
      const title = part?.getAttribute('data-title')
      if (title != null && part !== undefined) part.ownerDocument.title = title
      const first = part?.querySelector<HTMLElement>('[autofocus], h1, h2, h3')
      if (first == null) return
      if (!first.hasAttribute('tabindex') && /^h\d$/.test(first.localName)) first.tabIndex = -1
      first.focus()
    },
  }
}

/** What an earlier mount has left; what is damaged, or of another version, is refused as a whole. */
function readStore(machine: Machine, { store, onFault }: LiveOptions & MountJourneyOptions): Stored | undefined {
  const text = store?.in.getItem(store.as)
  if (text == null || store === undefined) return undefined
  const refuse = (why: string) => {
    const fault = { place: `what was stored as ${store.as}`, error: new Error(`${why}; the journey starts anew`) }
    if (onFault === undefined) console.warn(`${machine.name}: ${fault.place}: ${fault.error.message}`)
    else onFault(fault)
    return undefined
  }
  let value: { caulker?: unknown; journey?: unknown; version?: unknown } | null
  try {
    value = JSON.parse(text) as typeof value
  } catch {
    return refuse('it is no JSON')
  }
  if (value?.caulker !== 1 || value.journey !== machine.name) return refuse('it is not of this journey')
  if (value.version !== store.version)
    return refuse(`it is of version ${String(value.version)}, and this is ${store.version}`)
  return storedFrom(machine, value) ?? refuse('it is damaged')
}
