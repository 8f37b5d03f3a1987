import { equal, printed } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { deadField, eachField, fieldElsewhere, leftStanding } from './dead-field.js'
import { deadControl, deadControls, onlyByKeys } from './dead-control.js'
import { keysTried, movedByShift, notByTheKeyboard, otherWayRound } from './keys-their-way.js'
import { deadTick, eachTick } from './dead-tick.js'
import { deadEnter, enteredInForm } from './entered-in-form.js'
import { zeroFirst, zeroLost } from './leading-zero.js'
import { otherThanComposed, typedPart } from './one-text-of-several.js'
import { chosenByNoKey, keysInLists } from './chosen-by-no-key.js'
import { onlyByPointer, pointedOnly } from './only-by-pointer.js'
import { anotherEntry, deadEntry, entriesChosen } from './chosen-entries.js'
import { addsAnother, padKeys } from './pad-keys.js'
import { otherPressed, pressedEach, shownElsewhere, thirdChosen } from './shown-elsewhere.js'
import { lostAtSave, savedAlong } from './saved-along.js'
import { markedThenPressed, takesWhatever } from './marked-for-button.js'
import { carriedEach, notCarried } from './marked-for-list.js'
import type { ControlKind } from '../person/controls.js'
import { entersText, isPlaced } from '../person/gestures.js'
import { isEmptiedPart } from './emptied-part.js'
import { eachChoice, looksTold, putBack, textsOfOthers } from './looks-told.js'
import { isInAnotherForm } from './in-another-form.js'
import { movesOnlyACursor } from './only-a-cursor.js'
import { unlikeFresh } from './laws.js'
import {
  keysInOpened,
  lostAtEnter,
  notBySpace,
  otherThanFocused,
  saysStillOpen,
  notByThePointer,
  spaced,
  otherThanTyped,
  otherWays,
  pointedAt,
} from './ways-alike.js'
import { arrowed, chosenThoughDisabled } from './arrowed-choices.js'
import { comesBackElsewhere, reachedByNoKey, reachedByNoTab, takesAnother, walked } from './walks.js'
import { pressedSteps, sameWay } from './same-way-buttons.js'
import { cutShort, twoWords } from './two-words.js'
import { neverComesTo, stuckTick, tickedTwice } from './taken-back.js'
import { emptyAndHeld, leftEmpty, thenAKey, typedNotCounted } from './unfinished.js'
import { allLines, linesOnlyIn, samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isGesture, operatedIn, settlesEdits, type Trail } from '../stage/trail.js'
import { foundControls } from '../person/operate.js'
import { isKeptBack } from '../subject/kept-back.js'
import { isField, isPlainField, oneAtEach, type Subject } from '../subject/subject.js'

/** Each way in that changes what is shown changes the value. */
export const everyWayIn = clause({
  id: 'every-way-in',
  group: 'up',
  promise:
    'Whatever a person enters or sets is taken, by each way that ends an edit, and taken back by the same; keys come to all that a pointer comes to.',
  why: 'The field shows the new text and the owner holds the old: what is saved is not what is seen.',
  tried:
    'A text is typed into each field, which is then left, and entered; it is pasted and composed, and has to come to the same; each other control is operated, and what is set there is looked for there; what keys choose from a list is chosen by the pointer, and what a click does at a button, a box or a switch is done by Space, and what keys take is the entry that has the focus, in a list that opens as well; a key goes on from what was typed before it, a field is emptied and left, and a box is ticked and unticked, each of several; a zero is typed first, what is marked is taken by a button, each key of a pad adds what stands on it, what the button of a form takes is entered, two words are typed, and arrow keys walk through what Tab comes to once; an arrow up makes more and one down less, a key that does nothing by itself changes nothing, and what says that it moves or empties does; each entry is taken for what it says, and a text that a field shows for another value for that one; what is marked in a list is carried over by its button, each entry alike, and Space takes what an arrow key came to; what looks like another value is held, what a pointer changes is come to by keys, and of two buttons that step one goes up and one down.',
  unprovenWhen: 'It has more than one field or more than one value, so that a field may be there for something else.',
  random: 'none',
  onTrial: 'gesture',
  concerns: ({ values }) => Object.keys(values).length > 0,
  async *trails(subject) {
    for (const trails of TRIED) yield* trails(subject)
    yield* walked(subject)
    if (subject.values.length > 1) return
    for (const way of subject.ways)
      if (VALUE_CONTROLS.includes(way.control.kind)) yield { given: way.given, moves: way.moves }
    const fields = subject.controls.filter(isPlainField)
    if (fields.length !== 1) return
    for (const way of subject.ways)
      if (way.text !== undefined && way.text !== '') yield { given: way.given, moves: way.moves }
  },
  async judge(subject, played) {
    for (const law of subject.values.length > 1 ? LAWS : [...LAWS, ...OF_ONE_VALUE]) {
      const leak = await law(subject, played)
      if (leak !== undefined) return leak
    }
    return undefined
  },
})

/** What each law asks to be tried. */
const TRIED: readonly ((subject: Subject) => Iterable<Trail> | AsyncIterable<Trail>)[] = [
  otherWays,
  pointedAt,
  keysInOpened,
  spaced,
  arrowed,
  thenAKey,
  leftEmpty,
  tickedTwice,
  eachTick,
  leftStanding,
  eachField,
  fieldElsewhere,
  zeroFirst,
  markedThenPressed,
  savedAlong,
  typedPart,
  keysInLists,
  padKeys,
  enteredInForm,
  twoWords,
  deadControls,
  keysTried,
  entriesChosen,
  carriedEach,
  eachChoice,
  pressedEach,
  textsOfOthers,
  pointedOnly,
  pressedSteps,
]

type Law = (subject: Subject, played: Played) => Promise<LeakAt | undefined> | LeakAt | undefined

/** Each looks only at trails of its own form. */
const LAWS: readonly Law[] = [
  otherThanTyped,
  lostAtEnter,
  notByThePointer,
  notBySpace,
  otherThanFocused,
  saysStillOpen,
  reachedByNoTab,
  comesBackElsewhere,
  takesAnother,
  reachedByNoKey,
  chosenThoughDisabled,
  typedNotCounted,
  emptyAndHeld,
  stuckTick,
  neverComesTo,
  deadTick,
  lostAtSave,
  zeroLost,
  takesWhatever,
  otherThanComposed,
  chosenByNoKey,
  addsAnother,
  deadEnter,
  cutShort,
  deadControl,
  onlyByKeys,
  otherWayRound,
  movedByShift,
  notByTheKeyboard,
  deadEntry,
  notCarried,
  anotherEntry,
  looksTold,
  putBack,
  onlyByPointer,
  sameWay,
]

/** Of several values, or fields, one may be there for something else. */
const OF_ONE_VALUE: readonly Law[] = [
  shownElsewhere,
  thirdChosen,
  otherPressed,
  deadField,
  shownAndNotHeld,
  changedAndNotShown,
  shownAndNotTaken,
]

/** Controls that show nothing but a value: what changes there is an edit. */
const VALUE_CONTROLS: readonly ControlKind[] = [
  'slider',
  'spin button',
  'checkbox',
  'switch',
  'radio button',
  'select',
  'list box',
  'grid',
]

/** A text that is typed into the only field, shown there, and not taken for the value. */
function shownAndNotTaken(subject: Subject, { rows }: Played): LeakAt | undefined {
  const last = rows.length - 1
  const row = rows[last]
  const typed = rows[1]?.move
  if (
    row === undefined ||
    typed === undefined ||
    !('gesture' in typed) ||
    !entersText(typed.gesture) ||
    !settlesEdits(row.move)
  )
    return undefined
  const [value] = subject.values
  const { text } = typed.gesture
  const isShown = row.picture.lines.some((line) => line === text || line.includes(`[${text}]`))
  const isTaken = subject.ways.some((way) => way.plainly.has(value?.name ?? ''))
  const wasHeard = rows.some(({ heard }) => heard.some((one) => one.value === value?.name))
  const now = row.read[value?.name ?? '']
  if (value === undefined || !isShown || !isTaken || wasHeard || now === undefined || String(now) === text)
    return undefined
  return {
    row: last,
    says: `what is entered is shown and not taken as ${value.name}`,
    expected: `heard ${value.event} with ${text}`,
    found: `nothing is heard, and ${value.name} is ${String(now)}`,
  }
}

/** A control that shows another value than its owner and the component hold. */
async function shownAndNotHeld(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const at = rows.length - 1
  const [first, row] = [rows[0], rows[at] as Row]
  const moves = rows.slice(1).map(({ move }) => move)
  const isByControl = moves.every(
    (move) =>
      isGesture(move) &&
      (move.gesture.do === 'leave' || (isPlaced(move.gesture) && VALUE_CONTROLS.includes(move.gesture.on.kind))),
  )
  // What is only reported when it is let go of is not finished before.
  if (at === 0 || !isByControl || !settlesEdits(row.move) || rows.some(({ heard }) => heard.length > 0))
    return undefined
  if (subject.values.some(({ name }) => !equal(row.read[name], first.read[name]))) return undefined
  const fresh = await subject.fresh(row.held)
  if (fresh.fault !== undefined || !samePicture(fresh.picture, first.picture)) return undefined
  if (subject.values.some(({ name }) => isEmptiedPart(subject, rows, name))) return undefined
  if (operatedIn(trail.moves).some((control) => isKeptBack(subject, control))) return undefined
  if (bringsUpMore(first, row) || (await isPickedForAButton(subject, trail, rows))) return undefined
  if (await comesAlongElsewhere(subject, trail, first, row)) return undefined
  if ((await movesOnlyACursor(subject, trail)) || (await isInAnotherForm(subject, trail))) return undefined
  const leak = unlikeFresh(row, first, fresh)
  return leak && { row: at, ...leak, says: 'what a person does is shown, and neither held nor reported' }
}

/** Whether more can be operated after it: a choice whose words are still to be given says nothing yet. */
function bringsUpMore(first: Row, row: Row): boolean {
  return row.picture.announced.length > first.picture.announced.length
}

/** Whether a button beside it does something else once it was operated: then it only says what the button is to be about. */
async function isPickedForAButton(subject: Subject, { given }: Trail, [, row]: Played['rows']): Promise<boolean> {
  const move = row?.move
  if (move === undefined) return false
  const buttonsAfter = (await subject.lookAfter(given, [move], foundControls)) ?? []
  for (const { ref } of buttonsAfter.filter((one) => one.ref.kind === 'button').slice(0, MOST_BUTTONS)) {
    const press = gesture({ do: 'press', on: ref })
    const picked = (await subject.play({ given, moves: [move, press] })).rows[2]
    if (picked === undefined || !picked.heard.some(({ value }) => value !== undefined)) continue
    const alone = (await subject.play({ given, moves: [press] })).rows[1]
    if (subject.values.some(({ name }) => !equal(picked.read[name], alone?.read[name]))) return true
  }
  return false
}

const MOST_BUTTONS = 6

/** Whether an edit at another control shows the same along with what it reports: a mark beside a field for other words says nothing alone. */
async function comesAlongElsewhere(subject: Subject, { given }: Trail, first: Row, row: Row): Promise<boolean> {
  const came = linesOnlyIn(row.picture, first.picture)
  for (const { moves, text } of oneAtEach(subject.ways.filter((way) => isField(way.control) && way.changes.size > 0))) {
    if (came.length === 0 || text === '') continue
    const { rows } = await subject.play({ given, moves })
    if (rows.some(({ picture, heard }) => heard.length > 0 && came.every((line) => allLines(picture).includes(line))))
      return true
  }
  return false
}

/** A control that shows nothing but the value, and goes on showing the old one. */
function changedAndNotShown(subject: Subject, { rows }: Played): LeakAt | undefined {
  const [first, row] = [rows[0], rows[1]]
  if (row === undefined || !isGesture(row.move) || !settlesEdits(row.move) || row.move.gesture.do === 'leave')
    return undefined
  if (!isPlaced(row.move.gesture) || !VALUE_CONTROLS.includes(row.move.gesture.on.kind)) return undefined
  const changed = subject.values.find(
    ({ name, applies }) => applies === 'at-once' && !equal(row.read[name], first.read[name]),
  )
  if (changed === undefined || !samePicture(first.picture, row.picture)) return undefined
  return {
    row: 1,
    says: `${changed.name} changes, and what is seen and announced of it does not`,
    expected: `shown with ${changed.name} ${printed(row.read[changed.name])}`,
    found: `shown as with ${changed.name} ${printed(first.read[changed.name])}`,
    cause: 'the control itself is not told of its new state',
  }
}
