import { accepts, equal, isKept, printed, typeText, type TSchema, type ValueClause } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { isEmptiedPart } from './emptied-part.js'
import { textInside } from './field-text.js'
import { linesShowing } from './laws.js'
import { atTheirLeast } from './least-entries.js'
import type { Given } from '../../mount/index.js'
import type { ControlRef } from '../person/controls.js'
import { foundControls } from '../person/operate.js'
import { allLines, linesText, pictureText, samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isDone, isGesture, settlesEdits, type Move, type Trail } from '../stage/trail.js'
import { keysIn } from '../subject/among.js'
import { namedInLists, naming } from '../subject/named-in-lists.js'
import { textsOffType } from '../subject/off-type.js'
import { isField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import { isSilent } from '../subject/views.js'
import { retyped } from './ways-at-bounds.js'
import { turnsToAWord } from './words-for-nothing.js'

/** With how many controls it is tried what one does after another. */
const MOST_PAIRED = 4

/** Payload, property and picture agree. */
export const reportsTruth = clause({
  id: 'reports-truth',
  group: 'up',
  promise:
    'What it reports is of the declared type, is what the component itself holds at that moment, and is what it shows when it has settled.',
  why: 'An owner that is told the value from before the edit, or a text instead of a number, saves and computes with it.',
  tried:
    'Everything that a person was found to be able to do; also where a property that chooses among a few is another; each report is compared with the property at that moment, and with the picture afterwards, in which nothing stands as a word of code.',
  unprovenWhen: 'Nothing was reported.',
  random: 'any',
  onTrial: 'gesture',
  concerns: ({ values }) => Object.keys(values).length > 0,
  async *trails(subject) {
    for (const way of subject.ways) yield { given: way.given, moves: way.moves }
    for (const way of subject.ways) yield { given: way.given, moves: [...way.moves, ...way.moves] }
    yield* underOthers(subject)
    yield* namedBeside(subject)
    yield* intoEmpty(subject)
    yield* offItsType(subject)
    yield* atTheirLeast(subject)
    for (const one of subject.chiefWays.slice(0, MOST_PAIRED))
      for (const other of subject.chiefWays.slice(0, MOST_PAIRED))
        if (one !== other) yield { given: one.given, moves: [...one.moves, ...other.moves] }
  },
  proves: (_, { rows }) => rows.some((row) => row.heard.some((one) => one.value !== undefined)),
  async judge(subject, played) {
    const { rows, trail } = played
    const added = addedText(subject, rows, trail)
    const word = added ?? turnsToAWord(played)
    if (word !== undefined) return word
    for (const [at, row] of rows.entries()) {
      for (const one of row.heard) {
        const value = subject.values.find(({ name }) => name === one.value)
        if (value === undefined) continue
        const heard = `heard ${one.event} ${printed(one.payload)}`
        if (!accepts(value.type, one.payload))
          return {
            row: at,
            says: `the report of ${value.name} is off its type`,
            expected: `${typeText(value.type)} at ${value.payloadAt}`,
            found: heard,
            ...(one.payload === undefined ? { cause: `the event carries nothing at ${value.payloadAt}` } : {}),
          }
        const doubled = doubledEntry(value, one.payload, row.held)
        if (doubled !== undefined)
          return {
            row: at,
            says: `it reports an entry of ${value.name} twice`,
            expected: `${printed(doubled)} once, as in ${value.among?.list}`,
            found: heard,
          }
        if (value.applies === 'at-once' && one.readThen !== undefined && !equal(one.payload, one.readThen)) {
          const isOld = equal(one.payload, one.knownThen)
          return {
            row: at,
            says: isOld ? 'it reports the value from before the edit' : 'the report and the property differ',
            expected: `heard ${one.event} ${printed(row.read[value.name])}`,
            found: `${heard} while ${value.name} is ${printed(one.readThen)}`,
            ...(isOld ? { cause: 'the report is sent before the new value is taken' } : {}),
          }
        }
      }
      if (!isGesture(row.move) || !settlesEdits(row.move)) continue
      const joined = runTogether(subject, rows, at)
      if (joined !== undefined) return joined
      for (const { name, event } of subject.values) {
        const last = row.heard.findLast((one) => one.value === name)
        if (
          last !== undefined &&
          row.read[name] !== undefined &&
          equal(row.known[name], last.payload) &&
          !equal(last.payload, row.read[name])
        )
          return {
            row: at,
            says: equal(last.payload, last.knownThen)
              ? 'it reports the value from before the edit'
              : 'the report and the property differ',
            expected: `heard ${event} ${printed(row.read[name])}`,
            found: `heard ${event} ${printed(last.payload)}`,
            cause: 'the report is sent before the new value is taken',
          }
        if (!isHeardOf(rows, at, name) || row.held[name] === undefined) continue
        if (isEmptiedPart(subject, rows.slice(0, at + 1), name)) continue
        const lines = await linesShowing(subject, row.held, name)
        const shown = allLines(row.picture).map(withoutOffers)
        const missing = lines.filter((line) => !shown.includes(withoutOffers(line)))
        if (
          missing.length > 0 &&
          !isTypedBeside(rows.slice(0, at), shown, missing) &&
          !(await isOpenedByItself(subject, row)) &&
          !(await isShownOnceLeft(subject, trail, at, row, missing))
        )
          return {
            row: at,
            says: `it reports ${name} ${printed(row.held[name])} and shows something else`,
            expected: linesText(missing),
            found: `shown ${pictureText(row.picture)}`,
          }
      }
    }
    return undefined
  },
})

/** An entry that is chosen from a list is chosen or not. */
function doubledEntry(value: ValueClause, payload: unknown, held: Given): unknown {
  const keys = keysIn(value, held)
  if (!Array.isArray(payload) || keys === undefined) return undefined
  const timesIn = (all: readonly unknown[], entry: unknown) => all.filter((one) => equal(one, entry)).length
  return (payload as unknown[]).find((entry) => timesIn(payload, entry) > 1 && timesIn(keys, entry) === 1)
}

/** Whether it was reported at this move, or at those before it that had not ended the edit. */
function isHeardOf(rows: readonly Row[], at: number, name: string): boolean {
  const begun = rows.findLastIndex(({ move }, before) => before < at && (!isGesture(move) || settlesEdits(move)))
  return rows.slice(begun + 1, at + 1).some(({ heard }) => heard.some(({ value }) => value === name))
}

/** What is typed where a list beside it names it, and where that named what stood before. */
function* namedBeside(subject: Subject): Iterable<Trail> {
  for (const one of namedInLists(subject))
    for (const { given, moves, text = '' } of typedAs(subject, one.value.name)) {
      const typed = subject.ideally(one.value.name, { ...given, [one.value.name]: text })
      for (const named of [typed, given[one.value.name]])
        if (typeof named === 'string' && named !== '') yield { given: naming(one, named, given), moves }
    }
}

/** The first field that takes a text as it is, left once it is typed. */
function typedAs({ ways }: Subject, name: string): Way[] {
  return ways.filter(({ plainly, moves }) => plainly.has(name) && isDone(moves.at(-1), 'leave')).slice(0, 1)
}

const MOST_BUTTONS = 8

/** What was added may be open for its first edit: a press brings up the same where it was given. */
async function isOpenedByItself(subject: Subject, { held, picture }: Row): Promise<boolean> {
  const found = (await subject.look(held, foundControls)) ?? []
  for (const { ref } of found.filter((one) => one.ref.kind === 'button').slice(0, MOST_BUTTONS)) {
    const opened = await subject.play({ given: held, moves: [gesture({ do: 'press', on: ref })] })
    const last = opened.rows[1]
    if (last !== undefined && isSilent(subject, opened) && samePicture(last.picture, picture)) return true
  }
  return false
}

/** A text that is no value of the type is not taken for one; what lies beside the bounds of a value is the affair of its bounds. */
function* offItsType(subject: Subject): Iterable<Trail> {
  const typed = subject.ways.filter(
    ({ text, changes, control, moves: [first] }) =>
      text !== undefined && changes.size > 0 && isField(control) && isDone(first, 'type'),
  )
  for (const { given, control, changes } of oneAtEach(typed).slice(0, MOST_PAIRED))
    for (const text of offTypeOf(subject, changes))
      for (const end of [gesture({ do: 'leave' }), gesture({ do: 'enter', on: control })])
        yield { given, moves: [gesture({ do: 'type', on: control, text }), end] }
  // Where the field has to be opened first, or waits for a button, it is ended as it was found.
  const later = subject.ways.filter(
    ({ changes, moves: [first, ...others] }) =>
      changes.size > 0 && !isDone(first, 'type') && others.some((move) => isDone(move, 'type')),
  )
  for (const { given, moves, changes } of oneAtEach(later).slice(0, MOST_PAIRED))
    for (const text of offTypeOf(subject, changes)) yield { given, moves: moves.map((move) => retyped(move, text)) }
}

function offTypeOf({ values }: Subject, changes: ReadonlySet<string>): string[] {
  return values
    .filter(({ name, outside }) => changes.has(name) && !isKept(outside))
    .flatMap(({ type }) => textsOffType(type))
}

/** The same where a property that chooses among a few, such as a unit, is another: what is reported follows no property but its value. */
async function* underOthers(subject: Subject): AsyncIterable<Trail> {
  const choosing = subject.tellable.filter(({ kind, type }) => kind === 'property' && isAmongFew(type))
  const ways = oneAtEach(subject.ways.filter(({ changes }) => changes.size > 0)).slice(0, MOST_UNDER)
  for (const { name } of choosing.slice(0, MOST_CHOOSING))
    for (const other of subject.plain(name).slice(0, 2))
      for (const { given, moves, control } of ways) {
        if (equal(given[name], other)) continue
        const under = { ...given, [name]: other }
        yield { given: under, moves }
        const text = isField(control) ? await otherText(subject, under, control) : undefined
        if (text !== undefined) yield { given: under, moves: moves.map((move) => retyped(move, text)) }
      }
}

/** What a field shows for another value. */
async function otherText(subject: Subject, given: Given, on: ControlRef): Promise<string | undefined> {
  const before = await textInside(subject, given, on)
  for (const { name } of subject.values)
    for (const told of subject.plain(name)) {
      const text = await textInside(subject, { ...given, [name]: told }, on)
      if (text !== undefined && text !== '' && text !== before) return text
    }
  return undefined
}

const MOST_CHOOSING = 2
const MOST_UNDER = 3

function isAmongFew(type: TSchema): boolean {
  return 'enum' in type || 'anyOf' in type
}

/** One letter in an empty field, while other names hold a text: a hint, a label, an example. */
function* intoEmpty(subject: Subject): Iterable<Trail> {
  const hints = subject.tellable.filter(({ kind, type }) => kind === 'property' && accepts(type, HINT))
  for (const { name, type, empty } of subject.values) {
    const way = subject.ways.find(
      ({ plainly, moves: [first] }) => typeof plainly.get(name) === 'string' && isDone(first, 'type'),
    )
    if (way === undefined || empty === undefined || !accepts(type, 'x')) continue
    const moves: Move[] = [
      gesture({ do: 'insert', on: way.control, text: 'x', from: 0, to: 0 }),
      gesture({ do: 'leave' }),
    ]
    for (const hint of hints) yield { given: { ...subject.base, [name]: empty, [hint.name]: HINT }, moves }
  }
}

const HINT = 'kzqv'

/** A text that was never entered, and is reported with what was. */
function addedText(subject: Subject, rows: Played['rows'], { given, moves: [first] }: Trail): LeakAt | undefined {
  if (!isDone(first, 'insert')) return undefined
  const hint = subject.names.find(({ name, kind }) => kind === 'property' && given[name] === HINT)
  for (const [at, { heard }] of rows.entries()) {
    const one = heard.find(
      ({ value, payload }) => value !== undefined && typeof payload === 'string' && payload.includes(HINT),
    )
    if (hint !== undefined && one !== undefined)
      return {
        row: at,
        says: `it reports the ${hint.name} as if it had been entered`,
        expected: `heard ${one.event} ${printed(first.gesture.text)}`,
        found: `heard ${one.event} ${printed(one.payload)}`,
        cause: `the ${hint.name} stands in the field as its text`,
      }
  }
  return undefined
}

/** What a select shows, and not what else it offers. */
function withoutOffers(line: string): string {
  return line.replace(/ ▾ [^\]]*\]/, ' ▾]')
}

/** Two lines that were typed, and come to one. */
function runTogether({ values }: Subject, rows: Played['rows'], at: number): LeakAt | undefined {
  const typed = rows[at - 1]?.move
  const row = rows[at]
  if (!isDone(typed, 'type') || !typed.gesture.text.includes('\n')) return undefined
  const [first = '', second = ''] = typed.gesture.text.split('\n')
  const whole = new RegExp(`${first}(.*)${second}`, 's')
  const value = values.find(
    ({ name, type }) =>
      accepts(type, typed.gesture.text) &&
      whole.test(String(row?.read[name])) &&
      !String(row?.read[name]).includes('\n'),
  )
  return (
    value && {
      row: at,
      says: `two lines are typed, and ${value.name} is one`,
      expected: `${value.name} ${printed(typed.gesture.text)}`,
      found: `${value.name} ${printed(row?.read[value.name])}`,
    }
  )
}

/** While somebody is in a field it may be written otherwise than when it is left. */
async function isShownOnceLeft(
  subject: Subject,
  { given, moves }: Trail,
  at: number,
  { around }: Row,
  missing: readonly string[],
): Promise<boolean> {
  if (!around.hasFocus) return false
  const { rows } = await subject.play({ given, moves: [...moves.slice(0, at), gesture({ do: 'leave' })] })
  const left = rows[at + 1]
  const shown = left === undefined ? [] : allLines(left.picture).map(withoutOffers)
  return missing.every((line) => shown.includes(withoutOffers(line)))
}

/** A text that was typed and taken by nobody yet stands in its field, whatever is done beside it. */
function isTypedBeside(before: readonly Row[], shown: readonly string[], missing: readonly string[]): boolean {
  const typed = before.flatMap(({ move, heard }) =>
    isDone(move, 'type') && heard.length === 0 && move.gesture.text !== '' ? [`[${move.gesture.text}]`] : [],
  )
  return (
    typed.some((text) => shown.some((line) => line.startsWith(text))) && missing.every((line) => line.startsWith('['))
  )
}
