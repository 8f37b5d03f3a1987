import { equal, printed } from '../../contract/index.js'
import type { OpenDraft } from '../../machine/index.js'
import { cellName, invariant } from './invariant.js'

/** Where leaving a screen discards its drafts, none is saved by leaving it. */
export const leavingDiscards = invariant({
  id: 'leaving-discards',
  title: 'Leaving discards, as the journey says',
  why: 'Who is told that leaving forgets what they were editing does not expect to find it saved.',
  mend: "Save it with an action of its own; or let the journey say leaving: 'keep'.",
  watches: 'ways',
  *judge({ plan, happened, middle, after }) {
    const { machine } = plan
    if (machine.leaving !== 'discard' || happened.went.length === 0) return
    for (const { slot, cell, fitting, screen } of machine.drafts) {
      const open = middle.slots[slot] as OpenDraft | undefined
      if (open === undefined || equal(open.copy, open.base) || !equal(after.slots[cell], open.copy)) continue
      yield {
        subject: cellName(machine, cell),
        says: `the screen is left, which discards its drafts, and yet ${printed(open.copy)} from ${machine.fittings[fitting]?.name} stands in ${cellName(machine, cell)}`,
        cells: [cell],
        fittings: [machine.fittings[fitting]?.name ?? ''],
        screen,
        path: ['actions'],
      }
    }
  },
})
