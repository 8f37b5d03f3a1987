import type { Move } from '../play/move.js'

/** What is expected at a point of a script, in plain terms. */
export type Expectation =
  /** A fitting shows something for one of its names: `total.amount`. */
  | { readonly shows: string; readonly as: unknown; readonly row?: string }
  /** A cell, or what is reckoned, holds something. */
  | { readonly holds: string; readonly as: unknown }
  /** An operation was sent this last (the members that are given), or so many times. */
  | { readonly sent: string; readonly with?: unknown; readonly times?: number }
  /** The person is on this screen. */
  | { readonly on: string }
  /** What is said beside a field; empty where nothing is wrong. Of the screen itself where no field is named. */
  | { readonly says: string; readonly beside?: string }
  /** Nothing that was entered has been lost so far. */
  | { readonly lost: 'nothing' }

export type ScriptStep = Move | Expectation

/** What a person, the owner, the sources and time do with a screen or journey, and what is expected on the way. */
export interface Script {
  readonly kind: 'script'
  readonly title: string
  /** The name of the screen or journey. */
  readonly of: string
  readonly steps: readonly ScriptStep[]
  /** Drawn at random: what cannot be done on the page is passed over. */
  readonly isWalk?: boolean
}

const EXPECTED = ['shows', 'holds', 'sent', 'on', 'says', 'lost']

export function isExpectation(step: ScriptStep): step is Expectation {
  return EXPECTED.some((key) => key in step)
}

export function isScript(value: unknown): value is Script {
  return typeof value === 'object' && value !== null && (value as Script).kind === 'script' && 'steps' in value
}
