import type { Driver, Fault, SentCall } from '../machine/index.js'
import { messageOf } from '../words/index.js'

/** What answers for sources, once the compiler has done its part. */
export type AnyAnswering = Readonly<
  Record<string, Readonly<Record<string, (given: never, call: { readonly signal: AbortSignal }) => unknown>>>
>

/** The calls that are out: each is a promise, and a signal that tells when nobody waits for it any more. */
export interface Calls {
  send(call: SentCall): void
  abort(id: number): void
  abortAll(): void
}

/** Calls what answers for the sources of a wiring. One that takes longer than the limit has failed. */
export function callsOver(
  answering: AnyAnswering,
  driver: () => Driver,
  limit: number,
  fault: (fault: Fault) => void,
): Calls {
  const out = new Map<number, { readonly controller: AbortController; readonly timer: ReturnType<typeof setTimeout> }>()
  const end = (id: number) => {
    clearTimeout(out.get(id)?.timer)
    out.delete(id)
  }
  return {
    send({ id, source, operation, given }) {
      const answers = answering[source]?.[operation]
      if (typeof answers !== 'function') {
        const error = new Error(
          `nothing answers for '${source}.${operation}'; give sources: { ${source}: { ${operation}: … } } at the mount`,
        )
        fault({ place: `call of ${source}.${operation}`, error })
        return driver().answer(id, { failed: `Nothing answers for ${source}.${operation}` })
      }
      const controller = new AbortController()
      const overdue = () =>
        driver().answer(id, { failed: `There was no answer within ${limit / 1000} seconds`, isOverdue: true })
      out.set(id, { controller, timer: setTimeout(overdue, limit) })
      const { signal } = controller
      new Promise((resolve) => resolve(answers(given as never, { signal }))).then(
        (value) => {
          end(id)
          if (!signal.aborted) driver().answer(id, { given: value })
        },
        (thrown: unknown) => {
          end(id)
          if (!signal.aborted) driver().answer(id, { failed: messageOf(thrown), problems: problemsIn(thrown) })
        },
      )
    },
    abort(id) {
      const { controller } = out.get(id) ?? {}
      end(id)
      controller?.abort()
    },
    abortAll() {
      for (const id of [...out.keys()]) this.abort(id)
    },
  }
}

/** What a thrown error says is wrong with which member of what was sent: `problems`, by JSON Pointer (RFC 6901). */
function problemsIn(thrown: unknown): Record<string, string> {
  const problems = (thrown as { problems?: unknown } | null)?.problems
  if (typeof problems !== 'object' || problems === null) return {}
  return Object.fromEntries(Object.entries(problems).filter(([, text]) => typeof text === 'string')) as never
}
