import { equal } from '../../contract/index.js'
import { clause } from './clause.js'
import { pictureDifference, takesTheGiven } from './laws.js'
import { samePicture } from '../sight/picture.js'
import { isGesture, isTell, tell } from '../stage/trail.js'
import { isSilent, viewsOf } from '../subject/views.js'

/** With how many presses it is tried, and how many names stand otherwise behind each. */
const MOST_VIEWS = 3
const MOST_NAMES = 8

/** What is folded away and brought back shows what is held by then. */
export const shownWhenUnfolded = clause({
  id: 'shown-when-unfolded',
  group: 'down',
  promise: 'What a press folds away or turns over, and another brings back, shows what is held by then.',
  why: 'A part that is drawn anew when it is opened begins empty again, and one that was closed when its owner told something still shows the old.',
  tried:
    'Each press that only shows something otherwise is taken back, with each name standing otherwise, and with it told in between.',
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
        }
  },
  async judge(subject, played) {
    const { trail, rows } = played
    const [first, ...others] = trail.moves
    const last = rows[rows.length - 1] ?? rows[0]
    const isTurnedBack = isGesture(first) && isGesture(last.move) && others.slice(0, -1).every(isTell)
    if (!isTurnedBack || !isSilent(subject, played)) return undefined
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
