import type { Trouble } from '../node/errors.js'

/** What a task is doing that runs code of the user's: if it never comes back, this file is to blame. */
export interface Doing {
  readonly file: string
  readonly what: 'load' | 'read' | 'rehearse'
  /** The contract or screen that is read, or the wiring that is rehearsed. */
  readonly name?: string
  /** How far a rehearsal has come. */
  readonly states?: number
  readonly left?: number
  readonly depth?: number
  readonly leaks?: number
}

/** What every task is given besides what it is asked. */
export interface Around {
  /** Files that are known never to come back, each with what is said of it. */
  readonly skip: readonly Trouble[]
  readonly begin: (doing: Doing) => void
}

/** Runs code of the user's, and gives back plain data. */
export type Task<G, R> = (given: G, around: Around) => Promise<R>

/** A task, its type bound to what it gives and takes. */
export function task<G, R>(run: Task<G, R>): Task<G, R> {
  return run
}
