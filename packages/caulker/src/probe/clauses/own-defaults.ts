import { isHost } from '../../contract/index.js'
import { clause } from './clause.js'
import { touchesTwin } from './laws.js'

/** No default object is shared by instances. */
export const ownDefaults = clause({
  id: 'own-defaults',
  group: 'down',
  promise:
    'Each instance has its own defaults: what a person does at one is never seen at another, nor at the next to be mounted.',
  why: 'A list that stands once for all instances fills up with the entries of every screen that was opened before.',
  tried:
    'Two are mounted with nothing given; everything that a person can do is done at the first, and the second and a third are looked at.',
  unprovenWhen: 'Nothing that a person can do changes it.',
  random: 'none',
  seenOnce: true,
  onTrial: 'gesture',
  concerns: (contract) =>
    Object.values<{ default: unknown }>({ ...contract.properties, ...contract.values }).some(
      (one) => typeof one.default === 'object' && one.default !== null && !isHost(one.default),
    ),
  *trails(subject) {
    for (const way of subject.chiefWays)
      for (const moves of [way.moves, [...way.moves, ...way.moves]])
        yield { given: subject.least, moves, setting: 'twin' }
  },
  judge(_subject, played) {
    const leak = touchesTwin(played)
    return leak && { ...leak, cause: 'both hold one and the same default object' }
  },
})
