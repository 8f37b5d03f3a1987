import { accepts, equal, printed } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { behavesLikeFresh, firstGesture, heardText, pictureDifference, walksFirst } from './laws.js'
import { emptiedByPress, pressedBeside } from './emptied-by-press.js'
import { entersText } from '../person/gestures.js'
import { drawnLines, linesOnlyIn, samePicture } from '../sight/picture.js'
import type { HeardThen, Played, Row } from '../stage/played.js'
import {
  gesture,
  isDone,
  isGesture,
  isPress,
  isTell,
  settlesEdits,
  tell,
  type Move,
  type Trail,
} from '../stage/trail.js'
import { isField, isNothing, oneAtEach, type Subject } from '../subject/subject.js'
import { waysAtBounds } from './ways-at-bounds.js'

/** Exactly one report where the value that stands differs from what was last agreed on, and none otherwise. */
export const reportsOnce = clause({
  id: 'reports-once',
  group: 'up',
  promise:
    'Each edit is reported exactly once, and nothing is reported, or shown as if it were chosen, when nobody edited.',
  why: 'A missing report loses the edit; a doubled one sends it twice, asks twice for a veto or counts one press as two.',
  tried:
    'Everything that a person was found to be able to do, once, twice, and again after the owner told the old value back; a field is gone into and left, and the pointer passes over what can be pressed.',
  unprovenWhen: 'No control was found that changes a two-way value.',
  random: 'any',
  onTrial: 'gesture',
  concerns: ({ values }) => Object.keys(values).length > 0,
  *trails(subject) {
    for (const way of subject.ways) yield { given: way.given, moves: way.moves }
    for (const way of subject.ways) yield { given: way.given, moves: [...way.moves, gesture({ do: 'leave' })] }
    for (const way of subject.ways) {
      const told = [...way.changes].flatMap((name) => {
        const back = way.given[name] ?? subject.names.find((one) => one.name === name)?.default
        return back === undefined || !subject.tellable.some((one) => one.name === name) ? [] : [tell({ [name]: back })]
      })
      if (told.length > 0 && !walksFirst(way.moves))
        yield { given: way.given, moves: [...way.moves, ...told, ...way.moves] }
    }
    for (const value of subject.values) yield* waysAtBounds(subject, value, subject.base)
    yield* ontoNothing(subject)
    yield* untouched(subject)
    yield* pressedBeside(subject)
    for (const one of subject.ways.slice(0, 6))
      for (const other of subject.ways.slice(0, 6)) yield { given: one.given, moves: [...one.moves, ...other.moves] }
    // With least given a press may do more than with much.
    for (const way of subject.ways)
      if (way.control.kind === 'button' && !equal(way.given, subject.base))
        yield { given: subject.base, moves: way.moves }
  },
  proves: (subject, { rows }) =>
    rows.some(
      (row) =>
        isGesture(row.move) &&
        (row.heard.some((one) => one.value !== undefined) ||
          subject.values.some(({ name }) => !equal(row.read[name], rows[0].read[name]))),
    ),
  async judge(subject, played) {
    const { rows, trail } = played
    if (trail.moves.every(isLookedAt)) return saidUntouched(played) ?? shownUntouched(subject, played)
    const emptied = await emptiedByPress(subject, played)
    if (emptied !== undefined) return emptied
    for (const [at, row] of rows.entries()) {
      if (!isGesture(row.move)) continue
      const doubled = row.heard.find(
        (one) => one.value !== undefined && equal(one.payload, one.knownThen) && !isTooEarly(row, one),
      )
      if (doubled !== undefined && !isOneBurst(subject, row, doubled)) return doubledLeak(rows, at, doubled)
      if (endsUntrue(row)) return undefined
      const pieces = inPieces(rows, at)
      if (pieces !== undefined) return pieces
      const missing = subject.values.find(({ name, reports }) =>
        isMissing(row, rows[at - 1] ?? rows[0], rows[0], name, reports),
      )
      if (missing !== undefined)
        return {
          row: at,
          says: `the edit of ${missing.name} is not reported`,
          expected: `heard ${missing.event} ${printed(row.read[missing.name])}`,
          found: `${row.heard.length === 0 ? 'nothing is heard' : `heard ${row.heard.map((one) => one.event).join(', ')}`}, and the owner holds ${printed(row.held[missing.name])}`,
        }
    }
    const unheard = await unheardEnter(subject, played)
    if (unheard !== undefined) return unheard
    const again = trail.moves.findIndex(
      (move, at) => at > 0 && 'tell' in move && trail.moves[at + 1] !== undefined && isGesture(trail.moves[at + 1]),
    )
    if (again < 0 || !isGesture(trail.moves[0])) return undefined
    const told = rows[again + 1] as Row
    if (await isStillThere(subject, trail.moves.slice(0, again), told)) return undefined
    // What a press has opened may be open still: the same press closes it.
    if (isPress(trail.moves) && again > 1 && !samePicture(told.picture, (await subject.fresh(told.held)).picture))
      return undefined
    const suffix = {
      trail: { given: trail.given, moves: trail.moves.slice(again) },
      rows: [withoutMove(rows[again] as Row), ...rows.slice(again + 1)] as [Row, ...Row[]],
    }
    const unlike = await behavesLikeFresh(subject, suffix, firstGesture(suffix.rows))
    if (unlike === undefined || !unlike.missing) return undefined
    const cleared =
      isTell(told.move) &&
      Object.entries(told.move.tell).some(([name, value]) =>
        isNothing(subject.names.find((one) => one.name === name) as never, value),
      )
    return {
      ...unlike,
      row: unlike.row + again,
      says: `the same edit is not reported again after its owner ${cleared ? 'cleared it' : 'told the old value'}`,
      cause: 'something inside still holds the last edit and sees no change',
    }
  },
})

/** A field is gone into and left again, as it is and with each property standing otherwise; the pointer passes over what can be pressed. */
function* untouched(subject: Subject): Iterable<Trail> {
  const places = oneAtEach(subject.ways.filter(({ control }) => control.kind === 'area')).map(({ control }) => control)
  const pressed = subject.controls.filter((one) => !isField(one))
  for (const on of [...pressed.slice(0, 4), ...places.slice(0, 2)])
    yield { given: subject.middle, moves: [gesture({ do: 'hover', on })] }
  const fields = subject.controls.filter(({ kind }) => kind === 'text field' || kind === 'combo box')
  const others = subject.tellable
    .filter(({ kind }) => kind === 'property')
    .flatMap(({ name }) => subject.plain(name).map((value) => ({ [name]: value })))
  for (const on of fields.slice(0, 2))
    for (const given of [{}, ...others.slice(0, 8)])
      yield {
        given: { ...subject.middle, ...given },
        moves: [gesture({ do: 'caret', on, at: 0 }), gesture({ do: 'leave' })],
      }
}

function isLookedAt(move: Move): boolean {
  return isGesture(move) && ['caret', 'leave', 'hover'].includes(move.gesture.do)
}

/** What goes into a field and out again has edited nothing. */
function saidUntouched({ rows }: Played): LeakAt | undefined {
  for (const [row, { heard }] of rows.entries()) {
    const said = row === 0 ? undefined : heard.find((one) => one.value !== undefined)
    if (said !== undefined)
      return {
        row,
        says: `it reports ${said.value ?? ''} although nothing was edited`,
        expected: 'nothing is heard',
        found: `heard ${said.event} ${printed(said.payload)}`,
        cause: rows.some(({ move }) => isDone(move, 'hover'))
          ? 'it takes a pointer that passes over it for a press'
          : 'it reads what is shown when the field is left, and not what was typed',
      }
  }
  return undefined
}

/** What the pointer has only passed over looks, when it is gone, as if that had been chosen. */
async function shownUntouched(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [first, row] = rows
  const [value] = subject.values
  if (row === undefined || value === undefined || !isDone(row.move, 'hover')) return undefined
  const { least, most } = subject.limits(value, trail.given)
  if ((row.fault ?? row.impossible) !== undefined || equal(row.picture.lines, first.picture.lines)) return undefined
  for (const other of [...subject.plain(value.name), most, least]) {
    if (other === undefined || equal(other, row.read[value.name])) continue
    const fresh = await subject.fresh({ ...trail.given, [value.name]: other })
    if (equal(drawnLines(fresh.picture), drawnLines(row.picture)))
      return {
        row: 1,
        says: `the pointer has passed over it, and it looks as if ${value.name} were ${printed(other)}`,
        ...pictureDifference(first.picture, row.picture),
        cause: 'what is shown beforehand is not taken back when the pointer goes',
      }
  }
  return undefined
}

/** Enter ends an edit as leaving the field does. */
async function unheardEnter(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const at = trail.moves.findIndex((move) => isDone(move, 'enter'))
  const [typed, entered] = [rows[at], rows[at + 1]]
  if (at !== 1 || typed === undefined || entered === undefined || typed.heard.length + entered.heard.length > 0)
    return undefined
  const left = await subject.play({ ...trail, moves: [...trail.moves.slice(0, at), gesture({ do: 'leave' })] })
  const heard = left.rows[at + 1]?.heard.find((one) =>
    subject.values.some(({ name, reports }) => name === one.value && reports === 'commit'),
  )
  if (heard === undefined) return undefined
  return {
    row: at + 1,
    says: `an edit of ${heard.value ?? ''} that ends with Enter is not reported`,
    expected: `heard ${heard.event} ${printed(heard.payload)}, as when the field is left`,
    found: 'nothing is heard',
    cause: 'it listens for the loss of focus, and not for the change',
  }
}

/**
 * The same text, typed anew where reports are held back, or composed over itself: it was another one in between, and it is told once when
 * the keys rest or the composition ends.
 */
function isOneBurst({ values }: Subject, { move, heard }: Row, { value }: HeardThen): boolean {
  const isHeldBack = values.some(({ name, within }) => name === value && within > 0)
  const isOnce = heard.filter((one) => one.value === value).length === 1
  if (!isOnce || !isGesture(move)) return false
  return isHeldBack ? entersText(move.gesture) : move.gesture.do === 'compose'
}

function doubledLeak(rows: readonly Row[], row: number, doubled: HeardThen): LeakAt | undefined {
  const { heard } = rows[row] as Row
  const all = heard.filter((one) => one.event === doubled.event && equal(one.payload, doubled.payload))
  const what = `${doubled.event} ${printed(doubled.payload)}`
  // What it had not taken from its owner before is news, although the owner holds it.
  const before = rows[row - 1]?.read[doubled.value ?? '']
  if (all.length < 2 && before !== undefined && !equal(before, doubled.payload)) return undefined
  return all.length > 1
    ? {
        row,
        says: 'one edit is reported more than once',
        expected: `heard ${what} once`,
        found: `heard ${what} ${all.length} times`,
      }
    : {
        row,
        says: 'it reports although nothing changed',
        expected: 'nothing is heard',
        found: `heard ${what}, which its owner holds already`,
      }
}

/** One click or one key, with nothing unfinished before it, is one edit: what comes of it is said once, and not in steps. */
function inPieces(rows: readonly Row[], at: number): LeakAt | undefined {
  const [row, before] = [rows[at] as Row, rows[at - 1]]
  if (!isGesture(row.move) || !AT_ONCE.has(row.move.gesture.do) || !settlesEdits(before?.move)) return undefined
  for (const { value, event } of row.heard) {
    const all = row.heard.filter((one) => one.value === value)
    if (value !== undefined && all.length > 1)
      return {
        row: at,
        says: `one edit of ${value} is reported in ${all.length} pieces`,
        expected: `heard ${event} once, with ${printed(row.read[value])}`,
        found: heardText(row),
      }
  }
  return undefined
}

const AT_ONCE: ReadonlySet<string> = new Set(['press', 'choose', 'key', 'pick'])

/** Once nothing is unfinished, owner and component agree; an owner that was never told starts from what the component started with. */
function isMissing(row: Row, before: Row, first: Row, name: string, reports: 'edit' | 'commit'): boolean {
  // Where owner and component did not agree before, it is no edit that is missing.
  const isApart = before.known[name] !== undefined && !equal(before.read[name], before.known[name])
  if (isApart && equal(before.read[name], row.read[name])) return false
  if (row.read[name] === undefined || row.heard.some((one) => one.value === name)) return false
  return (
    (settlesEdits(row.move) || reports === 'edit') &&
    !equal(row.read[name], row.known[name] === undefined ? first.read[name] : row.known[name])
  )
}

/** A report of the old value while a new one is on its way is untrue, and not one too many. */
function isTooEarly({ read }: Row, { value, payload }: HeardThen): boolean {
  return value !== undefined && read[value] !== undefined && !equal(read[value], payload)
}

/** Whether the last word about a value was untrue: then its owner is wrong from here on, and no later row says anything of this clause. */
function endsUntrue(row: Row): boolean {
  return row.heard.some(
    (one) => isTooEarly(row, one) && row.heard.findLast((other) => other.value === one.value) === one,
  )
}

/** Whether a text that a person has left in a field, and that is part of no value, is still there: then a fresh one is no measure. */
async function isStillThere(subject: Subject, moves: readonly Move[], { picture, held }: Row): Promise<boolean> {
  const isTyped = moves.some((move) => isGesture(move) && (entersText(move.gesture) || move.gesture.do === 'insert'))
  return isTyped && linesOnlyIn(picture, (await subject.fresh(held)).picture).some((line) => line.startsWith('['))
}

function withoutMove(row: Row): Row {
  return { ...row, move: undefined }
}

/** A step onto 0, which may be taken for no value at all. */
function* ontoNothing(subject: Subject): Iterable<Trail> {
  for (const { name, step, type } of subject.values) {
    const size = typeof step === 'number' ? step : 1
    if (!accepts(type, 0) || !accepts(type, size)) continue
    const stepping = subject.ways.filter(({ changes, text }) => changes.has(name) && text === undefined)
    for (const { given, moves } of stepping.slice(0, MOST_STEPPING))
      for (const beside of [size, -size]) {
        const near = { ...given, [name]: beside }
        if (equal(subject.ideally(name, near), beside)) yield { given: near, moves }
      }
  }
}

const MOST_STEPPING = 6
