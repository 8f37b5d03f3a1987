import { CaulkerError } from '../words/index.js'
import {
  valueAt,
  givenClauses,
  pointerParts,
  valueClauses,
  type AnyContract,
  type ValueClause,
} from '../contract/index.js'
import { attributeHeld, attributeOnly, giveName } from './attribute-only.js'
import { fillContent, placeBeside } from './content.js'
import { deepActiveElement, isInside } from './focus.js'
import { isTypedInto } from './text-entry.js'
import { nativeFor, type Native } from './natives/native.js'
import type { Given, Heard, Mount, Mounted } from '../mount/index.js'

export interface ElementMountOptions {
  /** Where a new element goes, at the end. */
  readonly into?: Element | ShadowRoot
  /** An element that is there already; it is left there on removal. */
  readonly element?: Element
}

/**
 * The mount over real elements: a custom element by the tag of its contract, or a native control.
 *
 * It sets what bounds and options need before the values, listens for declared events only, and sets nothing while the person is
 * composing text. Throws a {@link CaulkerError} `not-defined` where no such element is registered.
 *
 * @example
 * ```ts
 * import { elementMount, nativeText } from 'caulker/dom'
 * const heard: unknown[] = []
 * const mounted = elementMount({ into: document.body })(nativeText, { value: 'pitch' }, (report) => heard.push(report.payload))
 * mounted.tell({ value: 'oakum' })
 * console.assert(mounted.read('value') === 'oakum' && heard.length === 0)
 * ```
 */
export function elementMount(options: ElementMountOptions): Mount {
  return (contract, given, hear) => {
    const native = nativeFor(contract.tag)
    const view = (options.element ?? options.into)?.ownerDocument?.defaultView
    if (view === null || view === undefined)
      throw new CaulkerError('bad-argument', 'elementMount needs an element, or a connected place to put one into')
    const element = options.element ?? created(contract, native, view)
    refuseOther(contract, native, element, view)
    if (options.element !== undefined) return mountOver(element, options, contract, native, given, hear)
    const takeAway = placeBeside(options.into, contract)
    fillContent(element, contract)
    const mounted = mountOver(element, options, contract, native, given, hear)
    return {
      ...mounted,
      remove() {
        mounted.remove()
        takeAway()
      },
    }
  }
}

function mountOver(
  element: Element,
  options: ElementMountOptions,
  contract: AnyContract,
  native: Native | undefined,
  given: Given,
  hear: (heard: Heard) => void,
): Mounted {
  const write = (name: string, value: unknown) =>
    native === undefined ? giveName(element, contract, name, value) : native.write(element as never, name, value)
  const read = (name: string) => {
    if (native !== undefined) return native.read(element as never, name)
    const clause = attributeOnly(contract, name)
    return clause === undefined ? (element as never as Record<string, unknown>)[name] : attributeHeld(element, clause)
  }
  const order = givenClauses(contract).map((clause) => clause.name)
  const tell = (changes: Given) => {
    const names = Object.keys(changes)
    if (names.length === 1) return void write(names[0] as string, changes[names[0] as string])
    for (const name of order) if (Object.hasOwn(changes, name)) write(name, changes[name])
  }
  const composing = composingWatch(element)
  const listening = listen(element, contract, native, hear)
  let waiting: Record<string, unknown> = {}
  const flush = () => {
    const late = waiting
    waiting = {}
    tell(late)
  }
  element.addEventListener('compositionend', flush)

  tell(given)
  if (options.element === undefined) options.into?.append(element)
  return {
    tell(changes) {
      if (!composing.isComposing()) return tell(changes)
      const values = Object.keys(contract.values)
      const now = Object.entries(changes).filter(([name]) => !values.includes(name))
      Object.assign(waiting, Object.fromEntries(Object.entries(changes).filter(([name]) => values.includes(name))))
      tell(Object.fromEntries(now))
    },
    read,
    commit() {
      const active = deepActiveElement(element.ownerDocument)
      // Whoever is in another field is left there.
      if (active === null || !isInside(active, element)) return
      active.blur()
      active.focus()
    },
    command(name, ...args) {
      const method: unknown = (element as never as Record<string, unknown>)[name]
      if (typeof method !== 'function')
        throw new CaulkerError('unknown-command', `<${contract.tag}> has no method '${name}'`)
      return method.apply(element, args) as unknown
    },
    remove() {
      listening.stop()
      composing.stop()
      element.removeEventListener('compositionend', flush)
      if (options.element === undefined) element.remove()
    },
  }
}

/** Throws where a contract is of an element that no module has registered in this window. */
export function refuseUndefined({ tag }: AnyContract): void {
  if (nativeFor(tag) === undefined && globalThis.customElements.get(tag) === undefined)
    throw new CaulkerError('not-defined', `<${tag}> is not registered by any module that defines elements`)
}

/** By its constructor, so that what the constructor throws reaches the caller; `createElement` would swallow it. */
function created(contract: AnyContract, native: Native | undefined, view: Window): Element {
  if (native !== undefined) return native.create(view.document, contract)
  const define = view.customElements.get(contract.tag)
  if (define === undefined)
    throw new CaulkerError(
      'not-defined',
      `<${contract.tag}> is not registered; import the module that defines it first`,
    )
  return new define()
}

function refuseOther(contract: AnyContract, native: Native | undefined, element: Element, view: Window): void {
  const fits = native === undefined ? element.localName === contract.tag : native.fits(element)
  if (!fits)
    throw new CaulkerError(
      'bad-argument',
      `expected ${native?.expects ?? `<${contract.tag}>`} for the contract '${contract.tag}', found <${element.localName}>`,
    )
  if (native === undefined && view.customElements.get(contract.tag) === undefined)
    throw new CaulkerError(
      'not-defined',
      `<${contract.tag}> is not registered; import the module that defines it before the screen is mounted`,
    )
}

function listen(
  element: Element,
  contract: AnyContract,
  native: Native | undefined,
  hear: (heard: Heard) => void,
): { stop(): void } {
  const typing = typingWatch(element)
  const stops: (() => void)[] = [typing.stop]
  // What a browser is asked of an event has its price: where it comes from is asked once.
  const on = (event: string, heard: (event: Event, from: Element | null) => void) => {
    const listener = (happened: Event) => {
      const from = happened.target as Element | null
      if (isFromHere(element, from)) heard(happened, from)
    }
    element.addEventListener(event, listener)
    stops.push(() => element.removeEventListener(event, listener))
  }
  for (const [event, values] of byEvent(contract))
    on(event, (happened, from) => {
      if (isUnfinished(from)) return
      const reported: Record<string, unknown> = {}
      for (const { value, at } of values) reported[value.name] = carried(value, valueAt(happened, at))
      // One event may report several values: it is one report all the same.
      const [first] = values
      const payload =
        values.length === 1 && first !== undefined
          ? reported[first.value.name]
          : ((happened as CustomEvent).detail ?? null)
      hear({ event, payload, values: reported, isTyping: typing.isTyping(event, happened) })
    })
  for (const { value, at } of valueClauses(contract).map(withPointer)) {
    const { vetoEvent } = value
    if (vetoEvent !== undefined)
      on(vetoEvent, (event) =>
        hear({ event: vetoEvent, payload: carried(value, valueAt(event, at)), veto: () => event.preventDefault() }),
      )
  }
  for (const name of Object.keys(contract.events))
    on(native?.events[name] ?? name, (event) => hear({ event: name, payload: (event as CustomEvent).detail ?? null }))
  return { stop: () => stops.forEach((stop) => stop()) }
}

/** A value, and where it stands in the events that carry it. */
interface Carried {
  readonly value: ValueClause
  readonly at: readonly string[]
}

function withPointer(value: ValueClause): Carried {
  return { value, at: pointerParts(value.payloadAt) ?? [] }
}

function byEvent(contract: AnyContract): Map<string, Carried[]> {
  const events = new Map<string, Carried[]>()
  for (const one of valueClauses(contract).map(withPointer))
    events.set(one.value.event, [...(events.get(one.value.event) ?? []), one])
  return events
}

/** An event of a fitting that stands inside this one is not this one's. */
function isFromHere(element: Element, from: Element | null): boolean {
  return (
    from === element ||
    from?.closest?.('[data-fitting]') === element ||
    from?.closest?.('[data-fitting]') === element.closest('[data-fitting]')
  )
}

/** A native number that is NaN is empty; files come as a list. */
function carried(value: ValueClause, payload: unknown): unknown {
  if (isFileList(payload)) return [...payload]
  return typeof payload === 'number' && Number.isNaN(payload) ? value.empty : payload
}

/** What a file field holds is told as a list. */
function isFileList(payload: unknown): payload is Iterable<File> {
  return typeof payload === 'object' && payload !== null && 'item' in payload && Symbol.iterator in payload
}

/** Text that does not parse is still the person's. */
function isUnfinished(from: Element | null): boolean {
  return (from as HTMLInputElement | null)?.validity?.badInput === true
}

/** Whether a person is typing into a text field inside: what is said then is said at each key. */
function typingWatch(element: Element): { isTyping(event: string, happened: Event): boolean; stop(): void } {
  let from: EventTarget | undefined
  const start = (event: Event) => (from = event.composedPath()[0])
  const end = () => (from = undefined)
  element.addEventListener('input', start, true)
  element.addEventListener('input', end)
  return {
    isTyping: (event, happened) => isTypedInto(event === 'input' ? happened.composedPath()[0] : from),
    stop() {
      element.removeEventListener('input', start, true)
      element.removeEventListener('input', end)
    },
  }
}

function composingWatch(element: Element): { isComposing(): boolean; stop(): void } {
  let composing = false
  const start = () => (composing = true)
  const end = () => (composing = false)
  element.addEventListener('compositionstart', start)
  element.addEventListener('compositionend', end)
  return {
    isComposing: () => composing,
    stop() {
      element.removeEventListener('compositionstart', start)
      element.removeEventListener('compositionend', end)
    },
  }
}
