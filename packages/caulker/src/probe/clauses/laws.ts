import { equal, isHost, printed } from '../../contract/index.js'
import type { LeakAt } from './clause.js'
import {
  allLines,
  linesOnlyIn,
  linesText,
  looksSame,
  pictureText,
  samePicture,
  type Picture,
} from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { isDone, isGesture, isTell, tell, trailKey, type Move } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { Given } from '../../mount/index.js'

/**
 * Update equals remount: after tells from outside, a component looks exactly like one freshly mounted with what its owner now holds,
 * and it says the same of itself. Judged at each row up to the first that is no tell.
 */
export async function updateEqualsRemount(subject: Subject, { rows }: Played): Promise<LeakAt | undefined> {
  if (!takesTheGiven(subject, rows[0])) return undefined
  for (let at = 1; at < rows.length && isTell(rows[at]?.move); at++) {
    if (at < (subject.judgedFrom ?? 0)) continue
    const row = rows[at] as Row
    const fresh = await subject.fresh(row.held)
    if (fresh.fault !== undefined || fresh.unsettled !== undefined || !isMeasure(subject, rows[0], row, fresh))
      return undefined
    const leak = unlikeFresh(row, rows[at - 1] as Row, fresh)
    if (leak !== undefined) return { row: at, ...leak }
  }
  return undefined
}

/**
 * The same once a person has edited: what was told last replaces it. What any edit leaves behind, such as a mark that the field was
 * touched, it leaves whatever is told, and is no leak.
 */
export async function replacesTheEdit(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const at = rows.length - 1
  const [before, row] = [rows[at - 1], rows[at]]
  const moves = trail.moves.slice(0, -1)
  if (before === undefined || !isTell(row?.move) || at < 2 || !moves.every(isGesture)) return undefined
  // Told what it holds already, it has nothing to replace.
  if (Object.entries(row.move.tell).every(([name, value]) => equal(before.held[name], value))) return undefined
  const fresh = await subject.fresh(row.held)
  if ((fresh.fault ?? fresh.unsettled) !== undefined || !isMeasure(subject, before, row, fresh)) return undefined
  const leak = unlikeFresh(row, before, fresh)
  if (leak === undefined) return undefined
  // Told without the edit before it, it looks the same: then it is not the edit that is left.
  const untouched = await subject.play({ ...trail, moves: trail.moves.slice(-1) })
  if (untouched.rows[1] === undefined || samePicture(untouched.rows[1].picture, row.picture)) return undefined
  const [name = ''] = Object.keys(row.move.tell)
  const strange = (one: Row, other: Row) => [
    ...linesOnlyIn(one.picture, other.picture).map((line) => `with ${line}`),
    ...linesOnlyIn(other.picture, one.picture).map((line) => `without ${line}`),
  ]
  const found = strange(row, fresh)
  for (const value of subject.plain(name)) {
    if (equal(value, row.move.tell[name])) continue
    const played = await subject.play({ ...trail, moves: [...moves, tell({ [name]: value })] })
    const last = played.rows[at]
    if (last === undefined) return undefined
    const left = strange(last, await subject.fresh(last.held))
    if (found.every((line) => left.includes(line))) return undefined
  }
  return { row: at, ...leak, cause: 'what a person has put in is not drawn anew when its owner tells something' }
}

/** Whether a fresh mount says how a row should look: it takes what it is given, and shows of it what changed. */
function isMeasure(subject: Subject, before: Row, row: Row, fresh: Row): boolean {
  const isUnseen = [...subject.unseen].some((name) => !equal(before.held[name], row.held[name]))
  return takesTheGiven(subject, fresh) && !isUnseen
}

/** A mount that does not take what it is given is no measure for a tell; that it does not is the affair of another clause. */
export function takesTheGiven({ values }: Subject, { read, known }: Row): boolean {
  return values.every(
    ({ name }) => read[name] === undefined || known[name] === undefined || equal(read[name], known[name]),
  )
}

/** How a row differs from a fresh mount that should look like it: in the picture, or in what it says of itself. */
export function unlikeFresh(row: Row, before: Row, fresh: Row): Omit<LeakAt, 'row'> | undefined {
  if (!samePicture(row.picture, fresh.picture)) {
    const isUnmoved = samePicture(row.picture, before.picture)
    return {
      says: changeText(looksSame(row.picture, fresh.picture), isUnmoved),
      ...pictureDifference(fresh.picture, row.picture),
      ...(isUnmoved ? { cause: 'it is read once, at the mount, and not followed afterwards' } : {}),
    }
  }
  const unsaid = unlikeLive(row, before, fresh)
  if (unsaid !== undefined) return unsaid
  const unlike = Object.keys(fresh.read).find(
    (name) => !equal(fresh.read[name], row.read[name]) && equal(fresh.read[name], row.held[name]),
  )
  if (unlike === undefined) return undefined
  return {
    says: `it does not take the change of ${unlike}`,
    expected: `${unlike} ${printed(fresh.read[unlike])}`,
    found: `${unlike} ${printed(row.read[unlike])}`,
  }
}

/** What stands in a live region goes by itself, but for a text that its owner has told: that is drawn from what is held. */
function unlikeLive(row: Row, before: Row, fresh: Row): Omit<LeakAt, 'row'> | undefined {
  const { move } = row
  if (!isTell(move)) return undefined
  const textsIn = (held: Given) =>
    Object.keys(move.tell)
      .map((name) => held[name])
      .filter((value) => typeof value === 'string')
      .map((value) => value.replace(/\s+/g, ' ').trim())
  const holds = (lines: readonly string[], text: string) => text !== '' && lines.some((line) => line.includes(text))
  const missing = textsIn(row.held).find((text) => holds(fresh.picture.live, text) && !seen(row).includes(text))
  if (missing !== undefined)
    return { says: 'the change is not shown', expected: `shown ${missing}`, found: `shown without “${missing}”` }
  // Only what a mount shows is no news of something that happened.
  const stale = before.move === undefined ? textsIn(before.held) : []
  const left = stale.find(
    (text) => holds(before.picture.live, text) && holds(row.picture.live, text) && !seen(fresh).includes(text),
  )
  return left === undefined
    ? undefined
    : { says: 'not all of the change is shown', expected: `shown without “${left}”`, found: `shown ${left}` }
}

function seen({ picture }: Row): string {
  return allLines(picture).join('\n')
}

function changeText(looksRight: boolean, isUnmoved: boolean): string {
  if (looksRight) return 'assistive technology is not told of the change'
  return isUnmoved ? 'the change is not shown' : 'not all of the change is shown'
}

/**
 * A component that was told behaves like one freshly mounted with the same: the same gestures bring the same reports and values.
 * `since` is the first row of the gestures.
 */
export async function behavesLikeFresh(
  subject: Subject,
  { trail, rows }: Played,
  since: number,
): Promise<(LeakAt & { readonly missing: boolean }) | undefined> {
  const before = rows[since - 1]
  if (before === undefined || since >= rows.length) return undefined
  const fresh = await subject.play({ given: before.held, moves: trail.moves.slice(since - 1) })
  for (let at = since; at < rows.length; at++) {
    const row = rows[at] as Row
    const twin = fresh.rows[at - since + 1]
    if (twin === undefined || twin.fault !== undefined || twin.unsettled !== undefined || twin.impossible !== undefined)
      return undefined
    if (row.impossible !== undefined) return undefined
    const expected = heardText(twin)
    const found = heardText(row)
    if (expected !== found)
      return {
        row: at,
        says: 'the same gesture has another result than on a fresh component',
        expected,
        found,
        missing: row.heard.length < twin.heard.length,
      }
    const unlike = subject.values.find(({ name }) => !isAlike(twin.read[name], row.read[name]))
    if (unlike !== undefined)
      return {
        row: at,
        says: 'the same gesture has another result than on a fresh component',
        expected: `${unlike.name} ${printed(twin.read[unlike.name])}`,
        found: `${unlike.name} ${printed(row.read[unlike.name])}`,
        missing: false,
      }
  }
  return undefined
}

/** An arrow key in a grid or a list, before another that takes what it came to: once more, it goes on from there. */
export function walksFirst([first, second]: readonly Move[]): boolean {
  const isWalk = isDone(first, 'key') && first.gesture.key.startsWith('Arrow')
  return isWalk && isDone(second, 'key') && ['grid', 'list box'].includes(first.gesture.on.kind)
}

/** A file that is chosen anew is another object each time. */
export function isAlike(one: unknown, other: unknown): boolean {
  if (Array.isArray(one) && Array.isArray(other))
    return one.length === other.length && one.every((entry, at) => isAlike(entry, other[at]))
  return equal(one, other) || (isHost(one) && isHost(other) && printed(one) === printed(other))
}

/** The first row of the gestures that end a trail of tells. */
export function firstGesture(rows: readonly Row[]): number {
  const at = rows.findIndex((row) => isGesture(row.move))
  return at < 0 ? rows.length : at
}

export function heardText(row: Row): string {
  return row.heard.length === 0
    ? 'nothing is heard'
    : `heard ${row.heard.map((one) => `${one.event} ${printed(one.payload, 30)}`).join(', then ')}`
}

/** Whether an ordinary change of a name is followed; only then is what it was told to blame, and not the telling. */
export async function followsOrdinaryTell(subject: Subject, given: Given, name: string): Promise<boolean> {
  const [told] = subject.plain(name).filter((value) => Boolean(value) && !equal(value, given[name]))
  const ordinary = told ?? subject.plain(name).find(Boolean)
  const from = told === undefined ? { ...given, [name]: subject.plain(name).find((value) => !value) } : given
  if (ordinary === undefined) return true
  return (
    (await updateEqualsRemount(subject, await subject.play({ given: from, moves: [tell({ [name]: ordinary })] }))) ===
    undefined
  )
}

/** The lines in which two pictures differ, as a short before and after. */
export function pictureDifference(expected: Picture, found: Picture): { expected: string; found: string } {
  const missing = linesOnlyIn(expected, found)
  const added = linesOnlyIn(found, expected)
  if (missing.length + added.length === 0) return { expected: pictureText(expected), found: pictureText(found) }
  return {
    expected: missing.length === 0 ? `shown without “${added.join(' · ')}”` : linesText(missing),
    found: added.length === 0 ? `shown without “${missing.join(' · ')}”` : linesText(added),
  }
}

/** The lines of a fresh mount that show one value: those that another value does not have. */
export async function linesShowing(subject: Subject, given: Given, name: string): Promise<string[]> {
  const fresh = await subject.fresh(given)
  if (!takesTheGiven(subject, fresh)) return []
  for (const other of subject.plain(name)) {
    if (equal(other, given[name])) continue
    const lines = linesOnlyIn(fresh.picture, (await subject.fresh({ ...given, [name]: other })).picture)
    if (lines.length > 0) return lines
  }
  return []
}

/** Whether anything that a person sees changed in a trail: only then does it say something of what is shown. */
export function showsAChange({ rows }: Played): boolean {
  return rows.some((row) => !samePicture(row.picture, rows[0].picture))
}

/** Whether a person can see a name itself: two of its values look different on fresh mounts where all else stands alike. */
export async function isSeen(subject: Subject, given: Given, name: string): Promise<boolean> {
  const others = subject.values.filter((value) => value.name !== name)
  const alike = subject
    .plain(name)
    .filter((value) =>
      others.every((other) =>
        equal(subject.ideally(other.name, { ...given, [name]: value }), subject.ideally(other.name, given)),
      ),
    )
  const pictures = await Promise.all(
    alike.slice(0, 3).map(async (value) => (await subject.fresh({ ...given, [name]: value })).picture),
  )
  return pictures.some((picture) => !samePicture(picture, pictures[0] as Picture))
}

/** What a person does at a component, and the same on a fresh one, bring the same: `skip` rows of the first came before. */
export function unlikeTwin(rows: readonly Row[], twin: readonly Row[], skip: number): LeakAt | undefined {
  for (let at = 1; at < twin.length; at++) {
    const [row, fresh] = [rows[at + skip], twin[at] as Row]
    if (
      row === undefined ||
      fresh.fault !== undefined ||
      fresh.unsettled !== undefined ||
      fresh.impossible !== undefined
    )
      return undefined
    if (row.impossible !== undefined)
      return { row: at + skip, says: 'it can no longer be operated', expected: heardText(fresh), found: row.impossible }
    if (heardText(row) !== heardText(fresh))
      return {
        row: at + skip,
        says: 'the same gesture has another result than before',
        expected: heardText(fresh),
        found: heardText(row),
      }
    const leak = unlikeFresh(row, rows[at + skip - 1] as Row, fresh)
    if (leak !== undefined)
      return { row: at + skip, ...leak, says: 'the same gesture shows something else than before' }
  }
  return undefined
}

/** Two of them share nothing: what is done at the first changes nothing that the second says or shows. */
export function touchesTwin({ rows }: Played): LeakAt | undefined {
  const first = rows[0].around.twin
  for (const [at, { around }] of rows.entries()) {
    const { twin } = around
    if (at === 0 || first === undefined || twin === undefined) continue
    const unlike = Object.keys(first.read).find((name) => !equal(first.read[name], twin.read[name]))
    if (unlike !== undefined)
      return {
        row: at,
        says: `what is done at one changes ${unlike} of the other`,
        expected: `${unlike} ${printed(first.read[unlike])} at the other`,
        found: `${unlike} ${printed(twin.read[unlike])} at the other`,
      }
    if (!samePicture(first.picture, twin.picture))
      return {
        row: at,
        says: 'what is done at one is shown at the other',
        expected: `the other shows ${pictureText(first.picture)}`,
        found: `the other shows ${pictureText(twin.picture)}`,
      }
  }
  return undefined
}

/** The lines that show what a person put in: they came with this edit, and do not come with another one at the same control. */
export async function linesOfEdit(subject: Subject, { trail, rows }: Played, until: number): Promise<string[]> {
  const edited = rows[until]
  if (edited === undefined) return []
  const done = trailKey(trail.moves.slice(0, until))
  const way = subject.ways.find(({ moves }) => trailKey(moves) === done)
  const isOther = (one: Subject['ways'][number]) => one !== way && trailKey(one.control) === trailKey(way?.control)
  for (const { moves } of way === undefined ? [] : subject.ways.filter(isOther)) {
    const last = (await subject.play({ given: trail.given, moves })).rows.at(-1)
    if (last === undefined || subject.values.every(({ name }) => equal(last.read[name], edited.read[name]))) continue
    const common = allLines(last.picture)
    // What a file field of the browser's own says of its choice may stay there unseen, and be dropped when it is opened again.
    const isChoice = (line: string) => way?.control.kind === 'file field' && line.startsWith('[')
    return linesOnlyIn(edited.picture, rows[0].picture).filter((line) => !common.includes(line) && !isChoice(line))
  }
  return []
}

/** Whether a field or its form says that what stands is invalid. */
export function isMarkedInvalid({ around, picture }: Row): boolean {
  return around.isValid === false || allLines(picture).some((line) => /\binvalid\b/.test(line))
}
