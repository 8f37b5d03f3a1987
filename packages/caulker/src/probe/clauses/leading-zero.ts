import { accepts, printed, type ValueClause } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import { typeParts } from '../subject/off-type.js'
import { isField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** Digits with a zero before them, and with one in the place of the first: in a text that is no number it counts. */
export function* zeroFirst(subject: Subject): Iterable<Trail> {
  for (const { given, control, text } of digitWays(subject))
    for (const typed of [`0${text ?? ''}`, `0${(text ?? '').slice(1)}`])
      yield { given, moves: [gesture({ do: 'type', on: control, text: typed }), gesture({ do: 'leave' })] }
}

/** The zero is gone, though the type would have taken it. */
export async function zeroLost(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [typed, ...others] = trail.moves
  const last = rows[2]
  if (!isDone(typed, 'type') || !/^0\d+$/.test(typed.gesture.text) || last === undefined) return undefined
  const { on, text } = typed.gesture
  const way = digitWays(subject).find((one) => one.control.nth === on.nth && one.control.kind === on.kind)
  if (way?.text === undefined || others.length !== 1) return undefined
  const usual = (
    await subject.play({ given: trail.given, moves: [gesture({ do: 'type', on, text: way.text }), ...others] })
  ).rows[2]
  for (const { name, type } of textsOf(subject)) {
    const [came, now] = [usual?.read[name], last.read[name]]
    if (typeof came !== 'string' || !came.includes(way.text)) continue
    const [whole, cut] = [came.replace(way.text, text), came.replace(way.text, text.replace(/^0+/, ''))]
    if (accepts(type, whole) && now === cut && now !== whole)
      return {
        row: 2,
        says: `the zero that was typed first is gone from ${name}`,
        expected: `${name} ${printed(whole)}`,
        found: `${name} ${printed(now)}`,
        cause: 'the digits are read as a number',
      }
  }
  return undefined
}

/** Texts of a certain form, as of a code or a number to call. */
function textsOf({ values }: Subject): ValueClause[] {
  return values.filter(({ type }) => typeParts(type as never).some((part) => 'pattern' in part))
}

function digitWays(subject: Subject): Way[] {
  const names = textsOf(subject).map(({ name }) => name)
  return oneAtEach(
    subject.ways.filter(
      ({ text, control, changes, moves }) =>
        /^[1-9]\d+$/.test(text ?? '') &&
        isField(control) &&
        isDone(moves[0], 'type') &&
        names.some((name) => changes.has(name)),
    ),
  )
}
