import { equal, isHost, printed } from '../../contract/index.js'
import type { ControlKind } from '../person/controls.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { isDone, operatedIn, type Trail } from '../stage/trail.js'
import { withAFlagTurned } from '../subject/other-mounts.js'
import { oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { isAlike } from './laws.js'
import { listsOf, someEntries } from './lists.js'
import { isPressedNow } from './taken-back.js'

/** How many boxes are ticked one after the other. */
const MOST_TICKED = 3
const MOST_TURNED = 5

/** Two boxes of one list or record, ticked one after the other. */
export function* tickedInTurn(subject: Subject): Iterable<Trail> {
  const boxes = boxesOf(subject)
  for (const one of boxes)
    for (const other of boxes)
      if (one !== other && equal(one.given, other.given))
        yield { given: one.given, moves: [...one.moves, ...other.moves] }
}

/** With two entries in its list, given or ticked, each box and each button that turns one on and off, twice. */
export function* turnedTwice(subject: Subject): Iterable<Trail> {
  for (const value of listsOf(subject)) {
    const two = someEntries(subject, value, 2)
    const toggles = two === undefined ? [] : togglesOf(subject).filter(({ changes }) => changes.has(value.name))
    for (const { moves } of toggles)
      yield { given: { ...two?.given, [value.name]: two?.entries }, moves: [...moves, ...moves] }
  }
  for (const { given, moves } of tickedInTurn(subject))
    yield { given, moves: [...moves, ...moves.slice(0, moves.length / 2), ...moves.slice(0, moves.length / 2)] }
}

/** What is turned off takes another along: turned on again, it brings back its own alone. */
export function takenAlong(subject: Subject, { trail, rows }: Played): LeakAt | undefined {
  if (rows.length <= trail.moves.length || ![...turnedTwice(subject)].some((one) => equal(one, trail))) return undefined
  const [before, off, on] = rows.slice(-3) as [Row, Row, Row]
  for (const { name } of listsOf(subject)) {
    const [old, less, back] = [before, off, on].map((row) => entriesIn(row, name) ?? [])
    const gone = (old ?? []).filter((entry) => !has(less ?? [], entry))
    const lost = gone.filter((entry) => !has(back ?? [], entry))
    const [first] = lost
    // What clears all of them brings none back, and a box for all of them each.
    if (first === undefined || lost.length === gone.length || (less ?? []).some((entry) => !has(old ?? [], entry)))
      continue
    return {
      row: rows.length - 2,
      says: `what is turned off takes another out of ${name} as well`,
      expected: `${name} with ${printed(first[1])}`,
      found: `${name} ${printed(valueIn(off, name))}`,
    }
  }
  return undefined
}

/** Whether two boxes were ticked in turn, and each was taken. */
export function bothTaken(subject: Subject, { trail, rows: [before, one, both] }: Played): boolean {
  return (
    isInTurn(subject, trail) &&
    one !== undefined &&
    both !== undefined &&
    subject.values.some(({ name }) => !equal(entriesIn(before, name), entriesIn(one, name)) && both.heard.length > 0)
  )
}

/** What the first box has put in, the second takes out again, though both can stand side by side. */
export async function lostToAnother(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [before, one, both] = rows
  if (one === undefined || both === undefined || both.fault !== undefined || !isInTurn(subject, trail)) return undefined
  const [from, alone] = (await subject.play({ given: trail.given, moves: trail.moves.slice(1) })).rows
  for (const { name } of subject.values) {
    if (alone === undefined || !isTicked(trail, before, one, name) || !isTicked(trail, from, alone, name)) continue
    const [old, first, last] = [before, one, both].map((row) => entriesIn(row, name))
    if (old === undefined || first === undefined || last === undefined) continue
    const came = first.find((entry) => !has(old, entry))
    const isOnlyOnes = came !== undefined && !has(entriesIn(alone, name) ?? [], came)
    if (came === undefined || !isOnlyOnes || has(last, came) || last.length === 0) continue
    if (!(await standTogether(subject, trail, name, both, came))) continue
    if (await isByAFlag(subject, trail, name, came)) continue
    return {
      row: 2,
      says: `the second box takes the first out of ${name}`,
      expected: `${name} with ${printed(came[0] === '' ? came[1] : came)}`,
      found: `${name} ${printed(valueIn(both, name))}`,
      cause: `it makes ${name} of the last box alone, and not of what stands`,
    }
  }
  return undefined
}

/** Whether a flag of its own says that one stands at a time: where it is turned over, both do. */
async function isByAFlag(subject: Subject, { given, moves }: Trail, name: string, came: Entry): Promise<boolean> {
  for (const turned of withAFlagTurned(subject, given)) {
    const last = (await subject.play({ given: turned, moves })).rows[2]
    const entries = last === undefined ? [] : (entriesIn(last, name) ?? [])
    if (has(entries, came) && entries.length > 1) return true
  }
  return false
}

/** Whether both are held and shown where their owner gives them. */
async function standTogether(
  subject: Subject,
  { given }: Trail,
  name: string,
  row: Row,
  came: readonly unknown[],
): Promise<boolean> {
  const value = valueIn(row, name)
  const together = Array.isArray(value) ? [...(value as unknown[]), came[1]] : withMember(value as object, came)
  const [apart, whole] = [
    await subject.fresh({ ...given, [name]: value }),
    await subject.fresh({ ...given, [name]: together }),
  ]
  return equal(valueIn(whole, name), together) && !samePicture(apart.picture, whole.picture)
}

function withMember(record: object, [key, entry]: readonly unknown[]): object {
  const there: unknown = Object.entries(record).find(([name]) => name === key)?.[1]
  return { ...record, [String(key)]: Array.isArray(there) ? [...(there as unknown[]), entry] : entry }
}

/** Boxes; where there are none, buttons, of which some may stay pressed. */
function boxesOf(subject: Subject): Way[] {
  const boxes = pressedOnce(subject, ['checkbox', 'switch'])
  if (boxes.length > 0) return boxes.slice(0, MOST_TICKED)
  return listsOf(subject).flatMap(({ name, empty }) =>
    pressedOnce(subject, ['button'])
      .filter(({ changes }) => changes.has(name))
      .slice(0, MOST_TICKED)
      .map((way) => ({ ...way, given: { ...way.given, [name]: empty } })),
  )
}

/** A button that puts one entry in and is pressed then; one that chooses a set of them does more. */
function isTicked(trail: Trail, before: Row, after: Row, name: string): boolean {
  const isButton = operatedIn(trail.moves).some(({ kind }) => kind === 'button')
  const count = (row: Row) => entriesIn(row, name)?.length ?? 0
  return !isButton || (isPressedNow(before, after) && count(after) === count(before) + 1)
}

function togglesOf(subject: Subject): Way[] {
  return pressedOnce(subject, ['checkbox', 'switch', 'button']).slice(0, MOST_TURNED)
}

function pressedOnce({ ways }: Subject, kinds: readonly ControlKind[]): Way[] {
  const pressed = ways.filter(
    ({ control, changes, moves }) =>
      kinds.includes(control.kind) && changes.size > 0 && moves.length === 1 && isDone(moves[0], 'press'),
  )
  return oneAtEach(pressed)
}

function isInTurn(subject: Subject, trail: Trail): boolean {
  return trail.moves.length === 2 && [...tickedInTurn(subject)].some((one) => equal(one, trail))
}

function valueIn({ read, held }: Row, name: string): unknown {
  return read[name] ?? held[name]
}

type Entry = readonly [key: unknown, entry: unknown]

/** Of a list its entries, of a record its members that are not off, and of those that are lists the entries; nothing for any other value. */
function entriesIn(row: Row, name: string): Entry[] | undefined {
  const value = valueIn(row, name)
  if (Array.isArray(value)) return value.map((entry: unknown) => ['', entry])
  if (typeof value !== 'object' || value === null || isHost(value)) return undefined
  const members = Object.entries(value).filter(([, member]) => member !== false && member !== null && member !== '')
  return members.flatMap(([key, member]) =>
    Array.isArray(member) ? member.map((entry: unknown) => [key, entry] as const) : [[key, member] as const],
  )
}

function has(all: readonly Entry[], [key, entry]: Entry): boolean {
  return all.some((one) => one[0] === key && isAlike(one[1], entry))
}
