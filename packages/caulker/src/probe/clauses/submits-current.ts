import { printed } from '../../contract/index.js'
import { clause } from './clause.js'
import { isDone } from '../stage/trail.js'
import { formValueOf, isSentAs } from './carries-form-value.js'

/** Enter submits what was typed, not what stood before. */
export const submitsCurrent = clause({
  id: 'submits-current',
  group: 'reset and submit',
  promise: 'When a person types and presses Enter, the form is sent with what was typed.',
  why: 'A field that takes its text when it is left is still at the old one when Enter submits.',
  tried:
    'It is mounted in a form; a text is typed and Enter is pressed; what is sent is compared with what it holds then.',
  unprovenWhen: 'Enter in it submits no form, or nothing of it is sent.',
  random: 'none',
  onTrial: 'gesture',
  needsElement: true,
  needsForms: true,
  concerns: ({ form }) => form !== undefined,
  *trails(subject) {
    for (const way of subject.ways)
      if (way.moves.some((move) => isDone(move, 'enter'))) yield { given: way.given, moves: way.moves, setting: 'form' }
  },
  proves: (_subject, { rows }) => rows.some(({ around }) => around.submits.some((sent) => sent.length > 0)),
  judge(subject, { rows }) {
    for (const [at, row] of rows.entries())
      for (const sent of row.around.submits) {
        const value = formValueOf(subject, row)
        if (value !== undefined && sent.length > 0 && !sent.some((one) => isSentAs(value, one)))
          return {
            row: at,
            says: 'Enter sends the older text',
            expected: `sends ${printed(value)}`,
            found: `sends ${sent.map((one) => printed(one)).join(', ')}`,
          }
      }
    return undefined
  },
})
