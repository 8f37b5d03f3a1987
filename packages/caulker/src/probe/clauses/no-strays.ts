import { isGuessed } from '../../contract/index.js'
import { isGesture, isTell, tell } from '../stage/trail.js'
import { atThresholds } from '../subject/thresholds.js'
import { clause } from './clause.js'

/** It sends nothing that its contract does not declare. */
export const noStrays = clause({
  id: 'no-strays',
  group: 'up',
  promise: 'It sends no event of its own that its contract does not declare.',
  why: 'An event under another name is heard by nobody; an undeclared one is heard by accident, relied on, and broken without notice.',
  tried:
    'Everything that a person was found to be able to do, and tells of each name; what is sent from the element itself is noted, and after a tell what comes from inside, too.',
  unprovenWhen: 'Nothing that a person can do was found, or its contract is guessed and does not claim to be whole.',
  random: 'none',
  onTrial: 'gesture',
  needsElement: true,
  concerns: ({ values, events }) => Object.keys({ ...values, ...events }).length > 0,
  *trails(subject) {
    if (isGuessed(subject.contract)) return
    for (const way of subject.ways) yield { given: way.given, moves: way.moves }
    for (const given of atThresholds(subject)) for (const { moves } of subject.chiefWays) yield { given, moves }
    // What only a person sets off inside is heard as theirs; when its owner tells something, nobody has typed.
    for (const { name } of subject.tellable)
      for (const value of subject.plain(name).slice(0, 2))
        yield { given: subject.middle, moves: [tell({ [name]: value })] }
  },
  // Tells alone say nothing of what it sends when it is operated.
  proves: (_, { trail }) => trail.moves.some(isGesture),
  judge(subject, { rows }) {
    for (const [at, row] of rows.entries()) {
      const sent = isTell(row.move) ? [...row.around.strays, ...row.around.fromInside] : row.around.strays
      const [stray] = sent
      if (stray !== undefined)
        return {
          row: at,
          says: `it sends '${stray}', which its contract does not declare`,
          expected: `only ${[...subject.values.map(({ event }) => event), ...Object.keys(subject.contract.events)].join(', ')}`,
          found: `sent ${sent.join(', ')}`,
        }
    }
    return undefined
  },
})
