import { accepts, printed, type CommandClause } from '../../contract/index.js'
import { clause } from './clause.js'
import { callText } from '../stage/trail.js'

/** Every command of the contract can be called, and gives what it says. */
export const commandsPresent = clause({
  id: 'commands-present',
  group: 'commands',
  promise: 'Every command of its contract is there, can be called, and gives what its contract says.',
  why: 'The call throws when a person gets there, or gives something else, and whatever its owner still had to do is not done.',
  tried: 'Each command is called on an ordinary mount; one that takes something, with an ordinary value.',
  unprovenWhen: 'No value could be made of what its commands take.',
  random: 'none',
  onTrial: 'command',
  concerns: ({ commands }) => Object.keys(commands).length > 0,
  *trails(subject) {
    for (const call of subject.calls) yield { given: subject.middle, moves: [call] }
  },
  judge({ contract: { commands } }, { rows }) {
    for (const [at, row] of rows.entries()) {
      const { move, gave } = row
      if (move === undefined || !('command' in move) || !Object.hasOwn(row, 'gave')) continue
      const clauses: Readonly<Record<string, CommandClause>> = commands
      const gives = clauses[move.command]?.gives
      if (gives !== undefined && !accepts(gives, gave))
        return {
          row: at,
          says: `${callText(move)} gives something else than its contract says`,
          expected: 'a value of the type that it gives',
          found: printed(gave),
        }
    }
    return undefined
  },
})
