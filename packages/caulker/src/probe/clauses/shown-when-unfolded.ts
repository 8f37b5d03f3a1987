import { equal } from '../../contract/index.js'
import { clause } from './clause.js'
import { forgottenOnTheWay, lookedAway } from './forgotten-on-the-way.js'
import { offersTheOld, openedAgain } from './offered-again.js'
import { pictureDifference, takesTheGiven } from './laws.js'
import { samePicture } from '../sight/picture.js'
import { isDone, isGesture, isTell, tell } from '../stage/trail.js'
import type { Played } from '../stage/played.js'
import type { Subject, Way } from '../subject/subject.js'
import { bringingUp, isSilent, viewsOf } from '../subject/views.js'
import type { LeakAt } from './clause.js'

/** With how many presses it is tried, and how many names stand otherwise behind each. */
const MOST_VIEWS = 3
const MOST_NAMES = 8

/** What is folded away and brought back shows what is held by then. */
export const shownWhenUnfolded = clause({
  id: 'shown-when-unfolded',
  group: 'down',
  promise: 'What a press brings up, folds away or turns over, and another brings back, shows what is held by then.',
  why: 'A part that is drawn anew when it is opened begins empty again, and one that was closed when its owner told something still shows the old.',
  tried:
    'Each press that only shows something otherwise is taken back, with each name standing otherwise, and with it told before, in between, and before it is made again; what waits for a later press has to be there after a look elsewhere, and a list that opens offers what was told since.',
  unprovenWhen: 'Nothing was found that is only folded away and brought back.',
  random: 'none',
  onTrial: 'gesture',
  concerns: ({ values, properties }) => Object.keys({ ...values, ...properties }).length > 0,
  async *trails(subject) {
    const names = [...subject.tellable].sort((one) => (one.kind === 'value' ? -1 : 1)).slice(0, MOST_NAMES)
    for (const { given, moves, back } of (await viewsOf(subject)).slice(0, MOST_VIEWS))
      for (const { name } of names)
        for (const other of subject.plain(name).slice(0, 2)) {
          if (equal(given[name], other)) continue
          yield { given: { ...given, [name]: other }, moves: [...moves, ...back] }
          yield { given, moves: [...moves, tell({ [name]: other }), ...back] }
          yield { given, moves: [...moves, ...back, tell({ [name]: other }), ...moves] }
        }
    for (const { given, moves } of [...bringingUp(subject).slice(0, MOST_VIEWS), ...picking(subject)])
      for (const { name } of names)
        for (const other of subject.plain(name).slice(0, 2))
          if (!equal(given[name], other)) {
            yield { given, moves: [tell({ [name]: other }), ...moves] }
            if (given[name] !== undefined)
              yield { given: { ...given, [name]: other }, moves: [tell({ [name]: given[name] }), ...moves] }
          }
    yield* lookedAway(subject)
    yield* openedAgain(subject)
  },
  async judge(subject, played) {
    const { trail, rows } = played
    const [first, ...others] = trail.moves
    const forgotten = forgottenOnTheWay(subject, played)
    if (forgotten !== undefined) return forgotten
    const offered = await offersTheOld(subject, played)
    if (offered !== undefined) return offered
    const last = rows[rows.length - 1] ?? rows[0]
    if (!isGesture(last.move) || !isSilent(subject, played)) return undefined
    if (isTell(first)) return broughtUpOld(subject, played)
    const between = others.slice(0, -1).filter((move, at) => !(at === 0 && isGesture(move) && equal(first, last.move)))
    if (!isGesture(first) || !between.every(isTell)) return undefined
    const {
      rows: [fresh],
    } = await subject.play({ given: last.held, moves: [] })
    if ((fresh.fault ?? fresh.unsettled) !== undefined || !takesTheGiven(subject, fresh)) return undefined
    // What is told may itself bring everything back: then the second press turns it over once more.
    const turned = await Promise.all(
      [first, last.move].map((move) => subject.play({ given: last.held, moves: [move] })),
    )
    const known = [fresh, ...turned.flatMap((one) => one.rows)]
    if (known.some(({ picture }) => samePicture(picture, last.picture))) return undefined
    return {
      row: rows.length - 1,
      says: 'what was folded away and brought back shows something else than it holds',
      ...pictureDifference(fresh.picture, last.picture),
      cause: others.some(isTell)
        ? 'what is told while a part is closed does not reach it'
        : 'what is drawn anew when it is opened does not begin with what is held',
    }
  },
})

/** The choices that bring up more and change nothing yet. */
function picking({ ways }: Subject): Way[] {
  const picks = ways.filter(
    ({ moves, changes }) => changes.size === 0 && moves.length === 1 && isDone(moves[0], 'choose'),
  )
  return picks.slice(0, MOST_VIEWS)
}

/** Told before it is brought up for the first time. */
async function broughtUpOld(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [told, last] = [rows[1], rows[2]]
  if (told === undefined || last === undefined || rows.length !== 3) return undefined
  const fresh = await subject.play({ given: told.held, moves: trail.moves.slice(1) })
  const [mounted, broughtUp] = fresh.rows
  if (broughtUp === undefined || !isSilent(subject, fresh) || !takesTheGiven(subject, mounted)) return undefined
  const isLikeIt = samePicture(mounted.picture, told.picture)
  if (!isLikeIt || samePicture(last.picture, broughtUp.picture)) return undefined
  return {
    row: 2,
    says: 'what a press brings up shows something else than is held',
    ...pictureDifference(broughtUp.picture, last.picture),
    cause: 'what is told while a part is closed does not reach it',
  }
}
