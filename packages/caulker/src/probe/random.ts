import { array, constantFrom, sample, type Arbitrary } from 'fast-check'
import { tell, type Move, type Story } from './stage/story.js'
import type { Subject } from './subject/subject.js'

/** Seeded random stories: the same seed gives the same stories. Tells of ordinary values, and everything that a person can do. */
export function randomStories(subject: Subject, seed: number, count: number): { tells: Story[]; any: Story[] } {
  const tells = subject.tellable.flatMap(({ name }) =>
    subject.plain(name).map((value): Move[] => [tell({ [name]: value })]),
  )
  const ways = subject.ways.map((way): readonly Move[] => way.moves)
  const tellStories = stories(tells, 2, 5)
  const anyStories = stories([...tells, ...ways, ...ways], 2, 4)
  return {
    tells: drawn(tellStories, subject.base, seed, count),
    any: ways.length === 0 ? [] : drawn(anyStories, subject.middle, seed + 1, count),
  }
}

function stories(
  moves: readonly (readonly Move[])[],
  minLength: number,
  maxLength: number,
): Arbitrary<(readonly Move[])[]> | undefined {
  return moves.length === 0 ? undefined : array(constantFrom(...moves), { minLength, maxLength })
}

function drawn(
  from: Arbitrary<(readonly Move[])[]> | undefined,
  given: Story['given'],
  seed: number,
  count: number,
): Story[] {
  return from === undefined
    ? []
    : sample(from, { seed, numRuns: count }).map((parts) => ({ given, moves: parts.flat() }))
}
