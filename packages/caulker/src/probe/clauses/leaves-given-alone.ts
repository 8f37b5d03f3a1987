import { accepts, type TSchema } from '../../contract/index.js'
import { clause } from './clause.js'
import { tell } from '../stage/trail.js'

/** It never changes an object that it was given. */
export const leavesGivenAlone = clause({
  id: 'leaves-given-alone',
  group: 'down',
  promise: 'It never changes an object that its owner gave it.',
  why: 'The owner still holds that object: it changes without having been set, nothing follows it, and a reset brings back what was changed.',
  tried:
    'Lists and objects are given and told, everything that a person can do is done, and the objects are compared with what they were.',
  unprovenWhen: 'No name and no command takes a list or an object.',
  random: 'any',
  onTrial: 'gesture',
  concerns: ({ properties, values, commands }) =>
    [
      ...Object.values<{ type: object }>({ ...properties, ...values }).map(({ type }) => type),
      ...Object.values<{ takes: object | undefined }>(commands).flatMap(({ takes }) => takes ?? []),
    ].some((type) => /"(?:array|object|Date)"/.test(JSON.stringify(type))),
  *trails(subject) {
    for (const { name, type } of subject.tellable)
      for (const value of subject.plain(name))
        if (typeof value === 'object' && value !== null) {
          // In another order, too: what puts its list in order puts its own in order.
          for (const one of [value, ...turned(value, type)]) {
            yield { given: { ...subject.middle, [name]: one }, moves: [] }
            yield { given: subject.middle, moves: [tell({ [name]: one })] }
          }
          for (const call of subject.calls) yield { given: { ...subject.middle, [name]: value }, moves: [call] }
          for (const way of subject.chiefWays) yield { given: { ...way.given, [name]: value }, moves: way.moves }
        }
    for (const call of subject.calls)
      if (typeof call.takes === 'object' && call.takes !== null) yield { given: subject.middle, moves: [call] }
  },
  judge(_subject, { rows }) {
    for (const [at, row] of rows.entries()) {
      const name = row.around.mutated.find((one) => !one.startsWith('the payload'))
      const isReported = row.around.mutated.some((one) => one.startsWith('the payload'))
      if (name !== undefined && !isReported)
        return {
          row: at,
          says: `it changes the object that it was given as ${name}`,
          expected: `${name} stays as its owner made it`,
          found: `${name} has other contents`,
          cause: 'it pushes, sorts or sets on the object itself; it needs a copy',
        }
    }
    return undefined
  },
})

function turned(value: object, type: TSchema): unknown[] {
  const other = Array.isArray(value) && value.length > 1 ? [...(value as unknown[])].reverse() : undefined
  return other !== undefined && accepts(type, other) ? [other] : []
}
