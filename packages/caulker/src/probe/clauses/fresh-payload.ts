import { clause } from './clause.js'

/** A report carries a new object, not the one that was given, changed. */
export const freshPayload = clause({
  id: 'fresh-payload',
  group: 'up',
  promise: 'A report carries a new object, and never the one that was given, changed.',
  why: 'An owner that compares the old with the new sees the same object and takes nothing over; what it shows elsewhere stays old.',
  tried: 'Lists and objects are given, and everything that a person can do is done.',
  unprovenWhen: 'No list or object was reported.',
  random: 'any',
  onTrial: 'gesture',
  concerns: ({ values }) =>
    Object.values<{ type: object }>(values).some(({ type }) => /"(?:array|object)"/.test(JSON.stringify(type))),
  *trails(subject) {
    for (const way of subject.ways) yield { given: way.given, moves: way.moves }
    for (const call of subject.calls) yield { given: subject.middle, moves: [call] }
  },
  proves: (_subject, { rows }) =>
    rows.some(({ heard }) => heard.some(({ payload }) => typeof payload === 'object' && payload !== null)),
  judge(_subject, { rows }) {
    for (const [at, row] of rows.entries()) {
      const payload = row.around.mutated.find((one) => one.startsWith('the payload'))
      if (payload !== undefined)
        return {
          row: at,
          says: `${payload} is the object that was given, changed`,
          expected: 'a new object',
          found: 'the same object with other contents',
          cause: 'it changes what it was given and sends it back; it needs a copy',
        }
    }
    return undefined
  },
})
