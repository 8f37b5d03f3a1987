import { clause } from './clause.js'
import { gesture, isGesture } from '../stage/trail.js'

/** Kinds of controls that may be buttons underneath. */
const PRESSED: readonly string[] = ['button', 'switch', 'combo box']

/** None of its buttons submits the form around it. */
export const noAccidentalSubmit = clause({
  id: 'no-accidental-submit',
  group: 'reset and submit',
  promise: 'None of its own buttons submits the form around it.',
  why: 'A button without a type submits: whoever only wants one bale more sends the whole order.',
  tried: 'It is mounted in a form, and each of its buttons is pressed.',
  unprovenWhen: 'It has no button.',
  random: 'none',
  onTrial: 'gesture',
  needsElement: true,
  concerns: ({ values }) => Object.keys(values).length > 0,
  *trails(subject) {
    for (const on of subject.controls)
      if (PRESSED.includes(on.kind))
        yield { given: subject.middle, moves: [gesture({ do: 'press', on })], setting: 'form' }
  },
  judge(_subject, { rows }) {
    for (const [at, row] of rows.entries())
      if (isGesture(row.move) && row.around.submits.length > 0)
        return {
          row: at,
          says: 'one of its buttons submits the form around it',
          expected: 'the form is not submitted',
          found: 'the form is submitted',
          cause: 'the button has no type="button"',
        }
    return undefined
  },
})
