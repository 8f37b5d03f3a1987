import { equal, printed } from '../../contract/index.js'
import { clause } from './clause.js'
import { isGesture } from '../stage/trail.js'

/** In a disabled fieldset it is disabled. */
export const followsFieldset = clause({
  id: 'follows-fieldset',
  group: 'reset and submit',
  promise: 'In a disabled fieldset a person changes nothing, and it is not sent.',
  why: 'A page disables a part of a form at once; one field that goes on working sends what should not be there.',
  tried: 'It is mounted in a fieldset that is then disabled; everything that a person can do is tried.',
  unprovenWhen: 'It is not associated with forms.',
  random: 'none',
  onTrial: 'gesture',
  refusalHolds: true,
  needsElement: true,
  needsForms: true,
  concerns: ({ form }) => form !== undefined,
  *trails(subject) {
    if (subject.carrier !== undefined)
      for (const way of subject.chiefWays)
        yield { given: way.given, moves: [{ form: 'disable' }, ...way.moves], setting: 'form' }
  },
  judge(subject, { rows }) {
    const disabled = rows.findIndex(({ move }) => move !== undefined && 'form' in move && move.form === 'disable')
    for (const [at, row] of rows.entries()) {
      if (disabled < 0 || at < disabled) continue
      if (row.around.formValues.length > 0)
        return {
          row: at,
          says: 'it is sent although its fieldset is disabled',
          expected: 'sends nothing',
          found: `sends ${row.around.formValues.map((one) => printed(one)).join(', ')}`,
        }
      const changed = isGesture(row.move)
        ? subject.values.find(({ name }) => !equal(row.read[name], rows[at - 1]?.read[name]))
        : undefined
      if (changed !== undefined)
        return {
          row: at,
          says: 'a person changes it although its fieldset is disabled',
          expected: 'nothing changes',
          found: `${changed.name} ${printed(row.read[changed.name])}`,
        }
    }
    return undefined
  },
})
