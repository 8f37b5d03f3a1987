import { equal, printed } from '../../contract/index.js'
import { clause } from '../clause.js'
import { pictureText, samePicture } from '../picture.js'
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
  judge(_subject, { rows }) {
    const first = rows[0].around.twin
    for (const [at, row] of rows.entries()) {
      const twin = row.around.twin
      const [id] = twin?.sharedIds ?? []
      if (id !== undefined)
        return {
          row: at,
          says: `both have the id '${id}'`,
          expected: 'ids that each makes for itself',
          found: `id="${id}" twice in one tree: labels and descriptions of the second lead to the first`,
        }
      if (first === undefined || twin === undefined || at === 0) continue
      const unlike = Object.keys(first.read).find((name) => !equal(first.read[name], twin.read[name]))
      if (unlike !== undefined)
        return {
          row: at,
          says: `what is done at one changes ${unlike} of the other`,
          expected: `${unlike} ${printed(first.read[unlike])} at the other`,
          found: `${unlike} ${printed(twin.read[unlike])} at the other`,
        }
      if (!samePicture(first.picture, twin.picture))
        return {
          row: at,
          says: 'what is done at one is shown at the other',
          expected: `the other shows ${pictureText(first.picture)}`,
          found: `the other shows ${pictureText(twin.picture)}`,
        }
    }
    return undefined
  },
})
