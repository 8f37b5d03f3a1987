import { equal, printed } from '../../contract/index.js'
import { findControl, isReachable, type ControlKind, type ControlRef } from '../person/controls.js'
import type { Key } from '../person/gestures.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Move, type Trail } from '../stage/trail.js'
import { isOnItsOwn } from './beside.js'
import { saidRange } from './said-range.js'
import { oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

const MOST = 4

/** WAI-ARIA 1.2, sections 6.6.12 and 6.6.13: where an arrow up makes more of a number, and one down less. */
const STEPPED: readonly ControlKind[] = ['spin button', 'slider', 'number field']
/** What a key alone does nothing to. */
const UNMOVED: readonly ControlKind[] = ['spin button', 'slider', 'switch', 'radio button', 'list box']

function struck(on: ControlRef, key: Key): Move[] {
  return [gesture({ do: 'key', on, key }), gesture({ do: 'leave' })]
}

/** Both arrows where one of them steps, and a key that does nothing by itself. */
export function* keysTried({ ways, middle: given }: Subject): Iterable<Trail> {
  for (const { control: on } of steppedIn(ways)) {
    yield { given, moves: struck(on, 'ArrowUp') }
    yield { given, moves: struck(on, 'ArrowDown') }
  }
  for (const { control: on } of oneAtEach(ways.filter(isUnmoved)).slice(0, MOST))
    yield { given, moves: [gesture({ do: 'key', on, key: 'Shift' })] }
  for (const { control: on } of pressedIn(ways)) yield { given, moves: struck(on, 'Enter') }
}

function steppedIn(ways: readonly Way[]): Way[] {
  const isStepped = ({ control, moves: [first], changes }: Way) =>
    STEPPED.includes(control.kind) &&
    changes.size > 0 &&
    isDone(first, 'key') &&
    (first.gesture.key === 'ArrowUp' || first.gesture.key === 'ArrowDown')
  return oneAtEach(ways.filter(isStepped)).slice(0, MOST)
}

function isUnmoved({ control, changes }: Way): boolean {
  return UNMOVED.includes(control.kind) && changes.size > 0
}

function pressedIn(ways: readonly Way[]): Way[] {
  const isPressed = ({ control, moves: [first, ...others], changes }: Way) =>
    control.kind === 'button' && changes.size > 0 && others.length === 0 && isDone(first, 'press')
  return oneAtEach(ways.filter(isPressed)).slice(0, MOST)
}

/** An arrow that does nothing, or goes the other one's way, away from both ends. */
export async function otherWayRound(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [move] = trail.moves
  if (!isDone(move, 'key') || !equal(trail.given, subject.middle)) return undefined
  const { on, key } = move.gesture
  if (!STEPPED.includes(on.kind) || (key !== 'ArrowUp' && key !== 'ArrowDown')) return undefined
  if (!equal(trail.moves, struck(on, key))) return undefined
  const other = await subject.play({ ...trail, moves: struck(on, key === 'ArrowUp' ? 'ArrowDown' : 'ArrowUp') })
  if ([...rows, ...other.rows].some(({ fault, impossible }) => (fault ?? impossible) !== undefined)) return undefined
  for (const value of subject.values.filter((one) => isOnItsOwn(subject.values, one))) {
    const [stood, mine, its] = [rows[0], rows.at(-1), other.rows.at(-1)].map((row) => row?.read[value.name])
    if (typeof stood !== 'number' || typeof mine !== 'number' || typeof its !== 'number') continue
    const { least, most } = subject.limits(value, trail.given)
    const room = Math.max(Math.abs(mine - stood), Math.abs(its - stood))
    if (!hasRoom(stood, least, room) || !hasRoom(stood, most, room) || room === 0) continue
    const by = key === 'ArrowUp' ? mine - stood : stood - mine
    // A second one may go the other way on purpose, as one for what is left: then what it says itself goes up.
    if (by > 0 || (by < 0 && (await goesItsOwnWay(subject, trail)))) continue
    return {
      row: rows.length - 1,
      says: `${key} ${by === 0 ? 'does nothing' : `makes ${key === 'ArrowUp' ? 'less' : 'more'} of ${value.name}`}`,
      expected: `${value.name} ${key === 'ArrowUp' ? 'above' : 'below'} ${printed(stood)}`,
      found: `${value.name} ${printed(mine)}`,
      ...(by === 0 ? { cause: 'only the other arrow is heard' } : {}),
    }
  }
  if (subject.values.some(({ name }) => typeof rows[0].read[name] === 'number')) return undefined
  // What is no number may be shown in parts that are: at its end a part goes on at the other, which is none of both ways.
  const [mine, its] = [await saidStep(subject, trail), await saidStep(subject, { ...trail, moves: other.trail.moves })]
  return goesWith(key, mine) === false && goesWith(key, -its) === false
    ? {
        row: rows.length - 1,
        says: `${key} makes ${key === 'ArrowUp' ? 'less' : 'more'} of what the ${on.kind} says`,
        expected: `a number ${key === 'ArrowUp' ? 'above' : 'below'} the one before`,
        found: `${Math.abs(mine)} ${key === 'ArrowUp' ? 'less' : 'more'}`,
      }
    : undefined
}

/** Whether the number that a control says itself goes with the arrow. */
async function goesItsOwnWay(subject: Subject, trail: Trail): Promise<boolean> {
  const [move] = trail.moves
  return isDone(move, 'key') && goesWith(move.gesture.key, await saidStep(subject, trail)) === true
}

/** Whether a step goes up where the arrow does; nothing of none. */
function goesWith(key: Key, by: number): boolean | undefined {
  return by === 0 || Number.isNaN(by) ? undefined : by > 0 === (key === 'ArrowUp')
}

/** How far the number goes that a control says itself, by the first key of a trail. */
async function saidStep(subject: Subject, { given, moves }: Trail): Promise<number> {
  const [move] = moves
  if (!isDone(move, 'key')) return NaN
  const rangeOf = saidRange(move.gesture.on)
  const saidBy = (container: HTMLElement) => Number(rangeOf(container)?.now || NaN)
  const [before = NaN, after = NaN] = [
    await subject.look(given, saidBy),
    await subject.lookAfter(given, moves.slice(0, 1), saidBy),
  ]
  return after - before
}

/** Whether a bound is as far away as a step goes, and further. */
function hasRoom(stood: number, bound: unknown, step: number): boolean {
  return typeof bound !== 'number' || Math.abs(bound - stood) > step
}

/** Pressed alone, it is on its way to another key. */
export function movedByShift(subject: Subject, { trail, rows: [first, row] }: Played): LeakAt | undefined {
  const [move] = trail.moves
  if (row === undefined || trail.moves.length !== 1 || !isDone(move, 'key') || move.gesture.key !== 'Shift')
    return undefined
  const changed = subject.values.find(({ name }) => !equal(first.read[name], row.read[name]))?.name
  const heard = row.heard.find(({ value }) => value !== undefined)
  if ((changed ?? heard) === undefined) return undefined
  return {
    row: 1,
    says: `a key that does nothing by itself changes ${changed ?? heard?.value ?? ''}`,
    expected: 'no report, and the same value',
    found: changed === undefined ? `heard ${heard?.event ?? ''}` : `${changed} ${printed(row.read[changed])}`,
    cause: 'it takes every key for the one that it waits for',
  }
}

/** What a click does at a button that Tab comes to is done by neither Enter nor Space. */
export async function notByTheKeyboard(
  subject: Subject,
  { trail, rows: [first, row] }: Played,
): Promise<LeakAt | undefined> {
  const [move] = trail.moves
  if (row === undefined || !isDone(move, 'key') || move.gesture.key !== 'Enter' || !row.around.hasFocus)
    return undefined
  const { on } = move.gesture
  const way = pressedIn(subject.ways).find(({ control, given }) => equal(control, on) && equal(given, trail.given))
  if (way === undefined || !equal(trail.moves, struck(on, 'Enter'))) return undefined
  // A click of the browser's own may be told from one of a script; where other keys do the same nobody is shut out.
  const isByOtherKeys = ({ moves: [first], changes }: Way) =>
    isDone(first, 'key') && [...way.changes].some((name) => changes.has(name))
  if (subject.ways.some(isByOtherKeys)) return undefined
  const isNative = await subject.look(trail.given, (container) => {
    const element = findControl(container, on)
    return element?.localName === 'button' && element.tabIndex >= 0 && isReachable(element)
  })
  if (isNative !== true) return undefined
  const [clicked, spaced] = [
    await subject.play({ given: trail.given, moves: way.moves }),
    await subject.play({ given: trail.given, moves: [gesture({ do: 'key', on, key: ' ' })] }),
  ]
  const isSilent = (at: typeof row | undefined) =>
    at !== undefined && at.heard.length === 0 && (at.fault ?? at.impossible) === undefined && equal(at.read, first.read)
  if (clicked.rows.at(-1)?.heard.length === 0 || !isSilent(row) || !isSilent(spaced.rows[1])) return undefined
  return {
    row: 1,
    says: 'a click changes it, and neither Enter nor Space does',
    expected: 'a report, as after a click',
    found: 'nothing is heard, and nothing changes',
    cause: 'it goes by the pointer alone; whoever has none cannot operate it',
  }
}
