import type { ValueClause } from '../../contract/index.js'
import type { BoundName, FittingPlan } from '../../machine/index.js'

/** What leads from a value that a person can edit to the cell that takes the edit. */
export interface Link {
  readonly fitting: FittingPlan
  readonly value: ValueClause
  readonly cell: number
  readonly draft: number
  /** Shared with the cell, a copy of it that is saved later, followed and heard by steps, or only heard by steps. */
  readonly kind: 'two-way' | 'draft' | 'heard'
  readonly bound: BoundName | undefined
}
