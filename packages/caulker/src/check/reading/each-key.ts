import { accepts, valueClauses, type ValueClause } from '../../contract/index.js'
import type { FittingView } from './screen-view.js'

/** The texts that an event reports letter by letter, as they are typed. */
export function typedBy({ contract }: FittingView, event: string): ValueClause[] {
  return valueClauses(contract).filter(
    (value) => value.event === event && value.reports === 'edit' && value.within === 0 && accepts(value.type, 'oakum'),
  )
}
