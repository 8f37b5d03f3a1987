import type { Clause } from './clauses/clause.js'
import { exploreComponent, type Explored } from './exploration.js'
import type { Trail } from './stage/trail.js'
import type { Subject } from './subject/subject.js'

/** The trails of each clause: those of its own first, then what was explored for all. */
export interface LaidOut {
  of(clause: Clause): AsyncIterable<{ readonly trail: Trail; readonly isExplored: boolean }>
}

const MOST_TRAILS = 160

/**
 * Lays out what clauses try before any is judged, so that nothing is played only for what another trail begins with.
 *
 * @param tried each clause with the subject that it is judged on
 * @param moves how many moves the exploration makes
 */
export async function layOut(
  tried: ReadonlyMap<Clause, Subject>,
  subject: Subject,
  seed: number,
  moves: number,
): Promise<LaidOut> {
  const own = new Map<Clause, readonly Trail[]>()
  const lists = [...tried].map(([clause, of]) => ({ clause, of, trails: clause.trails(of) }))
  const isKnown = ({ trails }: (typeof lists)[number]) => Symbol.iterator in trails
  // Those that have to play something to know what is worth trying come last.
  for (const { clause, of, trails } of [...lists.filter(isKnown), ...lists.filter((one) => !isKnown(one))]) {
    const all: Trail[] = []
    for await (const trail of trails) if (all.push(trail) >= MOST_TRAILS) break
    own.set(clause, all)
    of.foresee(all)
  }
  let explored: Promise<Explored> | undefined

  return {
    async *of(clause) {
      for (const trail of own.get(clause) ?? []) yield { trail, isExplored: false }
      if (clause.random === 'none') return
      explored ??= exploreComponent(subject, seed, moves)
      for (const trail of (await explored)[clause.random]) yield { trail, isExplored: true }
    },
  }
}
