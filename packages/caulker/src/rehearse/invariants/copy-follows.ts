import { equal, printed } from '../../contract/index.js'
import { slotsGiven } from '../../machine/index.js'
import { cellName, invariant, sentAt, sentIn, type Passage } from './invariant.js'

/** A copy of a cell that is shown or sent is what the cell is now. */
export const copyFollows = invariant({
  id: 'copy-follows',
  title: 'A copied cell is not stale when it is sent',
  why: 'Two cells for one truth part at the next edit: one of them is shown, and the other is sent.',
  mend: 'Lift it to one cell of the journey that both screens share, or reckon the copy from it.',
  watches: 'sends',
  *judge(passage) {
    const { plan, after, memory } = passage
    const { machine } = plan
    for (const { site, name } of sentIn(passage)) {
      const slots = slotsGiven(site.given).map(([, slot]) => slot)
      for (const cell of slots)
        for (const from of namesakes(passage, cell))
          yield {
            subject: cellName(machine, cell),
            says: `${name} is sent ${printed(after.slots[cell])} from ${cellName(machine, cell)}, which nothing ever sets, while a person has entered ${printed(after.slots[from])} for ${cellName(machine, from)}`,
            cells: [cell, from],
            ...sentAt(machine, site),
          }
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

/** What a person has entered on another screen under the same name, where the cell that is sent is set by nothing: they were meant to be one. */
function namesakes({ plan: { machine, outside }, after, memory }: Passage, cell: number): number[] {
  const { screen = -1, name = '' } = machine.cells[cell] ?? {}
  if (screen < 0 || !outside.includes(cell)) return []
  const own = name.slice(name.lastIndexOf('.') + 1)
  return Object.keys(memory.typed)
    .map(Number)
    .filter((other) => {
      const its = machine.cells[other]
      return (
        its !== undefined &&
        its.screen !== screen &&
        its.name.slice(its.name.lastIndexOf('.') + 1) === own &&
        !equal(after.slots[other], after.slots[cell])
      )
    })
}

function isShown({ plan: { machine }, before }: Passage, cell: number): boolean {
  for (const { part } of before.parts.values())
    for (const { source } of part.fitting.bound) {
      if (source === cell) return true
      const reckoned = machine.reckoned.find(({ slot }) => slot === source)
      if (reckoned?.inputs.includes(cell) === true) return true
    }
  return false
}
