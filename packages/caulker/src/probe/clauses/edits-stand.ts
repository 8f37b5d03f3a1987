import { equal, isHost, printed, type ValueClause } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import type { Played, Row } from '../stage/played.js'
import { isGesture, settlesEdits, type Move } from '../stage/trail.js'
import { isField, oneAtEach, type Subject, type Way } from '../subject/subject.js'

/** How many fields are paired with each other. */
const MOST_FIELDS = 4

/** One field's edit does not undo another's. */
export const editsStand = clause({
  id: 'edits-stand',
  group: 'up',
  promise: 'An edit in one field leaves standing what was edited in another.',
  why: 'A field that sends the whole record as it was when it was drawn sends the other fields\u2019 old contents with it: the last one saved wins, and the others are lost.',
  tried:
    'A text is typed into one field and then into another; what the first has changed is looked at again, and what another field edits is still there.',
  unprovenWhen: 'No two fields were found that change different parts.',
  random: 'none',
  onTrial: 'gesture',
  concerns: ({ values }) => Object.keys(values).length > 0,
  *trails(subject) {
    const fields = typedInto(subject)
    for (const { given, moves } of besideOthers(subject)) yield { given, moves }
    for (const one of fields)
      for (const other of fields)
        if (one !== other && equal(one.given, other.given))
          yield { given: one.given, moves: [...one.moves, ...other.moves] }
  },
  proves: async (subject, played) => (await partsOf(subject, played)) !== undefined,
  async judge(subject, played) {
    const dropped = await droppedAlong(subject, played)
    if (dropped !== undefined) return dropped
    const parts = await partsOf(subject, played)
    const last = played.rows.length - 1
    const texts = played.trail.moves.map(typedText)
    for (const [place, { before, edited, later }] of parts ?? [])
      // An end of a pair that gives way to the other comes to stand where that was put.
      if (!equal(edited, later) && equal(before, later) && !texts.includes(String(later)))
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

/** A text in one field, where another field edits a member of the same object that may be left out. */
function besideOthers(subject: Subject): Way[] {
  return subject.ways.filter(
    (way) =>
      isField(way.control) &&
      way.partly.size > 0 &&
      settlesEdits(way.moves.at(-1)) &&
      othersOf(subject, way).length > 0,
  )
}

/** What another field edits is gone with the edit of this one, though both can stand side by side. */
async function droppedAlong(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const way = besideOthers(subject).find((one) => equal(one.given, trail.given) && equal(one.moves, trail.moves))
  const last = rows[trail.moves.length]
  if (way === undefined || last === undefined) return undefined
  const [before, after] = [placesOf(subject, rows[0]), placesOf(subject, last)]
  const changed = [...after].find(([place, value]) => before.has(place) && !equal(before.get(place), value))?.[0]
  const gone = [...before].find(([place, value]) => value !== undefined && after.get(place) === undefined)?.[0]
  if (changed === undefined || gone === undefined) return undefined
  for (const other of othersOf(subject, way)) {
    const played = await subject.play({ given: other.given, moves: other.moves })
    const end = placesOf(subject, played.rows.at(-1) as Row)
    const isEdited = end.get(gone) !== undefined && !equal(end.get(gone), before.get(gone))
    // Of two that shut each other out, the one goes with the other; the entries of a record do not.
    if (isEdited && (equal(end.get(changed), before.get(changed)) || isOfRecord(subject, gone)))
      return {
        row: trail.moves.length,
        says: `the edit of ${changed} takes ${gone} away`,
        expected: `${gone} ${printed(before.get(gone))}`,
        found: `no ${gone}`,
        cause: 'it sends a new object without what else stood in the old one',
      }
  }
  return undefined
}

/** Whether a place is an entry of an object whose names are not fixed: each may stand beside any other. */
function isOfRecord({ values }: Subject, place: string): boolean {
  const type = values.find(({ name }) => place.startsWith(`${name}.`))?.type as Record<string, unknown> | undefined
  return type?.['properties'] === undefined && type?.['patternProperties'] !== undefined
}

/** The ways at other fields of the same mount. */
function othersOf({ ways }: Subject, { given, control }: Way): Way[] {
  return ways.filter((one) => isField(one.control) && equal(one.given, given) && !equal(one.control, control))
}

interface Part {
  readonly before: unknown
  readonly edited: unknown
  readonly later: unknown
}

/** Each place that the first of two edits has changed and the second, alone, does not. */
async function partsOf(subject: Subject, { trail, rows }: Played): Promise<Map<string, Part> | undefined> {
  const one = typedInto(subject).find(({ moves }) => equal(trail.moves.slice(0, moves.length), moves))
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

type Places = Map<string, unknown>

/** Each value, and each member of one that is an object; what another value bounds may give way to it. */
function placesOf({ values }: Subject, { read, held }: Row): Places {
  const isFree = ({ bounds }: ValueClause) => !values.some(({ name }) => name === bounds.least || name === bounds.most)
  return new Map(
    values.filter(isFree).flatMap(({ name }): [string, unknown][] => {
      const value = read[name] ?? held[name]
      if (typeof value !== 'object' || value === null || Array.isArray(value) || isHost(value)) return [[name, value]]
      return Object.entries(value).map(([member, part]) => [`${name}.${member}`, part])
    }),
  )
}

/** One way for each field in which a text is typed and ended, also where something has to be opened first. */
function typedInto({ ways }: Subject): Way[] {
  const typed = ways.filter(
    ({ changes, moves, control }) =>
      isField(control) &&
      changes.size > 0 &&
      moves.some((move) => typedText(move) !== '') &&
      settlesEdits(moves.at(-1)),
  )
  return oneAtEach(typed).slice(0, MOST_FIELDS)
}

function typedText(move: Move): string {
  return isGesture(move) && move.gesture.do === 'type' ? move.gesture.text : ''
}
