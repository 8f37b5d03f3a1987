import { accepts, equal, isNoStep, printed, type PropertyClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { Played } from '../stage/played.js'
import type { Trail } from '../stage/trail.js'
import { bringingUp } from '../subject/views.js'
import { takesAnyText } from '../subject/off-type.js'
import type { Subject } from '../subject/subject.js'
import { withPart } from './beside.js'
import type { LeakAt } from './clause.js'
import { isInField, standsAt, writtenOut } from './written-out.js'
import { numbersIn, partAt } from './zero-inside.js'

/** Numbers that hardly stand anywhere else. */
const OTHERS = [71, 93, 47, 7, 9, 5, 3, 2]
const MOST_VALUES = 2
const MOST_OPENED = 2

/** Each number of each name at 0: one that stands by itself, and those in objects and in entries of lists. */
export function* zerosGiven(subject: Subject): Iterable<Trail> {
  for (const { name, type } of subject.names)
    for (const value of subject.plain(name).slice(0, MOST_VALUES))
      for (const path of pathsIn(value)) {
        const zero = withPart(value, path, 0)
        const given = { ...subject.base, [name]: zero }
        const stands = equal(subject.ideally(name, given), zero) && !isNoStep(subject.values, name, zero)
        if (!accepts(type, zero) || !stands) continue
        yield { given, moves: [] }
        // What is written in a field that is opened first is seen only there.
        for (const { moves } of bringingUp(subject).slice(0, MOST_OPENED)) yield { given, moves }
      }
}

/** Where others are written out as they are, 0 leaves the place empty or to a dash, or is written as another number; a text of noughts does, too. */
export async function zeroUnwritten(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const { moves } = trail
  const at = moves.length
  const row = rows[at]
  if (row === undefined || at > 1 || (at === 1 && !bringingUp(subject).some((way) => equal(way.moves, moves))))
    return undefined
  for (const clause of subject.names) {
    const { name } = clause
    const value = trail.given[name]
    if (value === undefined || (equal(value, subject.base[name]) && !equal(trail.given, subject.base))) continue
    const linesOf = async (other: unknown) =>
      (await subject.play({ given: { ...trail.given, [name]: other }, moves })).rows[at]?.picture.lines ?? []
    for (const { path, part } of zerosIn(clause, value)) {
      const seen: (Other & { readonly lines: readonly string[] })[] = []
      // Beside some numbers more may be said than beside others.
      const isAlike = ({ lines }: { readonly lines: readonly string[] }) => lines.length === row.picture.lines.length
      for (const one of othersFor(subject, clause, trail.given, path, part))
        if (seen.filter(isAlike).length < 2) seen.push({ ...one, lines: await linesOf(one.value) })
      const alike = seen.filter(isAlike)
      const [one, other] = alike.length > 1 ? alike : seen
      if (one === undefined || other === undefined) continue
      const { lines } = one
      const otherLines = other.lines
      for (const place of writtenOut([lines, one.text], [otherLines, other.text])) {
        const stands = standsAt(row.picture.lines, place, lines.length)
        // A number by itself may be left out as a whole: no mark where there is nothing to count.
        const isMissing = (stands === '' && path.length > 0) || (isInField(place) && isUnwritten(stands))
        // By itself it may be a bound or a part that another is brought in by.
        const isOther = path.length > 0 && stands !== undefined && /^-?\d+$/.test(stands) && Number(stands) !== 0
        if (!isMissing && !isOther) continue
        return {
          row: at,
          says: `${printed(part)} of ${name} is shown as ${stands === '' ? 'nothing' : (stands ?? 'nothing')}`,
          expected: `${String(part)} where ${one.text} is shown with ${printed(one.value, 40)}`,
          found: stands === '' ? 'nothing there' : `${stands} there`,
          cause: `${printed(part)} is taken for missing`,
        }
      }
    }
  }
  return undefined
}

/** Left empty, or with a dash: in a field that is for numbers both stand for none. */
function isUnwritten(stands: string | undefined): boolean {
  return stands !== undefined && /^[-\u2013\u2014\s]*$/.test(stands)
}

interface Other {
  readonly text: string
  readonly value: unknown
}

/** The same with something else in the place of the 0, that may stand there. */
function othersFor(
  { plain, ideally }: Subject,
  { name, type }: PropertyClause,
  given: Given,
  path: readonly string[],
  part: unknown,
): Other[] {
  const value = given[name]
  const parts: readonly unknown[] = part === 0 ? OTHERS : plain(name).filter((one) => typeof one === 'string')
  return parts
    .map((one) => ({ text: String(one), value: withPart(value, path, one) }))
    .filter((one) => accepts(type, one.value) && equal(ideally(name, { ...given, [name]: one.value }), one.value))
    .filter((one) => !equal(one.value, value))
}

/** Where a value is 0, or a text of noughts where not any text is taken. */
function zerosIn(
  { type }: PropertyClause,
  value: unknown,
): { readonly path: readonly string[]; readonly part: unknown }[] {
  if (isNought(value) && !takesAnyText(type)) return [{ path: [], part: value }]
  return pathsIn(value).flatMap((path) => (partAt(value, path) === 0 ? [{ path, part: 0 }] : []))
}

function pathsIn(value: unknown): (readonly string[])[] {
  return typeof value === 'number' ? [[]] : numbersIn(value)
}

/** A text of which nothing is left once it is reckoned with: midnight, a code of noughts. */
export function isNought(value: unknown): boolean {
  return typeof value === 'string' && /^[^1-9a-z]*0[^1-9a-z]*$/i.test(value)
}
