import { equal } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import { isPlainField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { fieldText } from './field-text.js'

const MOST_FIELDS = 2
const MOST_BUTTONS = 3

/** A text is entered, and then a button beside its field is pressed, such as one that shows what is covered. */
export function* pressedBeside(subject: Subject): Iterable<Trail> {
  for (const way of textWays(subject))
    for (const on of subject.controls.filter(({ kind }) => kind === 'button').slice(0, MOST_BUTTONS))
      yield { given: way.given, moves: [...way.moves, gesture({ do: 'press', on })] }
}

/** The field that showed what is held is empty, and it is held on: nobody has heard anything. */
export async function emptiedByPress(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const press = trail.moves.at(-1)
  const [before, row] = rows.slice(-2)
  if (!isDone(press, 'press') || press.gesture.on.kind !== 'button' || rows.length !== trail.moves.length + 1)
    return undefined
  const way = textWays(subject).find(({ moves }) => equal(moves, trail.moves.slice(0, -1)))
  if (way === undefined || row === undefined || before === undefined || row.heard.length > 0) return undefined
  const [[name = ''] = []] = way.plainly
  if (String(row.read[name]) !== way.text || !equal(row.read[name], before.read[name])) return undefined
  const at = fieldText(way.control)
  const shown = await subject.lookAfter(trail.given, way.moves, at)
  const left = shown === way.text ? await subject.lookAfter(trail.given, trail.moves, at) : undefined
  if (left !== '') return undefined
  return {
    row: trail.moves.length,
    says: `a press of “${press.gesture.on.label}” empties the field of ${name}, which goes on being held`,
    expected: `“${way.text}” in the field`,
    found: 'an empty field, and nothing is heard',
  }
}

function textWays({ ways }: Subject): Way[] {
  const typed = ways.filter(
    ({ control, text, plainly }) => isPlainField(control) && plainly.size === 1 && text !== undefined && text !== '',
  )
  return oneAtEach(typed).slice(0, MOST_FIELDS)
}
