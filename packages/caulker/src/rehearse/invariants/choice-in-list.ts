import { equal, isEmpty, pointerParts, printed, valueAt } from '../../contract/index.js'
import { visibleLinks } from '../play/sight.js'
import { cellName, invariant } from './invariant.js'

/** A choice that is gone from its list is not held in silence. */
export const choiceInList = invariant({
  id: 'choice-in-list',
  title: 'A choice is among its options, or it is said',
  why: 'The list has moved on: nothing is marked any more, and what was chosen is sent all the same.',
  mend: 'Empty the cell where the list is loaded, refuse what is not in it, or let the field report that it is gone.',
  watches: 'everything',
  *judge({ plan, after, happened, memory }) {
    const { machine } = plan
    for (const { key, link } of visibleLinks(plan, after)) {
      const { among } = link.value
      const kept = after.parts.get(key)
      if (among === undefined || kept === undefined || among.gone === 'mark' || !(link.cell in memory.typed)) continue
      if (among.gone === 'empty' && among.reported === true) continue
      const list = kept.part.component.standing(kept.state, among.list)
      const held = after.slots[link.cell]
      if (!Array.isArray(list) || isEmpty(held, link.value)) continue
      const parts = pointerParts(among.at ?? '') ?? []
      if (list.some((entry) => equal(valueAt(entry, parts), held))) continue
      if (happened.problems.some(({ fitting, text }) => fitting === link.fitting.name && text !== '')) continue
      yield {
        subject: `${link.fitting.name}.${link.value.name}`,
        says: `${printed(held)} stands in ${cellName(machine, link.cell)}, and ${among.list} of ${link.fitting.name} no longer has it`,
        cells: [link.cell],
        fittings: [link.fitting.name],
        screen: link.fitting.screen,
        path: ['bind', link.fitting.name],
      }
    }
  },
})
