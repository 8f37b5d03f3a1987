import { accepts, givenClauses, isValue, printed, typeText } from '../../contract/index.js'
import { contractRule, leak } from './rule.js'

/** A default that the clause's own type refuses. */
export const defaultOffType = contractRule({
  id: 'default-off-type',
  level: 'error',
  title: 'A default is not of its own type',
  why: 'The component starts in a state that no owner could put it into, and the first comparison, sum or label goes wrong.',
  mend: 'Give a default of the type, or widen the type.',
  leaking: `
import { contract, Type } from 'caulker'
const none: any = null
export const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: none } } })`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })`,
  *find(contract) {
    for (const clause of givenClauses(contract)) {
      const section = isValue(clause) ? 'values' : 'properties'
      if (clause.default !== undefined && !accepts(clause.type, clause.default))
        yield leak(
          [section, clause.name],
          `the default of '${clause.name}' is ${printed(clause.default)}, and its type is ${typeText(clause.type)}`,
        )
      if (isValue(clause) && clause.empty !== undefined && !accepts(clause.type, clause.empty))
        yield leak(
          [section, clause.name],
          `'${clause.name}' is empty as ${printed(clause.empty)}, and its type is ${typeText(clause.type)}`,
          {
            mend: 'Give a value of the type for empty, or widen the type.',
          },
        )
    }
  },
})
