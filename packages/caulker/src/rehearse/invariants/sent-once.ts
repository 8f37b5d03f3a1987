import { equal } from '../../contract/index.js'
import type { PendingCall } from '../../machine/index.js'
import { invariant, sentAt, sentIn } from './invariant.js'

/** What creates something is sent once for each intention. */
export const sentOnce = invariant({
  id: 'sent-once',
  title: 'What creates something is sent once',
  why: 'An impatient second press, before the answer has come, creates a second one of the same.',
  mend: 'Send it with submit, which does nothing while one is out; or take the button away with states.sending() or states.loading().',
  watches: 'sends',
  *judge(passage) {
    const { plan, middle } = passage
    const { machine } = plan
    const out = (middle.slots[machine.slots.calls] as readonly PendingCall[]).filter((call) => !call.isExpired)
    const fresh: PendingCall[] = []
    for (const { call, site, name } of sentIn(passage)) {
      const isSame = (other: PendingCall) =>
        other.id !== call.id &&
        machine.sites[other.site] !== undefined &&
        machine.sites[other.site]?.name === name &&
        equal(other.given, call.given)
      if (site.operation.effect === 'creates' && [...out, ...fresh].some(isSame))
        yield {
          subject: name,
          says: `${name} is sent twice with the same, although nobody has answered the first`,
          ...sentAt(machine, site),
        }
      fresh.push(call)
    }
  },
})
