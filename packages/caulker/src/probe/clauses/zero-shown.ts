import { accepts, equal, isNoStep, printed } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { Played } from '../stage/played.js'
import type { Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import { withPart } from './beside.js'
import type { LeakAt } from './clause.js'
import { isInField, standsAt, writtenOut } from './written-out.js'
import { numbersIn, partAt } from './zero-inside.js'

/** Numbers that hardly stand anywhere else. */
const OTHERS = [71, 93, 47, 7, 9, 5, 3, 2]
const MOST_VALUES = 2

/** Each number of each name at 0: one that stands by itself, and those in objects and in entries of lists. */
export function* zerosGiven(subject: Subject): Iterable<Trail> {
  for (const { name, type } of subject.names)
    for (const value of subject.plain(name).slice(0, MOST_VALUES))
      for (const path of pathsIn(value)) {
        const zero = put(value, path, 0)
        const given = { ...subject.base, [name]: zero }
        const stands = equal(subject.ideally(name, given), zero) && !isNoStep(subject.values, name, zero)
        if (accepts(type, zero) && stands) yield { given, moves: [] }
      }
}

/** Where other numbers are written out as they are, 0 leaves the place empty, or is written as another number. */
export async function zeroUnwritten(subject: Subject, { trail, rows: [row] }: Played): Promise<LeakAt | undefined> {
  if (trail.moves.length > 0) return undefined
  for (const { name, type } of subject.names) {
    const value = trail.given[name]
    if (value === undefined || equal(value, subject.base[name])) continue
    for (const path of pathsIn(value)) {
      if (partAt(value, path) !== 0) continue
      const [one, other] = OTHERS.map((number) => ({ number, value: put(value, path, number) })).filter(
        (each) =>
          accepts(type, each.value) && equal(subject.ideally(name, { ...trail.given, [name]: each.value }), each.value),
      )
      if (one === undefined || other === undefined) continue
      const [lines, otherLines] = [
        await linesOf(subject, trail.given, name, one.value),
        await linesOf(subject, trail.given, name, other.value),
      ]
      for (const place of writtenOut([lines, String(one.number)], [otherLines, String(other.number)])) {
        const stands = standsAt(row.picture.lines, place, lines.length)
        // A number by itself may be left out as a whole: no mark where there is nothing to count.
        const isMissing = stands === '' && (path.length > 0 || isInField(place))
        // By itself it may be a bound or a part that another is brought in by.
        const isOther = path.length > 0 && stands !== undefined && /^-?\d+$/.test(stands) && Number(stands) !== 0
        if (!isMissing && !isOther) continue
        return {
          row: 0,
          says: isMissing ? `a 0 of ${name} is shown as nothing` : `a 0 of ${name} is shown as ${stands}`,
          expected: `0 where ${one.number} is shown with ${printed(one.value, 40)}`,
          found: stands === '' ? 'nothing there' : `${stands} there`,
          cause: '0 is taken for missing',
        }
      }
    }
  }
  return undefined
}

async function linesOf(subject: Subject, given: Given, name: string, value: unknown): Promise<readonly string[]> {
  return (await subject.fresh({ ...given, [name]: value })).picture.lines
}

function pathsIn(value: unknown): (readonly string[])[] {
  return typeof value === 'number' ? [[]] : numbersIn(value)
}

function put(value: unknown, path: readonly string[], part: unknown): unknown {
  return path.length === 0 ? part : withPart(value, path, part)
}
