import { accepts, equal, isHost, printed, type PropertyClause, type TSchema } from '../../contract/index.js'
import { samePicture } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import type { Trail } from '../stage/trail.js'
import { typeParts } from '../subject/off-type.js'
import type { Subject } from '../subject/subject.js'
import { withPart } from './beside.js'
import type { LeakAt } from './clause.js'

/** Whether a number in an object, or in an entry of a list, may be nothing as well. */
export function isNothingInside(type: TSchema): boolean {
  const [, ...inner] = typeParts(type as never)
  return inner.some((part) => accepts(part as never, 0) && accepts(part as never, null))
}

/** Whether a number in an object, or in an entry of a list, may be 0. */
export function hasZeroInside(type: TSchema): boolean {
  const [, ...inner] = typeParts(type as never)
  return inner.some((part) => accepts(part as never, 0))
}

/** A 0 in each place inside a value where nothing may stand, too. */
export function* zeroBeside({ base, plain }: Subject, { name, type }: PropertyClause): Iterable<Trail> {
  for (const [at, value] of plain(name).entries())
    for (const path of at < MOST_VALUES ? numbersIn(value) : []) {
      const zero = withPart(value, path, 0)
      if (accepts(type, zero) && accepts(type, withPart(value, path, null)))
        yield { given: { ...base, [name]: zero }, moves: [] }
    }
}

const MOST_VALUES = 4

/** Its 0 looks as if nothing stood there, and another number does not. */
export async function zeroAsNothing(subject: Subject, { trail, rows: [row] }: Played): Promise<LeakAt | undefined> {
  if (trail.moves.length > 0) return undefined
  for (const { name, type } of subject.names)
    for (const path of numbersIn(trail.given[name])) {
      const value = trail.given[name]
      if (partAt(value, path) !== 0 || equal(value, subject.base[name])) continue
      const [nothing, other] = [withPart(value, path, null), withPart(value, path, 7)]
      if (!accepts(type, nothing) || !accepts(type, other)) continue
      const mounted = async (one: unknown) => (await subject.fresh({ ...trail.given, [name]: one })).picture
      if (!samePicture(row.picture, await mounted(nothing)) || samePicture(row.picture, await mounted(other))) continue
      return {
        row: 0,
        says: `a 0 in ${name} looks like nothing`,
        expected: `another picture than with ${printed(nothing)}`,
        found: 'the same',
        cause: '0 is taken for missing',
      }
    }
  return undefined
}

export function partAt(value: unknown, path: readonly string[]): unknown {
  return path.reduce<unknown>((part, key) => (part as Record<string, unknown> | undefined)?.[key], value)
}

/** The places of the numbers in an object or a list of them. */
export function numbersIn(value: unknown): string[][] {
  if (typeof value !== 'object' || value === null || isHost(value)) return []
  return Object.entries(value)
    .slice(0, MOST_PARTS)
    .flatMap(([key, part]: [string, unknown]) =>
      typeof part === 'number' ? [[key]] : numbersIn(part).map((path) => [key, ...path]),
    )
}

const MOST_PARTS = 4
