import { equal, type ValueClause } from '../contract/index.js'
import { outsideText } from '../engine/index.js'
import type { Given } from '../ideal/index.js'
import { gesture, isGesture, type Move } from './story.js'
import type { Subject } from './subject.js'

/** A mount at a bound of a value, and what a person can do there that tries to leave it. */
export interface WayAtBounds {
  readonly given: Given
  readonly moves: readonly Move[]
  /** The number that was typed, where one was. */
  readonly typed: number | undefined
}

/** Every way found for a value, tried where its bounds are when the component is given this. */
export function* waysAtBounds(subject: Subject, value: ValueClause, given: Given): Iterable<WayAtBounds> {
  const limits = subject.limits(value, given)
  const ends = [limits.least, limits.most].filter((end): end is number => typeof end === 'number')
  const step = limits.step ?? 1
  const inside = ends.find((end) => outsideText(end, limits) === undefined) ?? subject.middle[value.name]
  const typedWay = subject.ways.find((way) => way.plainly.has(value.name))
  for (const way of subject.ways) {
    if (!way.changes.has(value.name) || way.text !== undefined) continue
    for (const end of ends)
      yield { given: { ...given, [value.name]: end }, moves: [...way.moves, ...way.moves], typed: undefined }
  }
  if (typedWay === undefined) return
  const outside = [
    ...(typeof limits.most === 'number' ? [limits.most + step, limits.most * 2 + 7 * step] : []),
    ...(typeof limits.least === 'number' ? [limits.least - step, limits.least - 5 * step] : []),
    ...(limits.step === undefined || limits.step === 1
      ? []
      : [(typeof limits.least === 'number' ? limits.least : 0) + limits.step * 1.5]),
  ]
  for (const way of subject.ways.filter((one) => one.text === typedWay.text && one.plainly.has(value.name)))
    for (const typed of outside) {
      if (equal(typed, inside)) continue
      yield {
        given: { ...given, [value.name]: inside },
        moves: way.moves.map((move) => retyped(move, String(typed))),
        typed,
      }
    }
}

/** The same gesture with another text. */
export function retyped(move: Move, text: string): Move {
  return isGesture(move) && move.gesture.do === 'type' ? gesture({ ...move.gesture, text }) : move
}
