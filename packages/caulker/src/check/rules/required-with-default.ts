import { givenClauses, isValue, printed } from '../../contract/index.js'
import { contractRule, leak } from './rule.js'

/** A name that its owner must supply, and that has a default for the case that nobody does. */
export const requiredWithDefault = contractRule({
  id: 'required-with-default',
  level: 'warning',
  title: 'A required name has a default',
  why: 'One of the two is never used, and owners cannot tell which: they are made to write what the component knows already.',
  mend: 'Drop it from required, or drop the default.',
  leaking: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', required: ['label'], properties: { label: { type: Type.String(), default: 'Winch' } } })`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', properties: { label: { type: Type.String(), default: 'Winch' } } })`,
  *find(contract) {
    for (const clause of givenClauses(contract))
      if (clause.required && clause.hasDefault)
        yield leak(
          [isValue(clause) ? 'values' : 'properties', clause.name],
          `'${clause.name}' is required, and has the default ${printed(clause.default)}`,
        )
  },
})
