import { equal } from '../../contract/index.js'
import { clause } from './clause.js'
import { sharedWithItsOwner, writtenInto } from './written-into.js'

/** A report carries a new object, not the one that was given, changed. */
export const freshPayload = clause({
  id: 'fresh-payload',
  group: 'up',
  promise:
    'A report carries a new object, and never one that was given or reported before, changed; what its owner writes into it changes nothing of the component.',
  why: 'An owner that compares the old with the new sees the same object and takes nothing over; what it shows elsewhere stays old.',
  tried:
    'Lists and objects are given, and everything that a person can do is done; then its owner writes into what was reported.',
  unprovenWhen: 'No list or object was reported.',
  random: 'any',
  onTrial: 'gesture',
  concerns: ({ values }) =>
    Object.values<{ type: object }>(values).some(({ type }) => /"(?:array|object)"/.test(JSON.stringify(type))),
  *trails(subject) {
    for (const way of subject.ways) yield { given: way.given, moves: way.moves }
    const some = subject.chiefWays.slice(0, 3)
    for (const one of some) for (const other of some) yield { given: one.given, moves: [...one.moves, ...other.moves] }
    // Twice in the same field, with one text and another.
    for (const one of some) {
      const other = subject.ways.find(
        ({ control, text, changes }) =>
          changes.size > 0 && equal(control, one.control) && text !== undefined && text !== '' && text !== one.text,
      )
      if (other !== undefined) yield { given: one.given, moves: [...one.moves, ...other.moves] }
    }
    for (const call of subject.calls) yield { given: subject.middle, moves: [call] }
    yield* writtenInto(subject)
  },
  proves: (_subject, { rows }) =>
    rows.some(({ heard }) => heard.some(({ payload }) => typeof payload === 'object' && payload !== null)),
  judge(subject, played) {
    const { rows } = played
    const shared = sharedWithItsOwner(subject, played)
    if (shared !== undefined) return shared
    for (const [at, row] of rows.entries()) {
      const payload = row.around.mutated.find((one) => one.startsWith('the payload'))
      if (payload !== undefined)
        return {
          row: at,
          says: `${payload} is an object that its owner has already, changed`,
          expected: 'a new object',
          found: 'the same object with other contents',
          cause: 'it changes what its owner holds and sends it once more; it needs a copy',
        }
    }
    return undefined
  },
})
