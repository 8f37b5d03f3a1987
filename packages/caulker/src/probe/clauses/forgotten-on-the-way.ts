import { equal } from '../../contract/index.js'
import { isPlaced } from '../person/gestures.js'
import { samePicture } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, isGesture, isPress, type Move, type Trail } from '../stage/trail.js'
import { isKeptBack } from '../subject/kept-back.js'
import type { Subject } from '../subject/subject.js'
import { viewsOf } from '../subject/views.js'
import { pictureDifference } from './laws.js'
import type { LeakAt } from './clause.js'

const MOST_VIEWS = 2
/** What cannot be read may be dropped as soon as the field is left. */
const LEAVE = gesture({ do: 'leave' })
const MOST_EDITS = 3

/** What waits for a later press, and then a look at something else and back. */
export async function* lookedAway(subject: Subject): AsyncIterable<Trail> {
  const edits = subject.ways.flatMap(({ given, moves: [first], control }) =>
    first !== undefined && !isTurning(first) && isKeptBack(subject, control) ? [{ given, first }] : [],
  )
  const each = edits.filter((one, at) => edits.findIndex(({ first }) => equal(first, one.first)) === at)
  for (const view of (await viewsOf(subject)).slice(0, MOST_VIEWS))
    for (const { given, first } of each.slice(0, MOST_EDITS))
      yield { given, moves: [first, LEAVE, ...view.moves, ...view.back] }
}

/** What was entered and is not kept yet is gone once something else was looked at. */
export function forgottenOnTheWay(subject: Subject, { trail, rows }: Played): LeakAt | undefined {
  const [first, , edited] = rows
  const last = rows[rows.length - 1]
  const [move, left] = trail.moves
  if (trail.moves.length !== 4 || rows.length !== 5 || edited === undefined || last === undefined) return undefined
  if (!equal(left, LEAVE)) return undefined
  if (!isGesture(move) || isTurning(move) || !isPlaced(move.gesture) || !isKeptBack(subject, move.gesture.on))
    return undefined
  if (rows.some(({ heard, impossible, fault }) => heard.length > 0 || (impossible ?? fault) !== undefined))
    return undefined
  const isGone = !samePicture(edited.picture, first.picture) && samePicture(last.picture, first.picture)
  if (!isGone) return undefined
  return {
    row: 4,
    says: 'what was entered is gone once something else was looked at',
    ...pictureDifference(edited.picture, last.picture),
    cause: 'coming back begins with what is held, and not with what was entered',
  }
}

/** A button may turn the page. */
function isTurning(move: Move): boolean {
  return isPress([move]) && isDone(move, 'press') && move.gesture.on.kind === 'button'
}
