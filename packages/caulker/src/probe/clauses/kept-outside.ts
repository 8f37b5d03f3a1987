import { equal, isKept, outsideText, printed, type ValueClause } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { enteredText, waysAtBounds } from './ways-at-bounds.js'

/** Whether what is entered outside stands there, and nothing marks it. */
export function isKeptOutside({ outside, bounds }: ValueClause): boolean {
  return outside === 'keep' && (bounds.least ?? bounds.most) !== undefined
}

/** Whether what is entered outside stands there, marked or not. */
export function isTakenOutside({ outside, bounds }: ValueClause): boolean {
  return isKept(outside) && (bounds.least ?? bounds.most) !== undefined
}

/** A number outside, entered in each field for it. */
export function* enteredOutside(subject: Subject, value: ValueClause): Iterable<Trail> {
  for (const { given, moves } of waysAtBounds(subject, value, subject.middle))
    if (moves.some((move) => enteredText(move) !== undefined))
      yield { given, moves: [...moves, gesture({ do: 'leave' })] }
}

/** It is brought in, or turned down. */
export function notKept(subject: Subject, { trail, rows }: Played): LeakAt | undefined {
  const row = rows[trail.moves.length]
  const text = trail.moves.map(enteredText).find((one) => one !== undefined)
  if (row === undefined || text === undefined || !isDone(trail.moves.at(-1), 'leave')) return undefined
  for (const value of subject.values.filter(isKeptOutside)) {
    const entered = Number(text)
    const isIts = subject.ways.some(({ plainly }) => plainly.has(value.name))
    if (!isIts || Number.isNaN(entered) || outsideText(entered, subject.limits(value, row.held)) === undefined) continue
    const stands = row.read[value.name]
    if (
      !equal(stands, entered) &&
      equal(subject.ideally(value.name, { ...trail.given, [value.name]: entered }), entered)
    )
      return {
        row: trail.moves.length,
        says: `${text} is entered, and ${value.name} becomes ${printed(stands)}: what is outside is to be kept`,
        expected: `${value.name} ${printed(entered)}`,
        found: `${value.name} ${printed(stands)}`,
        cause: 'a bound that only says what is usual is taken for one that holds',
      }
  }
  return undefined
}
