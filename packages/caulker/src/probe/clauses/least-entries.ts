import { accepts, equal, valueAt, type TSchema } from '../../contract/index.js'
import { gesture, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import { isRecord, listsOf, someEntries } from './lists.js'
import { entryButtons } from './own-buttons.js'

const MOST_BUTTONS = 4

/** Entries whose numbers are as low as their type lets them be, and each button of the first: one fewer would be none. */
export async function* atTheirLeast(subject: Subject): AsyncIterable<Trail> {
  for (const value of listsOf(subject)) {
    const two = someEntries(subject, value, 2)
    const members = valueAt(value.type, ['items', 'properties'])
    if (two === undefined || !isRecord(members)) continue
    const least = Object.entries(members).flatMap(([name, type]) => {
      const minimum = (type as TSchema & { minimum?: unknown }).minimum
      return typeof minimum === 'number' ? [[name, minimum] as const] : []
    })
    const entries = two.entries.map((entry) => ({ ...(entry as object), ...Object.fromEntries(least) }))
    if (least.length === 0 || !accepts(value.type, entries)) continue
    const given = { ...two.given, [value.name]: entries }
    if (!equal(subject.ideally(value.name, given), entries)) continue
    const own = await (await entryButtons(subject, value, two.given))(entries)
    for (const { ref: on } of own.filter(({ isOff }) => !isOff).slice(0, Math.min(MOST_BUTTONS, own.length / 2)))
      yield { given, moves: [gesture({ do: 'press', on })] }
  }
}
