import { clauseOf, valueClauses, limitsOf } from '../../contract/index.js'
import { contractRule, leak } from './rule.js'

/** A least above the most, as the contract itself has them. */
export const boundsCrossed = contractRule({
  id: 'bounds-crossed',
  level: 'error',
  title: 'The least is above the most',
  why: 'No value lies between them: whatever the person does, the least comes back.',
  mend: 'Swap the bounds, or mend the default that crosses them.',
  leaking: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', properties: { most: { type: Type.Integer(), default: 3 } }, values: { turns: { type: Type.Integer(), default: 8, bounds: { least: 8, most: 'most' } } } })`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', properties: { most: { type: Type.Integer(), default: 12 } }, values: { turns: { type: Type.Integer(), default: 8, bounds: { least: 8, most: 'most' } } } })`,
  *find(contract) {
    for (const value of valueClauses(contract)) {
      const { least, most } = limitsOf(value, (name) => clauseOf(contract, name)?.default)
      if (least !== undefined && most !== undefined && typeof least === typeof most && least > most)
        yield leak(['values', value.name], `the least of '${value.name}' is ${least}, and its most is ${most}`)
    }
  },
})
