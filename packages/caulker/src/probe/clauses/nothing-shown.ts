import { accepts, equal, isHost, printed } from '../../contract/index.js'
import { samePicture } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import type { Trail } from '../stage/trail.js'
import { takesAnyText } from '../subject/off-type.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { isInField, standsAt, writtenOut } from './written-out.js'

/** A value that may be nothing, and is; where any text is one, a dash may stand for nothing. */
export function* nothingGiven({ values, base }: Subject): Iterable<Trail> {
  for (const { name, type } of values) if (accepts(type, null)) yield { given: { ...base, [name]: null }, moves: [] }
}

/** Of what its contract names itself, one looks as if nothing stood there, and another does not. */
export async function someShownAsNothing(
  subject: Subject,
  { trail, rows: [row] }: Played,
): Promise<LeakAt | undefined> {
  const { given } = trail
  for (const { name, samples, among } of subject.values) {
    if (given[name] !== null || among !== undefined) continue
    const named = samples.filter((value) => typeof value === 'string' || typeof value === 'number')
    const seen = await Promise.all(
      named.map(async (value) => ({ value, row: await subject.fresh({ ...given, [name]: value }) })),
    )
    const isLikeIt = (one: (typeof seen)[number]) => samePicture(one.row.picture, row.picture)
    const lost = seen.find((one) => isLikeIt(one) && equal(one.row.read[name], one.value))
    if (lost !== undefined && !seen.every(isLikeIt))
      return {
        row: 0,
        says: `${name} ${printed(lost.value)} is shown as nothing`,
        expected: `shown otherwise than ${name} null`,
        found: 'shown alike',
      }
  }
  return undefined
}

/** Where its field shows each value as it is, nothing stands there as one of them. */
export async function nothingShownAsSome(
  subject: Subject,
  { trail, rows: [row] }: Played,
): Promise<LeakAt | undefined> {
  const { given } = trail
  for (const { name, type } of subject.values) {
    if (given[name] !== null || !accepts(type, null) || takesAnyText(type)) continue
    const [one, other] = subject
      .plain(name)
      .filter((value) => value !== null && !isHost(value) && typeof value !== 'object')
    if (one === undefined || other === undefined) continue
    const linesOf = async (value: unknown) => (await subject.fresh({ ...given, [name]: value })).picture.lines
    const [lines, otherLines] = [await linesOf(one), await linesOf(other)]
    for (const place of writtenOut([lines, String(one)], [otherLines, String(other)])) {
      const stands = isInField(place) ? (standsAt(row.picture.lines, place, lines.length) ?? '') : ''
      // A field of colours stands at one, whatever is held.
      const isValue =
        stands !== '' && !stands.startsWith('#') && [stands, Number(stands)].some((value) => accepts(type, value))
      if (isValue)
        return {
          row: 0,
          says: `nothing of ${name} is shown as ${stands}`,
          expected: 'an empty field',
          found: `${stands}, as with ${name} ${printed(typeof one === 'number' ? Number(stands) : stands)}`,
        }
    }
  }
  return undefined
}
