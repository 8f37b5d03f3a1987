import { equal, printed } from '../../contract/index.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isDone, isTell, tell, type Trail } from '../stage/trail.js'
import { isField, type Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { heardText, pictureDifference, takesTheGiven } from './laws.js'

const leave = gesture({ do: 'leave' })

/** Somebody is in a field and has typed nothing: it is told what it shows, and left. */
export function* toldInside({ controls, values, tellable, plain, middle }: Subject): Iterable<Trail> {
  const on = controls.find(isField)
  const [value, ...others] = values
  // Of several, the field may be there for another.
  if (on === undefined || value === undefined || others.length > 0) return
  for (const other of plain(value.name)
    .filter((one) => !equal(one, middle[value.name]))
    .slice(0, 2))
    if (tellable.some(({ name }) => name === value.name))
      yield { given: middle, moves: [gesture({ do: 'caret', on, at: 0 }), tell({ [value.name]: other }), leave] }
}

/** Left, it looks as it does where it was told before anybody came. */
export async function keptTheOld(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [caret, told, end] = trail.moves
  const row = rows[3]
  if (!isDone(caret, 'caret') || told === undefined || !isTell(told) || !isDone(end, 'leave') || row === undefined)
    return undefined
  if (rows.some(({ fault, impossible }) => fault !== undefined || impossible !== undefined)) return undefined
  const before = await subject.play({ given: { ...trail.given, ...told.tell }, moves: [caret, leave] })
  const like = before.rows[2]
  if (like === undefined || before.rows.some(isHeard) || !takesTheGiven(subject, before.rows[0])) return undefined
  if (rows.slice(0, 3).some(isHeard)) return undefined
  if (isHeard(row))
    return {
      row: 3,
      says: 'what is told while somebody is in the field is undone when they leave it, although they typed nothing',
      expected: 'no report',
      found: heardText(row),
    }
  const [name, value] = Object.entries(told.tell)[0] ?? ['', undefined]
  if (equal(like.read[name], value) && equal(row.read[name], rows[0].read[name]) && !equal(row.read[name], value))
    return {
      row: 3,
      says: `${name} that is told while somebody is in the field is not taken, not even once they have left it`,
      expected: `${name} ${printed(value)}`,
      found: `${name} ${printed(row.read[name])}`,
      cause: 'a field that has the focus is left alone, and nothing is made up for later',
    }
  if (!equal(row.read, like.read) || samePicture(row.picture, like.picture)) return undefined
  return {
    row: 3,
    says: 'what is told while somebody is in the field is not shown, not even once they have left it',
    ...pictureDifference(like.picture, row.picture),
    cause: 'a field that has the focus is left alone, and nothing is made up for later',
  }
}

function isHeard({ heard }: Row): boolean {
  return heard.length > 0
}
