import { said } from '../person/said.js'
import { equal } from '../../contract/index.js'
import { controlRefs, findControl, type ControlKind, type ControlRef } from '../person/controls.js'
import { isPlaced } from '../person/gestures.js'
import { controlText } from '../sight/control-text.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, isGesture, type Move, type Trail } from '../stage/trail.js'
import { furnished } from '../subject/other-mounts.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** Controls of which several may stand beside each other, each for a part. */
const KINDS: readonly ControlKind[] = ['slider', 'spin button', 'number field', 'checkbox', 'switch', 'radio button']

/** What is set at one control is not seen there, and at another of its kind. */
export async function shownElsewhere(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [, first] = rows
  const move = first?.move
  if (!isGesture(move) || !isPlaced(move.gesture) || !KINDS.includes(move.gesture.on.kind)) return undefined
  if (!rows.some(({ heard }) => heard.some(({ value }) => value !== undefined))) return undefined
  const { on } = move.gesture
  // An arrow key chooses the next one; a click chooses this one.
  if (on.kind === 'radio button' && move.gesture.do !== 'press') return undefined
  const before = (await subject.look(trail.given, textsOf(on.kind))) ?? []
  const after = (await subject.lookAfter(trail.given, trail.moves, textsOf(on.kind))) ?? []
  const text = before[on.nth]?.text
  const now = after[on.nth]?.text
  if (text === undefined || now === undefined || before.length !== after.length) return undefined
  // Where it has moved, too, what was set says which of them shows it.
  const set = move.gesture.do === 'type' ? move.gesture.text : ''
  const isMoved = text !== now
  if (isMoved && (set === '' || isOfIt(now, set))) return undefined
  const other = after.find(
    (one, at) => at !== on.nth && one.text !== before[at]?.text && (!isMoved || isOfIt(one.text, set)),
  )
  if (other === undefined) return undefined
  return {
    row: rows.length - 1,
    says: `what is set at the ${on.kind} “${on.label}” is shown at “${other.ref.label}”`,
    expected: `“${on.label}” to show what was set there`,
    found: `“${on.label}” shows ${now}${isMoved ? '' : ' as before'}, and “${other.ref.label}” shows ${other.text}`,
    cause: `what one ${on.kind} reports is taken for another`,
  }
}

const MOST_PRESSED = 6

/** Each button that may stay pressed, and is not. */
export async function* pressedEach(subject: Subject): AsyncIterable<Trail> {
  for (const given of [subject.middle, ...furnished(subject)]) {
    const free = ((await subject.look(given, pressedAt)) ?? []).filter(({ isPressed }) => isPressed === false)
    for (const { ref } of free.slice(-MOST_PRESSED)) yield { given, moves: [gesture({ do: 'press', on: ref })] }
  }
}

/** Of buttons that stay pressed, another one than was pressed. */
export async function otherPressed(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [move, ...others] = trail.moves
  const row = rows[1]
  if (!isDone(move, 'press') || move.gesture.on.kind !== 'button' || others.length > 0 || row === undefined)
    return undefined
  const { on } = move.gesture
  const [before, after] = [
    await subject.look(trail.given, pressedAt),
    await subject.lookAfter(trail.given, trail.moves, pressedAt),
  ]
  const mine = (all: typeof before) => all?.find(({ ref }) => ref.nth === on.nth)
  if (before === undefined || after === undefined || before.length !== after.length) return undefined
  if (mine(before)?.isPressed !== false || mine(after)?.isPressed !== false) return undefined
  const other = after.find(({ isPressed }, at) => isPressed === true && before[at]?.isPressed === false)
  return (
    other && {
      row: 1,
      says: `“${on.label}” is pressed, and “${other.ref.label}” stays pressed`,
      expected: `“${on.label}” to be pressed`,
      found: `“${other.ref.label}” is`,
    }
  )
}

/** WAI-ARIA 1.2, section 6.6: aria-pressed, of each button that has it. */
function pressedAt(container: HTMLElement): { ref: ControlRef; isPressed: boolean | undefined }[] {
  return controlRefs(container).flatMap(({ ref, element }) => {
    const pressed = said(element, 'aria-pressed')
    return ref.kind === 'button' ? [{ ref, isPressed: pressed === null ? undefined : pressed === 'true' }] : []
  })
}

/** Of a select, neither what was chosen nor what stood there is chosen afterwards. */
export async function thirdChosen(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [move, ...others] = trail.moves
  if (!isDone(move, 'choose') || move.gesture.on.kind !== 'select' || others.some((one) => !isDone(one, 'leave')))
    return undefined
  const { on, option } = move.gesture
  const textsAt = (moves: readonly Move[]) => subject.lookAfter(trail.given, moves, optionsAt(on))
  const [before, after] = [await textsAt([]), await textsAt(trail.moves)]
  const wanted = before?.texts[option]
  if (before === undefined || after === undefined || wanted === undefined || !equal(before.texts, after.texts))
    return undefined
  if ([wanted, before.chosen].includes(after.chosen) || after.chosen === '') return undefined
  return {
    row: rows.length - 1,
    says: `“${on.label}” is set to ${wanted}, and shows ${after.chosen}`,
    expected: wanted,
    found: after.chosen,
    cause: 'it is drawn anew from something else than what was chosen',
  }
}

function optionsAt(on: ControlRef): (container: HTMLElement) => { texts: string[]; chosen: string } | undefined {
  return (container) => {
    const select = findControl(container, on) as HTMLSelectElement | undefined
    if (select === undefined || select.localName !== 'select' || select.multiple) return undefined
    const texts = [...select.options].map(({ text }) => text)
    return { texts, chosen: texts[select.selectedIndex] ?? '' }
  }
}

/** The words of a control begin with what it holds, and go on with its ends. */
function isOfIt(shown: string, set: string): boolean {
  return /-?\d+(\.\d+)?/.exec(shown)?.[0] === set
}

function textsOf(kind: ControlKind): (container: HTMLElement) => { ref: ControlRef; text: string }[] {
  return (container) =>
    controlRefs(container).flatMap(({ ref, element }) =>
      ref.kind === kind ? [{ ref, text: controlText(element) ?? '' }] : [],
    )
}
