import { accepts, equal, printed } from '../../contract/index.js'
import type { Played, Row } from '../stage/played.js'
import { isDone, type Trail } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'
import { addingWays } from './added-entries.js'
import type { LeakAt } from './clause.js'
import { listIn, listsOf } from './lists.js'
import { retyped } from './ways-at-bounds.js'

/** A 0 that is typed and added to a list of numbers. */
export function* zeroAdded(subject: Subject): Iterable<Trail> {
  for (const { given, moves } of waysOf(subject)) yield { given, moves: moves.map((move) => retyped(move, '0')) }
}

/** The ways by which a number that is typed becomes an entry. */
function waysOf(subject: Subject): Way[] {
  const lists = listsOf(subject).filter(({ type }) => accepts(type, [0]) && !accepts(type, ['oakum']))
  return addingWays(subject).filter(
    ({ moves, changes, given }) =>
      lists.some(({ name }) => changes.has(name) && !listIn(given[name]).includes(0)) &&
      moves.some((move) => isDone(move, 'type') && Number(move.gesture.text) !== 0),
  )
}

/** Another number is added, and 0 is not. */
export async function zeroNotAdded(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const way = waysOf(subject).find(
    ({ given, moves }) =>
      equal(given, trail.given) &&
      equal(
        moves.map((move) => retyped(move, '0')),
        trail.moves,
      ),
  )
  const last = rows[trail.moves.length]
  if (way === undefined || last === undefined) return undefined
  const other = (await subject.play(way)).rows.at(-1) as Row
  for (const { name, type } of listsOf(subject)) {
    const listAt = ({ read, held }: Row) => listIn(read[name] ?? held[name])
    const [before, now] = [listAt(rows[0]), listAt(last)]
    if (listAt(other).length !== before.length + 1 || now.includes(0) || !accepts(type, [...before, 0])) continue
    return {
      row: trail.moves.length,
      says: `a typed 0 is not added to ${name}, as another number is`,
      expected: `${name} with 0`,
      found: `${name} ${printed(now)}`,
      cause: '0 is taken for no input',
    }
  }
  return undefined
}
