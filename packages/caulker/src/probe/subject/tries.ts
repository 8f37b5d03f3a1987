import { componentRef, type ControlRef } from '../person/controls.js'
import { changesAtOnce } from '../person/fields.js'
import type { Gesture } from '../person/gestures.js'
import { gesturesOf, type NamedGesture } from '../person/named-gesture.js'
import { gesturesAt, LINES, wholeGestures, type FoundControl } from '../person/operate.js'
import { gesture, type Move } from '../stage/trail.js'
import type { Given } from '../../mount/index.js'
import { isPlainField, type Subject } from './subject.js'
import { textsFor } from './typed-texts.js'

/** What has come up is operated like everything else: a text is typed, and taken or dropped by a button beside it. */
export function* revealed(
  subject: Subject,
  given: Given,
  opening: readonly Move[],
  fresh: readonly FoundControl[],
): Iterable<Try> {
  const fields = fresh.filter(({ ref }) => isPlainField(ref))
  const buttons = fresh.filter(({ ref }) => ref.kind === 'button')
  for (const found of fields.slice(0, 2)) {
    const { ref: field } = found
    const typed = gesture({ do: 'type', on: field, text: textIn(subject, given, found) })
    yield { moves: [...opening, typed, gesture({ do: 'leave' })], control: field, text: undefined }
    for (const { ref: button } of buttons.slice(0, 3))
      for (const text of found.isMultiline ? [typed, gesture({ do: 'type', on: field, text: LINES })] : [typed])
        yield { moves: [...opening, text, gesture({ do: 'press', on: button })], control: button, text: undefined }
  }
  if (fields.length === 0)
    for (const { ref: button } of buttons.slice(0, 3))
      yield { moves: [...opening, gesture({ do: 'press', on: button })], control: button, text: undefined }
  for (const { ref, options } of fresh.filter((one) => !fields.includes(one) && !buttons.includes(one)).slice(0, 4)) {
    if (!['combo box', 'list box', 'grid', 'select'].includes(ref.kind))
      yield { moves: [...opening, gesture({ do: 'press', on: ref })], control: ref, text: undefined }
    for (const option of [0, 1, 2].slice(0, options))
      yield { moves: [...opening, gesture({ do: 'choose', on: ref, option })], control: ref, text: undefined }
  }
}

/** A text that a field may take which was not there at the mount: a number where one stands. */
export function textIn(subject: Subject, given: Given, { ref, text: stands = '' }: FoundControl): string {
  const texts = textsFor(subject, given, ref)
  if (!isNumber(stands)) return texts[0] ?? 'oakum'
  return texts.find((one) => isNumber(one) && one !== stands) ?? otherNumber(stands)
}

function isNumber(text: string): boolean {
  return text !== '' && !Number.isNaN(Number(text))
}

/** A number that does not stand there. */
export function otherNumber(stands: string): string {
  return Number(stands) === 7 ? '8' : '7'
}

/** Something to be tried at a control. */
export interface Try {
  readonly moves: readonly Move[]
  readonly control: ControlRef
  /** Whether its field takes a value as a whole, so that each edit ends at once. */
  readonly isWhole?: boolean
  readonly text: string | undefined
}

/** Each look is at a mount of its own, since controls are named by what stands around them. */
export function* tries(
  subject: Subject,
  given: Given,
  controls: readonly FoundControl[] = [],
  named: readonly NamedGesture[] = [],
): Iterable<Try> {
  const whole = componentRef(subject.contract.tag)
  const isBlind = controls.every(({ ref }) => ref.kind === 'area') && named.length === 0 && subject.values.length > 0
  for (const gestures of isBlind ? wholeGestures(whole) : named.map((one) => gesturesOf(one, whole)))
    yield { moves: [...gestures, { do: 'leave' as const }].map(gesture), control: whole, text: undefined }
  for (const control of controls) yield* triedAt(subject, given, control, controls)
  yield* typedThenPressed(subject, given, controls)
}

export function triedAt(
  subject: Subject,
  given: Given,
  control: FoundControl,
  among: readonly FoundControl[] = [],
): Try[] {
  const isOneOfSeveral = among.filter(({ ref }) => ref.kind === 'text field').length > 1
  const supply = {
    texts: (on: ControlRef) => textsFor(subject, given, on, isOneOfSeveral),
    files: subject.files,
  }
  return [...gesturesAt(control, supply)].map(({ gestures, text }) => ({
    moves: gestures.map(gesture),
    control: control.ref,
    text,
    isWhole: changesAtOnce(control.format),
  }))
}

/** Where a text is taken by a button beside its field. */
function* typedThenPressed(subject: Subject, given: Given, controls: readonly FoundControl[]): Iterable<Try> {
  const fields = controls.filter(({ ref }) => isPlainField(ref))
  const buttons = controls.filter(({ ref }) => ref.kind === 'button')
  for (const found of fields.slice(0, 3))
    for (const { ref: button } of buttons.slice(0, 4)) {
      const typed: Gesture = { do: 'type', on: found.ref, text: textIn(subject, given, found) }
      yield { moves: [gesture(typed), gesture({ do: 'press', on: button })], control: button, text: undefined }
    }
}
