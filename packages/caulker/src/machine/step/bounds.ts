import { clauseOf, limitsOf, withinLimits, type Limits, type Settled } from '../../contract/index.js'
import type { BoundName, Followed } from '../plan/index.js'
import { memberOf, type Work } from './work.js'

/** What a value becomes at the bounds of the name that it is bound to, as they are now. */
export function atBounds(
  work: Work,
  bound: BoundName,
  value: unknown,
  { by, movedFrom, entry }: { by: 'owner' | 'person'; movedFrom?: unknown; entry?: unknown },
): Settled {
  if (bound.bounded === undefined || value === undefined) return { stands: true, value }
  return withinLimits(bound.bounded, value, limitsAt(work, bound, entry), { by, movedFrom })
}

/** The bounds and step of a bound value as they are now. */
export function limitsAt({ slots }: Work, bound: BoundName, entry?: unknown): Limits {
  const at = ({ slot, member }: Followed) => (member === undefined ? slots[slot] : memberOf(entry, member))
  return limitsOf(bound.bounded as NonNullable<typeof bound.bounded>, (name) => {
    const followed = bound.limits.get(name)
    const given = followed === undefined ? undefined : at(followed)
    return given ?? clauseOf(bound.contract, name)?.default
  })
}
