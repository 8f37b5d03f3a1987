import { printed } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** What can be read, and says nothing of what is given; what has no way to be read promises nothing. */
export function readsNothing({ define, names }: Subject, { trail, rows: [row] }: Played): LeakAt | undefined {
  if (row.fault !== undefined) return undefined
  for (const { name } of names) {
    const given = trail.given[name]
    if (given === undefined || given === null || row.read[name] !== undefined || !isReadable(define, name)) continue
    return {
      row: 0,
      says: `${name} cannot be read`,
      expected: `${name} ${printed(given)}`,
      found: `${name} undefined`,
      cause: 'what reads it gives nothing back',
    }
  }
  return undefined
}

/** Whether its class, or one of those that it extends, reads a property by a function. */
function isReadable(define: CustomElementConstructor | undefined, name: string): boolean {
  for (let of = define?.prototype as object | null; of; of = Object.getPrototypeOf(of) as object | null) {
    const found = Object.getOwnPropertyDescriptor(of, name)
    if (found !== undefined) return found.get !== undefined
  }
  return false
}
