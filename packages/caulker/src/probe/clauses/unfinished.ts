import { equal, printed } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import type { ControlRef } from '../person/controls.js'
import { gesture, isDone, isGesture, type Trail } from '../stage/trail.js'
import { isField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { fieldText } from './field-text.js'
import { isMarkedInvalid } from './laws.js'

/** A text that is typed and not left, and then a key in the same field that changes the value. */
export function* thenAKey(subject: Subject): Iterable<Trail> {
  for (const { given, control, moves } of oneAtEach(subject.ways.filter(isStepByKey))) {
    const typed = subject.ways.find((way) => equal(way.control, control) && way.plainly.size > 0)
    const [key] = moves
    if (typed?.text === undefined || key === undefined) continue
    yield { given, moves: [gesture({ do: 'type', on: control, text: typed.text }), key, leave] }
  }
}

const leave = gesture({ do: 'leave' })

function isStepByKey({ control, changes, moves: [first] }: Way): boolean {
  return isField(control) && changes.size > 0 && isDone(first, 'key')
}

/** What is typed counts for the key as if the field had been left before it. */
export async function typedNotCounted(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [typed, key, end] = trail.moves
  const row = rows[3]
  if (!isDone(typed, 'type') || !isDone(key, 'key') || end === undefined || row === undefined) return undefined
  const settled = (await subject.play({ ...trail, moves: [typed, leave, key, end] })).rows[4]
  const untyped = (await subject.play({ ...trail, moves: [key, end] })).rows[2]
  if (settled === undefined || (settled.fault ?? settled.impossible ?? untyped?.fault) !== undefined) return undefined
  const unlike = subject.values.find(
    ({ name }) =>
      !equal(row.read[name], settled.read[name]) &&
      // Only where the key goes on from what stood before, as if nothing had been typed.
      equal(row.read[name], untyped?.read[name]),
  )
  return (
    unlike && {
      row: 2,
      says: `a key goes on from the old ${unlike.name}, and what was typed is lost`,
      expected: `${unlike.name} ${printed(settled.read[unlike.name])}`,
      found: `${unlike.name} ${printed(row.read[unlike.name])}`,
      cause: 'the key does not look at what stands in the field',
    }
  )
}

/** The field whose text is taken as the value, or as a part of it, emptied and left. */
export function* leftEmpty(subject: Subject): Iterable<Trail> {
  const { ways, controls } = subject
  const isAll = controls.filter(isField).length === 1 || isMadeUp(subject)
  for (const { given, moves, text, control } of ways)
    if (text === '' && isField(control) && isDone(moves[0], 'type') && (isAll || isOfMember(subject, control)))
      yield { given, moves }
}

/** Whether what is typed there becomes a member of the one value, just as it is. */
function isOfMember({ values, ways }: Subject, on: ControlRef): boolean {
  return values.length === 1 && ways.some((way) => equal(way.control, on) && isTaken(way) && way.partly.size > 0)
}

/** Whether one value that may be nothing is all that its fields are for. */
function isMadeUp({ values, controls, ways }: Subject): boolean {
  const [value, ...others] = values
  const fields = controls.filter(isField)
  const isFor = (on: ControlRef) => ways.some((way) => equal(way.control, on) && isTaken(way))
  return others.length === 0 && value?.empty === null && fields.length > 1 && fields.every(isFor)
}

/** Whatever waits for a button is nothing before it is pressed. */
function isTaken({ moves, changes, text }: Way): boolean {
  return isDone(moves[0], 'type') && isDone(moves[1], 'leave') && text !== '' && changes.size > 0
}

/** It stands there empty, and the value is still held. */
export async function emptyAndHeld(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [typed, end] = trail.moves
  const [first, , row] = rows
  if (!isDone(typed, 'type') || typed.gesture.text !== '' || !isGesture(end) || row === undefined) return undefined
  if (trail.moves.length !== 2 || end.gesture.do !== 'leave' || isMarkedInvalid(row)) return undefined
  const value =
    isMadeUp(subject) || isOfMember(subject, typed.gesture.on)
      ? subject.values[0]
      : subject.values.find(({ name }) =>
          subject.ways.some((way) => equal(way.control, typed.gesture.on) && way.plainly.has(name)),
        )
  if (value === undefined || rows.some(({ heard }) => heard.length > 0)) return undefined
  const held = row.read[value.name] ?? row.held[value.name]
  if (held === undefined || equal(held, value.empty) || !equal(held, first.read[value.name] ?? held)) return undefined
  const [before, after] = [
    await subject.lookAfter(trail.given, [], fieldText(typed.gesture.on)),
    await subject.lookAfter(trail.given, trail.moves, fieldText(typed.gesture.on)),
  ]
  if (before === undefined || before === '' || after !== '') return undefined
  return {
    row: 2,
    says: `the field is empty, and ${value.name} is still held`,
    expected: `a report, or the field with ${before}`,
    found: `nothing is heard, and ${value.name} is ${printed(held)}`,
    cause: 'an emptied field is taken for one that was not edited',
  }
}
