import { equal } from '../../contract/index.js'
import type { FittingPlan } from '../plan/index.js'
import { overtakeDrafts } from './drafts.js'
import { propose } from './propose.js'
import { isUnfinished, noteUnfinished } from './unfinished.js'
import { put, retellAll, was, type Work } from './work.js'

/** What follows from a transaction in the machine itself: what is hidden drops what was typed, or is emptied; drafts are overtaken, changes are counted. */
export function finish(work: Work): void {
  const { machine, scratch, slots } = work
  for (const at of machine.placed) {
    const { shown } = machine.fittings[at] as FittingPlan
    if (shown === undefined || was(work, shown.slot) !== true || slots[shown.slot] === true) continue
    if (isUnfinished(work, at)) {
      noteUnfinished(work, at, undefined)
      retellAll(work, at)
    }
    for (const cell of shown.clears) propose(work, cell, machine.cells[cell]?.initial)
  }
  if (machine.drafts.length > 0) overtakeDrafts(work)
  for (const slot of scratch.slots) {
    const cell = slot < machine.cells.length ? machine.cells[slot] : undefined
    // What an answer writes is no change that would keep another answer out.
    if (cell === undefined || cell.revision < 0 || slot in (work.answered?.writes ?? {})) continue
    if (!equal(was(work, slot), slots[slot])) put(work, cell.revision, (slots[cell.revision] as number) + 1)
  }
}
