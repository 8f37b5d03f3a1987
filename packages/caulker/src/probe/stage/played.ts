import type { Given, Mount } from '../../mount/index.js'
import type { NamedGesture } from '../person/named-gesture.js'
import type { Hands } from '../person/trusted.js'
import type { Picture } from '../sight/picture.js'
import type { Around } from './around.js'
import type { Frames } from './frames.js'
import type { Move, Trail } from './trail.js'

/** What was heard at one step of a trail. */
export interface HeardThen {
  readonly event: string
  /** The two-way value that it reports, if it reports one. */
  readonly value: string | undefined
  readonly payload: unknown
  /** What the component said that its value was, at the moment of the report. */
  readonly readThen: unknown
  /** What owner and component had last agreed on. */
  readonly knownThen: unknown
  /** What its readings said at that moment. */
  readonly readingsThen: Given
  /** Whether it was still in the page. */
  readonly isThere: boolean
}

/** The state after one step: what the owner holds, what the component says, what a person sees. */
export interface Row {
  /** Nothing for the mount itself. */
  readonly move: Move | undefined
  readonly heard: readonly HeardThen[]
  readonly held: Given
  /** What owner and component last agreed on: told inside the bounds, or heard. */
  readonly known: Given
  readonly read: Given
  /** What its readings say. */
  readonly readings: Given
  /** What the command gave that was called, once it was there. */
  readonly gave?: unknown
  readonly picture: Picture
  /** What else could be seen around it. */
  readonly around: Around
  /** What the component threw, if it threw. */
  readonly fault: string | undefined
  /** What it has replaced for all code on the page; it was put back. */
  readonly spoils: readonly string[]
  /** Why the move could not be made, if it could not. */
  readonly impossible: string | undefined
  /** Why what is seen here cannot be judged: it never settled, or reports came in a flood. */
  readonly unsettled: 'restless' | 'flood' | undefined
}

/** A trail as it was played: the mount, then one row a move; it ends early where the component threw. */
export interface Played {
  readonly trail: Trail
  readonly rows: readonly [Row, ...Row[]]
}

export interface StageOptions {
  readonly document: Document
  readonly frames: Frames
  readonly mountInto: (container: HTMLElement) => Mount
  /** What a person can do at the component as a whole, where it has no controls that can be found. */
  readonly gestures?: readonly NamedGesture[]
  /** Lets a person act through the browser's own input. */
  readonly hands?: Hands
  /** For a custom element that is there already. */
  readonly mountOn?: (element: Element) => Mount
  /** Is told of each step before it is made, so that one that never comes back can be named. */
  readonly onStep?: (trail: Trail, row: number) => void
  /** What is known of a step that it does not survive: that it never comes back, or leaves the page. */
  readonly breaks?: (trail: Trail, row: number) => string | undefined
}
