import { equal, printed, samplesOf, type CommandClause } from '../../contract/index.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { callText, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

const MOST = 4

/** Each command that takes something, with several of it. */
export function* withSeveral(subject: Subject): Iterable<Trail> {
  for (const { name, takes } of Object.values<CommandClause>(subject.contract.commands))
    for (const given of takes === undefined ? [] : samplesOf(takes).slice(0, MOST))
      yield { given: subject.middle, moves: [{ command: name, takes: given }] }
}

/** Whatever it is given, the same comes of it, and it does something. */
export async function heedsNothing(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [call] = trail.moves
  const [before, row] = rows
  if (call === undefined || !('command' in call) || trail.moves.length !== 1 || row === undefined) return undefined
  const clauses: Readonly<Record<string, CommandClause>> = subject.contract.commands
  const takes = clauses[call.command]?.takes
  if (takes === undefined || !equal(trail.given, subject.middle) || isAlike(before, row)) return undefined
  const others = samplesOf(takes)
    .filter((one) => !equal(one, call.takes))
    .slice(0, MOST)
  // Two may come to the same at a bound, or name the same.
  if (others.length < 2) return undefined
  for (const other of others) {
    const played = await subject.play({ given: trail.given, moves: [{ ...call, takes: other }] })
    const twin = played.rows[1]
    if (twin === undefined || twin.fault !== undefined || !isAlike(row, twin)) return undefined
  }
  return {
    row: 1,
    says: `${callText(call)} does not heed what it is given`,
    expected: `something else than with ${printed(others[0])}`,
    found: 'the same with each',
  }
}

function isAlike(one: Row, other: Row): boolean {
  return equal(one.read, other.read) && equal(one.gave, other.gave) && samePicture(one.picture, other.picture)
}

/** It reports what its owner holds already, and has not changed. */
export function reportsWhatStands({ move, heard, read }: Row, before: Row): Omit<LeakAt, 'row'> | undefined {
  const isSame = (name: string) => equal(read[name], before.read[name])
  const isSaid = (name: string, at: number) => heard.findIndex(({ value }) => value === name) < at
  const idle = heard.find(
    ({ value, payload, knownThen }, at) =>
      value !== undefined && equal(payload, knownThen) && (isSame(value) || isSaid(value, at)),
  )
  if (idle === undefined || move === undefined || !('command' in move)) return undefined
  return {
    says: isSame(idle.value ?? '')
      ? `${callText(move)} reports ${idle.value ?? ''} although nothing changed`
      : `${callText(move)} reports ${idle.value ?? ''} more than once`,
    expected: isSame(idle.value ?? '') ? 'nothing is heard' : `heard ${idle.event} once`,
    found: `heard ${idle.event} ${printed(idle.payload)}, which its owner holds already`,
  }
}
