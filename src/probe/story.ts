import { isHost, printed, type AnyContract } from '../contract/index.js'
import type { Given } from '../ideal/index.js'
import { commits, gestureText, type Gesture } from './gestures.js'

/** One thing that happens to a mounted component: its owner tells, a person acts, a command is called. */
export type Move = { readonly tell: Given } | { readonly gesture: Gesture } | { readonly command: string }

/** What is given at the mount, and what happens then: plain data, so that it can be shrunk and played again. */
export interface Story {
  readonly given: Given
  readonly moves: readonly Move[]
  /** An owner that tells whatever it holds, even outside the bounds; the engine's own owner brings a tell inside first. */
  readonly unbounded?: boolean
}

export function tell(changes: Given): Move {
  return { tell: changes }
}

export function gesture(made: Gesture): Move {
  return { gesture: made }
}

export function isTell(move: Move | undefined): move is { tell: Given } {
  return move !== undefined && 'tell' in move
}

export function isGesture(move: Move | undefined): move is { gesture: Gesture } {
  return move !== undefined && 'gesture' in move
}

/** Whether nothing is unfinished after a move. */
export function settlesEdits(move: Move | undefined): boolean {
  return !isGesture(move) || commits(move.gesture)
}

/** A move in words, for a ledger. */
export function moveText(move: Move): string {
  if ('tell' in move) return `owner tells ${givenText(move.tell)}`
  return 'gesture' in move ? gestureText(move.gesture) : `owner calls ${move.command}()`
}

export function mountText({ tag }: AnyContract, given: Given): string {
  return `mount ${tag}${Object.keys(given).length === 0 ? '' : ` with ${givenText(given)}`}`
}

export function givenText(given: Given): string {
  return Object.entries(given)
    .map(([name, value]) => `${name} ${printed(value, 40)}`)
    .join(', ')
}

const hostNumbers = new WeakMap<object, number>()
let hostCount = 0

/** One text for one story, so that what was played once is not played again; host objects count by identity. */
export function storyKey(story: unknown): string {
  return JSON.stringify(story, (_key, value: unknown) => {
    if (value === undefined) return '\u0000undefined'
    if (typeof value === 'number' && !Number.isFinite(value)) return `\u0000${value}`
    if (!isHost(value)) return value
    if (!hostNumbers.has(value)) hostNumbers.set(value, hostCount++)
    return `\u0000host ${hostNumbers.get(value)}`
  })
}

/** One step of a story in words: the mount, or a move. */
export function stepText(contract: AnyContract, { given, moves }: Story, row: number): string {
  const move = moves[row - 1]
  return move === undefined ? mountText(contract, given) : moveText(move)
}
