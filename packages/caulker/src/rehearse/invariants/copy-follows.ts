import { equal, printed } from '../../contract/index.js'
import { slotsGiven } from '../../machine/index.js'
import { cellName, invariant, sentAt, sentIn } from './invariant.js'

/** A copy of a cell that is shown or sent is what the cell is now. */
export const copyFollows = invariant({
  id: 'copy-follows',
  title: 'A copied cell is not stale when it is sent',
  why: 'Two cells for one truth part at the next edit: one of them is shown, and the other is sent.',
  mend: 'Lift it to one cell that both share, or reckon the copy from it.',
  watches: 'sends',
  *judge(passage) {
    const { plan, after, memory } = passage
    const { machine } = plan
    for (const { site, name } of sentIn(passage)) {
      const slots = slotsGiven(site.given).map(([, slot]) => slot)
      for (const [copy, from] of plan.copies) {
        const isSent =
          slots.includes(copy) || (slots.includes(from) && isShown(passage, copy) && !isShown(passage, from))
        if (!isSent || memory.copied[copy] !== true || !(from in memory.typed)) continue
        if (equal(after.slots[copy], after.slots[from])) continue
        yield {
          subject: cellName(machine, copy),
          says: `${name} is sent while ${cellName(machine, copy)}, a copy, is ${printed(after.slots[copy])} and ${cellName(machine, from)} has become ${printed(after.slots[from])}`,
          cells: [copy, from],
          ...sentAt(machine, site),
        }
      }
    }
  },
})

function isShown({ plan: { machine }, before }: Parameters<typeof copyFollows.judge>[0], cell: number): boolean {
  for (const { part } of before.parts.values())
    for (const { source } of part.fitting.bound) {
      if (source === cell) return true
      const reckoned = machine.reckoned.find(({ slot }) => slot === source)
      if (reckoned?.inputs.includes(cell) === true) return true
    }
  return false
}
