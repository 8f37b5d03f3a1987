import { equal, printed } from '../../contract/index.js'
import { isSentWith } from '../play/memory.js'
import { cellName, editorsOf, invariant, sentAt } from './invariant.js'

/** What is read never takes the place of what a person has entered since they saw it. */
export const answerYields = invariant({
  id: 'answer-yields',
  title: 'What is read does not win over what was entered',
  why: 'A list that is read again, or read late, wipes out what a person has typed into it meanwhile.',
  mend: 'Read it before it can be edited, or save what was entered before it is read again.',
  watches: 'answers',
  *judge({ plan, move, answered, before, after, memory }) {
    if (move === undefined || answered === undefined || !('answer' in move || 'late' in move)) return
    const { machine } = plan
    const site = machine.sites[answered.site]
    if (site === undefined || site.operation.effect !== 'reads') return
    // What was asked with, and stands there still, has served.
    for (const cell of Object.keys(memory.typed).map(Number))
      if (!equal(before.slots[cell], after.slots[cell]) && !isSentWith(site, answered, cell, before.slots[cell]))
        yield {
          subject: cellName(machine, cell),
          says: `${site.name} answers, and ${cellName(machine, cell)}, where a person had entered ${printed(before.slots[cell])}, becomes ${printed(after.slots[cell])}`,
          cells: [cell],
          fittings: editorsOf(machine, cell),
          ...sentAt(machine, site),
        }
  },
})
