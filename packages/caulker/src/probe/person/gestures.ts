import { printed } from '../../contract/index.js'
import type { ControlRef } from './controls.js'

/** The keys that do something at a control; what is typed as text is no key here, but for figures where there is no field. */
export const KEYS = [
  'ArrowUp',
  'ArrowDown',
  'ArrowLeft',
  'ArrowRight',
  'Home',
  'End',
  'PageUp',
  'PageDown',
  'Enter',
  'Escape',
  'Delete',
  'Backspace',
  ' ',
  ...(['0', '1', '2', '3', '4', '5', '6', '7', '8', '9'] as const),
] as const
/** Shift by itself does nothing, at any control. */
export type Key = (typeof KEYS)[number] | 'Shift'

/** A place on a component, as parts of its width and height from the upper left. */
export type Point = readonly [number, number]

/** What a person does, as plain data: it can be listed, shrunk and played again. */
export type Gesture =
  | EntersText
  | { readonly do: 'leave' }
  /** Puts the caret behind some character, as a click into the text does. */
  | { readonly do: 'caret'; readonly on: ControlRef; readonly at: number }
  | { readonly do: 'enter'; readonly on: ControlRef }
  | { readonly do: 'press'; readonly on: ControlRef }
  /** Passes over it with the pointer, and away again. */
  | { readonly do: 'hover'; readonly on: ControlRef }
  /** Presses a pointer down and keeps it down, until it is let go or taken away. */
  | { readonly do: 'hold'; readonly on: ControlRef }
  /** The pointer that is down is moved on, let go beside everything, or taken away by the browser. */
  | { readonly do: 'move' | 'release' | 'cancel' }
  | { readonly do: 'key'; readonly on: ControlRef; readonly key: Key }
  | { readonly do: 'choose'; readonly on: ControlRef; readonly option: number }
  | { readonly do: 'pick'; readonly on: ControlRef; readonly file: File }
  | { readonly do: 'drag'; readonly on: ControlRef; readonly from: Point; readonly to: Point }
  /** A drag whose pointer stays down. */
  | { readonly do: 'grab'; readonly on: ControlRef; readonly from: Point; readonly to: Point }

/** The ways in which a text gets into a field: key by key, from the clipboard, composed, filled in by the browser, or over a selection. */
export type EntersText =
  | { readonly do: 'type' | 'paste' | 'compose' | 'fill'; readonly on: ControlRef; readonly text: string }
  | {
      readonly do: 'insert'
      readonly on: ControlRef
      readonly text: string
      readonly from: number
      readonly to: number
    }

export function entersText(
  gesture: Gesture,
): gesture is Extract<EntersText, { do: 'type' | 'paste' | 'compose' | 'fill' }> {
  return ['type', 'paste', 'compose', 'fill'].includes(gesture.do)
}

/** Whether it is keys alone that write nothing: a field that is read only hears them, too. */
export function isKeyed(gesture: Gesture): boolean {
  return gesture.do === 'key' || gesture.do === 'enter' || (gesture.do === 'type' && gesture.text === '')
}

/** Whether a gesture ends an edit: afterwards nothing is unfinished. */
export function commits(gesture: Gesture): boolean {
  if (gesture.do === 'key' && gesture.key === 'Escape') return !UNFINISHED.includes(gesture.on.kind)
  return !['type', 'paste', 'compose', 'insert', 'caret', 'hold', 'grab', 'move'].includes(gesture.do)
}

/** Where an edit goes on until the field is left, or what was moved is let go of. */
const UNFINISHED = ['text field', 'number field', 'slider']

/** A gesture in words, for a ledger. */
export function gestureText(gesture: Gesture): string {
  if (!isPlaced(gesture)) return WITHOUT_PLACE[gesture.do]
  const inWords = WORDS[gesture.do] as (made: Gesture, where: string) => string
  return inWords(gesture, refText(gesture.on))
}

const WITHOUT_PLACE = {
  leave: 'leave the field',
  move: 'move the pointer on',
  release: 'let go beside it',
  cancel: 'the pointer is taken away, as by a scroll',
}

/** The gestures that are made at a control. */
export type Placed = Extract<Gesture, { readonly on: ControlRef }>

export function isPlaced(gesture: Gesture): gesture is Placed {
  return 'on' in gesture
}

type Words = {
  [D in Placed['do']]: (gesture: Gesture & { readonly do: D }, where: string) => string
}

const WORDS: Words = {
  type: ({ text, on }, where) =>
    on.kind === 'slider'
      ? `move ${where} to ${text}`
      : text === ''
        ? `empty ${where}`
        : `type ${quoted(text)} into ${where}`,
  paste: ({ text }, where) => `paste ${quoted(text)} into ${where}`,
  compose: ({ text }, where) => `compose ${quoted(text)} in ${where}`,
  fill: ({ text }, where) => `let the browser fill ${where} with ${quoted(text)}`,
  insert: ({ text, from, to }, where) =>
    from === to
      ? `type ${quoted(text)} behind letter ${from} of ${where}`
      : `type ${quoted(text)} over letters ${from + 1} to ${to} of ${where}`,
  caret: ({ at }, where) => `put the caret behind letter ${at} of ${where}`,
  enter: (_, where) => `press Enter in ${where}`,
  hold: (_, where) => `press ${where} and hold it down`,
  hover: (_, where) => `pass over ${where} with the pointer`,
  press: ({ on }, where) => `${on.kind === 'button' ? 'press' : 'click'} ${where}`,
  key: ({ key }, where) => `press ${KEY_NAMES[key] ?? key} in ${where}`,
  choose: ({ option }, where) => `choose option ${option + 1} of ${where}`,
  pick: ({ file }, where) => `choose ${file.name} in ${where}`,
  drag: ({ from, to, on }, where) =>
    on.kind === 'component' && from[0] === to[0] && from[1] === to[1]
      ? `click ${where} at ${pointText(from)}`
      : `drag over ${where} from ${pointText(from)} to ${pointText(to)}`,
  grab: ({ from, to }, where) =>
    `drag over ${where} from ${pointText(from)} to ${pointText(to)}, and keep the pointer down`,
}

const KEY_NAMES: Partial<Record<Key, string>> = {
  ArrowUp: 'Arrow up',
  ArrowDown: 'Arrow down',
  ArrowLeft: 'Arrow left',
  ArrowRight: 'Arrow right',
  PageUp: 'Page up',
  PageDown: 'Page down',
  ' ': 'Space',
}

export function refText({ kind, label, nth }: ControlRef): string {
  return `the ${kind}${label === '' ? (nth === 0 ? '' : ` ${nth + 1}`) : ` “${label}”`}`
}

function quoted(text: string): string {
  return printed(text, 30)
}

function pointText([x, y]: Point): string {
  return `${Math.round(x * 100)} % across, ${Math.round(y * 100)} % down`
}
