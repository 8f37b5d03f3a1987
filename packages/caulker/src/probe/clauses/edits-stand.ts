import { equal, printed } from '../../contract/index.js'
import { besideOthers, droppedAlong, isWritten, placesOf, stepsBeside, strayed, swayed, type Places } from './beside.js'
import { added, addingWays, doubled, lostForOne } from './added-entries.js'
import { clause } from './clause.js'
import { entrySwayed, typedInEntries } from './entries-beside.js'
import { alikeButtons, middleButtons, movesAway } from './entry-buttons.js'
import { takenOutAll, takenOutOfSeveral } from './marked-for-list.js'
import { keptApart, keptTogether } from './kept-together.js'
import { pushedAlong, setBeside, stoodBeside } from './pushed-along.js'
import { changesAnother, ownButtons, takenOut, takenOutWith } from './own-buttons.js'
import { bothTaken, lostToAnother, takenAlong, tickedInTurn, turnedTwice } from './ticks.js'
import type { ControlKind } from '../person/controls.js'
import type { Played, Row } from '../stage/played.js'
import { isDone, settlesEdits, type Move } from '../stage/trail.js'
import { oneAtEach, type Subject, type Way } from '../subject/subject.js'

/** How many fields are paired with each other. */
const MOST_FIELDS = 4

/** One field's edit does not undo another's. */
export const editsStand = clause({
  id: 'edits-stand',
  group: 'up',
  promise:
    'An edit in one field leaves standing what was edited in another, and what is added to a list or taken out of it leaves its other entries.',
  why: 'A field that sends the whole record as it was when it was drawn sends the other fields\u2019 old contents with it: the last one saved wins, and the others are lost.',
  tried:
    'A text is typed into one field and then into another; what the first has changed is looked at again, and what another field edits is still there; an entry is added to a list, each is taken out by its own button, and of three each button of the middle one is pressed, of several one is marked and taken out; two boxes are ticked in turn, by themselves and for one button, what is on is turned off and on again, and what is ticked or goes on by a step stands beside the fields; a number that is set leaves standing the one beside it.',
  unprovenWhen: 'No two fields were found that change different parts, and no two entries of a list.',
  random: 'none',
  onTrial: 'gesture',
  concerns: ({ values }) => Object.keys(values).length > 0,
  async *trails(subject) {
    const fields = editsIn(subject)
    for (const { given, moves } of [...besideOthers(subject), ...stepsBeside(subject), ...addingWays(subject)])
      yield { given, moves }
    for (const [one, other] of await ownButtons(subject)) yield* [one.trail, other.trail]
    for (const { trail } of await middleButtons(subject)) yield trail
    yield* typedInEntries(subject)
    yield* takenOutOfSeveral(subject)
    yield* tickedInTurn(subject)
    yield* turnedTwice(subject)
    yield* keptTogether(subject)
    yield* setBeside(subject)
    for (const one of fields)
      for (const other of fields)
        if (one !== other && equal(one.given, other.given))
          yield { given: one.given, moves: [...one.moves, ...other.moves] }
  },
  proves: async (subject, played) =>
    (await partsOf(subject, played)) !== undefined ||
    (await takenOut(subject, played)) ||
    added(subject, played) ||
    bothTaken(subject, played) ||
    stoodBeside(subject, played),
  async judge(subject, played) {
    for (const law of [
      droppedAlong,
      swayed,
      entrySwayed,
      strayed,
      takenOutWith,
      takenOutAll,
      changesAnother,
      alikeButtons,
      movesAway,
      lostForOne,
      doubled,
      lostToAnother,
      takenAlong,
      keptApart,
      pushedAlong,
    ]) {
      const leak = await law(subject, played)
      if (leak !== undefined) return leak
    }
    const parts = await partsOf(subject, played)
    const last = played.rows.length - 1
    const texts = played.trail.moves.map(typedText)
    for (const [place, { before, edited, later }] of parts ?? [])
      // An end of a pair that gives way to the other comes to stand where that was put.
      if (
        !equal(edited, later) &&
        equal(before, later) &&
        !texts.includes(String(later)) &&
        !(await undoesItAnyway(subject, played, place, later))
      )
        return {
          row: last,
          says: `the second edit undoes the first, of ${place}`,
          expected: `${place} ${printed(edited)}`,
          found: `${place} ${printed(later)}`,
          cause: 'it puts the new text into what stood when it was drawn, and not into what stands now',
        }
    return undefined
  },
})

interface Part {
  readonly before: unknown
  readonly edited: unknown
  readonly later: unknown
}

/** What is ticked or moved may be there to undo it: then it does so, too, where its owner has given what the first edit made. */
async function undoesItAnyway(
  subject: Subject,
  { trail, rows }: Played,
  place: string,
  later: unknown,
): Promise<boolean> {
  const one = editsIn(subject).find(({ moves }) => equal(trail.moves.slice(0, moves.length), moves))
  const row = rows[one?.moves.length ?? 0]
  if (
    one === undefined ||
    row === undefined ||
    trail.moves.every((move) => typedText(move) !== '' || isDone(move, 'leave'))
  )
    return false
  const told = await subject.play({ given: row.held, moves: trail.moves.slice(one.moves.length) })
  return equal(placesOf(subject, told.rows.at(-1) as Row).get(place), later)
}

/** Each place that the first of two edits has changed and the second, alone, does not. */
async function partsOf(subject: Subject, { trail, rows }: Played): Promise<Map<string, Part> | undefined> {
  const one = editsIn(subject).find(({ moves }) => equal(trail.moves.slice(0, moves.length), moves))
  const row = rows[one?.moves.length ?? 0]
  const last = rows[rows.length - 1] as Row
  if (one === undefined || row === undefined || row === last || !settlesEdits(last.move)) return undefined
  const alone = await subject.play({ given: trail.given, moves: trail.moves.slice(one.moves.length) })
  const end = alone.rows[alone.rows.length - 1] as Row
  const [before, edited, later] = [rows[0], row, last].map((at) => placesOf(subject, at)) as [Places, Places, Places]
  const [from, to] = [placesOf(subject, alone.rows[0]), placesOf(subject, end)]
  // What is nothing as a whole for a while has no parts that could be undone.
  const isThroughout = (place: string) => [before, later, from, to].every((places) => places.has(place))
  const parts = [...edited].filter(
    ([place, value]) =>
      isThroughout(place) && !equal(before.get(place), value) && equal(from.get(place), to.get(place)),
  )
  const isOfTwo = [...to].some(([place, value]) => !equal(from.get(place), value))
  if (parts.length === 0 || !isOfTwo) return undefined
  return new Map(
    parts.map(([place, value]) => [place, { before: before.get(place), edited: value, later: later.get(place) }]),
  )
}

/** Fields, and what is ticked or moved beside them. */
function editsIn(subject: Subject): Way[] {
  const fields = typedInto(subject)
  const moved = subject.ways.filter(
    ({ control, changes, given }) =>
      MOVED.includes(control.kind) && changes.size > 0 && fields.some((field) => equal(field.given, given)),
  )
  return [...fields, ...oneAtEach(moved).slice(0, MOST_MOVED)]
}

const MOVED: readonly ControlKind[] = ['checkbox', 'switch', 'slider', 'spin button']
const MOST_MOVED = 2

/** One way for each field, or slider, in which a text is typed and ended, also where something has to be opened first. */
function typedInto({ ways }: Subject): Way[] {
  const typed = ways.filter(
    (way) =>
      isWritten(way) &&
      way.changes.size > 0 &&
      way.moves.some((move) => typedText(move) !== '') &&
      settlesEdits(way.moves.at(-1)),
  )
  return oneAtEach(typed).slice(0, MOST_FIELDS)
}

function typedText(move: Move): string {
  return isDone(move, 'type') ? move.gesture.text : ''
}
