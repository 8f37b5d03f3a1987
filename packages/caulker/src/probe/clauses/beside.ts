import { equal, isHost, printed, type ValueClause } from '../../contract/index.js'
import type { Played, Row } from '../stage/played.js'
import { isDone, settlesEdits, type Move, type Trail } from '../stage/trail.js'
import { isField, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { fieldTexts } from './field-text.js'
import { memberTypes } from './lists.js'
import { retyped } from './ways-at-bounds.js'

/** A text that is taken as a member of an object, or as one of several values, where there are other fields. */
export function besideOthers(subject: Subject): Way[] {
  return subject.ways.filter(
    (way) =>
      isWritten(way) &&
      (way.partly.size > 0 || (subject.values.length > 1 && way.plainly.size > 0)) &&
      settlesEdits(way.moves.at(-1)) &&
      othersOf(subject, way).length > 0,
  )
}

/** What goes on by a step, where there are fields. */
export function stepsBeside(subject: Subject): Way[] {
  const isStep = ({ control: { kind }, moves: [first, second] }: Way) =>
    (kind === 'button' && isDone(first, 'press') && second === undefined) ||
    (kind === 'spin button' && isDone(first, 'key'))
  return subject.ways
    .filter((way) => isStep(way) && way.changes.size > 0 && othersOf(subject, way).length > 0)
    .slice(0, MOST_STEPS)
}

const MOST_STEPS = 6

/** The one of them that a trail plays. */
function wayPlayed(subject: Subject, { given, moves }: Trail, among = besideOthers(subject)): Way | undefined {
  return among.find((one) => equal(one.given, given) && equal(one.moves, moves))
}

/** What another field edits is gone with the edit of this one, though both can stand side by side. */
export async function droppedAlong(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const typed = wayPlayed(subject, trail)
  const way = typed ?? wayPlayed(subject, trail, stepsBeside(subject))
  const last = rows[trail.moves.length]
  if (way === undefined || last === undefined) return undefined
  const [before, after] = [placesOf(subject, rows[0]), placesOf(subject, last)]
  const isChanged = (place: string) => before.has(place) && !equal(before.get(place), after.get(place))
  // A button may be there to empty all; one that goes on by a step is not.
  const isStep = (place: string) => Math.abs(Number(before.get(place)) - Number(after.get(place))) === 1
  const changed = [...after.keys()].find((place) => isChanged(place) && (typed !== undefined || isStep(place)))
  const isGone = (place: string, value: unknown) =>
    typed === undefined
      ? isSomething(value) && !isSomething(after.get(place))
      : value !== undefined && after.get(place) === undefined
  const gone = [...before].find(([place, value]) => place !== changed && isGone(place, value))?.[0]
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

/**
 * What another field edits changes with the edit of this one, and whatever is typed here it comes to the same there: it was not reckoned
 * from it, but lost or cut.
 */
export async function swayed(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const way = wayPlayed(subject, trail)
  const last = rows[trail.moves.length]
  if (way === undefined || last === undefined) return undefined
  const [before, after] = [placesOf(subject, rows[0]), placesOf(subject, last)]
  const written = [...after].find(([, value]) => String(value) === way.text)?.[0]
  const changed = [...after].find(
    ([place, value]) => place !== written && isSomething(before.get(place)) && !equal(before.get(place), value),
  )
  if (written === undefined || changed === undefined || String(changed[1]) === way.text) return undefined
  const [place, found] = changed
  // A page that goes back to the first with another query is no slip; of members alike each stands for itself.
  if (!areAlike(subject, written, place) || !(await editedBesides(subject, way, place, before))) return undefined
  const others = textsBesides(subject, way, before.get(place))
  if (others.length === 0) return undefined
  for (const text of others) {
    const moves = way.moves.map((move: Move) => retyped(move, text))
    const again = placesOf(subject, (await subject.play({ given: way.given, moves })).rows.at(-1) as Row)
    if (String(again.get(written)) !== text || !equal(again.get(place), found)) return undefined
  }
  return swayedLeak(trail, written, place, [before.get(place), found])
}

export function swayedLeak(
  { moves }: Trail,
  written: string,
  place: string,
  [before, found]: readonly [unknown, unknown],
): LeakAt {
  return {
    row: moves.length,
    says: `the edit of ${written} changes ${place}, whatever is typed`,
    expected: `${place} ${printed(before)}`,
    found: `${place} ${printed(found)}`,
    cause: 'it goes through more than what was edited',
  }
}

/** Whether two places are members of one object, or values of one event, and of one type. */
function areAlike(subject: Subject, one: string, other: string): boolean {
  const [first, second] = [stemOf(subject, one), stemOf(subject, other)]
  const [whole, besides] = [one, other].map((place) => subject.values.find(({ name }) => name === place))
  if (whole !== undefined && besides !== undefined)
    return whole.event === besides.event && equal(whole.type, besides.type)
  if (first.value === undefined || first.value !== second.value) return false
  const types = memberTypes(first.value.type)
  return equal(types[first.member], types[second.member])
}

/** Whether a place has a field of its own that edits it. */
export async function editedBesides(subject: Subject, way: Way, place: string, before: Places): Promise<boolean> {
  for (const other of othersOf(subject, way)) {
    const end = cellsOf(subject, (await subject.play({ given: other.given, moves: other.moves })).rows.at(-1) as Row)
    if (!equal(end.get(place), before.get(place)) && String(end.get(place)) === other.text) return true
  }
  return false
}

/** What else is taken there: of a field of times or days only what it takes at all. */
function textsBesides({ ways }: Subject, { control, given, text = '', plainly }: Way, beside: unknown): string[] {
  const others = ways.filter((one) => equal(one.control, control) && equal(one.given, given) && one.plainly.size > 0)
  const taken = others.flatMap((one) => (one.text === undefined || one.text === text ? [] : [one.text]))
  return plainly.size > 0 && typeof beside !== 'number' ? [...new Set(taken)] : otherTexts(beside, text)
}

/** A number below and one above what stands beside it: of two ends that keep their order, only one would push the other. */
export function otherTexts(beside: unknown, text: string): string[] {
  return typeof beside === 'number'
    ? [String(Math.floor(beside) - 1), String(Math.ceil(beside) + 1)]
    : [`${text}${text}`, [...text].reverse().join('')].filter((one) => one !== text)
}

function isSomething(value: unknown): boolean {
  return value !== undefined && value !== null && value !== ''
}

/** What is typed into one field comes to stand in another, and the first stands as if nobody had been there. */
export async function strayed(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const way = wayPlayed(subject, trail)
  if (way === undefined || rows.length <= trail.moves.length) return undefined
  const [old, now] = [
    await subject.lookAfter(trail.given, [], fieldTexts),
    await subject.lookAfter(trail.given, trail.moves, fieldTexts),
  ]
  const mine = now?.findIndex(({ ref }) => equal(ref, way.control)) ?? -1
  const [before, after] = [old?.[mine]?.text, now?.[mine]?.text]
  if (old === undefined || now === undefined || old.length !== now.length) return undefined
  if (before === undefined || before !== after || after === way.text) return undefined
  const other = now.find(({ text }, at) => text !== old[at]?.text && text !== '' && isAlike(text, way.text ?? ''))
  return (
    other && {
      row: trail.moves.length,
      says: 'what is typed into one field comes to stand in another',
      expected: `${way.text ?? ''} in the field “${way.control.label}”`,
      found: `${other.text} in the field “${other.ref.label}”`,
    }
  )
}

/** Whether a place is an entry of an object whose names are not fixed: each may stand beside any other. */
function isOfRecord(subject: Subject, place: string): boolean {
  const type = stemOf(subject, place).value?.type as Record<string, unknown> | undefined
  return type?.['properties'] === undefined && type?.['patternProperties'] !== undefined
}

/** The ways at other fields of the same mount. */
function othersOf({ ways }: Subject, { given, control }: Way): Way[] {
  return ways.filter((one) => isWritten(one) && equal(one.given, given) && !equal(one.control, control))
}

/** A field, or a slider of the browser's own, whose place is a number. */
export function isWritten({ control, text }: Way): boolean {
  return isField(control) || (control.kind === 'slider' && text !== undefined)
}

export type Places = Map<string, unknown>

/** The value and the member that a place names. */
export function stemOf({ values }: Subject, place: string): { value: ValueClause | undefined; member: string } {
  const value = values.find(({ name }) => place.startsWith(`${name}.`))
  return { value, member: place.slice((value?.name.length ?? -1) + 1) }
}

/** Each value, and each member of one that is an object; what another value bounds may give way to it. */
export function placesOf({ values }: Subject, { read, held }: Row): Places {
  return new Map(
    values
      .filter((value) => !isBoundedByAnother(values, value))
      .flatMap(({ name }): [string, unknown][] => {
        const value = read[name] ?? held[name]
        if (typeof value !== 'object' || value === null || Array.isArray(value) || isHost(value)) return [[name, value]]
        return Object.entries(value).map(([member, part]) => [`${name}.${member}`, part])
      }),
  )
}

/** Whether it may give way to another value, or not get past it. */
export function isBoundedByAnother(values: readonly ValueClause[], { bounds }: ValueClause): boolean {
  return values.some(({ name }) => name === bounds.least || name === bounds.most)
}

/** Whether no other value bounds it, and it bounds none. */
export function isOnItsOwn(values: readonly ValueClause[], value: ValueClause): boolean {
  const bounds = values.flatMap((one) => [one.bounds.least, one.bounds.most])
  return !isBoundedByAnother(values, value) && !bounds.includes(value.name)
}

/** The same, and each member of each entry of a list: `tides.1.metres`. */
export function cellsOf(subject: Subject, row: Row): Places {
  const cells = placesOf(subject, row)
  for (const [place, list] of [...cells])
    if (Array.isArray(list))
      for (const [at, entry] of (list as unknown[]).entries())
        if (typeof entry === 'object' && entry !== null && !isHost(entry))
          for (const [member, part] of Object.entries(entry)) cells.set(`${place}.${at}.${member}`, part)
  return cells
}

/** A value with another part at a path; without it where the part is nothing. */
export function withPart(value: unknown, [first, ...rest]: readonly string[], part: unknown): unknown {
  if (first === undefined) return part
  if (Array.isArray(value))
    return value.map((entry, at) => (String(at) === first ? withPart(entry, rest, part) : (entry as unknown)))
  const { [first]: old, ...others } = (value ?? {}) as Record<string, unknown>
  if (rest.length > 0) return { ...others, [first]: withPart(old, rest, part) }
  return part === undefined ? others : { ...others, [first]: part }
}

/** One text, or one number that is written otherwise. */
function isAlike(one: string, other: string): boolean {
  return one === other || (other !== '' && Number(one) === Number(other))
}
