import { clause, type Examined } from '../clause.js'
import { shadowOf } from '../../dom/index.js'
import { ledgerOf } from '../ledger.js'
import type { Subject } from '../subject.js'

const MARK = 'data-caulker-mark'
const TEXT = `<b ${MARK}>oakum</b>`

/** No property becomes HTML. */
export const textStaysText = clause({
  id: 'text-stays-text',
  group: 'down',
  promise: 'A text stays a text: what stands in a property never becomes an element of the page.',
  why: 'Whatever a person enters elsewhere runs here: a name with a script in it reads the session of whoever looks at it.',
  tried: 'Each text is given with an element written in it, at the mount and later.',
  unprovenWhen: 'No name takes just any text.',
  random: 'none',
  onTrial: 'mount',
  concerns: () => true,
  *stories() {},
  judge: () => undefined,
  async examine(subject): Promise<Examined> {
    let held = 0
    for (const { name } of subject.names) {
      const given = { ...subject.middle, [name]: TEXT }
      if (subject.ideally(name, given) !== TEXT) continue
      if ((await subject.look(given, marks)) === true) return leakOf(subject, name)
      held++
    }
    return held > 0 ? { held } : { unproven: 'No name takes just any text.' }
  },
})

async function leakOf(subject: Subject, name: string): Promise<Examined> {
  const played = await subject.play({ given: { ...subject.middle, [name]: TEXT }, moves: [] })
  return {
    leak: {
      says: `what stands in ${name} becomes an element`,
      expected: `shown ${TEXT}`,
      found: 'an element <b> that nobody wrote into the page',
      cause: 'it is set with innerHTML; a text is set with textContent',
      ledger: ledgerOf(subject.contract, played, 0),
    },
  }
}

/** Whether an element of the text stands anywhere, through open shadow roots. */
function marks(root: ParentNode): boolean {
  if (root.querySelector(`[${MARK}]`) !== null) return true
  return [...root.querySelectorAll('*')].some((element) => {
    const shadow = shadowOf(element)
    return shadow !== null && marks(shadow)
  })
}
