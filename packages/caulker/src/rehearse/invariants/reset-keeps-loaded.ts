import { equal, printed } from '../../contract/index.js'
import type { PendingCall } from '../../machine/index.js'
import { frontOf } from '../play/sight.js'
import { cellName, invariant } from './invariant.js'

/** A reset does not bring back what stood before something was loaded. */
export const resetKeepsLoaded = invariant({
  id: 'reset-keeps-loaded',
  title: 'A reset keeps what was loaded',
  why: 'What stood before the load was never true for anybody: it is a placeholder, or the record of somebody else.',
  mend: "Reset to 'saved', which counts what was loaded; or leave the loaded cells out with leaves, or refresh them.",
  watches: 'presses',
  *judge({ plan, ran, after, memory }) {
    if (!ran.some(({ step }) => step === 'reset')) return
    const { machine } = plan
    const front = frontOf(after, machine)
    const asked = (after.slots[machine.slots.calls] as readonly PendingCall[]).map(
      ({ site }) => machine.sites[site]?.into,
    )
    for (const cell of machine.screens[front]?.reset?.cells ?? [])
      if (cell in memory.loaded && !equal(after.slots[cell], memory.loaded[cell]) && !asked.includes(cell))
        yield {
          subject: cellName(machine, cell),
          says: `the reset makes ${printed(after.slots[cell])} of ${cellName(machine, cell)}, for which ${printed(memory.loaded[cell])} had been loaded`,
          cells: [cell],
          screen: front,
          path: ['reset'],
        }
  },
})
