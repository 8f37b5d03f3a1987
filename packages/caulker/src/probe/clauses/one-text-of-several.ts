import { accepts, equal, printed, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { ControlRef } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import { onceFor } from '../subject/once-for.js'
import { isPlainField, type Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { fieldTexts } from './field-text.js'

/** A text that is made of what several fields show, such as a moment of a day and a time. */
interface Composed {
  readonly value: ValueClause
  readonly whole: string
  readonly parts: readonly { readonly ref: ControlRef; readonly text: string; readonly at: number }[]
}

const MOST_OTHERS = 2

/** The part that stands in one of its fields for another value, typed where the first stands. */
export async function* typedPart(subject: Subject): AsyncIterable<Trail> {
  const { middle } = subject
  for (const { value, parts } of await composedIn(subject))
    for (const other of subject.plain(value.name).slice(0, MOST_OTHERS + 1)) {
      const there = (await subject.look({ ...middle, [value.name]: other }, fieldTexts)) ?? []
      for (const { ref, text: stands } of parts) {
        const text = there.find((one) => equal(one.ref, ref))?.text ?? ''
        if (text !== '' && text !== stands)
          yield { given: middle, moves: [gesture({ do: 'type', on: ref, text }), gesture({ do: 'leave' })] }
      }
    }
}

/** It comes to another text than the same with the new part in its place, though that is shown as it was typed. */
export async function otherThanComposed(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [typed, end] = trail.moves
  const row = rows[2]
  if (trail.moves.length !== 2 || !isDone(typed, 'type') || !isDone(end, 'leave') || row === undefined) return undefined
  if (!equal(trail.given, subject.middle)) return undefined
  const { on, text } = typed.gesture
  for (const { value, whole, parts } of await composedIn(subject)) {
    const part = parts.find((one) => equal(one.ref, on))
    const came = row.read[value.name]
    if (part === undefined || equal(came, whole)) continue
    const expected = whole.slice(0, part.at) + text + whole.slice(part.at + part.text.length)
    if (equal(came, expected) || !accepts(value.type, expected)) continue
    if (!(await isShownSo(subject, { ...trail.given, [value.name]: expected }, parts, part.ref, text))) continue
    return {
      row: 2,
      says: `what is typed into the field “${on.label}” comes to something else in ${value.name}`,
      expected: `${value.name} ${printed(expected)}`,
      found: `${value.name} ${printed(came)}`,
      cause: 'the text is put together otherwise than it is taken apart',
    }
  }
  return undefined
}

const composedIn = onceFor(lookForComposed)

/** Each of two fields or more shows a part of it, one after the other, and nobody shows it as a whole. */
async function lookForComposed({ values, middle, look }: Subject): Promise<Composed[]> {
  const texts = ((await look(middle, fieldTexts)) ?? []).filter(({ ref, text }) => isPlainField(ref) && text !== '')
  return values.flatMap((value): Composed[] => {
    const whole = middle[value.name]
    if (typeof whole !== 'string' || texts.length < 2 || value.among !== undefined) return []
    let from = 0
    const parts = texts.map(({ ref, text }) => {
      const at = whole.indexOf(text, from)
      from = at < 0 ? Infinity : at + text.length
      return { ref, text, at }
    })
    return parts.every(({ at }) => at >= 0) ? [{ value, whole, parts }] : []
  })
}

/** Whether, told, it stands with the new part in its field and the others as they were. */
async function isShownSo(
  subject: Subject,
  given: Given,
  parts: Composed['parts'],
  changed: ControlRef,
  text: string,
): Promise<boolean> {
  const there = (await subject.look(given, fieldTexts)) ?? []
  return parts.every((part) => {
    const now = there.find(({ ref }) => equal(ref, part.ref))?.text
    return now === (equal(part.ref, changed) ? text : part.text)
  })
}
