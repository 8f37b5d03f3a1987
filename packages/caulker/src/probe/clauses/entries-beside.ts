import { equal } from '../../contract/index.js'
import type { Played, Row } from '../stage/played.js'
import { settlesEdits, type Trail } from '../stage/trail.js'
import { isField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import { cellsOf, editedBesides, otherTexts, swayedLeak, type Places } from './beside.js'
import type { LeakAt } from './clause.js'
import { retyped } from './ways-at-bounds.js'

const MOST_FIELDS = 6

/** A text typed into a field of one entry of a list, where others beside it edit the rest. */
export function* typedInEntries(subject: Subject): Iterable<Trail> {
  for (const { given, moves } of fieldsOf(subject)) yield { given, moves }
}

function fieldsOf({ ways }: Subject): Way[] {
  const typed = ways.filter(
    ({ control, partly, text, moves }) => isField(control) && partly.size > 0 && text && settlesEdits(moves.at(-1)),
  )
  return oneAtEach(typed).slice(0, MOST_FIELDS)
}

/** What another field edits, of this entry or of another, is nothing afterwards, or something that nobody has put there, whatever is typed. */
export async function entrySwayed(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const way = fieldsOf(subject).find((one) => equal(one.given, trail.given) && equal(one.moves, trail.moves))
  const last = rows[trail.moves.length]
  if (way === undefined || last === undefined) return undefined
  const [before, after] = [cellsOf(subject, rows[0]), cellsOf(subject, last)]
  const written = [...after].find(([place, now]) => String(now) === way.text && !equal(before.get(place), now))?.[0]
  if (written === undefined || !isOfEntry(written)) return undefined
  const changed = [...after].find(
    ([place, now]) =>
      place !== written &&
      isOfEntry(place) &&
      before.get(place) !== undefined &&
      !equal(before.get(place), now) &&
      (isNothing(now) || entryOf(place) !== entryOf(written)),
  )
  if (changed === undefined || !(await editedBesides(subject, way, changed[0], before))) return undefined
  const [place, found] = changed
  for (const text of otherTexts(before.get(written), way.text ?? '')) {
    const again = await ended(subject, { ...way, moves: way.moves.map((move) => retyped(move, text)) })
    if (String(again.get(written)) !== text || !equal(again.get(place), found)) return undefined
  }
  return swayedLeak(trail, written, place, [before.get(place), found])
}

/** `lines.0.part` */
function isOfEntry(place: string): boolean {
  return /\.\d+\.[^.]+$/.test(place)
}

function entryOf(place: string): string {
  return place.slice(0, place.lastIndexOf('.'))
}

function isNothing(value: unknown): boolean {
  return value === undefined || value === null || value === '' || value === 0 || value === false
}

async function ended(subject: Subject, { given, moves }: Trail): Promise<Places> {
  return cellsOf(subject, (await subject.play({ given, moves })).rows.at(-1) as Row)
}
