import { equal } from '../../contract/index.js'
import { clause } from './clause.js'
import { oneAtEach, type Subject, type Way } from '../subject/subject.js'
import { gesture, isGesture, isPress } from '../stage/trail.js'

/** Kinds of controls that may be buttons underneath. */
const PRESSED: readonly string[] = ['button', 'switch', 'combo box']

/** None of its buttons submits the form around it. */
export const noAccidentalSubmit = clause({
  id: 'no-accidental-submit',
  group: 'reset and submit',
  promise: 'None of its own buttons submits the form around it, nor Enter where it adds an entry to a list.',
  why: 'A button without a type submits: whoever only wants one bale more sends the whole order.',
  tried:
    'It is mounted in a form, and each of its buttons is pressed, also those that come later; where Enter takes a text that leaving the field does not, it is pressed.',
  unprovenWhen: 'It has no button, and no field in which Enter adds an entry.',
  random: 'none',
  onTrial: 'gesture',
  needsElement: true,
  concerns: ({ values, events }) => Object.keys({ ...values, ...events }).length > 0,
  *trails(subject) {
    for (const on of subject.controls)
      if (PRESSED.includes(on.kind))
        yield { given: subject.middle, moves: [gesture({ do: 'press', on })], setting: 'form' }
    for (const { given, moves } of laterButtons(subject)) yield { given, moves, setting: 'form' }
    for (const { given, moves } of takenByEnter(subject)) yield { given, moves, setting: 'form' }
  },
  judge(_subject, { rows }) {
    for (const [at, row] of rows.entries())
      if (isGesture(row.move) && row.around.submits.length > 0) {
        // A field in which nothing was typed may hand Enter on.
        if (row.move.gesture.do === 'enter' && row.heard.length === 0) continue
        return {
          row: at,
          ...(row.move.gesture.do === 'enter'
            ? {
                says: 'Enter takes what was typed as one more entry, and submits the form around it as well',
                cause: 'the key is not kept from the browser',
              }
            : {
                says: 'one of its buttons submits the form around it',
                cause: 'the button has no type="button"',
              }),
          expected: 'the form is not submitted',
          found: 'the form is submitted',
        }
      }
    return undefined
  },
})

/** Buttons that are there, or can be pressed, only once something was done. */
function laterButtons({ ways, controls }: Subject): Way[] {
  const isLater = ({ control, moves }: Way) =>
    moves.length > 1 && isPress(moves.slice(-1)) && !controls.some((one) => equal(one, control))
  return oneAtEach(ways.filter(isLater)).slice(0, MOST_LATER)
}

const MOST_LATER = 4

/** Where Enter adds a text to a list that leaving the field does not: it is a key of the component's own there. */
function takenByEnter({ ways, values }: Subject): Way[] {
  const ends = (way: Way, done: string) => {
    const last = way.moves.at(-1)
    return way.moves.length === 2 && isGesture(last) && last.gesture.do === done
  }
  const isList = ({ changes }: Way) => values.some(({ name, empty }) => changes.has(name) && Array.isArray(empty))
  const entered = ways.filter((way) => way.text !== undefined && way.text !== '' && isList(way) && ends(way, 'enter'))
  const isLeftAlike = ({ control, text }: Way) =>
    ways.some((way) => equal(way.control, control) && way.text === text && way.changes.size > 0 && ends(way, 'leave'))
  return oneAtEach(entered.filter((way) => !isLeftAlike(way)))
}
