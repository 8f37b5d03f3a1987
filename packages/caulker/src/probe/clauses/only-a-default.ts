import { attributeText, equal, isValue, printed, type PropertyClause } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import { tell, without, type Trail } from '../stage/trail.js'
import { oneAtEach, type Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

const MOST_WAYS = 2

/**
 * HTML Standard, section 4.10.18.1: an attribute that only gives the default says nothing more once the value was told or edited; it is set
 * to something else after each of these.
 */
export function* afterIts(subject: Subject, clause: PropertyClause): Iterable<Trail> {
  const { name, attribute, attributeGives } = clause
  if (attributeGives !== 'default' || attribute === false || !isValue(clause)) return
  const [text] = subject.plain(name).flatMap((one) => attributeText(clause, one) ?? [])
  if (text === undefined) return
  const given = without(subject.base, name)
  const moved = { attribute, text }
  // What it holds then is another than the attribute says.
  for (const other of [clause.empty, clause.default, ...subject.plain(name)])
    if (other !== undefined && attributeText(clause, other) !== text) {
      yield { given, moves: [tell({ [name]: other }), moved] }
      break
    }
  const ways = subject.ways.filter(({ changes, given: mount }) => changes.has(name) && equal(mount, subject.base))
  for (const way of oneAtEach(ways).slice(0, MOST_WAYS)) {
    yield { given, moves: [...way.moves, moved] }
    yield { given, moves: [...way.moves, ...way.moves, moved] }
  }
}

/** Whether an attribute that gives a default comes after something else in a trail. */
export function isAfterIts({ names }: Subject, { moves }: Trail): boolean {
  const last = moves.at(-1)
  if (moves.length < 2 || last === undefined || !('attribute' in last)) return false
  return names.some(({ attribute, attributeGives }) => attribute === last.attribute && attributeGives === 'default')
}

/** What was told or edited gives way to the attribute. */
export function overridesWhatStands({ names }: Subject, { trail, rows }: Played): LeakAt | undefined {
  const [before, row] = rows.slice(-2)
  const move = trail.moves.at(-1)
  if (move === undefined || !('attribute' in move) || row === undefined || rows.length <= trail.moves.length)
    return undefined
  const name = names.find(({ attribute }) => attribute === move.attribute)?.name ?? ''
  if (rows.some(({ impossible }) => impossible !== undefined) || equal(before?.read[name], row.read[name]))
    return undefined
  return {
    row: rows.length - 1,
    says: `the attribute ${move.attribute} replaces ${name} though that was ${'tell' in (trail.moves[0] ?? {}) ? 'told' : 'edited'}`,
    expected: `${name} ${printed(before?.read[name])}`,
    found: `${name} ${printed(row.read[name])}`,
    cause: 'it is only the default, and is taken for the value',
  }
}
