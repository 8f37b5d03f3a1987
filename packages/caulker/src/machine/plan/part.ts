import type { AnyScreen, CellClause, Readable } from '../../wiring/index.js'
import type { BoundName, CallSite, DraftPlan, FittingPlan, MachineSlots, ReckonedSlot, ScreenSlots } from './machine.js'
import type { Slots } from './slots.js'

/** What is gathered while a wiring is made flat. */
export interface Building {
  readonly slots: Slots
  readonly machine: MachineSlots
  readonly clauses: readonly CellClause[]
  readonly screens: readonly string[]
  readonly reckoned: ReckonedSlot[]
  readonly fittings: FittingPlan[]
  readonly bound: BoundName[]
  readonly sites: CallSite[]
  readonly drafts: DraftPlan[]
}

/** One screen while it is made flat. */
export interface Part {
  readonly building: Building
  readonly at: number
  readonly screen: AnyScreen
  readonly cells: ReadonlyMap<string, number>
  readonly fittings: ReadonlyMap<string, number>
  readonly slots: ScreenSlots
  /** The cells that a person can change here. */
  readonly edited: readonly number[]
  readonly fields: readonly number[]
  /** The draft of a bound name, by `fitting.name`. */
  readonly drafts: ReadonlyMap<string, number>
  slotOf(source: Readable<unknown>): number | undefined
  /** A name for a slot of this screen that is told apart from those of other screens. */
  named(name: string): string
}
