import { JSDOM, VirtualConsole } from 'jsdom'
import type { Frames } from 'caulker/inside/probe'
import { letGoOfRanges } from './let-go-ranges.js'
import { installClock, TIMERS } from './probe-clock.js'
import { installDrawnStyles } from './drawn-styles.js'
import { installStandIns } from './stand-ins.js'

/** A document in this thread, with its names as globals and a clock that only the probe moves. */
export interface EmbeddedWindow {
  readonly document: Document
  readonly frames: Frames
  /** Whether a component has left nothing behind that could reach the next: no element, no timer, no listener on document or window. */
  isClean(): boolean
  /** Gives the globals and the clock back. */
  close(): void
}

/** Names that both Node and the window have, and of which a component needs the window's. */
const SHARED_NAMES = [
  'Event',
  'EventTarget',
  'CustomEvent',
  'MessageEvent',
  'File',
  'Blob',
  'FormData',
  'Headers',
  'AbortController',
  'AbortSignal',
  'DOMException',
  'navigator',
  'crypto',
  'CSS',
]
const BOUND_NAMES = [
  'addEventListener',
  'removeEventListener',
  'dispatchEvent',
  'getComputedStyle',
  'matchMedia',
] as const
const nextTurn = setImmediate

/** Opens the embedded DOM. It replaces globals, so it belongs into a thread of its own; one at a time. */
export function openEmbeddedWindow(): EmbeddedWindow {
  const kept = keepEmbeddedWindow()
  const entered = kept.enter()
  return {
    ...entered,
    close() {
      entered.leave()
      kept.close()
    },
  }
}

/** A window that can be entered and left again and again: its elements stay defined, and outside of it the globals are as they were. */
export interface KeptWindow {
  enter(): Omit<EmbeddedWindow, 'close'> & { leave(): void }
  close(): void
}

export function keepEmbeddedWindow(): KeptWindow {
  const { window } = new JSDOM(
    '<!doctype html><html lang="en"><head><title>Caulker</title></head><body></body></html>',
    {
      url: 'https://probe.test/',
      pretendToBeVisual: true,
      virtualConsole: new VirtualConsole(),
    },
  )
  const closeIt = window.close.bind(window)
  installStandIns(window as never)
  installDrawnStyles(window as never)
  letGoOfRanges(window as never)
  // The selector engine adds its own listeners when it is first used; they are not a component's.
  window.getComputedStyle(window.document.querySelector('body') as Element)
  const listeners = [window, window.document, window.document.body].map(countListeners)
  const report = (error: unknown) =>
    void window.dispatchEvent(new window.ErrorEvent('error', { error, cancelable: true }))
  return {
    close: closeIt,
    enter() {
      const restore = expose(window as never)
      const clock = installClock()
      for (const name of TIMERS)
        if (name !== 'performance' && name !== 'Date' && name in globalThis)
          define(window, name, (globalThis as never as Record<string, unknown>)[name])
      process.on('unhandledRejection', report)
      process.on('uncaughtException', report)
      return {
        document: window.document,
        frames: clock.frames(() => new Promise((resolve) => nextTurn(resolve)), report),
        isClean: () =>
          clock.waiting() === 0 &&
          window.document.body.childNodes.length === 0 &&
          listeners.every((count) => count() === 0),
        leave() {
          clock.uninstall()
          process.off('unhandledRejection', report)
          process.off('uncaughtException', report)
          restore()
        },
      }
    },
  }
}

function expose(window: Window & typeof globalThis): () => void {
  const known = new Set(Object.getOwnPropertyNames(globalThis))
  const of = window as never as Record<string, unknown>
  const names = Object.getOwnPropertyNames(window).filter((name) => !known.has(name) || SHARED_NAMES.includes(name))
  const before = [...names, 'window', 'self', 'document', ...BOUND_NAMES].map(
    (name) => [name, Object.getOwnPropertyDescriptor(globalThis, name)] as const,
  )
  for (const name of names) define(globalThis, name, of[name])
  define(globalThis, 'window', window)
  define(globalThis, 'self', window)
  define(globalThis, 'document', window.document)
  for (const name of BOUND_NAMES)
    if (typeof window[name] === 'function') define(globalThis, name, (window[name] as () => unknown).bind(window))
  return () => {
    for (const name of Object.getOwnPropertyNames(globalThis))
      if (!known.has(name)) Reflect.deleteProperty(globalThis, name)
    for (const [name, descriptor] of before)
      if (descriptor !== undefined) Object.defineProperty(globalThis, name, descriptor)
  }
}

/** The embedded DOM listens for it itself, once it has been opened. */
const OWN_EVENT = 'load'

/** How many more listeners have been added than removed. */
function countListeners(target: Pick<EventTarget, 'addEventListener' | 'removeEventListener'>): () => number {
  let count = 0
  const { addEventListener, removeEventListener } = target
  define(target, 'addEventListener', function (this: unknown, ...args: Parameters<EventTarget['addEventListener']>) {
    if (args[0] !== OWN_EVENT) count++
    addEventListener.apply(target, args)
  })
  define(
    target,
    'removeEventListener',
    function (this: unknown, ...args: Parameters<EventTarget['removeEventListener']>) {
      count--
      removeEventListener.apply(target, args)
    },
  )
  return () => count
}

function define(target: object, name: string, value: unknown): void {
  Object.defineProperty(target, name, { value, configurable: true, writable: true, enumerable: true })
}
