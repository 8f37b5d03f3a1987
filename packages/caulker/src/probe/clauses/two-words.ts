import { accepts, equal, printed } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import { isDone, type Trail } from '../stage/trail.js'
import { takesAnyText } from '../subject/off-type.js'
import { isField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { enteredText, retyped } from './ways-at-bounds.js'

/** Two words, typed into each field that takes any text as it is. */
export function* twoWords(subject: Subject): Iterable<Trail> {
  for (const way of typedPlainly(subject)) yield inTwoWords(way)
}

function typedPlainly({ ways, values }: Subject): Way[] {
  const free = values.filter(({ type }) => takesAnyText(type))
  return oneAtEach(
    ways.filter(
      ({ control, plainly, moves: [first] }) =>
        isField(control) && isDone(first, 'type') && free.some(({ name }) => plainly.has(name)),
    ),
  )
}

function inTwoWords({ given, moves, text = '' }: Way): Trail {
  return { given, moves: moves.map((move) => retyped(move, `${text} tar`)) }
}

/** Not all that was typed is taken. */
export function cutShort(subject: Subject, { trail, rows }: Played): LeakAt | undefined {
  const way = typedPlainly(subject).find((one) => equal(inTwoWords(one), trail))
  const [words] = trail.moves.flatMap((move) => enteredText(move) ?? [])
  const last = rows[trail.moves.length]
  // No more is typed than fits.
  if (way === undefined || words === undefined || last === undefined || rows[1]?.around.caret?.text !== words)
    return undefined
  for (const { name, type } of subject.values.filter((value) => way.plainly.has(value.name))) {
    const came = last.read[name]
    if (typeof came !== 'string' || came === '' || came === words || !words.startsWith(came)) continue
    if (!accepts(type, words)) continue
    return {
      row: trail.moves.length,
      says: `what a person types is cut in ${name}`,
      expected: `${name} ${printed(words)}`,
      found: `${name} ${printed(came)}`,
    }
  }
  return undefined
}
