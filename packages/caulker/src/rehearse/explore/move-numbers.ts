import type { Move } from '../play/move.js'

/** A number for each move that was made, so that a trail is a list of small numbers. */
export function moveNumbers(): { of(move: Move): number; at(number: number): Move } {
  const moves: Move[] = []
  const numbers = new Map<string, number>()
  const hosts = new WeakMap<object, number>()
  let hostCount = 0

  /** A move as a text that tells it from others; host objects by which they are. */
  const textOf = (move: Move) =>
    JSON.stringify(move, (_name, value: unknown) => {
      if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
      const proto = Object.getPrototypeOf(value) as unknown
      if (proto === Object.prototype || proto === null) return value
      if (!hosts.has(value)) hosts.set(value, ++hostCount)
      return `#${hosts.get(value)}`
    })

  return {
    of(move) {
      const text = textOf(move)
      const before = numbers.get(text)
      if (before !== undefined) return before
      numbers.set(text, moves.length)
      return moves.push(move) - 1
    },
    at: (number) => moves[number] as Move,
  }
}
