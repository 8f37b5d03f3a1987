import { equal } from '../../contract/index.js'
import { clause } from './clause.js'
import { isTell, tell } from '../stage/trail.js'
import { notCarried } from '../subject/forms.js'

/** A form does not pass while it is obliged and empty. */
export const requiredInValidity = clause({
  id: 'required-in-validity',
  group: 'reset and submit',
  promise: 'While it must be filled in and is empty its form is not valid, and once it is filled the form is.',
  why: 'A form that passes with an empty field sends an order without a name; one that never passes keeps a person for good.',
  tried: 'It is mounted in a form, obliged, once empty and once with an ordinary value.',
  unprovenWhen: 'No empty or no ordinary value of it can be made.',
  openBecause: notCarried,
  random: 'none',
  onTrial: 'mount',
  needsElement: true,
  needsForms: true,
  concerns: ({ form }) => form?.requiredBy !== undefined,
  *trails(subject) {
    const { value = '', requiredBy = '' } = subject.contract.form ?? {}
    const clauseOf = subject.values.find(({ name }) => name === value)
    if (subject.carrier === undefined || clauseOf?.empty === undefined) return
    yield { given: { ...subject.base, [requiredBy]: true, [value]: clauseOf.empty }, moves: [], setting: 'form' }
    for (const one of subject.plain(value).slice(0, 1))
      yield { given: { ...subject.base, [requiredBy]: true, [value]: one }, moves: [], setting: 'form' }
    // What obliges the person may change its mind later.
    yield {
      given: { ...subject.base, [requiredBy]: false, [value]: clauseOf.empty },
      moves: [tell({ [requiredBy]: true }), tell({ [requiredBy]: false })],
      setting: 'form',
    }
  },
  judge(subject, { rows, trail }) {
    const { value = '', requiredBy = '' } = subject.contract.form ?? {}
    const empty = subject.values.find(({ name }) => name === value)?.empty
    for (const [at, row] of rows.entries()) {
      if (at > 0 && !isTell(row.move)) continue
      const held = at === 0 ? trail.given : row.held
      const isEmpty = equal(held[value], empty)
      const isMissing = held[requiredBy] === true && isEmpty
      if (row.around.isValid === !isMissing) continue
      return {
        row: at,
        says: isMissing
          ? 'its form passes although it must be filled in and is empty'
          : isEmpty
            ? 'its form does not pass although it need not be filled in'
            : 'its form does not pass although it is filled in',
        expected: isMissing ? 'the form is not valid' : 'the form is valid',
        found: isMissing ? 'the form is valid' : 'the form is not valid',
      }
    }
    return undefined
  },
})
