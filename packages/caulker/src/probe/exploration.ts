import { nat, sample } from 'fast-check'
import type { Played } from './stage/played.js'
import { isTell, tell, trailKey, type Move, type Trail } from './stage/trail.js'
import type { Subject } from './subject/subject.js'

/** What was explored: trails of tells alone, and trails of everything that an owner and a person can do. */
export interface Explored {
  readonly tells: readonly Trail[]
  readonly any: readonly Trail[]
}

const LONGEST = 7

/**
 * One seeded exploration of a component, shared by all clauses. It starts from several mounts; a trail that shows a picture, a value, a
 * report or a validity that was not there before is kept and gone on from. The same seed and budget give the same trails.
 *
 * @param moves how many moves are made in all
 */
export async function exploreComponent(subject: Subject, seed: number, moves: number): Promise<Explored> {
  const draws = sample(nat(), { seed, numRuns: 4 * moves + 4 })
  const draw = (count: number) => (draws.pop() ?? 0) % count
  const { base, middle } = subject
  const tells = subject.tellable.flatMap(({ name }) =>
    subject.plain(name).map((value): readonly Move[] => [tell({ [name]: value })]),
  )
  const ways = subject.ways.map((way): readonly Move[] => way.moves)
  const calls = subject.calls.map((call): readonly Move[] => [call])
  const all = ways.length === 0 ? [] : [...tells, ...ways, ...ways, ...calls]
  return {
    tells: await wander(subject, [base, varied(subject)], tells, Math.ceil(moves / 2), draw),
    any: await wander(subject, [middle, base, varied(subject)], all, Math.ceil(moves / 2), draw),
  }
}

/** A mount at which nothing that may be left out stands where it usually stands. */
function varied({ base, tellable, plain }: Subject): Trail['given'] {
  const others = tellable.flatMap(({ name, kind }) => {
    const given = kind === 'property' ? (plain(name)[1] ?? plain(name)[0]) : undefined
    return given === undefined ? [] : [[name, given] as const]
  })
  return { ...base, ...Object.fromEntries(others) }
}

async function wander(
  subject: Subject,
  starts: readonly Trail['given'][],
  steps: readonly (readonly Move[])[],
  budget: number,
  draw: (count: number) => number,
): Promise<Trail[]> {
  if (steps.length === 0) return []
  const kept: Trail[] = starts.map((given) => ({ given, moves: [] }))
  const seen = new Set<string>()
  const found = new Map<string, Trail>()
  for (let spent = 0; spent < budget;) {
    const from = kept[draw(kept.length)] as Trail
    const step = steps[draw(steps.length)] as readonly Move[]
    spent += step.length
    const trail = { given: from.given, moves: [...from.moves, ...step] }
    if (trail.moves.length > LONGEST) continue
    const played = await subject.play(trail)
    found.set(trailKey(trail), trail)
    const sight = seenAt(played)
    if (sight === undefined || seen.has(sight)) continue
    seen.add(sight)
    kept.push(trail)
  }
  return [...found.values()].filter((trail) => trail.moves.length > 1 || trail.moves.every((move) => !isTell(move)))
}

/** What the end of a trail shows, says and holds; nothing where it went wrong. */
function seenAt({ rows, trail }: Played): string | undefined {
  const row = rows[rows.length - 1]
  if (row === undefined || rows.length <= trail.moves.length) return undefined
  if (row.fault !== undefined || row.unsettled !== undefined || row.impossible !== undefined) return undefined
  return trailKey([row.picture, row.read, row.around.isValid, row.heard.map(({ event }) => event)])
}
