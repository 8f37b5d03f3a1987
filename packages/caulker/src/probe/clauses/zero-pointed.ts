import { accepts } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { samePicture } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import type { Trail } from '../stage/trail.js'
import { choiceOf } from '../subject/among.js'
import { furnished } from '../subject/other-mounts.js'
import type { Subject } from '../subject/subject.js'
import { withPart } from './beside.js'
import type { LeakAt } from './clause.js'
import { numbersIn, partAt } from './zero-inside.js'

/** A number that may be nothing is 0, where an entry of a list has that number: it may point at it. */
export function* zeroPointed(subject: Subject): Iterable<Trail> {
  const pointers = subject.names.filter(({ type }) => accepts(type, 0) && accepts(type, null))
  for (const given of pointers.length === 0 ? [] : furnished(subject))
    for (const { name, type } of subject.names)
      for (const path of Array.isArray(given[name]) ? numbersIn(given[name]).filter(([at]) => at === '0') : []) {
        const list = withPart(given[name], path, 0)
        if (!accepts(type, list)) continue
        // What is chosen from it is in it still.
        const others = subject.values.flatMap((value): [string, unknown][] =>
          value.among?.list === name ? [[value.name, choiceOf(value, (list as unknown[]).at(-1))]] : [],
        )
        const filled = { ...given, [name]: list, ...Object.fromEntries(others) }
        for (const pointer of pointers) yield { given: { ...filled, [pointer.name]: 0 }, moves: [] }
      }
}

/** Another number of the list looks like something where it is given, and 0 like nothing. */
export async function zeroUnpointed(subject: Subject, { trail, rows: [row] }: Played): Promise<LeakAt | undefined> {
  const { given, moves } = trail
  for (const { name, type } of moves.length > 0 ? [] : subject.names) {
    if (given[name] !== 0 || !accepts(type, null)) continue
    const mounted = async (value: unknown) => (await subject.fresh({ ...given, [name]: value })).picture
    const nothing = await mounted(null)
    if (!samePicture(row.picture, nothing)) continue
    for (const id of idsBeside(given).filter((one) => accepts(type, one)))
      if (!samePicture(await mounted(id), nothing))
        return {
          row: 0,
          says: `${name} 0 is shown as if there were none`,
          expected: `another picture than with ${name} null, as with ${name} ${id}`,
          found: 'the same',
          cause: '0 is taken for missing',
        }
  }
  return undefined
}

/** The numbers of all entries of those lists in which the first has a 0. */
function idsBeside(given: Given): number[] {
  return Object.values(given).flatMap((list) => {
    const members = Array.isArray(list) ? numbersIn(list).filter(([at]) => at === '0') : []
    const zeros = members.filter((path) => partAt(list, path) === 0)
    const others = Array.isArray(list) ? list.slice(1) : []
    return zeros.flatMap(([, ...path]) =>
      others.map((entry) => partAt(entry, path)).filter((one) => typeof one === 'number'),
    )
  })
}
