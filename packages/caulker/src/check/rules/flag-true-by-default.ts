import { contractRule, leak } from './rule.js'
import type { PropertyClause } from '../../contract/index.js'

/** A flag with an attribute, on unless it is turned off: markup cannot turn it off. */
export const flagTrueByDefault = contractRule({
  id: 'flag-true-by-default',
  level: 'warning',
  title: 'A flag is true by default, and markup cannot turn it off',
  why: 'A boolean attribute is true by being there (HTML Standard, section 2.3.2); an absent one is the default, so nothing that is written in markup means false.',
  mend: 'Turn the flag round, so that false is its default, or write attribute: false.',
  leaking: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', properties: { greased: { type: Type.Boolean(), default: true } } })`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', properties: { dry: { type: Type.Boolean(), default: false } } })`,
  *find(contract) {
    for (const clause of Object.values<PropertyClause>(contract.properties))
      if (
        clause.default === true &&
        clause.attribute !== false &&
        (clause.type as { type?: unknown }).type === 'boolean'
      )
        yield leak(
          ['properties', clause.name],
          `'${clause.name}' is true unless it is told otherwise, and its attribute '${clause.attribute}' can only say true`,
        )
  },
})
