import { equal, isEmpty, printed } from '../../contract/index.js'
import type { OpenDraft } from '../../machine/index.js'
import { shownIn } from '../play/sight.js'
import { isSentBy } from '../play/memory.js'
import { cellName, editorsOf, invariant, sentAt } from './invariant.js'

/** A failure loses nothing of what a person has entered. */
export const failureKeepsTyped = invariant({
  id: 'failure-keeps-typed',
  title: 'A failure loses nothing that was typed',
  why: 'Who is turned down wants to try again, not to enter everything anew.',
  mend: 'Leave the cells alone in fails; clear them in then, once it has been taken.',
  watches: 'failures',
  *judge({ plan, move, answered, before, after, memory }) {
    if (move === undefined || answered === undefined || !('fail' in move || 'never' in move)) return
    const { machine } = plan
    const site = machine.sites[answered.site]
    if (site === undefined) return
    const at = sentAt(machine, site)
    for (const cell of Object.keys(memory.typed).map(Number))
      // A tick is given, not typed: it may have to be given again.
      if (typeof before.slots[cell] !== 'boolean' && !equal(before.slots[cell], after.slots[cell]))
        yield {
          subject: cellName(machine, cell),
          says: `${site.name} fails, and ${cellName(machine, cell)}, where a person had entered ${printed(before.slots[cell])}, becomes ${printed(after.slots[cell])}`,
          cells: [cell],
          fittings: editorsOf(machine, cell),
          ...at,
        }
    for (const cell of Object.keys(memory.wiped).map(Number))
      if (isSentBy(site, cell) && isEmpty(after.slots[cell]))
        yield {
          subject: cellName(machine, cell),
          says: `${site.name} fails, and ${cellName(machine, cell)}, where a person had entered ${printed(memory.wiped[cell])}, was emptied as it was sent`,
          cells: [cell],
          fittings: editorsOf(machine, cell),
          ...at,
        }
    for (const { slot, name, fitting } of machine.drafts) {
      const [open, still] = [before.slots[slot], after.slots[slot]] as (OpenDraft | undefined)[]
      if (open !== undefined && !equal(open.copy, still?.copy))
        yield {
          subject: name,
          says: `${site.name} fails, and what was being edited in ${machine.fittings[fitting]?.name}, ${printed(open.copy)}, is gone`,
          fittings: [machine.fittings[fitting]?.name ?? ''],
          ...at,
        }
    }
    for (const [key, { part, state }] of before.parts)
      for (const { value } of plan.links[part.index] ?? []) {
        const open = part.component.unfinished(state, value.name)
        if (open !== undefined && after.parts.has(key) && !equal(open.value, shownIn(after, key, value.name)))
          yield {
            subject: `${part.fitting.name}.${value.name}`,
            says: `${site.name} fails, and what was being typed in ${part.fitting.name}, ${printed(open.value)}, is gone`,
            fittings: [part.fitting.name],
            ...at,
          }
      }
  },
})
