import { allLines } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import { takesAnyText } from '../subject/off-type.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** The message of the property that its contract names for messages is there to be read, and not only marked. */
export function problemUnread({ contract, names }: Subject, { trail, rows: [row] }: Played): LeakAt | undefined {
  const clause = names.find(({ name }) => name === contract.problem)
  // One of a few words may be drawn as others.
  const message = trail.given[clause?.name ?? '']
  if (clause === undefined || typeof message !== 'string' || !takesAnyText(clause.type)) return undefined
  const words = message.replace(/\s+/g, ' ').trim()
  const lines = allLines(row.picture)
  if (words === '' || lines.some((line) => line.includes(words))) return undefined
  return {
    row: 0,
    says: `the message in ${clause.name} is nowhere to be read`,
    expected: `shown ${words}`,
    found: `shown ${lines.join(' · ')}`,
    cause: 'it is hidden, or drawn as a mark alone',
  }
}
