import { equal } from '../../contract/index.js'
import { findControl, type ControlRef } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, isGesture, type Trail } from '../stage/trail.js'
import { onceFor } from '../subject/once-for.js'
import type { Subject, Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { movesOnlyACursor } from './only-a-cursor.js'

/** A list that Tab comes to as a whole, and of which a pointer chooses: keys are tried there. */
export async function* keysInLists(subject: Subject): AsyncIterable<Trail> {
  for (const { given, control: on } of await listsTabbedTo(subject))
    for (const take of ['Enter', ' '] as const)
      yield { given, moves: [gesture({ do: 'key', on, key: 'ArrowDown' }), gesture({ do: 'key', on, key: take })] }
}

/** Neither an arrow key, nor one with what takes it, changes anything there. */
export async function chosenByNoKey(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [first, , last] = rows
  const [arrow, take] = trail.moves
  if (trail.moves.length !== 2 || last === undefined || !isDone(arrow, 'key') || !isDone(take, 'key')) return undefined
  const list = (await listsTabbedTo(subject)).find(
    ({ given, control }) => equal(given, trail.given) && equal(control, arrow.gesture.on),
  )
  const isStill = subject.values.every(({ name }) => equal(first.read[name], last.read[name]))
  if (list === undefined || !isStill || rows.some(({ heard }) => heard.length > 0)) return undefined
  // Any key that changes a value there, from whatever mount, says that keys are heard.
  if (subject.ways.some((way) => isByKey(way, list.control) && way.changes.size > 0)) return undefined
  if (await movesOnlyACursor(subject, { given: trail.given, moves: [arrow] })) return undefined
  return {
    row: 2,
    says: `what a pointer chooses in the ${list.control.kind} “${list.control.label}” is chosen by no key`,
    expected: 'a report, as when it is chosen by the pointer',
    found: 'nothing is heard, and nothing changes',
    cause: 'Tab comes to it, and nobody hears its keys',
  }
}

const listsTabbedTo = onceFor(lookForLists)

async function lookForLists(subject: Subject): Promise<Way[]> {
  const lists: Way[] = []
  for (const way of subject.ways) {
    const isChosen = ['list box', 'grid'].includes(way.control.kind) && isDone(way.moves[0], 'choose')
    if (!isChosen || way.changes.size === 0 || lists.some(({ control }) => equal(control, way.control))) continue
    if ((await subject.look(way.given, isTabbedTo(way.control))) === true) lists.push(way)
  }
  return lists
}

/** Where its entries take the focus, arrow keys are theirs. */
function isTabbedTo(on: ControlRef): (container: HTMLElement) => boolean {
  return (container) => {
    const list = findControl(container, on)
    return list !== undefined && list.tabIndex >= 0 && list.querySelector('[tabindex]') === null
  }
}

function isByKey({ moves }: Way, on: ControlRef): boolean {
  return moves.some((move) => isGesture(move) && move.gesture.do === 'key' && equal(move.gesture.on, on))
}
