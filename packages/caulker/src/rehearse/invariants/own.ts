import { messageOf } from '../../words/index.js'
import { printed } from '../../contract/index.js'
import type { Rule } from '../play/own-rules.js'
import type { Invariant } from './invariant.js'

/** What a screen or journey says of itself, as an invariant. */
export function ownInvariant({ sentence, isAlways, screen, slots, holds, section }: Rule): Invariant {
  return {
    id: isAlways ? 'always' : 'never',
    title: sentence,
    why: `${screen.name} says that ${isAlways ? 'this always holds' : 'this never happens'}.`,
    mend: 'Change the wiring, or the sentence.',
    watches: 'everything',
    *judge({ plan, after }) {
      const at = {
        screen: screen.at,
        path: [section, sentence],
        cells: slots.filter((slot) => slot < plan.machine.cells.length),
      }
      if (screen.at >= 0 && after.slots[plan.machine.slots.front] !== screen.at) return
      const values = slots.map((slot) => after.slots[slot])
      let isHeld: boolean
      try {
        isHeld = holds(...(values as never[]))
      } catch (thrown) {
        yield { subject: sentence, says: `what judges “${sentence}” throws: ${messageOf(thrown)}`, ...at }
        return
      }
      if (isHeld === isAlways) return
      yield {
        subject: sentence,
        says: `“${sentence}” ${isAlways ? 'does not hold' : 'happens'} with ${values.map((value) => printed(value, 40)).join(', ')}`,
        ...at,
      }
    },
  }
}
