import { equal, printed, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { ControlRef } from '../person/controls.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import type { Trail } from '../stage/trail.js'
import { oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { fieldText } from './field-text.js'
import { isAlike } from './laws.js'
import { listIn, listsOf, someEntries } from './lists.js'

/** What is added to a list that is not empty. */
export function addingWays(subject: Subject): Way[] {
  return listsOf(subject).flatMap(({ name }) => {
    const adding = subject.ways.filter(
      ({ given, changes, control }) =>
        changes.has(name) && ADDING.includes(control.kind) && listIn(given[name]).length > 0,
    )
    // Of one control also a second entry, where there is no other control.
    const first = oneAtEach(adding)
    return [...first, ...adding.filter((way) => !first.includes(way))].slice(0, MOST_ADDED)
  })
}

const ADDING: readonly ControlRef['kind'][] = ['button', 'checkbox', 'switch', 'text field', 'combo box', 'file field']
const MOST_ADDED = 4

/** Whether an entry came to those that were there. */
export function added(subject: Subject, { trail, rows }: Played): boolean {
  const last = rows[trail.moves.length]
  return listsOf(subject).some(({ name }) => {
    const [before, after] = [listIn(rows[0].read[name]), listIn(last?.read[name])]
    return before.length > 0 && after.length > before.length && before.every((entry) => has(after, entry))
  })
}

/** Each entry that is added takes all others away, though several can stand side by side. */
export async function lostForOne(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const last = rows[trail.moves.length]
  if (last === undefined || rows.some(({ fault }) => fault !== undefined)) return undefined
  for (const value of listsOf(subject)) {
    const { name } = value
    if (!isExchange(rows[0], last, name)) continue
    const adding: Played[] = []
    for (const { given, moves, control } of addingWays(subject)) {
      if (await isWritten(subject, given, control)) continue
      const played = await subject.play({ given, moves })
      if (bringsNew(played.rows[0], played.rows.at(-1) as Row, name)) adding.push(played)
    }
    const isMine = adding.some((one) => equal(one.trail, trail))
    const isAlways = adding.every((one) => isExchange(one.rows[0], one.rows.at(-1) as Row, name))
    if (!isMine || adding.length < 2 || !isAlways) continue
    if (!(await holdsTwo(subject, value)) || (await keepsElsewhere(subject, trail, name))) continue
    const [before, after] = [listIn(rows[0].read[name]), listIn(last.read[name])]
    return {
      row: trail.moves.length,
      says: `what is added to ${name} takes the others away`,
      expected: `${name} with ${printed(before[0])}`,
      found: `${name} ${printed(after)}`,
      cause: 'the new entry is put in the place of the list',
    }
  }
  return undefined
}

/** A field in which the whole list is written adds nothing: what is typed there takes its place. */
async function isWritten(subject: Subject, given: Given, on: ControlRef): Promise<boolean> {
  return on.kind === 'text field' && ((await subject.look(given, fieldText(on))) ?? '') !== ''
}

/** One gesture puts the same entry in twice. */
export function doubled(subject: Subject, { trail, rows }: Played): LeakAt | undefined {
  const last = rows[trail.moves.length]
  if (last === undefined || rows.some(({ fault }) => fault !== undefined)) return undefined
  for (const { name } of listsOf(subject)) {
    const [before, after] = [listIn(rows[0].read[name]), listIn(last.read[name])]
    const come = after.filter((entry) => !has(before, entry))
    const twice = come.find((entry, at) => come.slice(0, at).some((one) => equal(one, entry)))
    if (twice !== undefined && rows.slice(1).filter(({ heard }) => heard.length > 0).length < 2)
      return {
        row: trail.moves.length,
        says: `what is added to ${name} comes into it twice`,
        expected: `${name} with ${printed(twice)} once`,
        found: `${name} ${printed(after)}`,
      }
  }
  return undefined
}

/** Whether a list of two is held, and looks otherwise than each of them alone. */
async function holdsTwo(subject: Subject, value: ValueClause): Promise<boolean> {
  const two = someEntries(subject, value, 2)
  if (two === undefined) return false
  const { given, entries } = two
  const [one, other, both] = [
    await subject.fresh({ ...given, [value.name]: entries.slice(0, 1) }),
    await subject.fresh({ ...given, [value.name]: entries.slice(1) }),
    await subject.fresh({ ...given, [value.name]: entries }),
  ]
  return (
    equal(both.read[value.name], entries) &&
    !samePicture(both.picture, one.picture) &&
    !samePicture(both.picture, other.picture)
  )
}

/** With another value of some name several may stand side by side: then it was only one that could. */
async function keepsElsewhere(subject: Subject, { given, moves }: Trail, name: string): Promise<boolean> {
  for (const one of subject.tellable)
    for (const value of subject.plain(one.name).slice(0, 2)) {
      if (typeof value !== 'boolean' && typeof value !== 'number' && typeof value !== 'string') continue
      const { rows } = await subject.play({ given: { ...given, [one.name]: value }, moves })
      const last = rows[moves.length]
      if (last !== undefined && bringsNew(rows[0], last, name) && !isExchange(rows[0], last, name)) return true
    }
  return false
}

function bringsNew(before: Row, after: Row, name: string): boolean {
  const old = listIn(before.read[name])
  return old.length > 0 && listIn(after.read[name]).some((entry) => !has(old, entry))
}

function isExchange(before: Row, after: Row, name: string): boolean {
  const [old, now] = [listIn(before.read[name]), listIn(after.read[name])]
  return bringsNew(before, after, name) && old.every((entry) => !has(now, entry))
}

/** An entry, or what an edit has made of it: the one that is still of the same kind or name. */
function has(list: readonly unknown[], entry: unknown): boolean {
  return list.some((one) => isAlike(one, entry) || sharesAText(one, entry))
}

function sharesAText(one: unknown, other: unknown): boolean {
  if (typeof one !== 'object' || typeof other !== 'object' || one === null || other === null) return false
  return Object.entries(one).some(
    ([name, part]) => typeof part === 'string' && part !== '' && equal((other as Record<string, unknown>)[name], part),
  )
}
