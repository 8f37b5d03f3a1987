import { happensIn, type Invariant, type Leaking, type Passage } from '../invariants/index.js'
import type { Move } from '../play/move.js'

export interface FoundLeak extends Leaking {
  readonly invariant: Invariant
  readonly trail: readonly Move[]
}

/** The leaks that were found: of one invariant and one subject the first, which has a shortest trail. */
export interface Findings {
  readonly count: number
  /** The trail is asked for only where the leak is new. */
  tell(invariant: Invariant, leak: Leaking, trail: () => readonly Move[]): void
  /** Gives whether something leaked that has passed: what comes after it would only tell the same once more. */
  judge(passage: Passage, trail: () => readonly Move[]): boolean
  shortestFirst(): readonly FoundLeak[]
}

export function createFindings(watching: readonly Invariant[]): Findings {
  const leaks: FoundLeak[] = []
  const known = new Set<string>()

  function tell(invariant: Invariant, leak: Leaking, trail: () => readonly Move[]): void {
    const key = `${invariant.id} ${leak.subject}`
    if (known.has(key)) return
    known.add(key)
    leaks.push({ ...leak, invariant, trail: trail() })
  }

  return {
    get count() {
      return leaks.length
    },
    tell,
    judge(passage, trail) {
      let isBehind = false
      for (const one of watching)
        if (happensIn(one, passage))
          for (const leak of one.judge(passage)) {
            tell(one, leak, trail)
            isBehind ||= one.watches !== 'everything'
          }
      return isBehind
    },
    shortestFirst: () => leaks.sort((one, other) => one.trail.length - other.trail.length),
  }
}
