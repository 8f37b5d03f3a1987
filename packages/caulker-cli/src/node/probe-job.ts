import { messageOf } from 'caulker/inside/words'
import type { PlayedLive } from 'caulker/inside/live'
import type { Script } from 'caulker/inside/rehearse'
import type { Adopted, NamedGesture, ProbeReport } from 'caulker/inside/probe'
import type { Design } from 'caulker/inside/check'
import type { AnyScreen, Journey } from 'caulker/inside/wiring'
import type { Trouble } from './errors.js'

/** One component to probe, or modules whose elements are to be adopted, as it is sent to a thread or a page. */
export interface ProbeJob {
  readonly file: string
  readonly tag: string
  /** The modules that define elements. */
  readonly defines: readonly string[]
  readonly seed: number
  /** How many moves the exploration of a component makes. */
  readonly moves?: number
  readonly clauses: readonly string[] | undefined
  readonly gestures: readonly NamedGesture[]
  /** Whether a person acts through the browser's own input. */
  readonly trusted?: boolean
  /** How much processor time one step may take, in seconds. */
  readonly patience?: number
  /** The steps after which it could not go on when they were tried before. */
  readonly broken: readonly BrokenStep[]
  /** Whether contracts are to be read off the elements that the modules define: these tags, or all where none is named. */
  readonly adopts?: readonly string[]
  /** Scripts that are played on a page of live components, and the screen or journey that they are of. */
  readonly plays?: Plays
}

/** A step that a component did not survive, and what is said of it from then on. */
export interface BrokenStep {
  readonly step: string
  readonly says: 'it does not come back: an endless loop' | 'it leaves the page'
}

/** What is known of a step from an earlier try; nothing where it came to its end. */
export function brokenAt(broken: readonly BrokenStep[], step: string): string | undefined {
  return broken.find((one) => one.step === step)?.says
}

export interface Plays {
  readonly of: string
  readonly scripts: readonly Script[]
}

export type ProbeMessage =
  | { readonly kind: 'done'; readonly report: ProbeReport; readonly spoiled: boolean }
  | { readonly kind: 'adopted'; readonly adopted: readonly Adopted[]; readonly spoiled: boolean }
  | { readonly kind: 'played'; readonly played: readonly PlayedLive[]; readonly spoiled: boolean }
  | { readonly kind: 'trouble'; readonly trouble: Trouble; readonly spoiled: boolean }

export type ProbeOutcome = {
  readonly job: ProbeJob
  /** The steps after which it could not go on, where there were any. */
  readonly broken?: readonly BrokenStep[]
} & (
  | { readonly report: ProbeReport }
  | { readonly adopted: readonly Adopted[] }
  | { readonly played: readonly PlayedLive[] }
  | { readonly trouble: Trouble }
)

/** What is wrong where a probe itself could not go on: the component that brought it there is named. Said in threads and in pages alike. */
export function brokeOff(tag: string, thrown: unknown): Error {
  return new Error(`the probe of <${tag}> broke off: ${messageOf(thrown)}`)
}

/** The screen or journey of a name among what a file exports. */
export function wiringIn({ screens, journeys }: Required<Design>, name: string): Journey | AnyScreen {
  const found = [...journeys, ...screens].find((one) => one.name === name)
  if (found === undefined) throw new Error(`there is no screen or journey '${name}' here any more`)
  return found
}
