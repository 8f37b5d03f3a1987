import { equal } from '../../contract/index.js'
import { elementsIn } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { isDone, type Trail } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

const MOST = 4

/** What a pointer does: on what is no control, or only looks like one. */
export function* pointedOnly(subject: Subject): Iterable<Trail> {
  for (const { given, moves } of pressed(subject).slice(0, MOST)) yield { given, moves }
}

/** UI Events, section 3.3: keys go to what has the focus, and nothing here ever has it. */
export async function onlyByPointer(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const way = pressed(subject).find((one) => equal(one.given, trail.given) && equal(one.moves, trail.moves))
  const heard = rows[1]?.heard.find(({ value }) => value !== undefined)
  if (way === undefined || heard === undefined) return undefined
  const isReached = await subject.look(trail.given, (container) =>
    elementsIn(container).some((element) => (element as HTMLElement).tabIndex >= 0),
  )
  if (isReached !== false) return undefined
  return {
    row: 1,
    says: `${heard.value ?? ''} is changed by the pointer alone: nothing there takes the focus`,
    expected: 'a button, or something else that Tab comes to',
    found: 'no key comes to it',
    cause: 'a click is heard on what is no control',
  }
}

function pressed({ ways }: Subject): Way[] {
  return ways.filter(({ changes, moves }) => changes.size > 0 && moves.length === 1 && isDone(moves[0], 'press'))
}
