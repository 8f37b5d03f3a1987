import type { Wiring } from '../machine/index.js'
import { isInterior, isJourney, type AnyScreen } from '../wiring/index.js'

/** Sources that answer when they are told to. */
export interface Answers {
  /** What is given to a mount. */
  readonly sources: Readonly<Record<string, Readonly<Record<string, unknown>>>>
  /** What was sent, in its order. */
  readonly sent: readonly { readonly operation: string; readonly given: unknown }[]
  /** Settles the call of an operation that waits, counted from the oldest; false where none does. */
  settle(operation: string, which: number, how: { readonly given: unknown } | { readonly error: unknown }): boolean
  /** The time of a call is over; it may still be {@link Answers.settleLate settled} too late. */
  expire(operation: string, which: number): boolean
  settleLate(operation: string, given: unknown): boolean
}

interface Waiting {
  readonly operation: string
  resolve(given: unknown): void
  reject(error: unknown): void
  isOver(): boolean
  isExpired: boolean
}

export function answersFor(wiring: Wiring): Answers {
  const screens: AnyScreen[] = isJourney(wiring)
    ? Object.values(wiring.screens)
    : [isInterior(wiring) ? wiring.screen : wiring]
  const sent: { operation: string; given: unknown }[] = []
  const waiting: Waiting[] = []
  const answering =
    (operation: string) =>
    (given: unknown, { signal }: { readonly signal: AbortSignal }) => {
      sent.push({ operation, given })
      return new Promise((resolve, reject) => {
        let isSettled = false
        const settling = (how: (value: unknown) => void) => (value: unknown) => {
          isSettled = true
          how(value)
        }
        waiting.push({
          operation,
          resolve: settling(resolve),
          reject: settling(reject),
          isOver: () => isSettled || signal.aborted,
          isExpired: false,
        })
      })
    }
  const sources = Object.fromEntries(
    screens.flatMap((screen) =>
      Object.entries(screen.sources as Record<string, { operations: object }>).map(([name, { operations }]) => [
        name,
        Object.fromEntries(Object.keys(operations).map((operation) => [operation, answering(`${name}.${operation}`)])),
      ]),
    ),
  )
  const out = (operation: string, isExpired: boolean) =>
    waiting.filter((one) => one.operation === operation && one.isExpired === isExpired && !one.isOver())
  return {
    sources,
    sent,
    settle(operation, which, how) {
      const call = out(operation, false)[which]
      if (call === undefined) return false
      if ('given' in how) call.resolve(how.given)
      else call.reject(how.error)
      return true
    },
    expire(operation, which) {
      const call = out(operation, false)[which]
      if (call !== undefined) call.isExpired = true
      return call !== undefined
    },
    settleLate(operation, given) {
      const [call] = out(operation, true)
      call?.resolve(given)
      return call !== undefined
    },
  }
}
