import type { AnyContract } from 'caulker'
import type { Fault, Wiring } from 'caulker/inside/machine'

/** One wiring at work, however it is run: what a person, an owner and the sources do, and what is to be seen. */
export interface Run {
  edit(fitting: string, value: string, to: unknown, row?: string): void
  /** Into a text field, key by key. */
  type(fitting: string, value: string, to: unknown): void
  leave(fitting: string, row?: string): void
  press(fitting: string, event?: string, payload?: unknown, row?: string): void
  /** A component reports what its contract would not let it hold. */
  report(fitting: string, event: string, values: Record<string, unknown>): void
  set(changes: Record<string, unknown>): string | undefined
  act(action: string): void
  submit(): void
  reset(): void
  travel(at: number): Promise<void>
  answer(operation: string, given?: unknown, which?: number): Promise<void>
  fail(operation: string, reason: string, problems?: Record<string, string>, which?: number): Promise<void>
  giveUp(operation: string, which?: number): Promise<void>
  /** A call that nobody waits for any more answers all the same. */
  answerLate(call: number, given: unknown): Promise<void>
  read(name: string): unknown
  shown(fitting: string, name: string, row?: string): unknown
  front(): string
  rows(fitting: string): readonly string[]
  isShown(fitting: string): boolean
  problem(fitting?: string, row?: string): string
  draft(fitting: string, name: string): { copy: unknown; isOvertaken: boolean } | undefined
  pending(): readonly string[]
  /** Each name that was told: `bales.n=4`. */
  readonly told: string[]
  readonly calls: { operation: string; given: unknown }[]
  readonly aborted: number
  readonly refusals: { cell: string; reason: string }[]
  readonly amendments: { cell: string; proposed: unknown; stands: unknown }[]
  readonly faults: Fault[]
  readonly stays: string[]
  readonly announced: { topic: string; value: unknown }[]
  remove(): void
}

export interface RunOptions {
  readonly initial?: Record<string, unknown>
  /** What a page has in its store. */
  readonly stored?: Record<string, string>
  readonly version?: number
  readonly isInForm?: boolean
  /** The commit of these fittings never ends. */
  readonly endless?: readonly string[]
}

export interface Player {
  readonly name: 'ideal' | 'page'
  run(wiring: Wiring, options?: RunOptions): Run
}

/** One sentence, played. */
export interface Row {
  readonly at: string
  /** Only a page has what the sentence is about: a native form, a store, the browser's history. */
  readonly onlyOn?: 'page'
  play(player: Player): void | Promise<void>
}

export const row = (at: string, play: Row['play'], onlyOn?: 'page'): Row =>
  onlyOn === undefined ? { at, play } : { at, play, onlyOn }

export type { AnyContract }
