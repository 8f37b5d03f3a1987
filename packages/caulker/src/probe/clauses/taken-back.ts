import { accepts, equal, printed, type ValueClause } from '../../contract/index.js'
import type { ControlKind } from '../person/controls.js'
import { allLines } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { isDone, type Trail } from '../stage/trail.js'
import { oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** A box, ticked and unticked; one of more than two states once more. */
export function* tickedTwice(subject: Subject): Iterable<Trail> {
  for (const { given, moves, changes } of oneAtEach(subject.ways.filter(isTick)).slice(0, MOST_BOXES)) {
    yield { given, moves: [...moves, ...moves] }
    if (subject.values.some((value) => changes.has(value.name) && hasThreeStates(value)))
      yield { given, moves: [...moves, ...moves, ...moves] }
  }
}

/** On, off, and neither. */
function hasThreeStates({ type }: ValueClause): boolean {
  return accepts(type, true) && accepts(type, false) && [null, 'mixed'].some((third) => accepts(type, third))
}

/** A box of three states that is never on, or never off, however often it is clicked. */
export function neverComesTo({ values }: Subject, { trail, rows }: Played): LeakAt | undefined {
  const [one, ...others] = trail.moves
  const last = rows.at(-1)
  if (
    trail.moves.length !== 3 ||
    rows.length !== 4 ||
    !isDone(one, 'press') ||
    !others.every((move) => equal(move, one))
  )
    return undefined
  if (!['checkbox', 'switch'].includes(one.gesture.on.kind) || (last?.fault ?? last?.impossible) !== undefined)
    return undefined
  const value = values.filter(hasThreeStates).find(({ name }) => !equal(rows[0].read[name], rows[1]?.read[name]))
  const seen = rows.map((row) => row.read[value?.name ?? ''])
  const [isOn, isOff] = [seen.includes(true), seen.includes(false)]
  if (value === undefined || isOn === isOff) return undefined
  return {
    row: 3,
    says: `however often it is clicked, ${value.name} never becomes ${printed(!isOn)}`,
    expected: `${value.name} ${printed(true)} and ${printed(false)} in turn`,
    found: seen
      .slice(1)
      .map((state) => printed(state))
      .join(', '),
  }
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
export function isPressedNow(before: Row, after: Row): boolean {
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
