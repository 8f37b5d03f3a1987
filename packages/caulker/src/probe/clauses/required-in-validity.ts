import { clause } from './clause.js'
import { isFormAssociated } from './carries-form-value.js'

/** A form does not pass while it is obliged and empty. */
export const requiredInValidity = clause({
  id: 'required-in-validity',
  group: 'reset and submit',
  promise: 'While it must be filled in and is empty its form is not valid, and once it is filled the form is.',
  why: 'A form that passes with an empty field sends an order without a name; one that never passes keeps a person for good.',
  tried: 'It is mounted in a form, obliged, once empty and once with an ordinary value.',
  unprovenWhen: 'It is not associated with forms.',
  random: 'none',
  onTrial: 'mount',
  needsElement: true,
  needsForms: true,
  concerns: ({ form }) => form?.requiredBy !== undefined,
  *trails(subject) {
    const { value = '', requiredBy = '' } = subject.contract.form ?? {}
    const clauseOf = subject.values.find(({ name }) => name === value)
    if (!isFormAssociated(subject) || clauseOf?.empty === undefined) return
    yield { given: { ...subject.base, [requiredBy]: true, [value]: clauseOf.empty }, moves: [], setting: 'form' }
    for (const one of subject.plain(value).slice(0, 1))
      yield { given: { ...subject.base, [requiredBy]: true, [value]: one }, moves: [], setting: 'form' }
  },
  judge(subject, { rows, trail }) {
    const { value = '' } = subject.contract.form ?? {}
    const isEmpty = trail.given[value] === subject.values.find(({ name }) => name === value)?.empty
    if (rows[0].around.isValid === !isEmpty) return undefined
    return {
      row: 0,
      says: isEmpty
        ? 'its form passes although it must be filled in and is empty'
        : 'its form does not pass although it is filled in',
      expected: isEmpty ? 'the form is not valid' : 'the form is valid',
      found: isEmpty ? 'the form is valid' : 'the form is not valid',
    }
  },
})
