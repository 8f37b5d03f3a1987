import { array, constantFrom, sample, type Arbitrary } from 'fast-check'
import { tell, type Move, type Trail } from './stage/trail.js'
import type { Subject } from './subject/subject.js'

/** Seeded random trails: the same seed gives the same trails. Tells of ordinary values, and everything that a person can do. */
export function randomTrails(subject: Subject, seed: number, count: number): { tells: Trail[]; any: Trail[] } {
  const tells = subject.tellable.flatMap(({ name }) =>
    subject.plain(name).map((value): Move[] => [tell({ [name]: value })]),
  )
  const ways = subject.ways.map((way): readonly Move[] => way.moves)
  const tellTrails = trails(tells, 2, 5)
  const anyTrails = trails([...tells, ...ways, ...ways], 2, 4)
  return {
    tells: drawn(tellTrails, subject.base, seed, count),
    any: ways.length === 0 ? [] : drawn(anyTrails, subject.middle, seed + 1, count),
  }
}

function trails(
  moves: readonly (readonly Move[])[],
  minLength: number,
  maxLength: number,
): Arbitrary<(readonly Move[])[]> | undefined {
  return moves.length === 0 ? undefined : array(constantFrom(...moves), { minLength, maxLength })
}

function drawn(
  from: Arbitrary<(readonly Move[])[]> | undefined,
  given: Trail['given'],
  seed: number,
  count: number,
): Trail[] {
  return from === undefined
    ? []
    : sample(from, { seed, numRuns: count }).map((parts) => ({ given, moves: parts.flat() }))
}
