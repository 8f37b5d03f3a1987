import { equal, printed, type ValueClause } from '../../contract/index.js'
import { findControl, optionsOf, type ControlRef } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { isDone, type Move, type Trail } from '../stage/trail.js'
import { keyOf } from '../subject/among.js'
import type { Subject, Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

const MOST_WAYS = 8

/** What is chosen last by what a person reads: an option of a list, or a button or a box that is named like an entry. */
export function* chosenByName(subject: Subject): Iterable<Trail> {
  for (const { given, moves } of namedWays(subject)) yield { given, moves }
}

function namedWays({ ways, values }: Subject): Way[] {
  const names = values
    .filter(({ among, empty }) => among !== undefined && !Array.isArray(empty))
    .map(({ name }) => name)
  return ways
    .filter(({ changes, moves }) => names.some((name) => changes.has(name)) && pickedIn(moves) !== undefined)
    .slice(0, MOST_WAYS)
}

interface Picked {
  /** What comes before it. */
  readonly begun: readonly Move[]
  readonly on: ControlRef
  /** Which of its options; none of a control that stands for one entry. */
  readonly option: number | undefined
}

function pickedIn(moves: readonly Move[]): Picked | undefined {
  const end = moves.length - (isDone(moves.at(-1), 'leave') ? 2 : 1)
  const [begun, last] = [moves.slice(0, end), moves[end]]
  if (isDone(last, 'choose')) return { begun, on: last.gesture.on, option: last.gesture.option }
  const isOne = isDone(last, 'press') && ['radio button', 'button'].includes(last.gesture.on.kind)
  return isOne ? { begun, on: last.gesture.on, option: undefined } : undefined
}

/** The entry that is read there is not the one that is held afterwards. */
export async function anotherThanNamed(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const picked = pickedIn(trail.moves)
  const way = namedWays(subject).find((one) => equal(one.given, trail.given) && equal(one.moves, trail.moves))
  const last = rows[trail.moves.length]
  if (picked === undefined || way === undefined || last === undefined) return undefined
  const text = await textOf(subject, trail, picked)
  for (const value of subject.values.filter(({ name }) => way.changes.has(name))) {
    const entry = entryNamed(value, rows[0].held, text)
    const now = last.read[value.name]
    if (entry === undefined || now === undefined || Array.isArray(now)) continue
    const key = keyOf(value, entry)
    if ([key, value.empty, rows[0].read[value.name]].some((one) => equal(one, now))) continue
    return {
      row: rows.length - 1,
      says: `“${text ?? ''}” is chosen, and ${value.name} becomes another`,
      expected: `${value.name} ${printed(key)}`,
      found: `${value.name} ${printed(now)}`,
    }
  }
  return undefined
}

/** The only entry of which a person reads just that. */
function entryNamed(
  { among }: ValueClause,
  held: Readonly<Record<string, unknown>>,
  text: string | undefined,
): unknown {
  const list = held[among?.list ?? '']
  if (text === undefined || text === '' || !Array.isArray(list)) return undefined
  const named = (list as unknown[]).filter((entry) =>
    typeof entry === 'object' && entry !== null ? Object.values(entry).includes(text) : entry === text,
  )
  return named.length === 1 ? named[0] : undefined
}

async function textOf(subject: Subject, { given }: Trail, { begun, on, option }: Picked): Promise<string | undefined> {
  if (option === undefined) return on.label.trim()
  return subject.lookAfter(given, begun, (container) => {
    const list = findControl(container, on)
    return list && optionsOf(list)[option]?.textContent?.trim()
  })
}
