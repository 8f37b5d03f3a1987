import type { Amendment, Fault, Invalid, Refusal } from './step/index.js'

type Values = Readonly<Record<string, unknown>>

/** Who carries out what a transaction owes: a mounted page, a probe, a test. Fittings are those of the screen in front, by name. */
export interface Host {
  tell(fitting: string, changes: Values, row?: string): void
  command(fitting: string, name: string, args: readonly unknown[], row?: string): unknown
  /** What a fitting says that one of its values is; asked after a command that changes values without a report. */
  read(fitting: string, name: string, row?: string): unknown
  /** What is being typed is finished; `done` gets what components say against their own values. At once where it is left out. */
  commit?(fittings: readonly string[], done: (invalid: readonly InvalidField[]) => void): void
  call?(call: SentCall): void
  abort?(id: number): void
  /** Another screen is in front: what stood on the one before is gone, and this one is to be mounted. */
  go?(way: { from: string; to: string; at: number; isTravel: boolean }): void
  /** The screen stays in front although somebody wanted to leave it, and why. */
  stay?(stay: { at: number; reason: string; isTravel: boolean }): void
  show?(fitting: string, isShown: boolean): void
  /** The entries that a fitting stands for, by key and in their order. */
  rows?(fitting: string, keys: readonly string[]): void
  /** What is wrong with a field; empty where nothing is. */
  problem?(fitting: string, text: string, row?: string): void
  /** A submit was held back: something is wrong with a field. */
  held?(): void
  announce?(topic: string, value: unknown): void
  /** In an interior: what its owner hears. */
  report?(event: string, payload: unknown, values: Values): void
  /** In an interior: whether its owner allows that the values become these. */
  allows?(event: string, values: Values): boolean
  fault?(fault: Fault): void
  refused?(refusal: Refusal): void
  amended?(amendment: Amendment): void
  settled?(): void
}

export interface InvalidField extends Omit<Invalid, 'fitting'> {
  readonly fitting: string
}

/** A call as it goes out. */
export interface SentCall {
  readonly id: number
  readonly source: string
  readonly operation: string
  readonly given: unknown
}

/** What changed in one go, and through whom. */
export interface ChangeRecord {
  readonly name: string
  readonly from: unknown
  readonly to: unknown
  readonly by: 'owner' | 'person' | 'source' | 'screen'
}
