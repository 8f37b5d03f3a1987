import { messageOf } from '../../words/index.js'
import { invariant } from './invariant.js'

/** Nothing is thrown, and nothing goes round in a circle. */
export const nothingThrown = invariant({
  id: 'nothing-thrown',
  title: 'Nothing is thrown, and nothing goes round in a circle',
  why: 'What is thrown stops the steps after it; a circle is given up, and with it what a person has just done.',
  mend: 'Look at the place that is named: which value does it not expect, or which two of the wiring answer each other?',
  watches: 'faults',
  *judge({ happened, plan, after }) {
    for (const { place, error } of happened.faults) {
      // A screen that is rehearsed alone has no other beside it: that is no fault of its wiring.
      if (plan.machine.kind === 'screen' && place.startsWith('step go')) continue
      yield {
        subject: place,
        says: place === 'circle' ? messageOf(error) : `${place} throws: ${messageOf(error)}`,
        screen: after.slots[plan.machine.slots.front] as number,
        path: pathOf(place),
      }
    }
  },
})

/** `reckoned total` leads to where the total is reckoned. */
function pathOf(place: string): readonly string[] {
  const [kind, name] = place.split(' ')
  if (kind === 'reckoned' && name !== undefined) return ['reckoned', name.split('.').at(-1) ?? name]
  return kind === 'the' || name === undefined ? [] : [name]
}
