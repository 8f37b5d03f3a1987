import type { AnyContract } from '../contract/index.js'

/** What an owner supplies: names of properties and values, with what they are to be. */
export type Given = Readonly<Record<string, unknown>>

/** What an owner hears: the event's own name, and what it carried. */
export interface Heard {
  readonly event: string
  readonly payload: unknown
  /** The values that the event reports, by name, where it reports any. */
  readonly values?: Given
  /** Whether it is said at each key of a text that is still being typed. */
  readonly isTyping?: boolean
  /** There where the event asks before a change: keeps it from happening. */
  readonly veto?: () => void
}

/** The narrow waist: any component, live or ideal, looks like this to the engine and to the probe. */
export type Mount = (contract: AnyContract, given: Given, hear: (heard: Heard) => void) => Mounted

export interface Mounted {
  /** Owner to component; one call a transaction. */
  tell(changes: Given): void
  /** What the component says that its property or value is. */
  read(name: string): unknown
  /** The person leaves the edit in progress. */
  commit(): void | Promise<void>
  command(name: string, ...args: unknown[]): unknown
  remove(): void
}
