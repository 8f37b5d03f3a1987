import { equal, printed } from '../../contract/index.js'
import { actedOn, findControl, optionsOf, type ControlRef } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, isGesture, type Move, type Trail } from '../stage/trail.js'
import { isField, isPlainField, oneAtEach, type Subject, type Way } from '../subject/subject.js'
import { said } from '../person/said.js'
import type { LeakAt } from './clause.js'
import type { Given } from '../../mount/index.js'

/** A sign that ends an entry is struck as a key: it is no part of what is composed or copied. */
const ENDS_AN_ENTRY = /[\s,;]$/

/** The same text as it is typed, by each other way that puts it into a field at once. */
export function* otherWays({ ways, controls }: Subject): Iterable<Trail> {
  // Of several fields one may hand on to the next what is pasted into it.
  if (controls.filter(isField).length !== 1) return
  for (const { given, moves, control, text } of ways) {
    if (text === undefined || text === '' || ENDS_AN_ENTRY.test(text) || !equal(moves, typedMoves(control, text)))
      continue
    yield { given, moves: [gesture({ do: 'compose', on: control, text }), gesture({ do: 'leave' })] }
    if (isPlainField(control))
      yield { given, moves: [typedMoves(control, text)[0] as Move, gesture({ do: 'enter', on: control })] }
    for (const pasted of new Set([text, text.toLowerCase(), text.toUpperCase()]))
      yield { given, moves: [gesture({ do: 'paste', on: control, text: pasted }), gesture({ do: 'leave' })] }
  }
}

/** What is pasted or composed is taken as if it had been typed. */
export async function otherThanTyped(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [first, end] = trail.moves
  if (!isGesture(first) || !isGesture(end) || trail.moves.length !== 2 || end.gesture.do !== 'leave') return undefined
  if (first.gesture.do !== 'paste' && first.gesture.do !== 'compose') return undefined
  const { on, text } = first.gesture
  const typed = (await subject.play({ ...trail, moves: typedMoves(on, text) })).rows[2]
  const row = rows[2]
  if (typed === undefined || row === undefined || (typed.fault ?? typed.impossible) !== undefined) return undefined
  const unlike = subject.values.find(({ name }) => !equal(typed.read[name], row.read[name]))
  return (
    unlike && {
      row: 2,
      says: `the same text comes to another ${unlike.name} than when it is typed`,
      expected: `${unlike.name} ${printed(typed.read[unlike.name])}`,
      found: `${unlike.name} ${printed(row.read[unlike.name])}`,
      cause: `what is ${first.gesture.do === 'paste' ? 'pasted' : 'composed'} goes another way than what is typed`,
    }
  )
}

/** What is taken when its field is left is taken at Enter as well. */
export async function lostAtEnter(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [typed, end] = trail.moves
  const row = rows[2]
  if (!isDone(typed, 'type') || !isDone(end, 'enter') || trail.moves.length !== 2 || row === undefined) return undefined
  const { on, text } = typed.gesture
  if (!isPlainField(on) || text === '' || !equal(row.read, rows[0].read) || row.heard.length > 0) return undefined
  const left = (await subject.play({ ...trail, moves: typedMoves(on, text) })).rows[2]
  // What stands in the field still, and is taken as soon as it is left, is not lost.
  const later = (await subject.play({ ...trail, moves: [...trail.moves, gesture({ do: 'leave' })] })).rows[3]
  const lost = subject.values.find(
    ({ name }) => !equal(left?.read[name], rows[0].read[name]) && equal(later?.read[name], rows[0].read[name]),
  )
  return (
    lost && {
      row: 2,
      says: `Enter loses what was typed, and leaving the field takes it as ${lost.name}`,
      expected: `${lost.name} ${printed(left?.read[lost.name])}`,
      found: `${lost.name} ${printed(row.read[lost.name])}`,
    }
  )
}

function typedMoves(on: ControlRef, text: string): Move[] {
  return [gesture({ do: 'type', on, text }), gesture({ do: 'leave' })]
}

/** Two entries of a list from which keys can choose, each by the pointer. */
export function* pointedAt(subject: Subject): Iterable<Trail> {
  for (const { given, control } of chosenByKeys(subject))
    for (const option of [0, 1])
      yield { given, moves: [arrowDown(control), gesture({ do: 'choose', on: control, option })] }
}

/** At how many controls: of the days of a month one is like the other. */
const MOST_PRESSED = 6

/** WAI-ARIA 1.2, sections 5.3.4 and 5.4: Space does at a button, a box, a choice or a switch what a click does. */
export function* spaced(subject: Subject): Iterable<Trail> {
  for (const { given, control, moves } of oneAtEach(subject.ways.filter(isClick)).slice(0, MOST_PRESSED))
    if (moves.length === 1) yield { given, moves: [gesture({ do: 'key', on: control, key: ' ' })] }
}

export async function notBySpace(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [move] = trail.moves
  if (!isDone(move, 'key') || move.gesture.key !== ' ' || trail.moves.length !== 1) return undefined
  const { on } = move.gesture
  const [first, row] = rows
  const way = subject.ways.find((one) => isClick(one) && one.moves.length === 1 && equal(one.control, on))
  if (way === undefined || row === undefined) return undefined
  const clicked = (await subject.play({ given: trail.given, moves: way.moves })).rows[1]
  // Without the focus no key reaches it; that it takes none is not said of it here.
  if (!row.around.hasFocus || clicked === undefined) return undefined
  if (clicked.heard.length > 0 && row.heard.length > clicked.heard.length)
    return {
      row: 1,
      says: 'what a click does once Space does twice',
      expected: `heard ${clicked.heard.map(({ event }) => event).join(', then ')}, as after a click`,
      found: `heard ${row.heard.map(({ event }) => event).join(', then ')}`,
      cause: 'it hears the key, and the browser makes a click of it besides',
    }
  if (!(await isPressedBySpace(subject, trail.given, on))) return undefined
  const isSilent = row.heard.length === 0 && equal(row.read, first.read)
  if (isSilent && clicked.heard.length > 0)
    return {
      row: 1,
      says: 'a click changes it, and Space does not',
      expected: 'a report, as after a click',
      found: 'nothing is heard, and nothing changes',
      cause: 'it hears the click alone; whoever has no pointer cannot operate it',
    }
  const unlike = subject.values.find(({ name }) => !equal(row.read[name], clicked.read[name]))
  if (unlike === undefined) return undefined
  // Where the arrows go from one to the next, keys are heard at the one that Tab comes to.
  const isInTurn = await subject.look(trail.given, (container) => (findControl(container, on)?.tabIndex ?? -1) >= 0)
  if (isInTurn !== true) return undefined
  return {
    row: 1,
    says: `Space comes to another ${unlike.name} than a click`,
    expected: `${unlike.name} ${printed(clicked.read[unlike.name])}`,
    found: `${unlike.name} ${printed(row.read[unlike.name])}`,
  }
}

function isClick({ control: { kind }, moves: [first], changes }: Way): boolean {
  const isPressed = kind === 'button' || kind === 'checkbox' || kind === 'switch' || kind === 'radio button'
  return isPressed && changes.size > 0 && isDone(first, 'press')
}

/**
 * A tab, an entry of a menu or of a tree has keys of its own. What the browser itself makes of Space at a button may be told from a click
 * by a script, so it is only asked where the key is kept from the browser.
 */
async function isPressedBySpace(subject: Subject, given: Given, on: ControlRef): Promise<boolean> {
  const found = await subject.look(given, (container) => {
    const element = findControl(container, on)
    const { KeyboardEvent } = container.ownerDocument.defaultView as Window & typeof globalThis
    const key = new KeyboardEvent('keydown', {
      key: ' ',
      code: 'Space',
      bubbles: true,
      composed: true,
      cancelable: true,
    })
    if (element === undefined) return false
    if (element.localName === 'button') return !element.dispatchEvent(key)
    return (
      ['button', 'checkbox', 'switch', 'radio'].includes(said(element, 'role') ?? '') || element.localName === 'input'
    )
  })
  return found === true
}

/** What keys can choose from a list a pointer can, too. */
export async function notByThePointer(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [, second] = trail.moves
  if (!isDone(second, 'choose') || trail.moves.length !== 2) return undefined
  const { on } = second.gesture
  if (!chosenByKeys(subject).some(({ control }) => equal(control, on))) return undefined
  const tries = await Promise.all(
    [0, 1].map((option) => subject.play({ ...trail, moves: [arrowDown(on), gesture({ do: 'choose', on, option })] })),
  )
  const isSilentTry = ({ rows: [first, ...others] }: Played) =>
    others.length === 2 &&
    others.every(
      ({ heard, fault, impossible, read }) =>
        heard.length === 0 && (fault ?? impossible) === undefined && equal(read, first.read),
    )
  if (!tries.every(isSilentTry)) return undefined
  return {
    row: rows.length - 1,
    says: 'an entry that keys can choose cannot be chosen by the pointer',
    expected: 'a report, as after Enter',
    found: 'nothing is heard, and nothing changes',
  }
}

/** The list of each combo box is opened and gone on in by a key, and left by one that takes or gives up what was come to. */
export function* keysInOpened({ ways }: Subject): Iterable<Trail> {
  for (const { given, control: on } of oneAtEach(ways.filter(isOfCombo)))
    for (const end of ['Enter', 'Escape'] as const)
      yield { given, moves: [arrowDown(on), arrowDown(on), gesture({ do: 'key', on, key: end })] }
}

/** WAI-ARIA 1.2, section 6.6.5: a list that Escape has closed is not said to be open any more. */
export async function saysStillOpen(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const escape = trail.moves[2]
  if (!isDone(escape, 'key') || escape.gesture.key !== 'Escape' || escape.gesture.on.kind !== 'combo box')
    return undefined
  if (rows.some(({ fault, impossible }) => (fault ?? impossible) !== undefined)) return undefined
  const { on } = escape.gesture
  const stateAt = (moves: readonly Move[]) =>
    subject.lookAfter(trail.given, moves, (container) => {
      const box = findControl(container, on)
      return box && { says: box.getAttribute('aria-expanded'), offers: optionsOf(box).length }
    })
  const [open, closed] = [await stateAt(trail.moves.slice(0, 2)), await stateAt(trail.moves)]
  if (open === undefined || open.offers === 0 || closed?.offers !== 0 || closed.says !== 'true') return undefined
  return {
    row: 3,
    says: `the ${on.kind} “${on.label}” says that its list is open, and it is closed`,
    expected: 'aria-expanded false',
    found: 'aria-expanded true',
    cause: 'only what opens it writes its state',
  }
}

export function isOfCombo({ control, changes }: Way): boolean {
  return control.kind === 'combo box' && changes.size > 0
}

/** What Enter or Space takes is the entry that has the focus: a click there takes the same. */
export async function otherThanFocused(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const moves = isDone(trail.moves.at(-1), 'leave') ? trail.moves.slice(0, -1) : trail.moves
  const looked = moves.slice(0, -1)
  const [first] = looked
  const take = moves.at(-1)
  if (!isDone(first, 'key') || !looked.every((move) => isDone(move, 'key')) || !isDone(take, 'key')) return undefined
  if (take.gesture.key !== 'Enter' && take.gesture.key !== ' ') return undefined
  const { on } = first.gesture
  if (!['grid', 'list box', 'combo box'].includes(on.kind)) return undefined
  const row = rows[moves.length]
  const option = await subject.lookAfter(trail.given, looked, (container) => {
    const list = findControl(container, on)
    const active = actedOn(container)
    return list === undefined || active === null ? -1 : optionsOf(list).indexOf(active)
  })
  if (option === undefined || option < 0 || row === undefined) return undefined
  // What a combo box offers is only there once it is open.
  const opened = on.kind === 'combo box' ? [first] : []
  const clicked = await subject.play({ ...trail, moves: [...opened, gesture({ do: 'choose', on, option })] })
  const other = clicked.rows[opened.length + 1]
  if (other === undefined || (other.fault ?? other.impossible) !== undefined) return undefined
  const unlike = subject.values.find(({ name }) => !equal(row.read[name], other.read[name]))
  return (
    unlike && {
      row: moves.length,
      says: `a key comes to another ${unlike.name} than a click at the entry that has the focus`,
      expected: `${unlike.name} ${printed(other.read[unlike.name])}`,
      found: `${unlike.name} ${printed(row.read[unlike.name])}`,
    }
  )
}

/** Combo boxes whose entries arrow keys and Enter choose, and no pointer was seen to. */
function chosenByKeys({ ways }: Subject): Way[] {
  const isBy = ({ moves }: Way, done: string) => moves.some((move) => isGesture(move) && move.gesture.do === done)
  const keyed = ways.filter((way) => way.control.kind === 'combo box' && way.changes.size > 0 && isBy(way, 'key'))
  return oneAtEach(keyed).filter(
    ({ control }) => !ways.some((way) => equal(way.control, control) && way.changes.size > 0 && isBy(way, 'choose')),
  )
}

function arrowDown(on: ControlRef): Move {
  return gesture({ do: 'key', on, key: 'ArrowDown' })
}
