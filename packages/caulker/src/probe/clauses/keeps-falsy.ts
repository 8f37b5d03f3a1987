import {
  accepts,
  equal,
  isHost,
  isNoStep,
  isValue,
  printed,
  valueClauses,
  type AnyContract,
  type PropertyClause,
  type ValueClause,
} from '../../contract/index.js'
import { judgedNames } from './attribute-agrees.js'
import { findControl } from '../person/controls.js'
import { isPlaced } from '../person/gestures.js'
import { clause, type LeakAt } from './clause.js'
import { STRANGERS, entryUnchosen, falsyEntry } from './falsy-entry.js'
import { zeroFirstUnshown, zeroGivenFirst } from './leading-zero.js'
import { zeroAdded, zeroNotAdded } from './zero-added.js'
import { zeroLooksLike } from './zero-alike.js'
import { hasZeroInside, isNothingInside, zeroAsNothing, zeroBeside } from './zero-inside.js'
import { zeroPointed, zeroUnpointed } from './zero-pointed.js'
import { isNought, zerosGiven, zeroUnwritten } from './zero-shown.js'
import { followsOrdinaryTell, isSeen, pictureDifference, updateEqualsRemount } from './laws.js'
import { samePicture } from '../sight/picture.js'
import { takesAnyText } from '../subject/off-type.js'
import { isOffered } from '../subject/among.js'
import type { Played, Row } from '../stage/played.js'
import { isGesture, isTell, settlesEdits, tell, type Move, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import { enteredText, retyped } from './ways-at-bounds.js'
import { beyondZero, cameTo, zeroBoundLeak } from './zero-bounds.js'
import type { Given } from '../../mount/index.js'

/** 0, '' and false are values. */
export const keepsFalsy = clause({
  id: 'keeps-falsy',
  group: 'down',
  promise: "0, '' and false are values like any other: they are kept and shown, and a bound of 0 holds.",
  why: 'Code that asks "is there a value?" with a truth test takes them for missing: a price of 0 shows a dash, a least of 0 lets -5 through.',
  tried:
    "Each name is given and told 0, '' or false where its type has them; a bound of 0 is gone beyond, and 0 is typed; the entry of a list that is known by 0 is chosen; a 0 inside a value is held against nothing, a 0 by itself, too, against other numbers, and a code that begins with one against the same without it.",
  unprovenWhen: 'No name has such a value.',
  random: 'none',
  onTrial: 'tell',
  concerns: (contract) => namesWithFalsy(contract).length > 0,
  *trails(subject) {
    for (const named of namesWithFalsy(subject.contract)) {
      for (const falsy of falsies(subject, named)) {
        yield { given: { ...subject.base, [named.name]: falsy }, moves: [] }
        // What says how a value is shown is seen only where there is one.
        if (!isValue(named)) yield { given: { ...subject.middle, [named.name]: falsy }, moves: [] }
        const plain = subject.plain(named.name).find((value) => !equal(value, falsy))
        if (plain !== undefined)
          yield { given: { ...subject.base, [named.name]: plain }, moves: [tell({ [named.name]: falsy })] }
      }
    }
    yield* overAttribute(subject)
    for (const value of subject.values) yield* falsyEntry(subject, value)
    for (const value of subject.values) yield* zeroInside(subject, value)
    for (const named of subject.names) yield* zeroBeside(subject, named)
    yield* zerosGiven(subject)
    yield* zeroPointed(subject)
    yield* zeroGivenFirst(subject)
    yield* zeroAdded(subject)
    for (const value of subject.values) yield* beyondZero(subject, value)
    for (const value of subject.values) yield* typedZero(subject, value)
  },
  async judge(subject, played) {
    const { trail, rows } = played
    for (const law of [
      entryUnchosen,
      zeroAsNothing,
      zeroUnwritten,
      zeroUnpointed,
      zeroLooksLike,
      zeroFirstUnshown,
      zeroNotAdded,
    ]) {
      const unshown = await law(subject, played)
      if (unshown !== undefined) return unshown
    }
    if (trail.moves.some(isGesture)) return (await zeroBoundLeak(subject, played)) ?? typedZeroLeak(subject, played)
    for (const [name, value] of Object.entries(trail.moves.length === 0 ? trail.given : {})) {
      const leak = isFalsy(value) ? await takenForMissing(subject, played, name, value) : undefined
      if (leak !== undefined) return leak
    }
    const told = rows[1]?.move
    if (!isTell(told) || !Object.values(told.tell).some(isFalsy)) return undefined
    const leak = await updateEqualsRemount(subject, played)
    if (leak === undefined) return undefined
    const [name, value] = Object.entries(told.tell)[0] ?? ['', undefined]
    if (!(await followsOrdinaryTell(subject, rows[0].held, name))) return undefined
    return {
      ...leak,
      says: `${name} ${printed(value)} is not taken`,
      cause: `${printed(value)} is taken for "nothing was told"`,
    }
  },
})

/** At the mount: it says that it has it, and shows something else than its default. */
async function takenForMissing(
  subject: Subject,
  { rows: [row], trail: { given } }: Played,
  name: string,
  value: unknown,
): Promise<LeakAt | undefined> {
  const cause = `${printed(value)} is taken for missing`
  const read = row.read[name]
  if (read !== undefined && !equal(read, value) && equal(subject.ideally(name, given), value)) {
    if (!(await keepsOrdinary(subject, name, given))) return undefined
    return {
      row: 0,
      says: `${name} ${printed(value)} is not kept`,
      expected: `${name} ${printed(value)}`,
      found: `${name} ${printed(read)}`,
      cause,
    }
  }
  const named = subject.names.find((one) => one.name === name)
  const standard = named?.default
  if (
    named === undefined ||
    standard === undefined ||
    !accepts(named.type, standard) ||
    isFalsy(standard) ||
    !(await isSeen(subject, given, name))
  )
    return undefined
  // Where the names are free, 0 of something may be none of it.
  if (isFreeRecord(named.type) && Object.keys(partsOf(value)).some((key) => !Object.hasOwn(partsOf(standard), key)))
    return undefined
  const asDefault = await subject.fresh({ ...given, [name]: standard })
  if (await showsOnlyKnown(subject, named, given, asDefault)) return undefined
  if (await isThreshold(subject, named, given, asDefault)) return undefined
  return samePicture(asDefault.picture, row.picture)
    ? {
        row: 0,
        says: `${name} ${printed(value)} is shown as the default, ${printed(standard)}`,
        expected: `shown with ${name} ${printed(value)}`,
        found: pictureDifference(row.picture, row.picture).found,
        cause,
      }
    : undefined
}

/** Where a number beside the default looks like the default, too, what is shown only says on which side of it something lies. */
async function isThreshold(
  subject: Subject,
  { name, type, default: standard }: PropertyClause,
  given: Given,
  asDefault: Row,
): Promise<boolean> {
  if (typeof standard !== 'number') return false
  for (const near of [standard - 1, standard + 1, 1]) {
    const other = { ...given, [name]: near }
    if (near === 0 || near === standard || !accepts(type, near) || !equal(subject.ideally(name, other), near)) continue
    if (samePicture((await subject.fresh(other)).picture, asDefault.picture)) return true
  }
  return false
}

const UNKNOWN: readonly unknown[] = [STRANGERS.string, STRANGERS.number]

/** Such a value, or the same one with such a part where that is falsy. */
function strangersFor(value: unknown): unknown[] {
  const falsy = Object.entries(partsOf(value)).filter(([, part]) => isFalsy(part))
  const inside = falsy.flatMap(([name]) => UNKNOWN.map((stranger) => ({ ...partsOf(value), [name]: stranger })))
  return [...UNKNOWN, ...inside]
}

/** Where a value that nobody knows is shown as the default too, it shows what it knows: a choice among options is no text. */
async function showsOnlyKnown(
  subject: Subject,
  { name, type }: PropertyClause,
  given: Given,
  asDefault: Row,
): Promise<boolean> {
  for (const stranger of strangersFor(given[name])) {
    const strange = { ...given, [name]: stranger }
    if (!accepts(type, stranger) || !equal(subject.ideally(name, strange), stranger)) continue
    if (samePicture((await subject.fresh(strange)).picture, asDefault.picture)) return true
  }
  return false
}

/** Only where an ordinary value is kept is it the falsy one to blame. */
async function keepsOrdinary(subject: Subject, name: string, given: Given): Promise<boolean> {
  const ordinary = subject.plain(name).find(Boolean)
  return ordinary === undefined || equal((await subject.fresh({ ...given, [name]: ordinary })).read[name], ordinary)
}

function* typedZero(subject: Subject, value: ValueClause): Iterable<Trail> {
  const way = typedWay(subject, value)
  if (way !== undefined && equal(subject.ideally(value.name, { ...subject.base, [value.name]: 0 }), 0))
    yield { given: subject.middle, moves: way.map((move) => retyped(move, '0')) }
}

/** A 0 that is typed and not taken, where another number is. */
async function typedZeroLeak(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const last = rows[rows.length - 1]
  const isTyped = trail.moves.some((move) => enteredText(move) === '0')
  if (!isTyped || last === undefined || rows.length <= trail.moves.length || !settlesEdits(last.move)) return undefined
  for (const value of subject.values.filter((one) => typedWay(subject, one) !== undefined)) {
    const found = cameTo(rows, value.name)
    if (equal(found, 0) || !equal(subject.ideally(value.name, { ...trail.given, [value.name]: 0 }), 0)) continue
    if (!(await takesOrdinary(subject, value, trail)) || (await isKeptOut(subject, trail))) continue
    return {
      row: rows.length - 1,
      says: `a typed 0 is not taken for ${value.name}`,
      expected: `${value.name} 0`,
      found: `${value.name} ${printed(found)}`,
      cause: 'a typed 0 is taken for no input',
    }
  }
  return undefined
}

/** Whether the control says by itself that it begins above 0. HTML Standard, section 4.10.5.3.7. */
async function isKeptOut(subject: Subject, { given, moves }: Trail): Promise<boolean> {
  const entered = moves.find((move) => enteredText(move) === '0')
  if (!isGesture(entered) || !isPlaced(entered.gesture)) return false
  const { on } = entered.gesture
  const least = (container: HTMLElement) => (findControl(container, on) as HTMLInputElement | undefined)?.min
  return Number((await subject.look(given, least)) ?? '') > 0
}

/** Only where an ordinary number is taken the same way is the 0 to blame. */
async function takesOrdinary(subject: Subject, value: ValueClause, trail: Trail): Promise<boolean> {
  const number = subject.ways.find((way) => way.plainly.has(value.name))?.plainly.get(value.name)
  const { rows } = await subject.play({ ...trail, moves: trail.moves.map((move) => retyped(move, String(number))) })
  return equal(cameTo(rows, value.name), number)
}

/** The moves of a way in which plain numbers are typed and taken as they are. */
function typedWay(subject: Subject, value: ValueClause): readonly Move[] | undefined {
  return subject.ways.find((way) => typeof way.plainly.get(value.name) === 'number')?.moves
}

function falsies(subject: Subject, named: PropertyClause): unknown[] {
  const nested = subject.plain(named.name).slice(0, 2).flatMap(withFalsyPart)
  return [0, '', false, ...noughtsOf(named), ...nested].filter(
    (falsy) =>
      accepts(named.type, falsy) &&
      !isNoStep(subject.values, named.name, falsy) &&
      equal(subject.ideally(named.name, { ...subject.base, [named.name]: falsy }), falsy) &&
      (!isValue(named) || isOffered(named, subject.names, subject.base, falsy)),
  )
}

/** Texts of which nothing is left once they are reckoned with: midnight, black, a code of noughts. */
const NOUGHTS = ['00:00', '#000000', '0', '0000']

/** Where any text is taken they are texts like others. */
function noughtsOf({ type }: PropertyClause): string[] {
  return takesAnyText(type) ? [] : NOUGHTS
}

function namesWithFalsy(contract: AnyContract): PropertyClause[] {
  return [...Object.values<PropertyClause>(contract.properties), ...valueClauses(contract)].filter(
    (named) =>
      (named.type as { type?: unknown }).type === 'object' ||
      isNothingInside(named.type) ||
      hasZeroInside(named.type) ||
      [0, '', false, ...noughtsOf(named)].some((falsy) => accepts(named.type, falsy)),
  )
}

function isFalsy(value: unknown): boolean {
  return (
    value === 0 || value === '' || value === false || isNought(value) || Object.values(partsOf(value)).some(isFalsy)
  )
}

function isFreeRecord(type: PropertyClause['type']): boolean {
  return (type as { type?: unknown }).type === 'object' && !('properties' in type)
}

/** The parts of an object; a list, a file and a text have none. */
function partsOf(value: unknown): Readonly<Record<string, unknown>> {
  const isPlain = typeof value === 'object' && value !== null && !Array.isArray(value) && !isHost(value)
  return isPlain ? (value as Readonly<Record<string, unknown>>) : {}
}

/** The same object with a falsy value in one of its parts, once for each that has one of that kind. */
function withFalsyPart(value: unknown): unknown[] {
  return Object.entries(partsOf(value)).flatMap(([name, part]) =>
    [0, '', false]
      .filter((falsy) => typeof falsy === typeof part)
      .map((falsy) => ({ ...partsOf(value), [name]: falsy })),
  )
}

/** A 0 that is neither the least nor the default: who takes it for missing shows one of those. */
function* zeroInside(subject: Subject, { name, type, bounds }: ValueClause): Iterable<Trail> {
  const { least } = bounds
  const floor = typeof least === 'string' ? subject.names.find((one) => one.name === least) : undefined
  if (floor === undefined || !accepts(floor.type, -3) || !accepts(type, 0)) return
  const given = { ...subject.base, [floor.name]: -3 }
  if (!equal(subject.ideally(name, { ...given, [name]: 0 }), 0)) return
  yield { given: { ...given, [name]: 0 }, moves: [] }
}

/** What its attribute has set is taken back by a tell of false, and not only by its removal. */
function* overAttribute(subject: Subject): Iterable<Trail> {
  if (subject.define === undefined) return
  for (const { name, type } of judgedNames(subject))
    if (accepts(type, false) && accepts(type, true))
      yield { given: { ...subject.base, [name]: true }, moves: [tell({ [name]: false })], setting: 'attributes' }
}
