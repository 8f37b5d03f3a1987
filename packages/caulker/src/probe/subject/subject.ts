import {
  equal,
  isValue,
  type AnyContract,
  type PropertyClause,
  type ValueClause,
  type Limits,
} from '../../contract/index.js'
import type { ControlRef } from '../person/controls.js'
import type { Frames } from '../stage/frames.js'
import type { Played, Row } from '../stage/played.js'
import { isPlaced } from '../person/gestures.js'
import { isGesture, isPress, type Call, type Move, type Trail } from '../stage/trail.js'
import type { Given } from '../../mount/index.js'

/** A component under examination: what it can be given, what a person can do to it, and how it plays a trail. */
export interface Subject {
  readonly contract: AnyContract
  readonly names: readonly PropertyClause[]
  readonly values: readonly ValueClause[]
  /** The names that follow their owner after the mount; a value that has the last word itself may not. */
  readonly tellable: readonly PropertyClause[]
  /** The least that it can be mounted with: a value for each required name. */
  readonly least: Given
  /** The same, with every two-way value at its default: an owner that holds what it shows. */
  readonly base: Given
  /** The same, with every two-way value somewhere in the middle. */
  readonly middle: Given
  /** What was found that a person can do, with what it changes. */
  readonly ways: readonly Way[]
  /** One for each control: enough where it does not matter how a person does it. */
  readonly chiefWays: readonly Way[]
  /** Every command, each that takes something with an ordinary value. */
  readonly calls: readonly Call[]
  /** Ordinary values of a name, inside its bounds and none of them empty. */
  plain(name: string): readonly unknown[]
  /** Every sample of a name's type that it can be told: ordinary ones, then edges. */
  samples(name: string): readonly unknown[]
  /** Every sample of a name's type, also those that its rules and bounds do not let stand. */
  drawn(name: string): readonly unknown[]
  /** The bounds and step of a value, when the component is given this. */
  limits(value: ValueClause, given: Given): Limits
  /** What the contract says that a name stands at, when the component is given this. */
  ideally(name: string, given: Given): unknown
  /** Plays a trail; one that was played already is not played again. */
  play(trail: Trail): Promise<Played>
  /** Says which trails are going to be played, so that none is played only for what another begins with. */
  foresee(trails: Iterable<Trail>): void
  /** Where it loses something at the mount that is told again: the same component without that. */
  readonly asMounted?: Subject
  /** Names of which a mount shows nothing, even where they are told again: it says nothing of how they should look. */
  readonly unseen: ReadonlySet<string>
  /** The first row that its fresh mounts are a measure for, where they are turned over like what a trail has turned over. */
  readonly judgedFrom?: number
  /** The component freshly mounted with this. */
  fresh(given: Given): Promise<Row>
  /** The class of the element, where it is a custom element that is mounted as such. */
  readonly define: CustomElementConstructor | undefined
  /** Who carries its value into a form; nothing where nobody does, or no value of it is a form value. */
  readonly carrier: Carrier | undefined
  /** Every control that is found on an ordinary mount. */
  readonly controls: readonly ControlRef[]
  readonly document: Document
  /** Looks at the component once it stands there settled, freshly mounted. */
  look<T>(given: Given, at: (container: HTMLElement) => T): Promise<T | undefined>
  /** The same, after some moves. */
  lookAfter<T>(given: Given, moves: readonly Move[], at: (container: HTMLElement) => T): Promise<T | undefined>
  /** Looks at the component at the end of a trail. */
  lookAt<T>(trail: Trail, at: (container: HTMLElement) => T): Promise<T | undefined>
  /** Plays a trail even if it was played before. */
  playAnew(trail: Trail): Promise<Played>
  /** What a person would see there now, and time passing for it: for examinations of their own. */
  readonly frames: Frames
  /** Files for a person to choose: never the objects that an owner gives. */
  readonly files: readonly File[]
}

/** Who brings the value into a form: the element itself, or something inside it: a native control, a hidden field, a listener. */
export type Carrier = 'element' | 'inside'

/** One thing that a person can do: its moves from a given mount on, and what it changes. */
export interface Way {
  readonly given: Given
  readonly moves: readonly Move[]
  /** The two-way values that it was seen to change or report. */
  readonly changes: ReadonlySet<string>
  readonly control: ControlRef
  /** Whether its field takes a value as a whole, such as a date: each edit ends at once. */
  readonly isWhole: boolean
  /** What was typed, where something was. */
  readonly text: string | undefined
  /** The values that took what was typed as one of their parts. */
  readonly partly: ReadonlySet<string>
  /** What was typed, for the values that took it just as it was typed: a number or a text. */
  readonly plainly: ReadonlyMap<string, number | string>
}

/** Nothing, and what may be mistaken for it, have clauses of their own. */
export function isNothing(clause: PropertyClause, value: unknown): boolean {
  return (
    value === null ||
    value === undefined ||
    value === 0 ||
    value === '' ||
    value === false ||
    (isValue(clause) && equal(value, clause.empty))
  )
}

/** The first of some ways at each control. */
export function oneAtEach(ways: readonly Way[]): Way[] {
  return ways.filter((way, at) => ways.findIndex(({ control }) => equal(control, way.control)) === at)
}

/** What has to be pressed first, where a control is only there then; each once. */
export function openingsOf({ ways }: Subject): (readonly Move[])[] {
  const openings = ways.flatMap(({ moves, control }) => {
    const at = moves.findIndex((move) => isGesture(move) && isPlaced(move.gesture) && equal(move.gesture.on, control))
    const before = moves.slice(0, Math.max(at, 0))
    return isPress(before) && before.length === 1 ? [before] : []
  })
  return openings.filter((one, at) => openings.findIndex((other) => equal(one, other)) === at).slice(0, MOST_OPENINGS)
}

const MOST_OPENINGS = 2

/** Whether a text is written there, and not set with a slider. */
export function isField(control: ControlRef): boolean {
  return isPlainField(control) || control.kind === 'combo box'
}

/** Whether it is a field without a list. */
export function isPlainField({ kind }: ControlRef): boolean {
  return kind === 'text field' || kind === 'number field'
}
