import { labelOf } from '../../words/index.js'
import { valueClauses } from '../../contract/index.js'
import { contractRule, leak } from './rule.js'

/** A command that does what telling the value would do. */
export const commandForValue = contractRule({
  id: 'command-for-value',
  level: 'warning',
  title: 'A command does what telling a value would do',
  why: 'There are two ways to one thing, and the command goes past the owner: its cell is not changed, and the next tell brings the old value back.',
  mend: 'Drop the command; owners tell the value.',
  leaking: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 0 } }, commands: { setTurns: {} } })`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', values: { turns: { type: Type.Integer(), default: 0 } }, commands: { reset: { effect: 'reset' } } })`,
  *find(contract) {
    for (const command of Object.keys(contract.commands))
      for (const value of valueClauses(contract))
        if (
          /^(?:set|clear|update|change|empty)$/.test(command.slice(0, -value.name.length)) &&
          labelOf(command.slice(-value.name.length)) === labelOf(value.name)
        )
          yield leak(['commands', command], `the command '${command}' does what telling '${value.name}' does`, {
            mend: `Drop it; owners tell '${value.name}'.`,
          })
  },
})
