import { equal, limitsOf, outsideText } from '../../contract/index.js'
import { problemAt } from '../../machine/index.js'
import { problemsOn, visibleLinks } from '../play/sight.js'
import { cellName, invariant } from './invariant.js'

/** A value that its bounds have left behind comes in, or it is said that it is outside. */
export const withinBounds = invariant({
  id: 'within-bounds',
  title: 'What a moved bound leaves outside does not stand in silence',
  why: 'A bound that drops below what was entered makes it wrong without anybody doing anything at the field.',
  mend: "Let the value be brought in (outside: 'clamp'), or be turned down with a reason (outside: 'refuse').",
  watches: 'everything',
  *judge({ plan, before, after, memory }) {
    const { machine } = plan
    for (const { key, link } of visibleLinks(plan, after)) {
      const { value, fitting, cell } = link
      const [now, then] = [after.parts.get(key), before.parts.get(key)]
      if (now === undefined || then === undefined || value.outside === 'mark' || !(cell in memory.typed)) continue
      const standing = now.part.component.standing(now.state, value.name)
      const isMovedBound = equal(standing, then.part.component.standing(then.state, value.name))
      const limits = limitsOf(value, (of) => now.part.component.standing(now.state, of))
      const were = limitsOf(value, (of) => then.part.component.standing(then.state, of))
      const outside = outsideText(standing, limits)
      if (!isMovedBound || equal(limits, were) || outside === undefined || outsideText(standing, were) !== undefined)
        continue
      if (problemAt(problemsOn(after, machine, fitting.screen), [cell]) !== '') continue
      yield {
        subject: `${fitting.name}.${value.name}`,
        says: `${outside}: the bound of ${fitting.name} has moved, and ${cellName(machine, cell)} stands in silence`,
        cells: [cell],
        fittings: [fitting.name],
        screen: fitting.screen,
        path: ['bind', fitting.name, value.name],
      }
    }
  },
})
