import { accepts, equal, isHost, type TSchema, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { isOffered } from '../subject/among.js'
import type { Subject } from '../subject/subject.js'

/** A mount on which the list is edited, and some entries that can stand in it together. */
export function someEntries(
  subject: Subject,
  value: ValueClause,
  count: number,
): { given: Given; entries: readonly unknown[] } | undefined {
  const given = subject.ways.find(({ changes }) => changes.has(value.name))?.given
  if (given === undefined) return undefined
  const all = [given[value.name], ...subject.plain(value.name)].flatMap(listIn)
  const some = all.filter((entry, at) => all.findIndex((one) => equal(one, entry)) === at).slice(0, count)
  if (some.length !== count || !accepts(value.type, some)) return undefined
  // Its contract may say that they are put in order.
  const entries = listIn(subject.ideally(value.name, { ...given, [value.name]: some }))
  const isFit =
    entries.length === count &&
    some.every((entry) => entries.some((one) => equal(one, entry))) &&
    isOffered(value, subject.names, given, entries)
  return isFit ? { given, entries } : undefined
}

/** The values that are lists of any length. */
export function listsOf({ values }: Subject): ValueClause[] {
  return values.filter(({ empty, ordered, applies }) => Array.isArray(empty) && !ordered && applies === 'at-once')
}

export function listIn(value: unknown): readonly unknown[] {
  return Array.isArray(value) ? value : []
}

/** The types of the members of a record, also of one that may be nothing. */
export function memberTypes(type: TSchema): Readonly<Record<string, TSchema>> {
  const { properties, anyOf = [] } = type as { properties?: Readonly<Record<string, TSchema>>; anyOf?: TSchema[] }
  return properties ?? Object.assign({}, ...anyOf.map(memberTypes))
}

export function isRecord(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null && !Array.isArray(value) && !isHost(value)
}
