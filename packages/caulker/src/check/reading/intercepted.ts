import { givenClauses } from '../../contract/index.js'
import type { CellClause } from '../../wiring/index.js'
import type { DesignView, Subject } from './design-view.js'

/** A name of a contract or a cell of a screen, with what it does to each proposal. */
export interface Intercepted {
  readonly name: string
  readonly clause: Pick<CellClause, 'type' | 'amend' | 'refuse'>
  /** What stands before anything was proposed. */
  readonly before: unknown
  readonly at: readonly string[]
  readonly of: Subject
}

/** All that intercepts in a design; what stands for the face of a component is intercepted by its contract. */
export function* intercepted({ contracts, screens }: DesignView): Iterable<Intercepted> {
  for (const contract of contracts)
    for (const clause of givenClauses(contract)) {
      const { name, default: before } = clause
      yield { name, clause, before, at: [name], of: { name: contract.tag, written: contract } }
    }
  for (const { screen, cells } of screens)
    for (const [name, clause] of cells)
      if (clause.face === undefined)
        yield { name, clause, before: clause.initial, at: ['cells', name], of: { name: screen.name, written: screen } }
}
