import { clauseOf, isKept, printed, valueClauses, limitsOf, outsideText } from '../../contract/index.js'
import { contractRule, leak } from './rule.js'

/** A default that the value's own bounds or step do not allow. */
export const defaultOutOfBounds = contractRule({
  id: 'default-out-of-bounds',
  level: 'error',
  title: 'A default is outside its own bounds',
  why: 'The component starts with a value that no person could choose, or shows another one than its contract says.',
  mend: 'Give a default inside the bounds and on a step, or move the bounds.',
  leaking: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 0, bounds: { least: 1, most: 12 } } } })`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 1, bounds: { least: 1, most: 12 } } } })`,
  *find(contract) {
    for (const value of valueClauses(contract)) {
      if (isKept(value.outsideTold) || !value.hasDefault) continue
      const outside = outsideText(
        value.default,
        limitsOf(value, (name) => clauseOf(contract, name)?.default),
      )
      if (outside !== undefined)
        yield leak(['values', value.name], `the default of '${value.name}' is ${printed(value.default)}: ${outside}`)
    }
  },
})
