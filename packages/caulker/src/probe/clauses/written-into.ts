import { equal, isHost, printed } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import type { Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

const MOST_WAYS = 6

/** What a report brought is written into by its owner. */
export function* writtenInto({ chiefWays, values, plain }: Subject): Iterable<Trail> {
  for (const { given, moves, changes } of chiefWays.slice(0, MOST_WAYS))
    for (const { name, event } of values)
      if (changes.has(name) && plain(name).some((value) => typeof value === 'object' && !isHost(value)))
        yield { given, moves: [...moves, { writesInto: event }] }
}

/** What its owner writes into a report is written into what the component holds. */
export function sharedWithItsOwner({ values }: Subject, { rows }: Played): LeakAt | undefined {
  const [before, row] = rows.slice(-2)
  if (before === undefined || row?.move === undefined || !('writesInto' in row.move)) return undefined
  const { writesInto } = row.move
  const shared = values.find(({ name, event }) => event === writesInto && !equal(before.read[name], row.read[name]))
  return (
    shared && {
      row: rows.length - 1,
      says: `${writesInto} hands out what the component holds: what its owner writes into it changes ${shared.name}`,
      expected: `${shared.name} ${printed(before.read[shared.name])}`,
      found: `${shared.name} ${printed(row.read[shared.name])}`,
      cause: 'it reports its own list or object; it needs a copy',
    }
  )
}
