import { equal, isHost, printed } from '../../contract/index.js'
import { clause } from '../clause.js'
import { pictureText, samePicture } from '../picture.js'

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
  onTrial: 'gesture',
  concerns: (contract) =>
    Object.values<{ default: unknown }>({ ...contract.properties, ...contract.values }).some(
      (one) => typeof one.default === 'object' && one.default !== null && !isHost(one.default),
    ),
  *stories(subject) {
    for (const way of subject.chiefWays)
      for (const moves of [way.moves, [...way.moves, ...way.moves]])
        yield { given: subject.least, moves, setting: 'twin' }
  },
  judge(_subject, { rows }) {
    const first = rows[0].around.twin
    if (first === undefined) return undefined
    for (const [at, row] of rows.entries()) {
      const twin = row.around.twin
      if (twin === undefined || at === 0) continue
      const unlike = Object.keys(first.read).find((name) => !equal(first.read[name], twin.read[name]))
      if (unlike !== undefined)
        return {
          row: at,
          says: `what is done at one instance changes ${unlike} of another`,
          expected: `${unlike} ${printed(first.read[unlike])} at the other`,
          found: `${unlike} ${printed(twin.read[unlike])} at the other`,
          cause: 'both hold one and the same default object',
        }
      if (!samePicture(first.picture, twin.picture))
        return {
          row: at,
          says: 'what is done at one instance is shown at another',
          expected: `the other shows ${pictureText(first.picture)}`,
          found: `the other shows ${pictureText(twin.picture)}`,
          cause: 'both hold one and the same default object',
        }
    }
    return undefined
  },
})
