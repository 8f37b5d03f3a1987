import { accepts, equal } from '../../contract/index.js'
import type { Played, Row } from '../stage/played.js'
import { isTell, tell, type Move, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** Some seconds; where nothing waits for time to pass, none does. */
const WHILE: Move = { wait: 5000 }
const MOST_FLAGS = 3

/** A flag is told on and off, and told once more what it is; then time passes. */
export function* thenTime({ tellable, middle }: Subject): Iterable<Trail> {
  const flags = tellable.filter(({ type }) => accepts(type, true) && accepts(type, false) && !accepts(type, 'oakum'))
  for (const { name } of flags.slice(0, MOST_FLAGS))
    for (const from of [false, true])
      for (const to of [!from, from]) yield { given: { ...middle, [name]: from }, moves: [tell({ [name]: to }), WHILE] }
}

/** What is heard then is what is heard where it was mounted so. */
export async function otherInTime(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [told, wait, ...others] = trail.moves
  const row = rows[2]
  if (!isTell(told) || !equal(wait, WHILE) || others.length > 0 || row === undefined) return undefined
  const mounted = (await subject.play({ given: { ...trail.given, ...told.tell }, moves: [WHILE] })).rows
  const usual = mounted[1]
  if ([...rows, ...mounted].some(({ fault, unsettled }) => (fault ?? unsettled) !== undefined)) return undefined
  if (usual === undefined || equal(eventsOf(row), eventsOf(usual))) return undefined
  return {
    row: 2,
    says: 'as time passes it goes on otherwise than where it was mounted so',
    expected: textOf(usual),
    found: textOf(row),
    cause: 'a clock that was started before runs on, or none is started',
  }
}

function eventsOf({ heard }: Row): string[] {
  return heard.map(({ event }) => event)
}

function textOf(row: Row): string {
  const events = eventsOf(row)
  return events.length === 0 ? 'nothing is heard' : `heard ${events.join(', ')}`
}
