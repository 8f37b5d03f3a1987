import { equal, printed } from '../../contract/index.js'
import { findControl, optionsOf, type ControlRef } from '../person/controls.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** So many entries of a list are chosen, one from the mount and one after another. */
const MOST_ENTRIES = 4

/** Each entry of a list from which a person chooses: alone, and after the one that was seen to be taken. */
export function* entriesChosen(subject: Subject): Iterable<Trail> {
  for (const { given, control: on, moves } of listsOf(subject))
    for (let option = 0; option < MOST_ENTRIES; option++) {
      const choose = gesture({ do: 'choose', on, option })
      yield { given, moves: [choose] }
      if (!equal(choose, moves[0])) yield { given, moves: [...moves.slice(0, 1), choose] }
    }
}

/** An entry that is not taken, neither from the mount nor after another was. */
export async function deadEntry(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [first, second] = trail.moves
  const [, taken, row] = rows
  if (!isDone(first, 'choose') || !isDone(second, 'choose') || taken === undefined || row === undefined)
    return undefined
  const { on, option } = second.gesture
  const list = listsOf(subject).find(({ control, given }) => equal(control, on) && equal(given, trail.given))
  if (list === undefined || !equal(list.moves[0], first) || !isTaken(taken) || !isStill(taken, row)) return undefined
  const alone = await subject.play({ given: trail.given, moves: [second] })
  if (!isStill(alone.rows[0], alone.rows[1]) || alone.rows[1]?.impossible !== undefined) return undefined
  const label = (await labelsAt(subject, trail, on))?.[option]
  if (label === undefined || label.isOff) return undefined
  return {
    row: 2,
    says: `“${label.text}” of the ${on.kind} “${on.label}” cannot be chosen`,
    expected: 'a report, as of the others',
    found: 'nothing is heard, and nothing changes',
    cause: 'what stands there is taken for nothing',
  }
}

/** The texts of another entry are held afterwards, and none of the one that was chosen. */
export async function anotherEntry(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [move, ...others] = trail.moves
  const row = rows[1]
  if (!isDone(move, 'choose') || row === undefined || !isTaken(row)) return undefined
  if (others.some((one) => !isDone(one, 'leave'))) return undefined
  const labels = (await labelsAt(subject, { given: trail.given, moves: [] }, move.gesture.on)) ?? []
  const mine = labels[move.gesture.option]?.text
  if (mine === undefined || mine === '') return undefined
  for (const { name } of subject.values) {
    const [before, now] = [rows[0].read[name], row.read[name]]
    const other = labels.find(({ text }) => text !== mine && text !== '' && textsIn(now).includes(text))
    if (equal(before, now) || other === undefined || textsIn(now).includes(mine) || textsIn(before).includes(mine))
      continue
    // What the one entry is known by may be what another is called.
    if (areOfOneEntry(row, now, mine)) continue
    return {
      row: 1,
      says: `“${mine}” is chosen, and ${name} is what “${other.text}” stands for`,
      expected: `${name} with ${printed(mine)}`,
      found: `${name} ${printed(now)}`,
    }
  }
  return undefined
}

/** Lists of one's own making, each with a choice that was seen to be taken. */
function listsOf({ ways }: Subject): Way[] {
  const lists: Way[] = []
  for (const way of ways) {
    const isChosen = way.control.kind === 'list box' && isDone(way.moves[0], 'choose') && way.changes.size > 0
    if (isChosen && !lists.some(({ control }) => equal(control, way.control))) lists.push(way)
  }
  return lists
}

function isTaken(row: Row): boolean {
  return row.heard.some(({ value }) => value !== undefined)
}

function isStill(before: Row, after: Row | undefined): boolean {
  return (
    after !== undefined &&
    after.heard.length === 0 &&
    after.fault === undefined &&
    equal(before.read, after.read) &&
    samePicture(before.picture, after.picture)
  )
}

/** Whether a list that its owner gives has an entry in which both stand. */
function areOfOneEntry({ held }: Row, known: unknown, called: string): boolean {
  return Object.values(held).some(
    (list) =>
      Array.isArray(list) &&
      list.some((entry: unknown) => textsIn(entry).includes(known) && textsIn(entry).includes(called)),
  )
}

/** One text, or those that stand in a record. */
function textsIn(value: unknown): unknown[] {
  const isRecord = typeof value === 'object' && value !== null && !Array.isArray(value)
  return (isRecord ? Object.values(value) : [value]).filter((one) => typeof one === 'string')
}

function labelsAt(subject: Subject, { given, moves }: Trail, on: ControlRef) {
  return subject.lookAfter(given, moves.slice(0, 1), (container) => {
    const list = findControl(container, on)
    return list && optionsOf(list).map((option) => ({ text: textOf(option), isOff: isOff(option) }))
  })
}

function textOf(option: HTMLElement): string {
  return option.textContent?.trim() ?? ''
}

/** WAI-ARIA 1.2, section 6.6.2. */
function isOff(option: HTMLElement): boolean {
  return option.getAttribute('aria-disabled') === 'true'
}
