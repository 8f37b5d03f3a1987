import { JSDOM } from 'jsdom'

/** An embedded window with clocks as they are, its names global until it is closed. */
export function openWindow(): { readonly view: Window & typeof globalThis; close(): void } {
  const { window } = new JSDOM('<!doctype html><body></body>', {
    url: 'http://yard.test/',
    pretendToBeVisual: true,
  })
  const names = Object.getOwnPropertyNames(window).filter((name) => !(name in globalThis) || NATIVE.includes(name))
  const before = new Map(names.map((name) => [name, Object.getOwnPropertyDescriptor(globalThis, name)]))
  for (const name of names)
    Object.defineProperty(globalThis, name, { value: window[name as never], configurable: true, writable: true })
  return {
    view: window as never,
    close() {
      for (const [name, descriptor] of before)
        if (descriptor === undefined) delete (globalThis as Record<string, unknown>)[name]
        else Object.defineProperty(globalThis, name, descriptor)
      window.close()
    },
  }
}

/** Names that the runtime has as well, and that have to be those of the window. */
const NATIVE = [
  'Event',
  'CustomEvent',
  'EventTarget',
  'addEventListener',
  'removeEventListener',
  'dispatchEvent',
  'history',
]
