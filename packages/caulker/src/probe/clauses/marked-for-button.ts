import { equal, printed } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import { isDone, type Trail } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** What is marked in a list first, and then taken by a button. */
export function* markedThenPressed({ ways }: Subject): Iterable<Trail> {
  for (const { given, moves } of ways.filter(isMarked)) yield { given, moves }
}

/** Whatever is marked, the button takes the same; alone it does not. */
export async function takesWhatever(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [mark, press] = trail.moves
  const mine = subject.ways.find(
    (way) => isMarked(way) && equal(way.moves, trail.moves) && equal(way.given, trail.given),
  )
  const last = rows[2]
  if (mine === undefined || last === undefined || !isDone(mark, 'choose') || press === undefined) return undefined
  const another = subject.ways.find((way) => {
    const [first, second] = way.moves
    if (!isMarked(way) || !isDone(first, 'choose') || !equal(second, press) || !equal(way.given, trail.given))
      return false
    return equal(first.gesture.on, mark.gesture.on) && first.gesture.option < mark.gesture.option
  })
  if (another === undefined) return undefined
  const [other, alone] = [await subject.play(another), await subject.play({ given: trail.given, moves: [press] })]
  const same = subject.values.find(({ name }) => {
    const [mineNow, otherNow] = [last.read[name], other.rows[2]?.read[name]]
    return mine.changes.has(name) && equal(mineNow, otherNow) && !equal(mineNow, rows[0].read[name])
  })
  if (same === undefined || equal(alone.rows[1]?.read[same.name], last.read[same.name])) return undefined
  return {
    row: 2,
    says: `whatever is marked, the button makes the same of ${same.name}`,
    expected: `another ${same.name} with another option`,
    found: `${same.name} ${printed(last.read[same.name])} with each`,
  }
}

function isMarked({ moves, changes }: Way): boolean {
  return moves.length === 2 && isDone(moves[0], 'choose') && isDone(moves[1], 'press') && changes.size > 0
}
