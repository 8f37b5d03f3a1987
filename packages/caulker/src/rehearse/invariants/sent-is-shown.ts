import { equal, printed } from '../../contract/index.js'
import { slotsGiven } from '../../machine/index.js'
import { nameIn } from '../play/move.js'
import { keyed, shownIn, visibleLinks } from '../play/sight.js'
import { cellName, invariant, sentAt, sentIn } from './invariant.js'

/** What is sent is what the person last saw in the fields that it comes from. */
export const sentIsShown = invariant({
  id: 'sent-is-shown',
  title: 'What is sent is what was last seen',
  why: 'A field that reports when it is left has not reported yet when Enter is pressed in it: the older text goes out.',
  mend: 'Send it with submit, which finishes what is being typed first; or let the value report at each edit.',
  watches: 'sends',
  *judge(passage) {
    const { plan, move, before, middle, after } = passage
    const edited = move !== undefined && 'edit' in move ? keyed(nameIn(move.edit).fitting, move.row) : undefined
    for (const { call, site, name } of sentIn(passage, true))
      for (const [member, slot] of slotsGiven(site.given))
        for (const { key, link } of visibleLinks(plan, before)) {
          if (link.cell !== slot || (site.kind === 'save' && link.kind === 'draft')) continue
          const sent = member === '' ? call.given : (call.given as Record<string, unknown>)[member]
          // What an edit itself sends is what was just entered.
          const shown = shownIn(key === edited ? after : middle, key, link.value.name)
          if (equal(sent, shown) || equal(sent, shownIn(after, key, link.value.name))) continue
          yield {
            subject: `${name} ${cellName(plan.machine, slot)}`,
            says: `${name} is sent ${printed(sent)} for ${member || cellName(plan.machine, slot)} while ${link.fitting.name} shows ${printed(shown)}`,
            cells: [slot],
            fittings: [link.fitting.name],
            ...sentAt(plan.machine, site),
          }
        }
  },
})
