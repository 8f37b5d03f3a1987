import { equal, printed } from '../../contract/index.js'
import { frontOf } from '../play/sight.js'
import { cellName, invariant } from './invariant.js'

/** Who comes back to a screen finds what they had entered there. */
export const screensKeepTyped = invariant({
  id: 'screens-keep-typed',
  title: 'What was entered is still there on the way back',
  why: 'A cell of a screen lives as long as the screen: who looks at the next one and comes back has lost it.',
  mend: 'Name the cell in keeps, or share one of the journey with it.',
  watches: 'ways',
  *judge({ plan, after, happened, memory, before, answered }) {
    if (happened.went.length === 0 || answered !== undefined) return
    const { machine } = plan
    const front = frontOf(after, machine)
    for (const [at, value] of Object.entries(memory.lost)) {
      const cell = Number(at)
      if (machine.cells[cell]?.screen !== front || equal(after.slots[cell], value)) continue
      if (front === frontOf(before, machine)) continue
      yield {
        subject: cellName(machine, cell),
        says: `${printed(value)} had been entered for ${cellName(machine, cell)}; back on the screen it is ${printed(after.slots[cell])}`,
        cells: [cell],
        screen: front,
        path: ['cells', cellName(machine, cell).split('.').at(-1) ?? ''],
      }
    }
  },
})
