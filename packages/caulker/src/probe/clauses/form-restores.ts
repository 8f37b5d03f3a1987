import { equal, printed } from '../../contract/index.js'
import { clause } from './clause.js'
import { pictureDifference } from './laws.js'
import { samePicture } from '../sight/picture.js'
import { tell } from '../stage/trail.js'

/** What the browser brings back is taken. */
export const formRestores = clause({
  id: 'form-restores',
  group: 'reset and submit',
  promise: 'When the browser restores its form, it holds and shows again what it had when it gave its form its state.',
  why: 'A person goes back a page to mend one field, and finds the others empty, or shown and not held.',
  tried:
    'It is given a value in a form, and told another; then it is restored with the state that it gave its form for the first. Whether it reports that is left to it.',
  unprovenWhen:
    'It has no formStateRestoreCallback: then the browser brings nothing back by itself, or only the native controls inside it.',
  random: 'none',
  onTrial: 'page',
  needsElement: true,
  needsForms: true,
  concerns: ({ form }) => form !== undefined,
  *trails(subject) {
    const name = subject.contract.form?.value ?? ''
    const plain = subject.carrier === 'element' ? subject.plain(name) : []
    for (const [at, value] of plain.entries())
      yield {
        given: { ...subject.middle, [name]: value },
        moves: [tell({ [name]: plain[(at + 1) % plain.length] }), { form: 'restore' }],
        setting: 'form',
      }
  },
  proves: (_subject, { rows }) => rows.length > 2 && !samePicture(rows[0].picture, rows[1]?.picture ?? rows[0].picture),
  judge(subject, { rows }) {
    const name = subject.contract.form?.value ?? ''
    const [first] = rows
    const at = rows.findIndex(({ move }) => move !== undefined && 'form' in move && move.form === 'restore')
    const row = rows[at]
    if (row === undefined) return undefined
    if (!equal(row.read[name], first.read[name]))
      return {
        row: at,
        says: `it does not take back the ${name} that its form restores`,
        expected: `${name} ${printed(first.read[name])}`,
        found: `${name} ${printed(row.read[name])}`,
      }
    return samePicture(row.picture, first.picture)
      ? undefined
      : { row: at, says: 'it does not show what its form restores', ...pictureDifference(first.picture, row.picture) }
  },
})
