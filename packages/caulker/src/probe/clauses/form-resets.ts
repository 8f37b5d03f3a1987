import type { Row } from '../stage/played.js'
import { equal, printed } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { pictureText, samePicture } from '../sight/picture.js'
import { isGesture, isTell, tell, type Trail } from '../stage/trail.js'
import { enteredOutside, isTakenOutside } from './kept-outside.js'
import { fromDefaultToo } from '../subject/other-mounts.js'
import { notCarried } from '../subject/forms.js'
import type { Given } from '../../mount/index.js'
import type { Subject } from '../subject/subject.js'

const MOST_WAYS = 6

/** A reset of its form resets it. */
export const formResets = clause({
  id: 'form-resets',
  group: 'reset and submit',
  promise: 'When its form is reset, its value goes back to what it started with or to its default.',
  why: 'Every field of the form is empty again but this one; what is sent next belongs to the person before.',
  tried: 'It is mounted in a form and operated; then the form is reset.',
  unprovenWhen: 'Nothing that a person can do changes its form value.',
  openBecause: notCarried,
  random: 'none',
  onTrial: 'page',
  needsElement: true,
  needsForms: true,
  concerns: ({ form }) => form !== undefined,
  *trails(subject) {
    const changing = subject.ways.filter(({ changes }) => changes.has(subject.contract.form?.value ?? ''))
    // One edit may end at the default, where a reset that is not heard makes no difference: others do not.
    for (const way of changing.slice(0, MOST_WAYS))
      for (const given of startsOf(subject, way.given))
        yield { given, moves: [...way.moves, { form: 'reset' }], setting: 'form' }
    for (const value of subject.values.filter(isTakenOutside))
      for (const { given, moves } of enteredOutside(subject, value))
        yield { given, moves: [...moves, { form: 'reset' }], setting: 'form' }
    // What its owner has told is not the person's; but what is shown of it is what it holds.
    const name = subject.contract.form?.value ?? ''
    for (const told of subject.plain(name).slice(0, 2))
      yield { given: subject.base, moves: [tell({ [name]: told }), { form: 'reset' }], setting: 'form' }
  },
  proves: (subject, { rows, trail }) =>
    subject.carrier !== undefined &&
    trail.moves.some(isGesture) &&
    rows.some((row) => !equal(formValueAt(subject, row), formValueAt(subject, rows[0]))),
  async judge(subject, { trail, rows }) {
    const at = rows.length - 1
    const name = subject.contract.form?.value ?? ''
    const [row, before] = [rows[at], rows[at - 1]]
    if (isTell(before?.move) && row !== undefined) return shownOtherwise(subject, trail, rows)
    if (
      row === undefined ||
      before === undefined ||
      subject.carrier === undefined ||
      equal(before.read[name], rows[0].read[name])
    )
      return undefined
    const value = subject.values.find((one) => one.name === name)
    const allowed = [trail.given[name], rows[0].read[name], ...(value?.resetTo === 'initial' ? [] : [value?.default])]
    if (allowed.some((one) => equal(one, row.read[name]))) return stillInvalid(subject, trail, rows)
    return {
      row: at,
      says: 'a reset of its form does not reset it',
      expected: `${name} ${printed(rows[0].read[name])}`,
      found: `${name} ${printed(row.read[name])}`,
    }
  },
})

/** It holds what it is to hold, and its form says otherwise than that of a fresh one that holds the same. */
async function stillInvalid(subject: Subject, trail: Trail, rows: readonly Row[]): Promise<LeakAt | undefined> {
  const at = rows.length - 1
  const name = subject.contract.form?.value ?? ''
  const row = rows[at] as Row
  const given = { ...row.held, [name]: row.read[name] }
  const fresh = (await subject.play({ ...trail, given, moves: [] })).rows[0]
  if (fresh.fault !== undefined || fresh.around.isValid !== true || row.around.isValid !== false) return undefined
  return {
    row: at,
    says: 'after a reset of its form the form does not pass, and that of a fresh one does',
    expected: 'the form is valid',
    found: 'the form is not valid',
    cause: 'the value is reset, and what was wrong with it is not',
  }
}

/** A reset that reaches what is shown and not what is held, or the other way round, lets the two drift apart. */
async function shownOtherwise(subject: Subject, trail: Trail, rows: readonly Row[]): Promise<LeakAt | undefined> {
  const [first, before, row] = rows as [Row, Row, Row]
  const name = subject.contract.form?.value ?? ''
  if (row.move === undefined || !('form' in row.move)) return undefined
  const held = row.read[name]
  const stays = equal(held, before.read[name])
  const fresh = stays
    ? before
    : (await subject.play({ ...trail, given: { ...trail.given, [name]: held }, moves: [] })).rows[0]
  // Where it looks the same with anything in it, nothing can be said.
  if (samePicture(row.picture, fresh.picture) || (stays && samePicture(before.picture, first.picture))) return undefined
  return {
    row: 2,
    says: `after a reset of its form it shows something else than the ${name} that it holds`,
    expected: `shown ${pictureText(fresh.picture)}`,
    found: `${name} ${printed(held)}, and shown ${pictureText(row.picture)}`,
  }
}

/** What goes back to what it was given is given something else than its default, too. */
function startsOf(subject: Subject, given: Given): Given[] {
  const name = subject.contract.form?.value ?? ''
  const isGiven = subject.values.find((one) => one.name === name)?.resetTo === 'initial'
  const others = isGiven ? subject.plain(name).slice(0, 2) : []
  return [...fromDefaultToo(subject, name, given), ...others.map((other) => ({ ...given, [name]: other }))]
}

function formValueAt({ contract }: Subject, { read }: Row): unknown {
  return read[contract.form?.value ?? '']
}
