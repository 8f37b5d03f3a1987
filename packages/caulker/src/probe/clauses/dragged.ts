import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { drags } from './ends-when-let-go.js'

/** What can be dragged is dragged, and let go of after a while. */
export function* draggedThenLetGo(subject: Subject): Iterable<Trail> {
  for (const { given, grab } of drags(subject)) yield { given, moves: [gesture(grab), gesture({ do: 'release' })] }
}

/** Where each edit is reported, so is each move of a drag; where an edit is reported at its end, a drag may count as many. */
export function reportedOtherwise({ values }: Subject, { trail, rows }: Played): LeakAt | undefined {
  const [, dragged, ended] = rows
  if (!isDone(trail.moves[0], 'grab') || dragged === undefined || ended === undefined) return undefined
  if (dragged.impossible !== undefined || ended.impossible !== undefined) return undefined
  for (const { name, event, reports, within } of values) {
    const [early, late] = [dragged, ended].map(({ heard }) => heard.find(({ value }) => value === name))
    if (reports === 'edit' && within === 0 && early === undefined && late !== undefined)
      return {
        row: 1,
        says: `it reports ${name} only when what is dragged is let go of`,
        expected: `heard ${event} as soon as it moves`,
        found: 'nothing is heard',
      }
  }
  return undefined
}
