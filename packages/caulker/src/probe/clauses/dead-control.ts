import { accepts, equal } from '../../contract/index.js'
import type { ControlRef } from '../person/controls.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isGesture, operatedIn, type Move, type Trail } from '../stage/trail.js'
import { isNothing, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { saidRange } from './said-range.js'

/** At how many controls it is tried. */
const MOST = 4

/** What moves by keys, and at which nothing that a person does was seen to do anything. */
export function* deadControls(subject: Subject): Iterable<Trail> {
  const { middle: given } = subject
  for (const on of deadIn(subject).slice(0, MOST)) for (const moves of doneAt(subject, on)) yield { given, moves }
  for (const on of unpressed(subject).slice(0, MOST)) yield { given, moves: entered(on) }
}

/** A slider that goes neither up nor down, or a button that says it empties and leaves all as it was. */
export async function deadControl(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [move] = trail.moves
  if (!isGesture(move) || !('on' in move.gesture) || !equal(trail.given, subject.middle)) return undefined
  const { on } = move.gesture
  if (!deadIn(subject).some((one) => equal(one, on))) return undefined
  if (isMoved(on) && !isTick(on.kind) && (await subject.look(trail.given, hasRoom(on))) !== true) return undefined
  for (const moves of doneAt(subject, on))
    if (!didNothing(await subject.play({ given: trail.given, moves }))) return undefined
  return {
    row: rows.length - 1,
    says: `the ${on.kind} “${on.label}” does nothing`,
    expected: 'a report, and something else shown',
    found: 'nothing is heard, and nothing changes',
    cause: 'nobody hears it, or what is heard is dropped',
  }
}

/** A button at which a press does nothing, and both Enter and Space what it is there for. */
export async function onlyByKeys(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const on = unpressed(subject).find((one) => equal(trail.moves, entered(one)))
  const [first, row] = rows
  if (on === undefined || row === undefined || !equal(trail.given, subject.middle)) return undefined
  const spaced = await subject.play({ given: trail.given, moves: [gesture({ do: 'key', on, key: ' ' })] })
  const isDone = (at: Row | undefined) =>
    at?.heard.some(({ value }) => value !== undefined) === true &&
    subject.values.some(({ name }) => !equal(first.read[name], at.read[name]))
  if (!isDone(row) || !isDone(spaced.rows[1])) return undefined
  return {
    row: 1,
    says: `Enter changes it at the button “${on.label}”, and a press does nothing`,
    expected: 'a press of the pointer to do the same',
    found: 'after the press nothing is heard, and nothing changes',
    cause: 'the press is taken for one that was heard already',
  }
}

function unpressed({ controls, ways }: Subject): ControlRef[] {
  return controls.filter((on) => on.kind === 'button' && !isOperated(ways, on))
}

function entered(on: ControlRef): Move[] {
  return [gesture({ do: 'key', on, key: 'Enter' }), gesture({ do: 'leave' })]
}

/** Whether something comes of what is done there alone. */
function isOperated(ways: readonly Way[], on: ControlRef): boolean {
  return ways.some(({ control, moves }) => equal(control, on) && operatedIn(moves).every((one) => equal(one, on)))
}

/** What it says that it does is done by no press of it. */
const EMPTIES = /^(clear|remove|empty)\b/i

function deadIn({ controls, ways, values, middle, files }: Subject): ControlRef[] {
  const isDead = (on: ControlRef) => !isOperated(ways, on)
  const [value, ...others] = values
  const stands = value === undefined ? undefined : middle[value.name]
  // What takes an entry out of a list may wait for one that is marked.
  // A file that a value can hold is one that is taken.
  const isFilled = ({ kind }: ControlRef) =>
    kind === 'file field' && files.length > 0 && values.some(({ type }) => files.every((file) => accepts(type, file)))
  const isFull = value !== undefined && others.length === 0 && !isNothing(value, stands) && !Array.isArray(stands)
  return controls.filter(
    (on) => (isMoved(on) || isFilled(on) || (isFull && on.kind === 'button' && EMPTIES.test(on.label))) && isDead(on),
  )
}

function isMoved({ kind }: ControlRef): boolean {
  return kind === 'slider' || kind === 'spin button' || isTick(kind)
}

function isTick(kind: ControlRef['kind']): boolean {
  return kind === 'switch' || kind === 'checkbox'
}

function doneAt({ files }: Subject, on: ControlRef): Move[][] {
  if (on.kind === 'file field') return files.map((file) => [gesture({ do: 'pick', on, file })])
  const keys = ['ArrowUp', 'ArrowDown', 'Home', 'End'] as const
  return isMoved(on) && !isTick(on.kind)
    ? keys.map((key) => [gesture({ do: 'key', on, key }), gesture({ do: 'leave' })])
    : [[gesture({ do: 'press', on })]]
}

function didNothing({ rows: [first, ...others] }: Played): boolean {
  return others.every(
    ({ heard, fault, impossible, read, picture }) =>
      heard.length === 0 &&
      (fault ?? impossible) === undefined &&
      equal(read, first.read) &&
      samePicture(picture, first.picture),
  )
}

/** Whether there is something between the bounds that it says. */
function hasRoom(on: ControlRef): (container: HTMLElement) => boolean {
  const rangeOf = saidRange(on)
  return (container) => {
    const range = rangeOf(container)
    if (range === undefined) return false
    // Where nothing is laid out, one that is only dragged was not tried.
    const { element } = range
    const isTried = element.localName === 'input' || on.kind !== 'slider' || element.getBoundingClientRect().width > 0
    return isTried && Number(range.most || 100) > Number(range.least || 0)
  }
}
