/** What a component may leave on a page: counted while it is watched. */
export interface Traces {
  readonly 'a listener on the page': number
  readonly 'an interval': number
  readonly 'a timer': number
  readonly 'a loop of frames': number
  readonly 'an element in the page': number
}

type Adds = EventTarget['addEventListener']
type Removes = EventTarget['removeEventListener']

/** Watches what is added to a window, its document and its body, until it is stopped; everything is put back then. */
export function watchTraces(view: Window & typeof globalThis): { count(): Traces; stop(): void } {
  const { document } = view
  const prototype = view.EventTarget.prototype
  const places = new Set<unknown>([view, document, document.documentElement, document.body, document.head])
  const listeners = new Set<string>()
  const ids = new WeakMap<object, number>()
  let lastId = 0
  const idOf = (one: unknown): number => {
    if (typeof one !== 'object' && typeof one !== 'function') return 0
    if (one === null) return 0
    if (!ids.has(one)) ids.set(one, ++lastId)
    return ids.get(one) ?? 0
  }
  const captures = (options: unknown) =>
    typeof options === 'object' && options !== null
      ? (options as { capture?: boolean }).capture === true
      : options === true
  const keyOf = (target: unknown, type: string, listener: unknown, options: unknown) =>
    `${idOf(target)} ${type} ${idOf(listener)} ${captures(options)}`
  const targetOf = (self: unknown) => (self === undefined || self === null || self === globalThis ? view : self)

  const noteAdd = (self: unknown, [type, listener, options]: Parameters<Adds>) => {
    const target = targetOf(self)
    if (!places.has(target) || listener === null || (typeof options === 'object' && options.once === true)) return
    const key = keyOf(target, type, listener, options)
    listeners.add(key)
    const signal = typeof options === 'object' ? options.signal : undefined
    signal?.addEventListener('abort', () => listeners.delete(key), { once: true })
  }
  const noteRemove = (self: unknown, [type, listener, options]: Parameters<Removes>) =>
    void listeners.delete(keyOf(targetOf(self), type, listener, options))

  const timers = { intervals: new Set<unknown>(), timeouts: new Set<unknown>(), frames: new Set<unknown>() }
  const stops: (() => void)[] = []
  const replace = <T extends object>(of: T, name: keyof T, by: (before: never) => unknown) => {
    const had = Object.getOwnPropertyDescriptor(of, name)
    const before = of[name]
    if (typeof before !== 'function') return
    Object.defineProperty(of, name, { configurable: true, writable: true, value: by(before as never) })
    stops.push(() => {
      if (had === undefined) Reflect.deleteProperty(of, name)
      else Object.defineProperty(of, name, had)
    })
  }
  // The embedded DOM has its own functions on the window and as globals; wherever they are, they are watched.
  for (const of of new Set<object>([prototype, view, document, document.body, globalThis])) {
    if (of !== prototype && !Object.hasOwn(of, 'addEventListener')) continue
    replace(
      of as EventTarget,
      'addEventListener',
      (before: Adds) =>
        function (this: EventTarget, ...args: Parameters<Adds>) {
          noteAdd(of === prototype ? this : of, args)
          return before.apply(this ?? view, args)
        },
    )
    replace(
      of as EventTarget,
      'removeEventListener',
      (before: Removes) =>
        function (this: EventTarget, ...args: Parameters<Removes>) {
          noteRemove(of === prototype ? this : of, args)
          return before.apply(this ?? view, args)
        },
    )
  }
  for (const of of new Set<Window & typeof globalThis>([view, globalThis as never])) {
    replace(of, 'setInterval', (before: (...args: unknown[]) => unknown) => (...args: unknown[]) => {
      const id = before(...args)
      timers.intervals.add(id)
      return id
    })
    replace(of, 'clearInterval', (before: (id: unknown) => void) => (id: unknown) => {
      timers.intervals.delete(id)
      timers.timeouts.delete(id)
      before(id)
    })
    const passing =
      (kind: Set<unknown>) =>
      (before: (...args: unknown[]) => unknown) =>
      (work: unknown, ...args: unknown[]) => {
        const id = before(
          (...given: unknown[]) => {
            kind.delete(id)
            if (typeof work === 'function') (work as (...given: unknown[]) => void)(...given)
          },
          ...args,
        )
        kind.add(id)
        return id
      }
    const clearing = (kind: Set<unknown>) => (before: (id: unknown) => void) => (id: unknown) => {
      kind.delete(id)
      timers.intervals.delete(id)
      before(id)
    }
    replace(of, 'setTimeout', passing(timers.timeouts))
    replace(of, 'clearTimeout', clearing(timers.timeouts))
    replace(of, 'requestAnimationFrame', passing(timers.frames))
    replace(of, 'cancelAnimationFrame', clearing(timers.frames))
  }
  return {
    count: () => ({
      'a listener on the page': listeners.size,
      'an interval': timers.intervals.size,
      'a timer': timers.timeouts.size,
      'a loop of frames': timers.frames.size,
      'an element in the page': document.body.childElementCount + document.head.childElementCount,
    }),
    stop: () => stops.reverse().forEach((stop) => stop()),
  }
}
