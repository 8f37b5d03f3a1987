import { equal, printed } from '../../contract/index.js'
import { findControl, type ControlRef } from '../person/controls.js'
import { parentOf } from '../person/drawn-in.js'
import { isPlaced } from '../person/gestures.js'
import { foundControls } from '../person/operate.js'
import { samePicture } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, isGesture, isPress, type Move, type Trail } from '../stage/trail.js'
import { onceFor } from '../subject/once-for.js'
import { isField, oneAtEach, type Subject } from '../subject/subject.js'
import { clause, type LeakAt } from './clause.js'
import { pictureDifference } from './laws.js'

/** What was begun and given up is gone. */
export const givenUp = clause({
  id: 'given-up',
  group: 'up',
  promise:
    'What is begun and given up, by Escape or by a button that closes what was opened, is gone: nothing of it is taken, held, or there again when it is opened once more.',
  why: 'Who has looked at another choice and cancels believes that nothing has changed: what is saved next is what was only looked at.',
  tried:
    'A text that is typed and an entry that is come to are given up by Escape; what is opened, edited, and waits for a button is closed by each other button that came along with it and by Escape, and opened again.',
  unprovenWhen: 'Nothing was found that can be begun and given up.',
  random: 'none',
  onTrial: 'gesture',
  concerns: ({ values }) => Object.keys(values).length > 0,
  async *trails(subject) {
    yield* byEscape(subject)
    for (const { given, begun, endings, opening } of await waitingIn(subject))
      for (const ending of endings) {
        yield { given, moves: [...begun, ending] }
        yield { given, moves: [...begun, ending, opening] }
      }
  },
  proves: (_, { rows, trail }) => rows.length > trail.moves.length && rows.at(-1)?.impossible === undefined,
  judge: async (subject, played) => takenByEscape(subject, played) ?? (await outlived(subject, played)),
})

/** What is opened and edited there, waiting for a button: how it is ended otherwise. */
interface Waiting extends Trail {
  readonly opening: Move
  /** Up to the edit. */
  readonly begun: readonly Move[]
  readonly endings: readonly Move[]
  /** Whether it stands over the page, or in the place of what only shows: of steps that follow each other none is given up by going back. */
  readonly isOver: boolean
}

const MOST_WAITING = 4
const MOST_BUTTONS = 3

const waitingIn = onceFor(lookForWaiting)

async function lookForWaiting(subject: Subject): Promise<Waiting[]> {
  const found: Waiting[] = []
  for (const { given, moves, changes } of subject.ways) {
    const begun = moves.slice(0, -1)
    const [opening] = moves
    const [edit, take] = moves.slice(-2)
    if (changes.size === 0 || moves.length < 3 || opening === undefined || !isPress([opening])) continue
    if (!isButton(take) || !isGesture(edit) || isButton(edit) || !isPlaced(edit.gesture)) continue
    if (found.length === MOST_WAITING || found.some((one) => equal(one.begun, begun) && equal(one.given, given)))
      continue
    const there = (await subject.lookAfter(given, begun, foundControls)) ?? []
    const others = there.filter(({ ref }) => ref.kind === 'button' && !subject.controls.some((one) => equal(one, ref)))
    const presses = others.map(({ ref }) => gesture({ do: 'press', on: ref })).filter((one) => !equal(one, take))
    const escape = gesture({ do: 'key', on: edit.gesture.on, key: 'Escape' })
    const endings = [...presses.slice(0, MOST_BUTTONS), escape]
    const isOver =
      subject.controls.every(({ kind }) => kind === 'button') ||
      (await subject.lookAfter(given, begun, isInOverlay(edit.gesture.on))) === true
    found.push({ given, moves, opening, begun, endings, isOver })
  }
  return found
}

/** Whether a control stands in what is shown over the page. */
function isInOverlay(on: ControlRef): (container: HTMLElement) => boolean {
  return (container) => {
    for (let at: Element | null = findControl(container, on) ?? null; at !== null; at = parentOf(at))
      if (at.matches(OVERLAYS)) return true
    return false
  }
}

const OVERLAYS = 'dialog, [popover], [role=dialog], [role=alertdialog]'

function isButton(move: Move | undefined): boolean {
  return isDone(move, 'press') && move.gesture.on.kind === 'button'
}

/** What was given up is held in silence, or stands there again when it is opened once more. */
async function outlived(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const { given, moves } = trail
  const waiting = (await waitingIn(subject)).find(
    ({ begun, given: from }) =>
      equal(from, given) && moves.length > begun.length && begun.every((one, at) => equal(one, moves[at])),
  )
  const at = (waiting?.begun.length ?? 0) + 1
  const [first, ended] = [rows[0], rows[at]]
  if (waiting === undefined || ended === undefined || !waiting.endings.some((one) => equal(one, moves[at - 1])))
    return undefined
  // What is reported was taken: the button is there for that, too.
  if (rows.some(({ heard, fault, impossible }) => heard.length > 0 || (fault ?? impossible) !== undefined))
    return undefined
  const held = subject.values.find(({ name }) => !equal(ended.read[name], first.read[name]))
  if (held !== undefined)
    return {
      row: at,
      says: `what is given up is held as ${held.name}, and its owner is not told`,
      expected: `${held.name} ${printed(first.read[held.name])}`,
      found: `${held.name} ${printed(ended.read[held.name])}`,
    }
  const again = rows[at + 1]
  if (
    again === undefined ||
    !waiting.isOver ||
    !equal(moves[at], waiting.opening) ||
    !samePicture(ended.picture, first.picture)
  )
    return undefined
  const opened = (await subject.play({ given, moves: [waiting.opening] })).rows[1]
  if (opened === undefined || samePicture(opened.picture, again.picture) || !(await showsWhatIsHeld(subject, waiting)))
    return undefined
  return {
    row: at + 1,
    says: 'what was given up is there again when it is opened once more',
    ...pictureDifference(opened.picture, again.picture),
    cause: 'it is closed, and what was edited in it stays',
  }
}

/** Whether it shows something else once the edit was taken: a field for what is added is empty each time. */
async function showsWhatIsHeld(subject: Subject, { given, moves, opening }: Waiting): Promise<boolean> {
  const before = (await subject.play({ given, moves: [opening] })).rows[1]
  const after = (await subject.play({ given, moves: [...moves, opening] })).rows.at(-1)
  return before !== undefined && after !== undefined && !samePicture(before.picture, after.picture)
}

/** What is begun at a control, such as a text that is typed or a list that is opened, is given up by Escape. */
function* byEscape({ ways }: Subject): Iterable<Trail> {
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
function takenByEscape({ values }: Subject, { trail, rows }: Played): LeakAt | undefined {
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
