import { clause } from '../clause.js'

/** Every command of the contract can be called. */
export const commandsPresent = clause({
  id: 'commands-present',
  group: 'commands',
  promise: 'Every command of its contract is there and can be called.',
  why: 'The call throws when a person gets there, and whatever its owner still had to do is not done.',
  tried: 'Each command that takes nothing is called on an ordinary mount.',
  unprovenWhen: 'Each of its commands takes something.',
  random: 'none',
  onTrial: 'command',
  concerns: ({ commands }) => Object.keys(commands).length > 0,
  *stories(subject) {
    for (const { name, takes } of Object.values<{ name: string; takes: unknown }>(subject.contract.commands))
      if (takes === undefined) yield { given: subject.middle, moves: [{ command: name }] }
  },
  judge: () => undefined,
})
