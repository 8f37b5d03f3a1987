import { decidingNames, equal, isValue, printed, type ValueClause } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import { isTell } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** A property is told, and a value that has nothing to do with it is another one in silence: its owner still holds what it was. */
export function driftedApart(subject: Subject, { rows, trail }: Played): LeakAt | undefined {
  const [before, row] = [rows[0], rows[1]]
  if (row === undefined || !isTell(row.move) || trail.moves.length !== 1 || row.heard.length > 0) return undefined
  const told = Object.keys(row.move.tell)
  for (const value of subject.tellable.filter(isValue)) {
    const { name } = value
    const held = before.held[name]
    const decides = allDeciding(subject, value)
    if (held === undefined || told.some((one) => decides.has(one))) continue
    // What its contract itself makes of it is no drift.
    if (!equal(subject.ideally(name, row.held), held)) continue
    if (!equal(before.read[name], held) || row.read[name] === undefined || equal(row.read[name], held)) continue
    return {
      row: 1,
      says: `${name} is another one once ${told.join(' and ')} is told, and its owner does not hear of it`,
      expected: `${name} ${printed(held)}, as its owner holds it`,
      found: `${name} ${printed(row.read[name])}`,
    }
  }
  return undefined
}

/** The names that may bring a value elsewhere: those that decide about it, and about those of them that are values. */
function allDeciding({ values }: Subject, value: ValueClause): Set<string> {
  const found = new Set([value.name])
  for (const name of found) {
    const of = values.find((one) => one.name === name)
    if (of !== undefined) decidingNames(of).forEach((other) => found.add(other))
  }
  return found
}
