import { whileAsked } from '../../dom/index.js'
import { noteInside } from '../person/said.js'

/** What an element has last given its form to send, and to bring it back by. */
export interface FormState {
  readonly state: unknown
}

interface Restorable extends HTMLElement {
  formStateRestoreCallback?(state: unknown, mode: 'restore'): void
}

const states = new WeakMap<Element, FormState>()

export function stateOf(element: HTMLElement | undefined): FormState | undefined {
  return element === undefined ? undefined : states.get(element)
}

/** HTML Standard, section 4.13.7.4: what a browser does when a page is shown again; gives the reason where it cannot be done. */
export function restored(element: Restorable | undefined, recorded: FormState | undefined): string | undefined {
  if (element?.formStateRestoreCallback === undefined) return 'It has no formStateRestoreCallback.'
  if (recorded === undefined || recorded.state === null) return 'It gives its form nothing to bring it back by.'
  element.formStateRestoreCallback(recorded.state, 'restore')
  return undefined
}

/** Remembers what elements give their forms, until the function that it gives is called. */
export const rememberStates = whileAsked(watchStates)

function watchStates({ HTMLElement, ElementInternals }: Window & typeof globalThis): () => void {
  if (ElementInternals === undefined) return () => undefined
  const hosts = new WeakMap<object, Element>()
  const { attachInternals } = HTMLElement.prototype
  const { setFormValue } = ElementInternals.prototype
  HTMLElement.prototype.attachInternals = function attach(this: HTMLElement) {
    const internals = attachInternals.call(this)
    hosts.set(internals, this)
    noteInside(this, internals)
    return internals
  }
  ElementInternals.prototype.setFormValue = function set(this: ElementInternals, ...given) {
    const host = hosts.get(this)
    if (host !== undefined) states.set(host, { state: given.length > 1 ? given[1] : given[0] })
    return setFormValue.apply(this, given)
  }
  return () => {
    HTMLElement.prototype.attachInternals = attachInternals
    ElementInternals.prototype.setFormValue = setFormValue
  }
}
