import { equal } from '../contract/index.js'
import type { Clause, LeakAt } from './clauses/clause.js'
import type { Played } from './stage/played.js'
import type { Trail } from './stage/trail.js'
import type { Subject } from './subject/subject.js'
import { judged } from './judge.js'

/**
 * The shortest trail that still breaks a clause: dropping any step, or anything given that is not required, would lose the leak.
 *
 * @param hides another leak that is no shorter trail to this one, since it is told already and about something else
 */
export async function minimise(
  clause: Clause,
  subject: Subject,
  played: Played,
  leak: LeakAt,
  hides: (played: Played, leak: LeakAt) => boolean = () => false,
): Promise<{ played: Played; leak: LeakAt }> {
  let best = { played, leak }
  for (let smaller = true; smaller;) {
    smaller = false
    for (const trail of shorter(best.played.trail, best.leak.row, subject)) {
      const tried = await subject.play(trail)
      const found = await judged(clause, subject, tried)
      if (found.leak === undefined || hides(tried, found.leak)) continue
      best = { played: tried, leak: found.leak }
      smaller = true
      break
    }
  }
  return best
}

/** What comes after the leak first, then each move, then each name that need not be given. */
function* shorter(trail: Trail, row: number, { base }: Subject): Iterable<Trail> {
  if (trail.moves.length > row) yield { ...trail, moves: trail.moves.slice(0, row) }
  for (let at = 0; at < trail.moves.length; at++)
    yield { ...trail, moves: trail.moves.filter((_, other) => other !== at) }
  for (const name of Object.keys(trail.given)) {
    const { [name]: dropped, ...rest } = trail.given
    if (!Object.hasOwn(base, name)) yield { ...trail, given: rest }
    else if (!equal(dropped, base[name])) yield { ...trail, given: { ...trail.given, [name]: base[name] } }
  }
}
