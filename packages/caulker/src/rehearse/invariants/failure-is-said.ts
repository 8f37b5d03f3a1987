import { frontOf } from '../play/sight.js'
import { invariant, sentAt } from './invariant.js'

/** Where something fails, the person is told. */
export const failureIsSaid = invariant({
  id: 'failure-is-said',
  title: 'A failure is said',
  why: 'Where nothing is said, a person takes it for done, or waits for ever.',
  mend: 'Show states.problem() somewhere on the screen, or do something that is seen in fails.',
  watches: 'failures',
  *judge({ plan, move, answered, before, after, happened }) {
    if (move === undefined || answered === undefined || !('fail' in move || 'never' in move)) return
    const { machine } = plan
    const site = machine.sites[answered.site]
    if (site === undefined || site.screen !== frontOf(after, machine)) return
    // What was discarded meanwhile is nobody's concern any more.
    if (
      site.kind === 'save' &&
      answered.drafts.every((at) => before.slots[machine.drafts[at]?.slot ?? -1] === undefined)
    )
      return
    const isSaid =
      happened.problems.some(({ text }) => text !== '') ||
      happened.went.length > 0 ||
      (site.fails.length > 0 && happened.told.length > 0) ||
      happened.told.some(({ fitting, changes }) =>
        machine.fittings
          .find(({ name, screen }) => name === fitting && screen === site.screen)
          ?.bound.some(({ name, source }) => name in changes && plan.problems.has(source)),
      )
    if (!isSaid)
      yield {
        subject: site.name,
        says: `${site.name} fails, and nothing on the screen says so`,
        ...sentAt(machine, site),
      }
  },
})
