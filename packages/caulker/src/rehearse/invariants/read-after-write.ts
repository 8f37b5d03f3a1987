import type { PendingCall } from '../../machine/index.js'
import { invariant, sentAt } from './invariant.js'

/** What is read again after a change is read once the change has been taken. */
export const readAfterWrite = invariant({
  id: 'read-after-write',
  title: 'What is read again is read after the answer',
  why: 'Asked before the office has taken the change, it answers with what stood before: the screen shows the old list as the new one.',
  mend: 'Refresh in then, once the answer has come.',
  watches: 'calls',
  *judge({ plan: { machine }, happened, after }) {
    const calls = after.slots[machine.slots.calls] as readonly PendingCall[]
    const sent = happened.calls.flatMap(({ id }) => calls.find((call) => call.id === id) ?? [])
    for (const [at, call] of sent.entries()) {
      const site = machine.sites[call.site]
      if (site === undefined || site.operation.effect !== 'reads') continue
      const write = sent
        .slice(0, at)
        .flatMap((one) => machine.sites[one.site] ?? [])
        .find(({ source, operation }) => source === site.source && operation.effect !== 'reads')
      if (write !== undefined)
        yield {
          subject: `${site.name} ${write.name}`,
          says: `${site.name} is asked before ${write.name} has answered: it gives what stood before`,
          cells: site.into < 0 ? [] : [site.into],
          ...sentAt(machine, write),
        }
    }
  },
})
