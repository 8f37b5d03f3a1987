import { equal, printed, type ValueClause } from '../../contract/index.js'
import type { ControlRef } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import { isPlainField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { fieldText } from './field-text.js'

interface Shown {
  readonly control: ControlRef
  readonly value: ValueClause
  readonly is: unknown
  readonly text: string
}

/** What a field shows of each value while somebody is in it, where that is written otherwise than the value itself, or is a fraction. */
async function shownIn(subject: Subject): Promise<Shown[]> {
  const found: Shown[] = []
  for (const { control, plainly } of oneAtEach(subject.ways.filter(isTypedInText)))
    for (const value of subject.values.filter(({ name }) => plainly.has(name)))
      for (const is of subject.plain(value.name)) {
        const given = { ...subject.middle, [value.name]: is }
        const text = await textAt(subject, { given, moves: [gesture({ do: 'caret', on: control, at: 0 })] }, control)
        // A fraction may be cut where it is typed, and not where it is told.
        const isOther =
          typeof is === 'number' && text !== undefined && text !== '' && (text !== String(is) || !Number.isInteger(is))
        const canStand = equal(subject.ideally(value.name, given), is)
        if (isOther && canStand && !equal(is, subject.middle[value.name])) found.push({ control, value, is, text })
      }
  return found
}

/** Each of these, typed over the value that usually stands there. */
export async function* typedAsShown(subject: Subject): AsyncIterable<Trail> {
  for (const { control, text } of await shownIn(subject))
    yield { given: subject.middle, moves: [gesture({ do: 'type', on: control, text }), gesture({ do: 'leave' })] }
}

/** Typed again, it comes to another value, which is shown otherwise. */
export async function otherThanShown(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [typed, end] = trail.moves
  const row = rows[2]
  if (!isDone(typed, 'type') || !isDone(end, 'leave')) return undefined
  const { on, text } = typed.gesture
  if (row === undefined || trail.moves.length !== 2 || !isPlainField(on)) return undefined
  const shown = (await shownIn(subject)).find((one) => equal(one.control, on) && one.text === text)
  if (shown === undefined || equal(row.read[shown.value.name], shown.is)) return undefined
  // What is rounded off is shown alike.
  if ((await textAt(subject, trail, on)) === text) return undefined
  return {
    row: 2,
    says: `what the field shows of ${shown.value.name} ${printed(shown.is)} comes to something else when it is typed`,
    expected: `${shown.value.name} ${printed(shown.is)}`,
    found: `${shown.value.name} ${printed(row.read[shown.value.name])}`,
    cause: 'it is written in one form and read in another',
  }
}

function isTypedInText({ control, plainly, moves: [first] }: Way): boolean {
  return isPlainField(control) && plainly.size > 0 && isDone(first, 'type')
}

function textAt(subject: Subject, trail: Trail, on: ControlRef): Promise<string | undefined> {
  return subject.lookAt(trail, fieldText(on))
}
