import type { ChangeRecord, Driver } from '../machine/index.js'

/** Changes as they come: for `for await`, and for whatever takes an observable by the well-known symbol. */
export interface Followable extends AsyncIterable<readonly ChangeRecord[]> {
  /** Calls the function, or the `next` of an observer, with all that changed in one go. */
  subscribe(
    observer: ((changes: readonly ChangeRecord[]) => void) | { next?: (changes: readonly ChangeRecord[]) => void },
  ): { unsubscribe(): void }
}

/** Follows cells, reckoned cells and values of fittings (`bales.count`) by name; all of them where none is named. */
export function followOver(driver: Driver, names: readonly string[], ended: AbortSignal): Followable {
  const subscribe: Followable['subscribe'] = (observer) => {
    const next = typeof observer === 'function' ? observer : (changes: never) => observer.next?.(changes)
    const stop = driver.watch((changes) => {
      const wanted = names.length === 0 ? changes : changes.filter(({ name }) => names.includes(name))
      if (wanted.length > 0) next(wanted as never)
    })
    return { unsubscribe: stop }
  }
  const followable: Followable = {
    subscribe,
    [Symbol.asyncIterator]() {
      const waiting: (readonly ChangeRecord[])[] = []
      let wake: (() => void) | undefined
      let isOver = ended.aborted
      const over = () => {
        isOver = true
        wake?.()
      }
      ended.addEventListener('abort', over, { once: true })
      const { unsubscribe } = subscribe((changes) => {
        waiting.push(changes)
        wake?.()
      })
      return {
        async next() {
          while (waiting.length === 0 && !isOver) await new Promise<void>((resolve) => (wake = resolve))
          const value = waiting.shift()
          return value === undefined ? { done: true, value } : { done: false, value }
        },
        return() {
          unsubscribe()
          over()
          ended.removeEventListener('abort', over)
          return Promise.resolve({ done: true, value: undefined })
        },
      }
    },
  }
  const observable = (Symbol as { observable?: symbol }).observable ?? '@@observable'
  return Object.assign(followable, { [observable]: () => followable })
}
