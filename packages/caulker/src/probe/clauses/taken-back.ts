import { accepts, equal, printed, type ValueClause } from '../../contract/index.js'
import type { ControlKind } from '../person/controls.js'
import { isPlaced } from '../person/gestures.js'
import { allLines } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isDone, isGesture, type Move, type Trail } from '../stage/trail.js'
import { isField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** What is begun at a control, such as a text that is typed or a list that is opened, is given up by Escape. */
export function* givenUp({ ways }: Subject): Iterable<Trail> {
  const begun = ways.filter(
    ({ control, moves }) => beginningOf(moves).length > 0 && !isDone(moves[0], 'hold') && control.kind !== 'file field',
  )
  const typed = begun.filter(({ control, moves }) => isField(control) && isDone(moves[0], 'type'))
  for (const { given, moves } of new Set([...typed, ...oneAtEach(begun)])) {
    const beginning = beginningOf(moves)
    const last = beginning.at(-1)
    // The key is struck where the focus is: elsewhere it would leave the field.
    if (isGesture(last) && isPlaced(last.gesture))
      yield { given, moves: [...beginning, gesture({ do: 'key', on: last.gesture.on, key: 'Escape' })] }
  }
}

/** All but the move that ends it: leaving the field, or what takes an entry. */
function beginningOf(moves: readonly Move[]): readonly Move[] {
  const last = moves.length - 1
  return moves.slice(0, isDone(moves[last], 'leave') && last > 1 ? last - 1 : last)
}

/** WAI-ARIA 1.2, section 5.3.3: Escape closes what is open; it takes nothing that was not taken before. */
export function takenByEscape({ values }: Subject, { trail, rows }: Played): LeakAt | undefined {
  const key = trail.moves.at(-1)
  const [first, ...others] = rows
  const row = others.pop()
  if (trail.moves.length < 2 || !isDone(key, 'key') || key.gesture.key !== 'Escape') return undefined
  if (rows.length <= trail.moves.length || others.some(({ heard }) => heard.some(({ value }) => value !== undefined)))
    return undefined
  const taken = row?.heard.find(({ value, payload }) => {
    const of = values.find(({ name }) => name === value)
    return of !== undefined && !equal(payload, first.read[of.name]) && !equal(payload, of.empty)
  })
  return (
    taken && {
      row: rows.length - 1,
      says: 'Escape takes what was only looked at',
      expected: 'nothing is heard, or what stood before',
      found: `heard ${taken.event} ${printed(taken.payload)}`,
    }
  )
}

/** A box, ticked and unticked. */
export function* tickedTwice({ ways }: Subject): Iterable<Trail> {
  for (const { given, moves } of oneAtEach(ways.filter(isTick)).slice(0, MOST_BOXES))
    yield { given, moves: [...moves, ...moves] }
}

const MOST_BOXES = 6

/** A button may have two states as well: whether it does is seen only once it was pressed. */
function isTwoState(kind: ControlKind | undefined): boolean {
  return kind === 'checkbox' || kind === 'switch' || kind === 'button'
}

function isTick({ control: { kind }, moves, changes }: Way): boolean {
  return isTwoState(kind) && changes.size > 0 && moves.length === 1 && isDone(moves[0], 'press')
}

/** WAI-ARIA 1.2, section 6.6: aria-pressed, on one more than before. */
function isPressedNow(before: Row, after: Row): boolean {
  const count = ({ picture }: Row) => allLines(picture).filter((line) => line.includes('(pressed)')).length
  return count(after) > count(before)
}

function isSetOrFlag(value: ValueClause | undefined): boolean {
  return Array.isArray(value?.empty) || typeof value?.default === 'boolean'
}

/** What a box has changed, the same box changes back. */
export function stuckTick({ values }: Subject, { trail, rows }: Played): LeakAt | undefined {
  const [first, ticked, again] = rows
  const [one, other] = trail.moves
  if (again === undefined || trail.moves.length !== 2 || !isDone(one, 'press') || !equal(one, other)) return undefined
  const kind = 'on' in one.gesture ? one.gesture.on.kind : undefined
  if (!isTwoState(kind) || ticked === undefined) return undefined
  const value = values.find(({ name }) => !equal(first.read[name], ticked.read[name]))
  // Of buttons that choose one of several, the pressed one stays pressed.
  if (kind === 'button' && !(isPressedNow(first, ticked) && isSetOrFlag(value))) return undefined
  if (value === undefined || value.applies !== 'at-once' || (again.fault ?? again.impossible) !== undefined)
    return undefined
  const isStuck = again.heard.length === 0 && equal(again.read[value.name], ticked.read[value.name])
  if (!isStuck || !accepts(value.type, first.read[value.name])) return undefined
  return {
    row: 2,
    says: `a second click does not take back what the first one has changed of ${value.name}`,
    expected: `${value.name} ${printed(first.read[value.name])}`,
    found: `${value.name} ${printed(again.read[value.name])}`,
  }
}
