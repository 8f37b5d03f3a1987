import { equal } from '../../contract/index.js'
import type { ControlKind } from '../person/controls.js'
import type { NamedGesture } from '../person/named-gesture.js'
import { foundControls, type FoundControl } from '../person/operate.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import type { Stage } from '../stage/stage.js'
import { gesture, isDone, isPress, trailKey, type Move } from '../stage/trail.js'
import type { Given } from '../../mount/index.js'
import { namesAmong } from './among.js'
import { keptBack } from './kept-back.js'
import { brimming, elsewhere, fullest, furnished, partlyFilled } from './other-mounts.js'
import type { Subject, Way } from './subject.js'
import { revealed, triedAt, tries, type Try } from './tries.js'
import { writtenIn } from './typed-texts.js'

/**
 * Finds out what a person can do: each control is operated once, on fresh mounts with the least and with ordinary values, and with the
 * lists filled that may be left out; and each that a press has brought up, after that press.
 */
export async function survey(subject: Subject, stage: Stage, named: readonly NamedGesture[]): Promise<Way[]> {
  const ways: Way[] = []
  const seen = new Set<string>()
  const add = async (given: Given, { moves, control, text, isWhole = false }: Try, key = trailKey(moves)) => {
    if (seen.has(key)) return
    const played = await subject.play({ given, moves })
    const changes = changedBy(subject, played)
    if (changes.size === 0 && !leavesTrace(subject, played)) return
    seen.add(key)
    const [plainly, partly] = [takenPlainly(subject, played, text), takenPartly(subject, played, text)]
    ways.push({ given, moves, changes, control, text, plainly, partly, isWhole })
  }
  const usual = (await stage.look(subject.middle, [], foundControls)) ?? []
  const full = fullest(subject)
  for (const given of [subject.middle, subject.base, ...furnished(subject), ...(full === undefined ? [] : [full])]) {
    const controls = given === subject.middle ? usual : await stage.look(given, [], foundControls)
    // What is done where all members are there does something else than where some are left out.
    const keyOf = ({ moves }: Try) => (given === full ? trailKey([given, moves]) : trailKey(moves))
    for (const one of tries(subject, given, controls, named)) await add(given, one, keyOf(one))
    const openers = ways.filter((way) => way.given === given && way.changes.size === 0 && opens(way))
    const seenToOpen = [
      ...openers.filter(({ moves }) => isPress(moves)).slice(0, MOST_OPENERS),
      ...openers.filter(({ moves }) => !isPress(moves)).slice(0, MOST_OPENERS),
    ].map(({ moves }) => moves)
    for (const moves of [
      ...seenToOpen,
      ...(await bringingMore(subject, ways, given)),
      ...silent(ways, given, controls),
      ...searching(subject, given, controls),
    ]) {
      const known = new Set((controls ?? []).map(({ ref }) => JSON.stringify(ref)))
      const after = (await stage.look(given, moves, foundControls)) ?? []
      const isMarked = isDone(moves[0], 'choose')
      const fresh = after.filter(
        ({ ref }) => !known.has(JSON.stringify(ref)) || ref.kind === 'combo box' || (isMarked && ref.kind === 'button'),
      )
      for (const one of revealed(subject, given, moves, fresh)) await add(given, one)
    }
  }
  for await (const { given, controls } of elsewhere(subject, stage, usual))
    for (const one of controls.flatMap((control) => triedAt(subject, given, control, controls).slice(0, MOST_TRIED)))
      await add(given, one, trailKey([given, one.moves]))
  for (const { given } of brimming(subject))
    for (const one of usual.filter(({ ref }) => TAKERS.includes(ref.kind)).slice(0, MOST_TAKERS))
      for (const { moves, ...more } of triedAt(subject, given, one, usual).slice(0, 1))
        await add(given, { moves, ...more }, trailKey([given, moves]))
  for (const { given, one } of partlyFilled(subject, usual)) await add(given, one, trailKey([given, one.moves]))
  // Where nothing is taken by itself, it may be with what is done after it.
  if (subject.values.some(({ name }) => !ways.some(({ changes }) => changes.has(name)))) {
    const { middle } = subject
    const changes = async (moves: readonly Move[]) =>
      changedBy(subject, await subject.play({ given: middle, moves })).size > 0
    for await (const one of keptBack(subject, stage, middle, usual, changes)) await add(middle, one)
  }
  return ways
}

/** What may take one more. */
const TAKERS: readonly ControlKind[] = ['button', 'checkbox', 'switch']
const MOST_TAKERS = 3

/** Whether it may bring up something else: what is pressed, or marked in a list for a button to act upon. */
function opens({ moves }: Way): boolean {
  return isPress(moves) || (isDone(moves[0], 'choose') && moves.length === 1)
}

/** What changes a value and brings up controls that were not there, or could not be operated: each is one way of its own to operate those. */
async function bringingMore(subject: Subject, ways: readonly Way[], given: Given): Promise<(readonly Move[])[]> {
  const found: (readonly Move[])[] = []
  for (const { moves, changes } of ways.filter((way) => way.given === given)) {
    const { rows } = await subject.play({ given, moves })
    const [before, after] = [rows[0], rows.at(-1)].map((row) => row?.picture.announced ?? []) as [string[], string[]]
    if (changes.size > 0 && kindsOf(after).some((kind) => !kindsOf(before).includes(kind)))
      found.push(moves.filter((move) => !equal(move, gesture({ do: 'leave' }))))
    else if (changes.size > 0 && isEnabled(rows[0], rows.at(-1))) found.push(moves)
    if (found.length === MOST_OPENERS) break
  }
  return found
}

/** Whether a button can be pressed that could not be before. */
function isEnabled({ picture: before }: Row, after: Row | undefined): boolean {
  const shut = before.lines.flatMap((line) => /^(<.*>.*) \(disabled\)$/.exec(line)?.[1] ?? [])
  return shut.some((line) => after?.picture.lines.includes(line) === true && !before.lines.includes(line))
}

/** `announced: textbox “Berth”`: by the role, since the entries of a list differ in their names alone. */
function kindsOf(announced: readonly string[]): string[] {
  return announced.map((line) => line.split(' ')[1] ?? '')
}

/** The buttons whose press shows nothing by itself: what opens a list or a popover draws nothing that is seen from outside of it. */
function silent(ways: readonly Way[], given: Given, controls: readonly FoundControl[] = []): (readonly Move[])[] {
  const known = ways.filter((way) => way.given === given && isPress(way.moves)).map(({ control }) => control)
  const buttons = controls.filter(({ ref }) => ref.kind === 'button' && !known.some((one) => equal(one, ref)))
  return buttons.slice(0, MOST_OPENERS).map(({ ref }) => [gesture({ do: 'press', on: ref })])
}

/** How much is tried at a control that is not there usually. */
const MOST_TRIED = 4

/** After how many presses that only show something it is looked for new controls. */
const MOST_OPENERS = 3

/** The beginning of a name in the list that is chosen from, in a field that does not say that it has a list: it may bring up what it finds. */
function searching(subject: Subject, given: Given, controls: readonly FoundControl[] = []): (readonly Move[])[] {
  const names = subject.values.flatMap((value) => namesAmong(value, subject.names, given))
  const fields = controls.filter(({ ref }) => ref.kind === 'text field').slice(0, MOST_OPENERS)
  return fields.flatMap(({ ref: on }) =>
    names.slice(0, 1).map((name) => [gesture({ do: 'type', on, text: name.slice(0, LETTERS) })]),
  )
}

const LETTERS = 2

function changedBy(subject: Subject, { rows }: Played): Set<string> {
  const first = rows[0]
  const last = rows[rows.length - 1] ?? first
  return new Set(
    subject.values
      .map((value) => value.name)
      .filter(
        (name) =>
          !equal(first.read[name], last.read[name]) ||
          rows.slice(1).some((row) => row.heard.some((one) => one.value === name)),
      ),
  )
}

function takenPlainly(subject: Subject, { rows }: Played, text: string | undefined): Map<string, number | string> {
  const last = rows[rows.length - 1]
  const taken = new Map<string, number | string>()
  for (const { name } of subject.values) {
    const came = last?.read[name] ?? last?.held[name]
    if (
      text !== undefined &&
      text !== '' &&
      (typeof came === 'number' || typeof came === 'string') &&
      String(came) === text
    )
      taken.set(name, came)
  }
  return taken
}

/** Of an object, or of an entry of a list; what makes the list longer is one more entry, and no edit of what is there. */
function takenPartly(subject: Subject, { rows }: Played, text: string | undefined): Set<string> {
  const [first, last] = [rows[0], rows[rows.length - 1]]
  return new Set(
    subject.values.flatMap(({ name }) => {
      const [before, came] = [first.read[name] ?? first.held[name], last?.read[name] ?? last?.held[name]]
      const isEdited =
        !Array.isArray(came) ||
        (Array.isArray(before) && before.length === came.length && came.some((entry) => typeof entry === 'object'))
      return text !== undefined && text !== '' && isEdited && isTypedIn(came, text) ? [name] : []
    }),
  )
}

/** Whether a text stands in an object, as it was typed. */
export function isTypedIn(value: unknown, text: string): boolean {
  return typeof value === 'object' && value !== null && writtenIn(value).map(String).includes(text)
}

/** A way that throws or changes the picture is worth trying, even where nothing is known to change. */
function leavesTrace(subject: Subject, { rows }: Played): boolean {
  const last = rows[rows.length - 1] ?? rows[0]
  if (last.fault !== undefined || !samePicture(rows[0].picture, last.picture)) return true
  // What holds no value of its own, or is there to be heard, says what was done by its events alone.
  const isHeard = ({ heard }: Row) =>
    heard.some(({ event }) => subject.values.length === 0 || Object.hasOwn(subject.contract.events, event))
  return rows.some(isHeard)
}
