import { outsideText, printed, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { Played } from '../stage/played.js'
import { settlesEdits, type Trail } from '../stage/trail.js'
import { knowsForms } from '../subject/forms.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { isMarkedInvalid } from './laws.js'
import { enteredText, retyped, waysAtBounds } from './ways-at-bounds.js'

/** Whether what is entered outside is taken, and marked. */
export function isMarked({ outside }: ValueClause): boolean {
  return outside === 'mark'
}

/** A person enters what is outside, and what is the bound itself; in a form, whose validity says it, too. */
export function* markedOutside(subject: Subject, value: ValueClause, given: Given): Iterable<Trail> {
  const typed = [...waysAtBounds(subject, value, given)].filter(({ moves }) =>
    moves.some((move) => enteredText(move) !== undefined),
  )
  for (const { given: at, moves } of typed) yield { given: at, moves, setting: 'form' }
  const { least, most } = subject.limits(value, given)
  const [first] = typed
  for (const end of first === undefined ? [] : [least, most])
    if (typeof end === 'number' && first !== undefined)
      yield { given, moves: first.moves.map((move) => retyped(move, String(end))), setting: 'form' }
}

/** Not taken, not marked, or marked although it is inside. */
export function wronglyMarked(subject: Subject, { trail: { moves, setting }, rows }: Played): LeakAt | undefined {
  const at = rows.length - 1
  const row = rows[at]
  const text = moves.map(enteredText).find((one) => one !== undefined)
  const value = subject.values.find(isMarked)
  if (setting !== 'form' || row === undefined || value === undefined || text === undefined) return undefined
  if (at < moves.length || !settlesEdits(row.move)) return undefined
  const number = Number(text)
  const outside = outsideText(Number.isNaN(number) ? text : number, subject.limits(value, row.held))
  const isTaken = String(row.read[value.name]) === text
  if (outside === undefined)
    return isTaken && isMarkedInvalid(row) && !isMarkedInvalid(rows[0])
      ? {
          row: at,
          says: `${text} is entered, which is inside the bounds of ${value.name}, and it is marked`,
          expected: 'neither the field nor its form is invalid',
          found: row.around.isValid === false ? 'the form is invalid' : 'the field is invalid',
          cause: 'the bound itself is taken for outside',
        }
      : undefined
  if (!isTaken)
    return {
      row: at,
      says: `${value.name} outside is not taken`,
      expected: `${value.name} ${text}, marked invalid`,
      found: `${value.name} ${printed(row.read[value.name])}`,
    }
  if (!isMarkedInvalid(row))
    return {
      row: at,
      says: `${value.name} is outside, and nothing marks it: ${outside}`,
      expected: 'the field or its form is invalid',
      found: 'both are valid',
    }
  // A form that passes sends it, whatever stands beside the field.
  return subject.contract.form?.value === value.name &&
    subject.carrier === 'element' &&
    knowsForms(subject) &&
    row.around.isValid === true
    ? {
        row: at,
        says: `${value.name} is outside and marked, and its form passes: ${outside}`,
        expected: 'the form is invalid',
        found: 'the form is valid',
      }
    : undefined
}
