import { accepts, equal, outsideText, printed, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { ControlRef } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Move, type Trail } from '../stage/trail.js'
import { otherNumber } from '../subject/tries.js'
import { takesAnyText } from '../subject/off-type.js'
import { onceFor } from '../subject/once-for.js'
import { isPlainField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { fieldText, fieldTexts } from './field-text.js'
import { isRecord, listsOf, memberTypes, someEntries } from './lists.js'

interface Shown {
  readonly given: Given
  readonly control: ControlRef
  readonly value: ValueClause
  readonly is: unknown
  readonly text: string
  /** What is typed before, where it stands there already. */
  readonly before?: string
  /** Whether what else comes of it is another value, though it is shown alike: of what is rounded off it is not. */
  readonly isExact?: true
}

/** What a field shows of each value while somebody is in it, where that is written otherwise than the value itself, or is a fraction. */
const shownIn = onceFor(lookForShown)

async function lookForShown(subject: Subject): Promise<Shown[]> {
  const found: Shown[] = []
  for (const way of oneAtEach(subject.ways.filter(isTypedInText)))
    for (const value of subject.values.filter((one) => shows(way, one)))
      for (const mount of [subject.middle, ...otherwise(subject, value.name)])
        for (const is of mount === subject.middle
          ? [
              ...subject.plain(value.name),
              ...finer(subject, value),
              ...[...LARGE, 0, null].filter((one) => accepts(value.type, one)),
            ]
          : subject.plain(value.name).slice(0, 2)) {
          const { control } = way
          const given = { ...mount, [value.name]: is }
          const text = await textAt(subject, { given, moves: [gesture({ do: 'caret', on: control, at: 0 })] }, control)
          // A fraction may be cut where it is typed, and not where it is told.
          const isOther =
            typeof is === 'number' &&
            text !== undefined &&
            text !== '' &&
            (text !== String(is) || !Number.isInteger(is))
          // What its owner may tell, and nobody may enter, is no text to be typed.
          const isWithin = outsideText(is, subject.limits(value, given)) === undefined
          const canStand = isWithin && equal(subject.ideally(value.name, given), is)
          if (!canStand || equal(is, subject.middle[value.name])) continue
          if (isOther) found.push({ given: mount, control, value, is, text })
          else if (text !== undefined && isNothing(value, is, text))
            found.push({ given: mount, control, value, is, text, isExact: true })
        }
  return [...found, ...(await membersShown(subject)), ...(await partsShown(subject)), ...(await listsShown(subject))]
}

/** What a field shows of a record of which one member is another, where that is shown nowhere else. */
async function membersShown(subject: Subject): Promise<Shown[]> {
  const found: Shown[] = []
  const [value, ...others] = subject.values
  const usual = subject.middle[value?.name ?? '']
  if (value === undefined || others.length > 0 || !isRecord(usual)) return found
  const typed = subject.ways.filter(
    (way) => isTypedInText(way) && isDone(way.moves[1], 'leave') && way.changes.has(value.name),
  )
  const records = subject.plain(value.name).filter(isRecord)
  const changed = records.flatMap((record) =>
    Object.keys(usual)
      .filter((member) => !equal(record[member] ?? null, usual[member] ?? null) && isAlone(value, member))
      .map((member) => ({ ...usual, [member]: record[member] })),
  )
  const before = (await subject.look(subject.middle, fieldTexts)) ?? []
  for (const is of changed.filter((one) => accepts(value.type, one)).slice(0, MOST_RECORDS)) {
    const given = { ...subject.middle, [value.name]: is }
    if (!equal(subject.ideally(value.name, given), is)) continue
    const now = (await subject.look(given, fieldTexts)) ?? []
    const unlike = now.filter(({ ref, text }) => before.some((one) => equal(one.ref, ref) && one.text !== text))
    const [only] = unlike
    if (only === undefined || unlike.length > 1 || now.length !== before.length || only.text === '') continue
    if (typed.some(({ control }) => equal(control, only.ref)))
      found.push({ given: subject.middle, control: only.ref, value, is, text: only.text })
  }
  return found
}

/** Nothing where a number is shown, or 0 where nothing is. */
function isNothing({ empty }: ValueClause, is: unknown, text: string): boolean {
  return is === 0 ? text === '' && empty !== 0 : is === null && equal(empty, is) && /^-?\d+(?:[.,]\d+)?$/.test(text)
}

const MOST_RECORDS = 6
const MOST_FIELDS = 4

/** What each of several fields shows of a value that is none of their texts, such as a date: typed where it stands, it changes nothing. */
async function partsShown(subject: Subject): Promise<Shown[]> {
  const found: Shown[] = []
  const fields = subject.controls.filter(isPlainField)
  for (const value of subject.values) {
    const parts = oneAtEach(subject.ways.filter((way) => isPartOf(way, value)))
    if (
      Math.max(fields.length, parts.length) < 2 ||
      !subject.ways.some((way) => isTypedInText(way) && isPartOf(way, value))
    )
      continue
    for (const is of subject.plain(value.name).slice(0, 2)) {
      const given = { ...subject.middle, [value.name]: is }
      if (isRecord(is) || Array.isArray(is) || !equal(subject.ideally(value.name, given), is)) continue
      const texts = (await subject.look(given, fieldTexts)) ?? []
      for (const control of fields.slice(0, MOST_FIELDS)) {
        const text = texts.find(({ ref }) => equal(ref, control))?.text ?? ''
        if (text === '') continue
        // What else stands in a text is none of this field's.
        const isExact = typeof is === 'string' && is !== text && is.includes(text)
        const taken = subject.ways.find(
          (way) => equal(way.control, control) && isTypedInText(way) && isPartOf(way, value) && way.text !== text,
        )
        const before = taken?.text ?? otherNumber(text)
        found.push({ given, control, value, is, text, before, ...(isExact ? { isExact } : {}) })
      }
    }
  }
  return found
}

/** What a field shows of a list that is written in it as a whole, such as line by line. */
async function listsShown(subject: Subject): Promise<Shown[]> {
  const found: Shown[] = []
  for (const value of listsOf(subject)) {
    const two = someEntries(subject, value, 2)
    const way = subject.ways.find((one) => isTypedInText(one) && isDone(one.moves[1], 'leave') && isItsOwn(one, value))
    if (two === undefined || way === undefined || !two.entries.every((one) => typeof one === 'string')) continue
    const { control } = way
    const given = { ...two.given, [value.name]: two.entries }
    const text = await subject.look(given, fieldText(control))
    if (text !== undefined && two.entries.every((one) => text.includes(one)))
      found.push({ given: { ...two.given, [value.name]: value.empty ?? [] }, control, value, is: two.entries, text })
  }
  return found
}

function isPartOf(way: Way, value: ValueClause): boolean {
  return isItsOwn(way, value) && !way.plainly.has(value.name)
}

function isItsOwn({ changes }: Way, { name }: ValueClause): boolean {
  return changes.has(name) && changes.size === 1
}

/** Of two members of one type, such as the ends of a stay, one may have to give way to the other. */
function isAlone({ type }: ValueClause, member: string): boolean {
  const types = memberTypes(type)
  return !Object.entries(types).some(([name, other]) => name !== member && equal(other, types[member]))
}

/** Whether a field shows a value: its text is taken as it is typed, or as a number in other units or another form. */
function shows({ plainly, changes }: Way, { name, type }: ValueClause): boolean {
  const isNumber = NUMBERS.some((one) => accepts(type, one)) && !takesAnyText(type)
  return plainly.has(name) || (changes.has(name) && changes.size === 1 && isNumber)
}

/** Of which a number takes some. */
const NUMBERS = [7, 1, 0.5]

/** A number that may be written in groups. */
const LARGE = [1234567]

/** The usual mount with another choice or flag: of a unit or a form may depend how a value is written. */
function otherwise({ tellable, middle, plain }: Subject, name: string): Given[] {
  return tellable
    .filter((one) => one.name !== name)
    .flatMap((one) => {
      const values = plain(one.name)
      const usual = middle[one.name] ?? one.default
      const isChoice = 'enum' in one.type || 'anyOf' in one.type || typeof usual === 'boolean'
      const other = values.find((value) => isChoice && typeof value !== 'object' && !equal(value, usual))
      return other === undefined ? [] : [{ ...middle, [one.name]: other }]
    })
    .slice(0, MOST_MOUNTS)
}

const MOST_MOUNTS = 3

/** A number with more places than are usually shown. */
function finer({ plain, middle }: Subject, { name, type }: ValueClause): number[] {
  const whole = plain(name).find((one) => typeof one === 'number' && Math.abs(one) < 1000 && one !== middle[name])
  const fine = typeof whole === 'number' ? Math.floor(whole) + 0.375 : undefined
  return fine !== undefined && accepts(type, fine) ? [fine] : []
}

/** Each of these, typed over the value that usually stands there. */
export async function* typedAsShown(subject: Subject): AsyncIterable<Trail> {
  for (const { given, control, text, before } of await shownIn(subject))
    yield { given, moves: [...(before === undefined ? [] : typed(control, before)), ...typed(control, text)] }
}

function typed(on: ControlRef, text: string): Move[] {
  return [gesture({ do: 'type', on, text }), gesture({ do: 'leave' })]
}

/** Typed again, it comes to another value, which is shown otherwise. */
export async function otherThanShown(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [last, end] = trail.moves.slice(-2)
  const row = rows[trail.moves.length]
  if (!isDone(last, 'type') || !isDone(end, 'leave')) return undefined
  const { on, text } = last.gesture
  if (row === undefined || !isPlainField(on)) return undefined
  const shown = (await shownIn(subject)).find(
    (one) =>
      equal(one.control, on) &&
      one.text === text &&
      equal(one.given, trail.given) &&
      trail.moves.length === (one.before === undefined ? 2 : 4),
  )
  if (shown === undefined || equal(row.read[shown.value.name], shown.is)) return undefined
  // What is rounded off is shown alike; a list is no round figure.
  if (!Array.isArray(shown.is) && shown.isExact !== true && (await textAt(subject, trail, on)) === text)
    return undefined
  return {
    row: trail.moves.length,
    says: `what the field shows of ${shown.value.name} ${printed(shown.is)} comes to something else when it is typed`,
    expected: `${shown.value.name} ${printed(shown.is)}`,
    found: `${shown.value.name} ${printed(row.read[shown.value.name])}`,
    cause: 'it is written in one form and read in another',
  }
}

function isTypedInText({ control, text, moves: [first] }: Way): boolean {
  return isPlainField(control) && text !== undefined && text !== '' && isDone(first, 'type')
}

function textAt(subject: Subject, trail: Trail, on: ControlRef): Promise<string | undefined> {
  return subject.lookAt(trail, fieldText(on))
}
