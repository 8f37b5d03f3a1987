import { equal, printed } from '../../contract/index.js'
import type { Played, Row } from '../stage/played.js'
import { isDone, type Move, type Trail } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { listIn, listsOf } from './lists.js'

const MOST_BOXES = 3

/** Two boxes that are ticked, and wait for one button. */
export function* keptTogether(subject: Subject): Iterable<Trail> {
  for (const { trail } of pairsOf(subject)) yield trail
}

interface Pair {
  readonly trail: Trail
  readonly one: Way
  readonly other: Way
}

function pairsOf(subject: Subject): Pair[] {
  const emptied = Object.fromEntries(listsOf(subject).map(({ name, empty }) => [name, empty]))
  const waiting = subject.ways
    .filter(({ moves, changes }) => changes.size > 0 && boxAt(moves) >= 0)
    // With nothing in the list each box puts in one.
    .map((way) => ({ ...way, given: { ...way.given, ...emptied } }))
  return waiting.flatMap((one) =>
    waiting
      .filter((other) => other !== one && equal(other.given, one.given) && isBeside(one.moves, other.moves))
      .slice(0, MOST_BOXES)
      .map((other) => ({ one, other, trail: { given: one.given, moves: withBoth(one.moves, other.moves) } })),
  )
}

/** Where a box is pressed that a button takes afterwards. */
function boxAt(moves: readonly Move[]): number {
  const isAt = (move: Move | undefined, kinds: readonly string[]) =>
    isDone(move, 'press') && kinds.includes(move.gesture.on.kind)
  if (!isAt(moves.at(-1), ['button'])) return -1
  return moves.findIndex((move) => isAt(move, ['checkbox', 'switch']))
}

/** Whether only the box is another. */
function isBeside(one: readonly Move[], other: readonly Move[]): boolean {
  const at = boxAt(one)
  return (
    one.length === other.length &&
    boxAt(other) === at &&
    one.every((move, place) => equal(move, other[place]) === (place !== at))
  )
}

function withBoth(one: readonly Move[], other: readonly Move[]): Move[] {
  const at = boxAt(one)
  return [...one.slice(0, at + 1), other[at] as Move, ...one.slice(at + 1)]
}

/** What either puts in alone is not there once both were ticked. */
export async function keptApart(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const pair = pairsOf(subject).find((one) => equal(one.trail, trail))
  const last = rows[trail.moves.length]
  if (pair === undefined || last === undefined) return undefined
  const alone = await Promise.all([pair.one, pair.other].map(({ given, moves }) => subject.play({ given, moves })))
  for (const { name } of listsOf(subject)) {
    const listAt = ({ read, held }: Row) => listIn(read[name] ?? held[name])
    const [before, both] = [listAt(rows[0]), listAt(last)]
    const came = alone.map((played) => comeInto(before, listAt(played.rows.at(-1) as Row)))
    const [first, second] = came
    if (first === undefined || second === undefined || equal(first, second)) continue
    const lost = came.find((entry) => !both.some((one) => equal(one, entry)))
    const together = [...before, first, second]
    const canStand = equal(subject.ideally(name, { ...trail.given, [name]: together }), together)
    if (lost === undefined || !canStand || last.heard.length === 0) continue
    return {
      row: trail.moves.length,
      says: `of two that are ticked, one is not taken into ${name}`,
      expected: `${name} with ${printed(lost)}`,
      found: `${name} ${printed(both)}`,
    }
  }
  return undefined
}

/** The one entry that a list has more than another. */
function comeInto(before: readonly unknown[], after: readonly unknown[]): unknown {
  const more = after.filter((entry) => !before.some((one) => equal(one, entry)))
  return more.length === 1 && after.length === before.length + 1 ? more[0] : undefined
}
