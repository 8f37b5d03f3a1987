import { accepts, equal, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { isOffered } from '../subject/among.js'
import type { Subject } from '../subject/subject.js'

/** A mount on which the list is edited, and two entries that can stand in it. */
export function twoEntries(
  subject: Subject,
  value: ValueClause,
): { given: Given; entries: readonly unknown[] } | undefined {
  const given = subject.ways.find(({ changes }) => changes.has(value.name))?.given
  if (given === undefined) return undefined
  const all = [given[value.name], ...subject.plain(value.name)].flatMap(listIn)
  const [first, ...others] = all
  const second = others.find((entry) => !equal(entry, first))
  const entries = [first, second]
  const isFit =
    second !== undefined &&
    accepts(value.type, entries) &&
    isOffered(value, subject.names, given, entries) &&
    equal(subject.ideally(value.name, { ...given, [value.name]: entries }), entries)
  return isFit ? { given, entries } : undefined
}

/** The values that are lists of any length. */
export function listsOf({ values }: Subject): ValueClause[] {
  return values.filter(({ empty, ordered, applies }) => Array.isArray(empty) && !ordered && applies === 'at-once')
}

export function listIn(value: unknown): readonly unknown[] {
  return Array.isArray(value) ? value : []
}
