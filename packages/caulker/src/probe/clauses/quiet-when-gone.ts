import { printed } from '../../contract/index.js'
import type { HeardThen } from '../stage/played.js'
import { clause } from './clause.js'
import { isDone, isGesture, type Move } from '../stage/trail.js'

/** A clock that runs on may speak only after some seconds; where nothing waits for time to pass, none does. */
const AFTER = 5000

/** After its removal nothing speaks any more. */
export const quietWhenGone = clause({
  id: 'quiet-when-gone',
  group: 'life',
  promise: 'Once it is taken out of the page it reports nothing, even what was pending then.',
  why: 'The screen is closed, and a late report of it changes what the next one shows, or is saved with another record.',
  tried:
    'It is taken out of the page as it was mounted, and once a person has done something, before and after the edit has ended; then time passes.',
  unprovenWhen: 'Nothing was found that a person can do to it.',
  random: 'none',
  onTrial: 'page',
  needsElement: true,
  concerns: ({ values, events }) => Object.keys({ ...values, ...events }).length > 0,
  *trails(subject) {
    // What runs may have been running from the mount on.
    for (const given of [subject.middle, subject.base]) yield { given, moves: [{ place: 'away' }, { wait: AFTER }] }
    for (const { given, moves } of subject.chiefWays.slice(0, 2)) {
      const ends = moves.length > 1 && isLeaving(moves[moves.length - 1]) ? [moves.slice(0, -1)] : []
      for (const done of [moves, ...ends]) {
        yield { given, moves: [...done, { place: 'away' }, { wait: AFTER }] }
        const within = Math.max(...subject.values.map((value) => value.within), 0)
        if (within > 0) yield { given, moves: [...done, { place: 'away' }, { wait: within + AFTER }], hasty: true }
      }
    }
  },
  proves: (_, { trail }) => trail.moves.some(isGesture),
  judge({ contract }, { rows }) {
    // Events of its own life, such as a load that is given up, are no reports.
    const isReport = ({ event, value }: HeardThen) =>
      value !== undefined || Object.values(contract.drafts).some((draft) => draft.event === event)
    const gone = rows.findIndex(({ move }) => move !== undefined && 'place' in move && move.place === 'away')
    // A browser takes the focus from what is about to be removed: that ends the edit as leaving the field does.
    const isLate = (one: HeardThen, row: number) => isReport(one) && !(row === gone && one.isThere)
    const at = gone < 0 ? -1 : rows.findIndex(({ heard }, row) => row >= gone && heard.some((one) => isLate(one, row)))
    const first = rows[at]?.heard.find((one) => isLate(one, at))
    return first === undefined
      ? undefined
      : {
          row: at,
          says: `it reports ${first.event} after it was taken out of the page`,
          expected: 'nothing is heard',
          found: `heard ${first.event} ${printed(first.payload)}`,
          cause: 'what it waits with is not dropped when it is removed',
        }
  },
})

function isLeaving(move: Move | undefined): boolean {
  return isDone(move, 'leave')
}
