import { valueClauses } from '../../contract/index.js'
import { contractRule, leak } from './rule.js'

/** A value that has neither a default nor anything that means "nothing". */
export const noEmpty = contractRule({
  id: 'no-empty',
  level: 'warning',
  title: 'A value cannot be cleared',
  why: 'Without a default and without an empty value there is nothing to go back to: a reset, a cleared field and a new record all have to invent something.',
  mend: 'Give it a default, or allow null.',
  leaking: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer() } } })`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Union([Type.Integer(), Type.Null()]) } } })`,
  *find(contract) {
    for (const value of valueClauses(contract))
      if (value.default === undefined && !value.required && value.resetTo !== 'initial')
        yield leak(['values', value.name], `'${value.name}' has no default, and no value of its type means "nothing"`)
  },
})
