import { isHost, printed, type AnyContract } from '../../contract/index.js'
import type { ControlRef } from '../person/controls.js'
import { commits, gestureText, isPlaced, type Gesture } from '../person/gestures.js'
import type { Given } from '../../mount/index.js'

/** A command that its owner calls, with its one argument where it takes one. */
export interface Call {
  readonly command: string
  readonly takes?: unknown
}

/** What an owner puts into a slot: an element of a tag with a text in it, or only the text. */
export interface Fill {
  readonly slot: string
  readonly content: string
  readonly tag?: string
}

/** One thing that happens to a mounted component: its owner tells, a person acts, a command is called, the page around it changes. */
export type Move =
  | { readonly tell: Given }
  | { readonly gesture: Gesture }
  | Call
  /** The owner tells what it holds already. */
  | { readonly retell: string }
  | { readonly attribute: string; readonly text: string | null }
  | Fill
  /** The element is taken out and put elsewhere in one turn. */
  | { readonly place: 'another' | 'away' }
  /** Its owner answers a save, the first or a later one. */
  | { readonly answer: 'given' | 'failed'; readonly to: number }
  /** Its owner writes into what an event brought, as anybody may. */
  | { readonly writesInto: string }
  /** Nothing is done for some milliseconds. */
  | { readonly wait: number }
  | { readonly form: 'reset' | 'disable' | 'restore' }
  /** A name is set to what its type does not allow. */
  | { readonly offType: string; readonly to: unknown }
  /** Something public that its contract does not name is set. */
  | { readonly undeclared: string; readonly to: unknown }

/**
 * Where and how a component is mounted, where that is not just in a place of its own: in a form; set before it is defined; by
 * attributes; told in the other order; beside a second one; under an owner that vetoes all that asks, heeds nothing, or answers
 * saves by hand.
 */
export type Setting = 'answering' | 'form' | 'early' | 'attributes' | 'reversed' | 'twin' | 'vetoed' | 'unheeded'

/** What is given at the mount, and what happens then: plain data, so that it can be shrunk and played again. */
export interface Trail {
  readonly given: Given
  readonly moves: readonly Move[]
  /** An owner that tells whatever it holds, even outside the bounds; the engine's own owner brings a tell inside first. */
  readonly unbounded?: boolean
  readonly setting?: Setting
  /** What it holds back after a gesture is not waited for: the next move comes before its time. */
  readonly hasty?: boolean
  /** What the second of two is given, where it is not the same. */
  readonly beside?: Given
  /** What is in its slots before it is put in place. */
  readonly slotted?: readonly Fill[]
  /** The names that its owner tells once more as soon as it stands there, since it loses them at the mount. */
  readonly again?: readonly string[]
}

export function tell(changes: Given): Move {
  return { tell: changes }
}

export function gesture(made: Gesture): Move {
  return { gesture: made }
}

export function isTell(move: Move | undefined): move is { tell: Given } {
  return move !== undefined && 'tell' in move
}

export function isGesture(move: Move | undefined): move is { gesture: Gesture } {
  return move !== undefined && 'gesture' in move
}

type Doing<G, D> = G extends { readonly do: infer K } ? (D extends K ? G & { readonly do: D } : never) : never

/** Whether a person does just this: types, presses, strikes a key. */
export function isDone<D extends Gesture['do']>(
  move: Move | undefined,
  done: D,
): move is { readonly gesture: Doing<Gesture, D> } {
  return isGesture(move) && move.gesture.do === done
}

/** The controls at which some moves do something. */
export function operatedIn(moves: readonly Move[]): ControlRef[] {
  return moves.flatMap((move) => (isGesture(move) && isPlaced(move.gesture) ? [move.gesture.on] : []))
}

/** Whether some moves begin with a press. */
export function isPress([move]: readonly Move[]): boolean {
  return isDone(move, 'press')
}

/** Whether nothing is unfinished after a move. */
export function settlesEdits(move: Move | undefined): boolean {
  return !isGesture(move) || commits(move.gesture)
}

/** A move in words, for a ledger. */
export function moveText(move: Move): string {
  if ('tell' in move) return `owner tells ${givenText(move.tell)}`
  if ('gesture' in move) return gestureText(move.gesture)
  if ('command' in move) return `owner calls ${callText(move)}`
  if ('retell' in move) return `owner tells ${move.retell} once more`
  if ('attribute' in move)
    return move.text === null ? `remove the attribute ${move.attribute}` : `set ${move.attribute}="${move.text}"`
  if ('offType' in move) return `set ${move.offType} to ${printed(move.to)}, which is off its type`
  if ('undeclared' in move) return `set ${move.undeclared} to ${printed(move.to)}, which is in no contract`
  if ('slot' in move) return `put ${fillText(move)}`
  if ('form' in move) return FORM_TEXTS[move.form]
  if ('answer' in move)
    return `the owner's answer to the ${ORDINALS[move.to] ?? `${move.to + 1}th`} save ${move.answer === 'given' ? 'comes' : 'fails'}`
  if ('writesInto' in move) return `its owner writes into what ${move.writesInto} brought`
  if ('wait' in move) return `let ${move.wait / 1000} s pass`
  return move.place === 'away' ? 'take it out of the page' : 'move it elsewhere in the page'
}

export function callText(call: Call): string {
  return `${call.command}(${Object.hasOwn(call, 'takes') ? printed(call.takes, 40) : ''})`
}

const ORDINALS = ['first', 'second', 'third']

const FORM_TEXTS = {
  reset: 'reset the form',
  disable: 'disable the fieldset around it',
  restore: 'the browser restores the form as it was at the mount',
}

const SETTINGS: Readonly<Record<Setting, (mounted: string) => string>> = {
  answering: (mounted) => mounted,
  form: (mounted) => `${mounted} in a form`,
  early: (mounted) => `${mounted}, set before it is defined`,
  attributes: (mounted) => `${mounted} as attributes`,
  reversed: (mounted) => `${mounted}, in the other order`,
  twin: (mounted) => `${mounted}, twice`,
  vetoed: (mounted) => `${mounted}, and veto what it asks`,
  unheeded: (mounted) => `${mounted}, and heed nothing that it says`,
}

function fillText({ slot, content }: Fill): string {
  return `“${content}” into its slot${slot === '' ? '' : ` ${slot}`}`
}

export function mountText(
  { tag }: AnyContract,
  { given, setting, slotted, beside, again }: Omit<Trail, 'moves'>,
): string {
  const put = slotted === undefined ? '' : `, ${slotted.map(fillText).join(', ')}`
  const mounted = `mount ${tag}${Object.keys(given).length === 0 ? '' : ` with ${givenText(given)}`}${put}`
  if (beside !== undefined) return `${mounted}, beside one with ${givenText(beside)}`
  const placed = setting === undefined ? mounted : SETTINGS[setting](mounted)
  return again === undefined ? placed : `${placed}, and tell it ${again.join(' and ')} once more`
}

export function givenText(given: Given): string {
  return shortList(Object.entries(given).map(([name, value]) => `${name} ${printed(value, 40)}`))
}

/** The same, and nothing given for one name. */
export function without(given: Given, name: string): Given {
  return Object.fromEntries(Object.entries(given).filter(([key]) => key !== name))
}

const MOST_LISTED = 8

/** The first few of a list, and how many more there are. */
export function shortList(parts: readonly string[]): string {
  const more = parts.length - MOST_LISTED
  return [...parts.slice(0, MOST_LISTED), ...(more > 0 ? [`and ${more} more`] : [])].join(', ')
}

const hostNumbers = new WeakMap<object, number>()
let hostCount = 0

/** One text for one trail, so that what was played once is not played again; host objects count by identity. */
export function trailKey(trail: unknown): string {
  return JSON.stringify(trail, (_key, value: unknown) => {
    if (value === undefined) return '\u0000undefined'
    if (typeof value === 'number' && !Number.isFinite(value)) return `\u0000${value}`
    if (!isHost(value)) return value
    if (!hostNumbers.has(value)) hostNumbers.set(value, hostCount++)
    return `\u0000host ${hostNumbers.get(value)}`
  })
}

/** One step of a trail in words: the mount, or a move. */
export function stepText(contract: AnyContract, trail: Trail, row: number): string {
  const move = trail.moves[row - 1]
  return move === undefined ? mountText(contract, trail) : moveText(move)
}
