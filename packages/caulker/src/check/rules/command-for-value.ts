import { labelOf } from '../../words/index.js'
import { givenClauses, type AnyContract } from '../../contract/index.js'
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
      for (const clause of givenClauses(contract))
        if (tellsIt(contract, command, clause.name))
          yield leak(['commands', command], `the command '${command}' does what telling '${clause.name}' does`, {
            mend: `Drop it; owners tell '${clause.name}'.`,
          })
  },
})

const TELLING = /^(?:set|clear|update|change|empty|toggle)$/

/** Whether a command is named as if it told a property or a value, or as if it turned a lock. */
function tellsIt({ locks }: AnyContract, command: string, name: string): boolean {
  const verb = command.slice(0, -name.length).replace(/[-_]$/, '')
  if (TELLING.test(verb) && labelOf(command.slice(-name.length)) === labelOf(name)) return true
  return (
    (name === locks.disabled && (command === 'disable' || command === 'enable')) ||
    (name === locks.readonly && (command === 'lock' || command === 'unlock'))
  )
}
