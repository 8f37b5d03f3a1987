import { equal, type ValueClause, outsideText, type Limits } from '../../contract/index.js'
import { entersText, type Key } from '../person/gestures.js'
import { gesture, isDone, isGesture, type Move } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'
import type { Given } from '../../mount/index.js'

/** A mount at a bound of a value, and what a person can do there that tries to leave it. */
export interface WayAtBounds {
  readonly given: Given
  readonly moves: readonly Move[]
}

/** Every way found for a value, tried where its bounds are when the component is given this. */
export function* waysAtBounds(subject: Subject, value: ValueClause, given: Given): Iterable<WayAtBounds> {
  const limits = subject.limits(value, given)
  const usual = subject.middle[value.name]
  const ends = [limits.least, limits.most]
    .filter((end) => end !== undefined)
    .map((end): unknown => (Array.isArray(usual) ? usual.map(() => end) : end))
  for (const way of subject.ways) {
    if (!way.changes.has(value.name) || way.text !== undefined) continue
    for (const end of ends) yield { given: { ...given, [value.name]: end }, moves: way.moves }
    if (!goesToTheEnd(way))
      for (const end of ends) yield { given: { ...given, [value.name]: end }, moves: [...way.moves, ...way.moves] }
  }
  yield* draggedBeyond(subject, value.name, given)
  const inside = ends.find((end) => outsideText(end, limits) === undefined) ?? usual
  const typedWay = subject.ways.find((way) => way.plainly.has(value.name))
  for (const way of subject.ways) {
    if (typedWay === undefined || way.text !== typedWay.text || !way.plainly.has(value.name)) continue
    const outside = outsideOf(limits)
    for (const typed of isStruck(way) ? outside : outside.filter((_, at) => at % 2 === 0).slice(0, 2))
      if (!equal(typed, inside))
        yield {
          given: { ...given, [value.name]: inside },
          moves: way.moves.map((move) => retyped(move, String(typed))),
        }
  }
}

/** A slider is dragged on past its own ends. */
function* draggedBeyond(subject: Subject, name: string, given: Given): Iterable<WayAtBounds> {
  const drag = subject.ways.find(({ changes, moves: [first] }) => changes.has(name) && isDone(first, 'drag'))
  const [first] = drag?.moves ?? []
  if (!isDone(first, 'drag') || first.gesture.on.kind !== 'slider') return
  for (const across of [1.5, -0.5])
    yield { given, moves: [gesture({ ...first.gesture, to: [across, first.gesture.to[1]] })] }
}

/** A key that goes as far as it can: a second time it goes no further. */
function goesToTheEnd({ moves }: Way): boolean {
  return moves.some((move) => isDone(move, 'key') && FAR_KEYS.includes(move.gesture.key))
}

const FAR_KEYS: readonly Key[] = ['Home', 'End', 'PageUp', 'PageDown']

/** Other ways in than keys are tried at fewer values. */
function isStruck({ moves: [first] }: Way): boolean {
  return isDone(first, 'type')
}

/** Values just outside some limits, well outside, and between two steps. */
export function outsideOf({ least, most, step }: Limits): (number | string)[] {
  const unit = step ?? 1
  const between = step === undefined || step === 1 ? [] : [(typeof least === 'number' ? least : 0) + step * 1.5]
  return [
    ...beyond(most, unit),
    ...beyond(most, 7 * unit),
    ...beyond(least, -unit),
    ...beyond(least, -5 * unit),
    ...between,
  ]
}

/** A number moved by some amount, a date by some days, or a time of day by some quarters of an hour. */
export function beyond(end: unknown, by: number): (number | string)[] {
  if (typeof end === 'number') return [end + by]
  if (typeof end !== 'string') return []
  if (/^\d{4}-\d\d-\d\d$/.test(end)) return [new Date(Date.parse(end) + by * DAY).toISOString().slice(0, 10)]
  if (!/^\d\d:\d\d(:\d\d)?$/.test(end)) return []
  const moved = Date.parse(`1970-01-01T${end}Z`) + by * QUARTER
  return moved < 0 || moved >= DAY ? [] : [new Date(moved).toISOString().slice(11, 11 + end.length)]
}

const DAY = 86_400_000
const QUARTER = 900_000

/** The text that a move enters, if it enters one. */
export function enteredText(move: Move): string | undefined {
  return isGesture(move) && entersText(move.gesture) ? move.gesture.text : undefined
}

/** The same gesture with another text. */
export function retyped(move: Move, text: string): Move {
  return isGesture(move) && entersText(move.gesture) ? gesture({ ...move.gesture, text }) : move
}
