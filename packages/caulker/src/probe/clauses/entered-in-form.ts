import { equal, printed } from '../../contract/index.js'
import { findControl, type ControlRef } from '../person/controls.js'
import type { Played } from '../stage/played.js'
import { gesture, isDone, type Move, type Trail } from '../stage/trail.js'
import { isPlainField, type Subject } from '../subject/subject.js'
import { isTypedIn } from '../subject/survey.js'
import type { LeakAt } from './clause.js'

const MOST_WAYS = 6

/** HTML Standard, section 4.10.21.2: what a button of a form takes, Enter in its field takes as well. */
export async function* enteredInForm(subject: Subject): AsyncIterable<Trail> {
  for (const { given, moves } of pressedAfterTyping(subject)) {
    const entered = inItsPlace(moves)
    const isDefault = await subject.lookAfter(given, moves.slice(0, -1), isDefaultOf(moves))
    if (entered !== undefined && isDefault === true) yield { given, moves: entered }
  }
}

/** Nothing is taken at Enter, and nobody is led on to another field: it is not there for something else. */
export async function deadEnter(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const ways = pressedAfterTyping(subject).filter(
    ({ given, moves }) => equal(given, trail.given) && equal(inItsPlace(moves), trail.moves),
  )
  const at = trail.moves.length
  const [typed, row] = [rows[at - 1], rows[at]]
  if (ways.length === 0 || typed === undefined || row === undefined) return undefined
  const { caret } = row.around
  const isLedOn = caret !== undefined && !equal(caret, typed.around.caret)
  const isDead = row.heard.length === 0 && equal(row.read, typed.read) && !isLedOn
  if (!isDead || typed.around.caret === undefined) return undefined
  const text = textOf(trail.moves)
  const takenBy = async (way: Trail) => {
    const pressed = (await subject.play(way)).rows[at]
    const value = subject.values.find(
      ({ name }) =>
        !equal(pressed?.read[name], typed.read[name]) &&
        (String(pressed?.read[name]) === text || isTypedIn(pressed?.read[name], text)),
    )
    return value && { name: value.name, to: pressed?.read[value.name] }
  }
  const taken = (await Promise.all(ways.map(takenBy))).find((one) => one !== undefined)
  if (taken === undefined || !(await isOfDefaults(subject, ways))) return undefined
  return {
    row: at,
    says: `the button of its form takes what is typed as ${taken.name}, and Enter in the field does not`,
    expected: `${taken.name} ${printed(taken.to)}`,
    found: `${taken.name} ${printed(row.read[taken.name])}`,
  }
}

async function isOfDefaults(subject: Subject, ways: readonly Trail[]): Promise<boolean> {
  for (const { given, moves } of ways)
    if ((await subject.lookAfter(given, moves.slice(0, -1), isDefaultOf(moves))) === true) return true
  return false
}

/** A text that is typed, and the button that takes it. */
function pressedAfterTyping({ ways }: Subject): Trail[] {
  return ways
    .filter(({ moves, changes }) => changes.size > 0 && fieldOf(moves) !== undefined && buttonOf(moves) !== undefined)
    .map(({ given, moves }) => ({ given, moves }))
    .slice(0, MOST_WAYS)
}

function inItsPlace(moves: readonly Move[]): readonly Move[] | undefined {
  const on = fieldOf(moves)
  return on && [...moves.slice(0, -1), gesture({ do: 'enter', on })]
}

function fieldOf(moves: readonly Move[]): ControlRef | undefined {
  const typed = moves.at(-2)
  return isDone(typed, 'type') && textOf(moves) !== '' && isPlainField(typed.gesture.on) ? typed.gesture.on : undefined
}

function textOf(moves: readonly Move[]): string {
  const typed = moves.at(-2)
  return isDone(typed, 'type') ? typed.gesture.text : ''
}

function buttonOf(moves: readonly Move[]): ControlRef | undefined {
  const pressed = moves.at(-1)
  return isDone(pressed, 'press') && pressed.gesture.on.kind === 'button' ? pressed.gesture.on : undefined
}

/** Whether the button is the default one of the form that the field belongs to, and the field has a single line. */
function isDefaultOf(moves: readonly Move[]): (container: HTMLElement) => boolean {
  return (container) => {
    const [field, button] = [fieldOf(moves), buttonOf(moves)].map((on) => on && findControl(container, on))
    const form = (field as HTMLInputElement | undefined)?.form
    if (form == null || button === undefined || field?.localName !== 'input') return false
    return [...form.elements].find((one) => (one as HTMLButtonElement).type === 'submit') === button
  }
}
