import { equal } from '../../contract/index.js'
import type { ControlRef } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, isGesture, type Move, type Trail } from '../stage/trail.js'
import { isOnlySearched, waitsForAnother } from '../subject/kept-back.js'
import { isField, type Subject, type Way } from '../subject/subject.js'
import { writtenIn } from '../subject/typed-texts.js'
import type { LeakAt } from './clause.js'
import { fieldText } from './field-text.js'
import { outsideOf } from './ways-at-bounds.js'
import { isMarkedInvalid } from './laws.js'

/** In how many fields it is tried. */
const MOST_FIELDS = 6

/** A field that shows a part of what is held, and after an edit another text, while all is held as before. */
export async function deadField(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [first, , last] = rows
  const [typed, end] = trail.moves
  if (last === undefined || !isGesture(typed) || !isGesture(end) || trail.moves.length !== 2) return undefined
  if (typed.gesture.do !== 'type' || end.gesture.do !== 'leave' || typed.gesture.text === '') return undefined
  const { on, text } = typed.gesture
  const isStill = subject.values.every(({ name }) => equal(first.read[name], last.read[name]))
  if (!isStill || rows.some(({ heard }) => heard.length > 0) || isMarkedInvalid(last)) return undefined
  // A text that is a part of such values says that the field is there for them.
  const isKnown = subject.values.some(({ name }) => subject.plain(name).flatMap(writtenIn).map(String).includes(text))
  if (!isKnown && !turnedDown(subject).includes(text)) return undefined
  if ((await waitsForAnother(subject, on)) && !isOnlySearched(subject, on)) return undefined
  const shownAt = (moves: readonly Move[]) => subject.lookAfter(trail.given, moves, fieldText(on))
  const [before, after] = [await shownAt([]), await shownAt(trail.moves)]
  if (before === undefined || after !== text || before === text) return undefined
  const parts = subject.values.flatMap(({ name }) => writtenIn(first.read[name])).map(String)
  // A part that stands nowhere else in it says whose field it is, and so does a text that goes with what is told.
  const isPart = parts.filter((part) => part === before).length === 1
  if (!isPart && !(await goesWithTheValue(subject, trail, on, before))) return undefined
  return {
    row: 2,
    says: 'what is entered is shown, and neither held nor reported',
    expected: `a report with ${text}, or the field with ${before}`,
    found: `the field shows ${text}, and nothing is heard`,
    cause: 'nobody hears the edit of this field',
  }
}

/** No number, no day, and no entry of any list. */
const UNREADABLE = 'oakum ?!'

/** Texts that may be turned down: one that says nothing, and values outside its bounds. */
function turnedDown(subject: Subject): string[] {
  const outside = subject.values.flatMap((value) => outsideOf(subject.limits(value, subject.middle)).slice(0, 2))
  return [UNREADABLE, ...outside.map(String)]
}

/** Such a text in the only field: it is taken, turned down, or marked, and never left to look as if it were held. */
export function* leftStanding(subject: Subject): Iterable<Trail> {
  const [on, ...others] = subject.controls.filter(isField)
  if (on === undefined || others.length > 0) return
  // What stands there may be an ordinary value as well: of those, two.
  const known = subject.values.flatMap(({ name }) => subject.plain(name).flatMap(writtenIn)).map(String)
  for (const text of [...turnedDown(subject), ...[...new Set(known)].slice(0, 3)])
    yield { given: subject.middle, moves: [gesture({ do: 'type', on, text }), gesture({ do: 'leave' })] }
}

/** A field that is there only for other values, and takes nothing; of several one may wait for another, unless that waits for none. */
export function* fieldElsewhere({ ways, middle }: Subject): Iterable<Trail> {
  const typed = ways.filter(
    ({ given, control, text, moves: [first] }) =>
      isField(control) && text && isDone(first, 'type') && !equal(given, middle),
  )
  const isTheOnlyOne = ({ given, control }: Way) =>
    typed.every((other) => !equal(other.given, given) || equal(other.control, control))
  const takesAlone = ({ given, control }: Way) =>
    typed.some((other) => equal(other.given, given) && !equal(other.control, control) && other.changes.size > 0)
  const dead = typed.filter(
    (way) =>
      way.changes.size === 0 &&
      way.moves.length === 2 &&
      isDone(way.moves[1], 'leave') &&
      (isTheOnlyOne(way) || takesAlone(way)),
  )
  for (const { given, moves } of dead.slice(0, MOST_FIELDS)) yield { given, moves }
}

/** A text of its values, typed into each of several fields. */
export function* eachField({ controls, middle, values, plain }: Subject): Iterable<Trail> {
  const fields = controls.filter(isField)
  if (fields.length < 2) return
  const texts = values.flatMap(({ name }) => plain(name).flatMap(writtenIn)).map(String)
  for (const on of fields.slice(0, MOST_FIELDS))
    for (const text of [...new Set(texts)].slice(0, 4).concat(UNREADABLE))
      yield { given: middle, moves: [gesture({ do: 'type', on, text }), gesture({ do: 'leave' })] }
}

/** Whether a field shows another text for another value, on a fresh mount. */
async function goesWithTheValue(subject: Subject, { given }: Trail, on: ControlRef, before: string): Promise<boolean> {
  for (const { name } of subject.values)
    for (const value of subject.plain(name)) {
      const shown = await subject.look({ ...given, [name]: value }, fieldText(on))
      if (shown !== undefined && shown !== before) return true
    }
  return false
}
