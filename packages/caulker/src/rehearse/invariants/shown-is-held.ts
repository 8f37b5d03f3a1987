import { clauseOf, equal, isValue, printed } from '../../contract/index.js'
import type { BoundName, FittingPlan } from '../../machine/index.js'
import { heldFor, isMarked, visibleLinks, visibleParts } from '../play/sight.js'
import { cellName, invariant } from './invariant.js'

/** What a person sees in a field is what its owner holds, once nothing is being typed there. */
export const shownIsHeld = invariant({
  id: 'shown-is-held',
  title: 'What is shown is what is held',
  why: 'A person trusts what they see. Where the owner holds something else, that is what is saved.',
  mend: 'Bind the value with twoWay (or draft), so that what the owner changes is told and what is edited is heard.',
  watches: 'everything',
  *judge({ plan, after }) {
    const { machine } = plan
    for (const { part } of visibleParts(after)) {
      const { fitting, row, component } = part.part
      if (component.isPending(part.state) || isMarked(after, machine, part.part.index)) continue
      for (const bound of followedBy(fitting)) {
        const held = heldFor(after, machine, bound, row)
        const shown = component.standing(part.state, bound.name)
        if (held === undefined || equal(held, shown)) continue
        yield {
          subject: `${fitting.name}.${bound.name}`,
          says: `${fitting.name}.${bound.name} shows ${printed(shown)} while its owner holds ${printed(held)}`,
          cells: bound.source < machine.cells.length ? [bound.source] : [],
          fittings: [fitting.name],
          screen: fitting.screen,
          path: ['bind', fitting.name, bound.name],
        }
      }
    }
    for (const { key, link } of visibleLinks(plan, after)) {
      const kept = after.parts.get(key)
      if (link.kind !== 'heard' || kept === undefined || isMarked(after, machine, kept.part.index)) continue
      const { component } = kept.part
      const shown = component.standing(kept.state, link.value.name)
      if (component.isPending(kept.state) || equal(shown, after.slots[link.cell])) continue
      const cell = cellName(machine, link.cell)
      yield {
        subject: `${link.fitting.name}.${link.value.name}`,
        says: `${link.fitting.name} shows ${printed(shown)} while ${cell}, which takes its edits, holds ${printed(after.slots[link.cell])}`,
        cells: [link.cell],
        fittings: [link.fitting.name],
        screen: link.fitting.screen,
        path: ['bind', link.fitting.name],
      }
    }
  },
})

const followed = new WeakMap<FittingPlan, readonly BoundName[]>()

/** What has to show what its owner holds; what is wrong a component may say by itself. */
function followedBy(fitting: FittingPlan): readonly BoundName[] {
  const { contract, bound } = fitting
  const before = followed.get(fitting)
  if (before !== undefined) return before
  const made = bound.filter(({ name, isConstant }) => {
    const clause = clauseOf(contract, name)
    if (name === contract.problem || isConstant || clause === undefined) return false
    return !isValue(clause) || clause.lastWord !== 'self'
  })
  followed.set(fitting, made)
  return made
}
