import { equal, printed } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import { gesture, type Trail } from '../stage/trail.js'
import { onceFor } from '../subject/once-for.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { listIn, listsOf, someEntries } from './lists.js'
import { entryButtons } from './own-buttons.js'

interface Pressed {
  readonly name: string
  /** The end of the list at which the same button is disabled: there is no further to go there. */
  readonly towards: 'first' | 'last' | undefined
  readonly trail: Trail
}

/** Of three entries of a list, each button of the one in the middle. */
export const middleButtons = onceFor(lookForMiddle)

async function lookForMiddle(subject: Subject): Promise<Pressed[]> {
  const pressed: Pressed[] = []
  for (const value of listsOf(subject)) {
    const three = someEntries(subject, value, 3)
    if (three === undefined) continue
    const own = await (await entryButtons(subject, value, three.given))(three.entries)
    const each = own.length / 3
    if (!Number.isInteger(each) || each < 2 || each > MOST_EACH) continue
    for (const [at, { ref: on }] of own.slice(each, 2 * each).entries())
      pressed.push({
        name: value.name,
        towards: endOf(own[at]?.isOff, own[2 * each + at]?.isOff),
        trail: { given: { ...three.given, [value.name]: three.entries }, moves: [gesture({ do: 'press', on })] },
      })
  }
  return pressed
}

const MOST_EACH = 4

function endOf(isOffAtFirst = false, isOffAtLast = false): Pressed['towards'] {
  if (isOffAtFirst === isOffAtLast) return undefined
  return isOffAtFirst ? 'first' : 'last'
}

/** A button that is disabled for the first entry moves its own towards it, and none away from it. */
export async function movesAway(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const mine = (await middleButtons(subject)).find((one) => equal(one.trail, trail))
  if (mine?.towards === undefined || rows[1] === undefined) return undefined
  const [before, after] = [listIn(trail.given[mine.name]), listIn(rows[1].read[mine.name])]
  const at = after.findIndex((entry) => equal(entry, before[1]))
  const wrong = mine.towards === 'first' ? 2 : 0
  if (after.length !== before.length || at !== wrong) return undefined
  return {
    row: 1,
    says: `a button that is disabled at the ${mine.towards} entry of ${mine.name} moves its own away from there`,
    expected: `${printed(before[1])} nearer to the ${mine.towards} entry`,
    found: `${mine.name} ${printed(after)}`,
  }
}

/** Two buttons of one entry come to the same: one of them does what the other is for. */
export async function alikeButtons(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const all = await middleButtons(subject)
  const mine = all.findIndex((one) => equal(one.trail, trail))
  const { name } = all[mine] ?? {}
  if (name === undefined || rows[1] === undefined) return undefined
  const [before, after] = [listIn(trail.given[name]), listIn(rows[1].read[name])]
  if (equal(before, after) || !isTold(before, after)) return undefined
  for (const other of all.slice(0, mine)) {
    if (other.name !== name) continue
    const played = await subject.play(other.trail)
    if (equal(listIn(played.rows[1]?.read[name]), after))
      return {
        row: 1,
        says: `two buttons of one entry of ${name} do the same`,
        expected: `something else than the button before it does`,
        found: `${name} ${printed(after)} after each of them`,
      }
  }
  return undefined
}

/** One fewer of something may be none of it: only what moves an entry, or counts nothing, is told by what comes of it. */
function isTold(before: readonly unknown[], after: readonly unknown[]): boolean {
  return after.length === before.length || before.every((entry) => typeof entry === 'string')
}
