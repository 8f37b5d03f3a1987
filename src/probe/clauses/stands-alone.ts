import { clause } from '../clause.js'
import { touchesTwin } from '../laws.js'
import { gesture } from '../story.js'

/** Two of them on one page do not touch each other. */
export const standsAlone = clause({
  id: 'stands-alone',
  group: 'life',
  promise: 'Two of them on one page share nothing: what is done at one changes nothing at the other.',
  why: 'State beside the class, ids that are the same in each, or a name shared by all radio buttons: the second field on a page writes into the first.',
  tried:
    'Two are mounted with the same; everything that a person can do is done at the first, and the second is looked at.',
  unprovenWhen: 'Nothing that a person can do changes it.',
  random: 'none',
  onTrial: 'gesture',
  concerns: () => true,
  *stories(subject) {
    yield { given: subject.middle, moves: [], setting: 'twin' }
    for (const way of subject.chiefWays) yield { given: way.given, moves: way.moves, setting: 'twin' }
    for (const on of subject.controls)
      if (on.kind === 'button') yield { given: subject.middle, moves: [gesture({ do: 'press', on })], setting: 'twin' }
  },
  proves: (_subject, { rows }) => rows.length > 1,
  judge(_subject, played) {
    const [id] = played.rows[0].around.twin?.sharedIds ?? []
    if (id === undefined) return touchesTwin(played)
    return {
      row: 0,
      says: `both have the id '${id}'`,
      expected: 'ids that each makes for itself',
      found: `id="${id}" twice in one tree: labels and descriptions of the second lead to the first`,
    }
  },
})
