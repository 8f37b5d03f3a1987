import { CaulkerError, hint } from '../../words/index.js'
import type { ControlRef } from './controls.js'
import { KEYS, type Gesture, type Key, type Point } from './gestures.js'

/**
 * What a person can do where no control can be found, such as on a canvas: a click at a place, a drag between two, or keys. Places are
 * parts of the width and height from the upper left, from 0 to 1.
 */
export type NamedGesture =
  { readonly click: Point } | { readonly drag: readonly [Point, Point] } | { readonly keys: readonly Key[] }

export function gesturesOf(named: NamedGesture, on: ControlRef): Gesture[] {
  if ('click' in named) return [{ do: 'drag', on, from: named.click, to: named.click }]
  if ('drag' in named) return [{ do: 'drag', on, from: named.drag[0], to: named.drag[1] }]
  return named.keys.map((key) => ({ do: 'key', on, key }))
}

/** What is wrong with a gesture as it was written, if anything is. */
export function namedGestureProblem(written: unknown): string | undefined {
  const { click, drag, keys, ...others } = (written ?? {}) as Record<string, unknown>
  const [other] = Object.keys(others)
  if (other !== undefined) return `there is no gesture '${other}'${hint(other, ['click', 'drag', 'keys'])}`
  if ([click, drag, keys].filter((one) => one !== undefined).length !== 1)
    return "give one of 'click', 'drag' and 'keys'"
  if (click !== undefined) return isPoint(click) ? undefined : 'click must be a place, such as [0.9, 0.5]'
  if (drag !== undefined)
    return Array.isArray(drag) && drag.length === 2 && drag.every(isPoint)
      ? undefined
      : 'drag must be two places, such as [[0.1, 0.5], [0.9, 0.5]]'
  if (!Array.isArray(keys) || keys.length === 0) return `keys must be a list, such as ['ArrowUp']`
  const unknown = keys.find((key) => !(KEYS as readonly unknown[]).includes(key)) as unknown
  return unknown === undefined ? undefined : `there is no key '${String(unknown)}'${hint(String(unknown), KEYS)}`
}

/** Throws a {@link CaulkerError} `bad-argument` for the first of some gestures that cannot be. */
export function refuseNamedGestures(gestures: readonly unknown[]): void {
  for (const [at, written] of gestures.entries()) {
    const problem = namedGestureProblem(written)
    if (problem !== undefined) throw new CaulkerError('bad-argument', `gestures[${at}]: ${problem}`)
  }
}

function isPoint(value: unknown): boolean {
  return (
    Array.isArray(value) && value.length === 2 && value.every((one) => typeof one === 'number' && one >= 0 && one <= 1)
  )
}
