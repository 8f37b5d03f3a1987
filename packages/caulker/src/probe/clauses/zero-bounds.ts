import { accepts, printed, type ValueClause, outsideText } from '../../contract/index.js'
import type { LeakAt } from './clause.js'
import type { Played, Row } from '../stage/played.js'
import { settlesEdits, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import { enteredText, retyped, waysAtBounds } from './ways-at-bounds.js'
import type { Given } from '../../mount/index.js'

/** Where a bound can be 0: everything that a person can do to go beyond it. */
export function* beyondZero(subject: Subject, value: ValueClause): Iterable<Trail> {
  for (const [end, other] of [
    ['least', 'most'],
    ['most', 'least'],
  ] as const) {
    const bound = value.bounds[end]
    const clause = subject.names.find((one) => one.name === bound)
    if (clause === undefined || !accepts(clause.type, 0)) continue
    const opposite = value.bounds[other]
    const room = typeof opposite === 'string' && end === 'most' ? { [opposite]: -20 } : {}
    yield* waysAtBounds(subject, value, { ...subject.middle, ...room, [clause.name]: 0 })
  }
}

/** A bound of 0 that does not hold, where the same bound holds at another number. */
export async function zeroBoundLeak(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const last = rows[rows.length - 1]
  if (last === undefined || rows.length <= trail.moves.length || !settlesEdits(last.move)) return undefined
  for (const value of subject.values) {
    const bound = zeroBoundOf(value, trail.given)
    if (
      bound === undefined ||
      !isBeyondZero(value, bound, cameTo(rows, value.name)) ||
      !(await holdsElsewhere(subject, value, trail))
    )
      continue
    return {
      row: rows.length - 1,
      says: `${bound} 0 does not hold`,
      expected: `${value.name} ${printed(subject.ideally(value.name, { ...trail.given, [value.name]: cameTo(rows, value.name) }))}`,
      found: `${value.name} ${printed(cameTo(rows, value.name))}`,
      cause: `${bound} 0 is taken for "no bound"`,
    }
  }
  return undefined
}

function isBeyondZero(value: ValueClause, bound: string, came: unknown): boolean {
  return typeof came === 'number' && (bound === value.bounds.least ? came < 0 : came > 0)
}

/** The bound of a value that is given as 0. */
export function zeroBoundOf(value: ValueClause, given: Given): string | undefined {
  return [value.bounds.least, value.bounds.most].find(
    (bound): bound is string => typeof bound === 'string' && given[bound] === 0,
  )
}

/** What a value came to by itself: what was reported last, before its owner may have corrected it. */
export function cameTo(rows: readonly Row[], name: string): unknown {
  const last = rows[rows.length - 1]
  const heard = rows.flatMap((row) => row.heard).findLast((one) => one.value === name)
  return heard?.payload ?? last?.read[name] ?? last?.held[name]
}

async function holdsElsewhere(subject: Subject, value: ValueClause, trail: Trail): Promise<boolean> {
  const bound = zeroBoundOf(value, trail.given) as string
  const atBound = trail.given[value.name] === 0
  const given = { ...trail.given, [bound]: 2, ...(atBound ? { [value.name]: 2 } : {}) }
  const moves = trail.moves.map((move) => retyped(move, String(Number(enteredText(move)) + 2)))
  const { rows } = await subject.play({ ...trail, given, moves })
  return outsideText(cameTo(rows, value.name), subject.limits(value, given)) === undefined
}
