import escape from 'css.escape'
import { installLayers } from './layers.js'
import { installNoDialogs } from './no-dialogs.js'

/**
 * What an embedded DOM lacks, and a component calls all the same: each does nothing, or says that nothing is there. What such a call
 * would show is not seen here; that the component calls it is no fault of it.
 */
export function installStandIns(view: Window & typeof globalThis): void {
  const of = view as never as Record<string, { prototype: object } | undefined>
  for (const [name, stands] of Object.entries(ON_PROTOTYPES)) {
    const prototype = of[name]?.prototype
    if (prototype !== undefined) fill(prototype, stands)
  }
  // HTML Standard, section 7.2.2.1: a script closes only what a script has opened.
  Object.assign(view, { close: nothing })
  installNoDialogs(view)
  installLayers(view)
  fill(view, {
    // CSSOM, section 7.1; what a style could do is not known here.
    CSS: { escape, supports: () => false },
    ResizeObserver: NeverObserves,
    IntersectionObserver: NeverObserves,
    matchMedia: (media: string) => ({ media, matches: false, onchange: null, ...listensToNothing }),
  })
  const internals = of['ElementInternals']?.prototype
  if (internals !== undefined && !('setFormValue' in internals)) {
    fill(internals, INTERNALS)
    Object.defineProperty(internals, STAND_IN, { value: true })
  }
}

/** Marks the stand-in for taking part in forms, so that nothing is judged by it. */
export const STAND_IN = 'isStandIn'

const nothing = (): void => undefined
const listensToNothing = {
  addEventListener: nothing,
  removeEventListener: nothing,
  addListener: nothing,
  removeListener: nothing,
  dispatchEvent: () => true,
}

class NeverObserves {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
  takeRecords(): [] {
    return []
  }
}

const ON_PROTOTYPES: Readonly<Record<string, object>> = {
  Element: {
    scrollIntoView: nothing,
    scrollTo: nothing,
    scrollBy: nothing,
    setPointerCapture: nothing,
    releasePointerCapture: nothing,
    hasPointerCapture: () => false,
    getAnimations: () => [],
    animate: () => ({ finished: Promise.resolve(), cancel: nothing, finish: nothing, ...listensToNothing }),
    checkVisibility: () => true,
  },
}

const INTERNALS = {
  setFormValue: nothing,
  setValidity: nothing,
  checkValidity: () => true,
  reportValidity: () => true,
  form: null,
  labels: [],
  validity: { valid: true },
  validationMessage: '',
  willValidate: true,
  states: new Set(),
}

function fill(target: object, stands: object): void {
  for (const [name, value] of Object.entries(stands))
    if (!(name in target)) Object.defineProperty(target, name, { value, configurable: true, writable: true })
}
