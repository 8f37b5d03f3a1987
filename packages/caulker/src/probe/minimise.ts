import { equal } from '../contract/index.js'
import type { Clause, LeakAt } from './clauses/clause.js'
import type { Played } from './stage/stage.js'
import type { Story } from './stage/story.js'
import type { Subject } from './subject/subject.js'
import { judged } from './judge.js'

/** The shortest story that still breaks a clause: dropping any step, or anything given that is not required, would lose the leak. */
export async function minimise(
  clause: Clause,
  subject: Subject,
  played: Played,
  leak: LeakAt,
): Promise<{ played: Played; leak: LeakAt }> {
  let best = { played, leak }
  for (let smaller = true; smaller;) {
    smaller = false
    for (const story of shorter(best.played.story, best.leak.row, subject)) {
      const tried = await subject.play(story)
      const found = await judged(clause, subject, tried)
      if (found.leak === undefined) continue
      best = { played: tried, leak: found.leak }
      smaller = true
      break
    }
  }
  return best
}

/** What comes after the leak first, then each move, then each name that need not be given. */
function* shorter(story: Story, row: number, { base }: Subject): Iterable<Story> {
  if (story.moves.length > row) yield { ...story, moves: story.moves.slice(0, row) }
  for (let at = 0; at < story.moves.length; at++)
    yield { ...story, moves: story.moves.filter((_, other) => other !== at) }
  for (const name of Object.keys(story.given)) {
    const { [name]: dropped, ...rest } = story.given
    if (!Object.hasOwn(base, name)) yield { ...story, given: rest }
    else if (!equal(dropped, base[name])) yield { ...story, given: { ...story.given, [name]: base[name] } }
  }
}
