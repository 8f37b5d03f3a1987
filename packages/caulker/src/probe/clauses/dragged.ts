import { printed } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { drags } from './ends-when-let-go.js'

/** What can be dragged is dragged, and let go of after a while. */
export function* draggedThenLetGo(subject: Subject): Iterable<Trail> {
  for (const { given, grab } of drags(subject)) yield { given, moves: [gesture(grab), gesture({ do: 'release' })] }
}

/** A drag is reported as it goes where each edit is reported, and at its end where that is. */
export function reportedOtherwise({ values }: Subject, { trail, rows }: Played): LeakAt | undefined {
  const [, dragged, ended] = rows
  if (!isDone(trail.moves[0], 'grab') || dragged === undefined || ended === undefined) return undefined
  if (dragged.impossible !== undefined || ended.impossible !== undefined) return undefined
  for (const { name, event, reports, within } of values) {
    const [early, late] = [dragged, ended].map(({ heard }) => heard.find(({ value }) => value === name))
    if (reports === 'commit' && early !== undefined)
      return {
        row: 1,
        says: `it reports ${name} while it is still being dragged`,
        expected: 'nothing is heard before it is let go of',
        found: `heard ${event} ${printed(early.payload)}`,
      }
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
