import { accepts, equal, isHost, printed, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { controlRefs, type ControlRef } from '../person/controls.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import { isOffered } from '../subject/among.js'
import { oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** A button that is there only for one entry of a list, on a mount with two of them. */
export interface Own {
  readonly value: ValueClause
  readonly trail: Trail
  readonly on: ControlRef
}

const found = new WeakMap<Subject, Promise<(readonly [Own, Own])[]>>()

/** The buttons that come up with each entry of a list: of two entries, the same button of the one and of the other. */
export function ownButtons(subject: Subject): Promise<(readonly [Own, Own])[]> {
  let known = found.get(subject)
  if (known === undefined) found.set(subject, (known = lookForOwn(subject)))
  return known
}

async function lookForOwn(subject: Subject): Promise<(readonly [Own, Own])[]> {
  const pairs: (readonly [Own, Own])[] = []
  for (const value of listsOf(subject)) {
    const two = twoEntries(subject, value)
    if (two === undefined) continue
    const { given, entries } = two
    const buttonsWith = async (list: readonly unknown[]) =>
      (await subject.look({ ...given, [value.name]: list }, (container) =>
        controlRefs(container).flatMap(({ ref }) => (ref.kind === 'button' ? [ref] : [])),
      )) ?? []
    const usual = (await buttonsWith([])).map(({ label }) => label)
    const isOwn = ({ label }: ControlRef) => !usual.includes(label)
    const [one, both] = [(await buttonsWith([entries[0]])).filter(isOwn), (await buttonsWith(entries)).filter(isOwn)]
    // As many again with the second entry: what takes out all of them, or the last, is there once.
    if (one.length === 0 || one.length > MOST_OWN || both.length !== 2 * one.length) continue
    const ownAt = (on: ControlRef): Own => ({
      value,
      trail: { given: { ...given, [value.name]: entries }, moves: [gesture({ do: 'press', on })] },
      on,
    })
    for (const [at, on] of both.slice(0, one.length).entries())
      pairs.push([ownAt(on), ownAt(both[one.length + at] as ControlRef)])
  }
  return pairs
}

const MOST_OWN = 3

/** Whether a trail takes an entry out by a button of its own. */
export async function takenOut(subject: Subject, played: Played): Promise<boolean> {
  const own = await ownAt(subject, played)
  return own !== undefined && listAfter(own.own, played).length < 2
}

/** One entry's button takes out that entry, and no other. */
export async function takenOutWith(subject: Subject, played: Played): Promise<LeakAt | undefined> {
  const at = await ownAt(subject, played)
  if (at === undefined) return undefined
  const { own, other } = at
  const left = listAfter(own, played)
  const leftByOther = listAfter(other, await subject.play(other.trail))
  // Both have to take something out: one may move an entry, or open it.
  if (left.length > 1 || leftByOther.length > 1) return undefined
  const { name } = own.value
  if (left.length === 0)
    return {
      row: 1,
      says: `the button of one entry takes all of ${name} out`,
      expected: `one entry left in ${name}`,
      found: `${name} ${printed(left)}`,
    }
  if (!equal(left, leftByOther)) return undefined
  return {
    row: 1,
    says: `the buttons of two entries of ${name} take out the same one`,
    expected: 'each takes out its own entry',
    found: `${name} ${printed(left)} after either`,
    cause: 'the place of an entry is not what its button goes by',
  }
}

async function ownAt(subject: Subject, { trail, rows }: Played): Promise<{ own: Own; other: Own } | undefined> {
  const [move] = trail.moves
  if (!isDone(move, 'press') || rows[1] === undefined) return undefined
  for (const pair of await ownButtons(subject))
    for (const own of pair) if (equal(own.trail, trail)) return { own, other: own === pair[0] ? pair[1] : pair[0] }
  return undefined
}

/** What is added to a list that is not empty. */
export function addingWays(subject: Subject): Way[] {
  return listsOf(subject).flatMap(({ name }) =>
    oneAtEach(
      subject.ways.filter(
        ({ given, changes, control }) =>
          changes.has(name) && ADDING.includes(control.kind) && listIn(given[name]).length > 0,
      ),
    ).slice(0, MOST_ADDED),
  )
}

const ADDING: readonly ControlRef['kind'][] = ['button', 'checkbox', 'switch', 'text field', 'combo box']
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
    for (const { given, moves } of addingWays(subject)) {
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

/** Whether a list of two is held, and looks otherwise than each of them alone. */
async function holdsTwo(subject: Subject, value: ValueClause): Promise<boolean> {
  const two = twoEntries(subject, value)
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

/** A mount on which the list is edited, and two entries that can stand in it. */
function twoEntries(subject: Subject, value: ValueClause): { given: Given; entries: readonly unknown[] } | undefined {
  const given = subject.ways.find(({ changes }) => changes.has(value.name))?.given
  if (given === undefined) return undefined
  const all = [given[value.name], ...subject.plain(value.name)].flatMap(listIn)
  const [first, ...others] = all
  const second = others.find((entry) => !equal(entry, first))
  const entries = [first, second]
  const isFit =
    second !== undefined &&
    accepts(value.type, entries) &&
    isOffered(value, subject.names, given, entries) &&
    equal(subject.ideally(value.name, { ...given, [value.name]: entries }), entries)
  return isFit ? { given, entries } : undefined
}

/** The values that are lists of any length. */
function listsOf({ values }: Subject): ValueClause[] {
  return values.filter(({ empty, ordered, applies }) => Array.isArray(empty) && !ordered && applies === 'at-once')
}

function listAfter({ value, trail }: Own, { rows }: Played): readonly unknown[] {
  const row = rows[trail.moves.length]
  const list = row?.read[value.name] ?? row?.held[value.name]
  return Array.isArray(list) ? list : listIn(trail.given[value.name])
}

function listIn(value: unknown): readonly unknown[] {
  return Array.isArray(value) ? value : []
}

/** A file that is chosen anew is another object each time. */
function has(list: readonly unknown[], entry: unknown): boolean {
  return list.some((one) => equal(one, entry) || (isHost(one) && isHost(entry) && printed(one) === printed(entry)))
}
