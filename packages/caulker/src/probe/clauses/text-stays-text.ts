import { equal, isHost } from '../../contract/index.js'
import { clause, type Examined } from './clause.js'
import { shadowOf } from '../../dom/index.js'
import { ledgerOf } from '../stage/ledger.js'
import type { Subject } from '../subject/subject.js'
import type { Given } from '../../mount/index.js'

const MARK = 'data-caulker-mark'
const TEXT = `<b ${MARK}>oakum</b>`

/** No property becomes HTML. */
export const textStaysText = clause({
  id: 'text-stays-text',
  group: 'down',
  promise: 'A text stays a text: what stands in a property never becomes an element of the page.',
  why: 'Whatever a person enters elsewhere runs here: a name with a script in it reads the session of whoever looks at it.',
  tried: 'Each text is given with an element written in it; so is each text in a list or an object.',
  unprovenWhen: 'No name takes just any text.',
  random: 'none',
  onTrial: 'mount',
  concerns: () => true,
  *trails() {},
  judge: () => undefined,
  async examine(subject): Promise<Examined> {
    let held = 0
    for (const { name } of subject.names) {
      for (const value of [TEXT, ...subject.plain(name).slice(0, 2).flatMap(withText)]) {
        const given = { ...subject.middle, [name]: value }
        if (!equal(subject.ideally(name, given), value)) continue
        if ((await subject.look(given, marks)) === true) return leakOf(subject, name, given)
        held++
      }
    }
    return held > 0 ? { held } : { unproven: 'No name takes just any text.' }
  },
})

async function leakOf(subject: Subject, name: string, given: Given): Promise<Examined> {
  const played = await subject.play({ given, moves: [] })
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

/** The same list or object with the text in one of its places, once for each place; of a list only the first entry. */
function withText(value: unknown): unknown[] {
  if (typeof value === 'string') return [TEXT]
  if (Array.isArray(value))
    return value.slice(0, 1).flatMap((first) => withText(first).map((one) => [one, ...value.slice(1)]))
  if (typeof value !== 'object' || value === null || isHost(value)) return []
  const parts = value as Readonly<Record<string, unknown>>
  return Object.entries(parts).flatMap(([name, part]) => withText(part).map((one) => ({ ...parts, [name]: one })))
}

/** Whether an element of the text stands anywhere, through open shadow roots. */
function marks(root: ParentNode): boolean {
  if (root.querySelector(`[${MARK}]`) !== null) return true
  return [...root.querySelectorAll('*')].some((element) => {
    const shadow = shadowOf(element)
    return shadow !== null && marks(shadow)
  })
}
