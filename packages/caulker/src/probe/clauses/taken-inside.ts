import { accepts, equal, outsideText, printed, type Limits, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { Played } from '../stage/played.js'
import type { Move, Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import { isOnItsOwn } from './beside.js'
import type { LeakAt } from './clause.js'
import { isMarkedInvalid } from './laws.js'
import { enteredText, retyped } from './ways-at-bounds.js'

/** Ordinary values that lie between bounds of their kind. */
const BETWEEN = [5, 4, 3, '2031-05-14', '2031-05-12']

/** A value between two bounds, and each of the two, is typed as others were, that were taken where there were none. */
export function* insideBounds(subject: Subject, value: ValueClause, given: Given): Iterable<Trail> {
  const way = subject.ways.find(({ plainly }) => plainly.has(value.name))
  if (way === undefined || !isOnItsOwn(subject.values, value)) return
  const { least, most } = subject.limits(value, given)
  const between = [...subject.plain(value.name), ...BETWEEN].filter((one) => !equal(one, least) && !equal(one, most))
  for (const one of [between.find((inside) => isInside(subject, value, given, inside)), least, most])
    if (one !== undefined && isInside(subject, value, given, one))
      yield { given, moves: way.moves.map((move) => retyped(move, String(one))) }
}

/** It is turned down without a word. */
export function turnedDownInside(
  subject: Subject,
  value: ValueClause,
  given: Given,
  { trail, rows }: Played,
): LeakAt | undefined {
  const [first, last] = [rows[0], rows.at(-1)]
  const text = trail.moves.map(enteredText).find((one) => one !== undefined)
  const { least, most } = subject.limits(value, given)
  if (last === undefined || text === undefined || !equal(trail.given, given)) return undefined
  if (!isOnItsOwn(subject.values, value)) return undefined
  const isRetyped = (moves: readonly Move[]) =>
    equal(
      moves.map((move) => retyped(move, text)),
      trail.moves,
    )
  if (!subject.ways.some(({ plainly, moves }) => plainly.has(value.name) && isRetyped(moves))) return undefined
  const entered = typeof first.read[value.name] === 'number' ? Number(text) : text
  if (!isInside(subject, value, given, entered) || !equal(first.read[value.name], last.read[value.name]))
    return undefined
  if (rows.some(({ heard, impossible }) => heard.length > 0 || impossible !== undefined)) return undefined
  if (isMarkedInvalid(first) || isOutside(first.read[value.name], subject.limits(value, given))) return undefined
  return {
    row: rows.length - 1,
    says: `${value.name} ${printed(entered)} lies inside its bounds, and is turned down`,
    expected: `${value.name} ${printed(entered)}`,
    found: `${value.name} ${printed(last.read[value.name])}`,
    cause: `it is compared with ${[least, most]
      .filter((one) => one !== undefined)
      .map((one) => printed(one))
      .join(' and ')} wrongly`,
  }
}

/** What lies beside its bounds may be shown as the nearest inside: then that cannot be entered anew. */
function isOutside(stood: unknown, limits: Limits): boolean {
  return stood !== undefined && stood !== null && outsideText(stood, limits) !== undefined
}

/** Whether it is another value, and would stand as it is. */
function isInside(subject: Subject, value: ValueClause, given: Given, one: unknown): boolean {
  return (
    accepts(value.type, one) &&
    !equal(one, given[value.name]) &&
    outsideText(one, subject.limits(value, given)) === undefined &&
    equal(subject.ideally(value.name, { ...given, [value.name]: one }), one)
  )
}
