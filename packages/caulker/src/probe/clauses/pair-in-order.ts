import { equal, printed, valueClauses, crossedText, isBelow } from '../../contract/index.js'
import { clause } from './clause.js'
import { settlesEdits, tell } from '../stage/trail.js'

/** The ends of a pair never cross. */
export const pairInOrder = clause({
  id: 'pair-in-order',
  group: 'bounds',
  promise:
    'The ends of a pair never cross: the one that is moved stops at the other, and a crossed pair is not taken from its owner either.',
  why: 'From 9 to 4 selects nothing, or everything, and no server knows which was meant.',
  tried:
    'Everything that a person can do, once and several times, from pairs that stand close together; a crossed pair is told.',
  unprovenWhen: 'No pair could be given, and nothing changes one.',
  random: 'any',
  onTrial: 'gesture',
  concerns: (contract) => valueClauses(contract).some(({ ordered }) => ordered),
  *trails(subject) {
    for (const value of subject.values.filter(({ ordered }) => ordered))
      for (const pair of [value.default, ...subject.plain(value.name)].filter(Array.isArray)) {
        const [low, high] = pair as [unknown, unknown]
        if (isBelow(low, high))
          yield {
            given: { ...subject.base, [value.name]: pair },
            moves: [tell({ [value.name]: [high, low] })],
            unbounded: true,
          }
      }
    for (const value of subject.values.filter(({ ordered }) => ordered))
      for (const pair of closePairs(subject.plain(value.name), subject.limits(value, subject.middle).gap))
        for (const way of subject.ways) {
          const given = { ...way.given, [value.name]: pair }
          if (subject.ideally(value.name, given) === undefined) continue
          yield { given, moves: way.moves }
          yield { given, moves: [...way.moves, ...way.moves, ...way.moves] }
        }
  },
  judge(subject, { rows }) {
    for (const [at, row] of rows.entries())
      for (const value of subject.values.filter(({ ordered }) => ordered)) {
        const limits = subject.limits(value, row.held)
        const reported = row.heard.find(
          (one) => one.value === value.name && crossedText(one.payload, limits) !== undefined,
        )
        // What a gap that grows leaves too close stands until it is moved.
        const isMoved = at === 0 || !equal(row.read[value.name], rows[at - 1]?.read[value.name])
        const stands = reported?.payload ?? (isMoved && settlesEdits(row.move) ? row.read[value.name] : undefined)
        const crossed = crossedText(stands, limits)
        if (crossed !== undefined)
          return {
            row: at,
            says: `the ends of ${value.name} are crossed`,
            expected: 'the end that is moved stops at the other',
            found: `${value.name} ${printed(stands)}`,
          }
      }
    return undefined
  },
})

/** Each pair as it is, and with both ends as close together as they may be. */
function closePairs(pairs: readonly unknown[], gap: number): unknown[] {
  return pairs.flatMap((pair) => {
    if (!Array.isArray(pair) || pair.length !== 2) return []
    const [low] = pair as [unknown]
    return [[low, typeof low === 'number' ? low + gap : low], pair]
  })
}
