import { equal, printed } from '../../contract/index.js'
import type { OpenDraft } from '../../machine/index.js'
import { allPlanned } from '../play/all-planned.js'
import { isThere } from '../play/sight.js'
import { invariant } from './invariant.js'

/** A draft that was cancelled does not come back. */
export const draftStaysGone = invariant({
  id: 'draft-stays-gone',
  title: 'A cancelled draft does not come back',
  why: 'Taking the field away is no cancelling: its draft stays open, and the next time it is shown the old text is in it.',
  mend: 'Forget it with discard in the action that takes the field away.',
  watches: 'everything',
  *judge({ plan, before, after, memory }) {
    const { machine } = plan
    for (const [at, copy] of Object.entries(memory.hidden)) {
      const draft = machine.drafts[Number(at)]
      const fitting = draft && machine.fittings[draft.fitting]
      if (draft === undefined || fitting === undefined || isThere(before, fitting) || !isThere(after, fitting)) continue
      const open = after.slots[draft.slot] as OpenDraft | undefined
      const isForgettable = allPlanned(machine).some(
        (step) => step.step === 'discard' && step.drafts.includes(Number(at)),
      )
      if (open === undefined || !equal(open.copy, copy) || isForgettable) continue
      yield {
        subject: draft.name,
        says: `${fitting.name} was taken away while ${printed(copy)} was being edited in it, and shown again it still is`,
        cells: [draft.cell],
        fittings: [fitting.name],
        screen: fitting.screen,
        path: ['shown', fitting.name],
      }
    }
  },
})
