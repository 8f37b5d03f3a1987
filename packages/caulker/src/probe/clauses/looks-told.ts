import { equal, printed } from '../../contract/index.js'
import { findControl, type ControlKind, type ControlRef } from '../person/controls.js'
import { isPlaced, refText } from '../person/gestures.js'
import { foundControls } from '../person/operate.js'
import { samePicture } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, isGesture, operatedIn, type Trail } from '../stage/trail.js'
import { furnished } from '../subject/other-mounts.js'
import { isKeptBack, waitsForAnother } from '../subject/kept-back.js'
import { isPlainField, type Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { textInside } from './field-text.js'
import { isMarkedInvalid } from './laws.js'
import { movesOnlyACursor } from './only-a-cursor.js'

const KINDS: readonly ControlKind[] = ['radio button', 'checkbox', 'switch', 'select']
const MOST_CONTROLS = 8

/** Each choice is clicked once, whatever came of it when it was looked for what can be done. */
export async function* eachChoice(subject: Subject): AsyncIterable<Trail> {
  for (const given of [subject.middle, ...furnished(subject)]) {
    const found = ((await subject.look(given, foundControls)) ?? []).filter(({ ref }) => KINDS.includes(ref.kind))
    for (const { ref } of found.slice(0, MOST_CONTROLS))
      if (ref.kind === 'select') yield { given, moves: [gesture({ do: 'choose', on: ref, option: 1 })] }
      else yield { given, moves: [gesture({ do: 'press', on: ref })] }
  }
}

/** What a person does looks like another value that its owner could have told, and nobody hears of it. */
export async function looksTold(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [first, row] = [rows[0], rows.at(-1)]
  const [move, ...others] = trail.moves
  if (row === undefined || !isGesture(move) || !isPlaced(move.gesture) || !KINDS.includes(move.gesture.on.kind))
    return undefined
  if (others.some((one) => !isDone(one, 'leave')) || !isUnheard(subject, rows)) return undefined
  if (samePicture(first.picture, row.picture)) return undefined
  for (const { name } of subject.values)
    for (const told of subject.plain(name)) {
      if (equal(told, first.read[name])) continue
      const fresh = await subject.fresh({ ...trail.given, [name]: told })
      if (fresh.fault !== undefined || !equal(fresh.read[name], told) || !samePicture(fresh.picture, row.picture))
        continue
      if (await isForLater(subject, trail)) return undefined
      return {
        row: rows.length - 1,
        says: `what a person does looks like ${name} ${printed(told)}, and is neither held nor reported`,
        expected: `a report of ${name} ${printed(told)}`,
        found: `nothing is heard, and ${name} is ${printed(row.read[name])}`,
        cause: 'nobody hears it',
      }
    }
  return undefined
}

const MOST_FIELDS = 3

/** Into a field, just what it would show for other values. */
export async function* textsOfOthers(subject: Subject): AsyncIterable<Trail> {
  for (const on of subject.controls.filter(isPlainField).slice(0, MOST_FIELDS))
    for (const { name } of subject.values) {
      const before = await textInside(subject, subject.middle, on)
      for (const told of subject.plain(name).slice(0, 2)) {
        const text = await textInside(subject, { ...subject.middle, [name]: told }, on)
        if (text === undefined || text === '' || text === before) continue
        yield { given: subject.middle, moves: [gesture({ do: 'type', on, text }), gesture({ do: 'leave' })] }
        break
      }
    }
}

/** A text that it shows for another value is put back when the field is left, and when it is entered, without a word. */
export async function putBack(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [typed, end, ...others] = trail.moves
  const [first, , row] = rows
  if (!isDone(typed, 'type') || !isDone(end, 'leave') || others.length > 0 || row === undefined) return undefined
  const { on, text } = typed.gesture
  if (!equal(trail.given, subject.middle) || !isUnheard(subject, rows) || !samePicture(first.picture, row.picture))
    return undefined
  // What stands there already is nothing new, and what the field itself turns down says so.
  if ((await textInside(subject, trail.given, on)) === text) return undefined
  if ((await subject.lookAfter(trail.given, [typed], isTurnedDown(on))) === true) return undefined
  const named = await toldAs(subject, trail, text)
  if (named === undefined || isMarkedInvalid(row) || (await isForLater(subject, trail))) return undefined
  const entered = await subject.play({ given: trail.given, moves: [typed, gesture({ do: 'enter', on }), end] })
  if (!isUnheard(subject, entered.rows) || entered.rows.at(-1)?.impossible !== undefined) return undefined
  return {
    row: 2,
    says: `what is entered in ${refText(on)} is put back without a word, although it stands for ${named.name} ${printed(named.told)}`,
    expected: `a report of ${named.name} ${printed(named.told)}`,
    found: `nothing is heard, and ${named.name} is ${printed(row.read[named.name])}`,
    cause: 'what was typed is read, and never taken',
  }
}

/** HTML Standard, section 4.10.21.1: a field may have bounds of its own. */
function isTurnedDown(on: ControlRef): (container: HTMLElement) => boolean {
  return (container) => (findControl(container, on) as Partial<HTMLInputElement>).validity?.valid === false
}

/** The value that the field of a trail shows as this text; of a record, which may have bounds that nobody can say, a sample. */
async function toldAs(
  subject: Subject,
  { given, moves: [typed] }: Trail,
  text: string,
): Promise<{ name: string; told: unknown } | undefined> {
  if (!isDone(typed, 'type')) return undefined
  for (const { name, accepts: when, lastWord, samples } of subject.values)
    for (const told of subject.plain(name)) {
      if (when === 'never' || lastWord === 'self' || equal(told, subject.ideally(name, given))) continue
      if (!equal(subject.ideally(name, { ...given, [name]: told }), told)) continue
      if (typeof told === 'object' && !samples.some((one) => equal(one, told))) continue
      if ((await textInside(subject, { ...given, [name]: told }, typed.gesture.on)) === text) return { name, told }
    }
  return undefined
}

function isUnheard({ values }: Subject, rows: Played['rows']): boolean {
  const [first, last] = [rows[0], rows.at(-1)]
  return (
    rows.every(({ heard, fault, impossible }) => heard.length === 0 && (fault ?? impossible) === undefined) &&
    values.every(({ name }) => equal(first.read[name], last?.read[name]))
  )
}

/** Whether it waits for something that is done after it, or only moves a cursor. */
async function isForLater(subject: Subject, trail: Trail): Promise<boolean> {
  for (const control of operatedIn(trail.moves))
    if (isKeptBack(subject, control) || (await waitsForAnother(subject, control))) return true
  return movesOnlyACursor(subject, trail)
}
