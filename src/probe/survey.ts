import { equal } from '../contract/index.js'
import type { Given } from '../ideal/index.js'
import { componentRef, controlRefs, isOperable, optionsOf, type ControlRef } from './controls.js'
import type { Gesture, Key } from './gestures.js'
import { gesturesOf, type NamedGesture } from './named-gesture.js'
import { hasSelection, isTextual } from './person/fields.js'
import { samePicture } from './picture.js'
import type { Played, Stage } from './stage.js'
import { gesture, storyKey, type Move } from './story.js'
import type { Subject } from './subject.js'

/** One thing that a person can do: its moves from a given mount on, and what it changes. */
export interface Way {
  readonly given: Given
  readonly moves: readonly Move[]
  /** The two-way values that it was seen to change or report. */
  readonly changes: ReadonlySet<string>
  readonly control: ControlRef
  /** What was typed, where something was. */
  readonly text: string | undefined
  /** What was typed, for the values that took it just as it was typed: a number or a text. */
  readonly plainly: ReadonlyMap<string, number | string>
}

/** Finds out what a person can do: each control is operated once, on fresh mounts with the least and with ordinary values. */
export async function survey(subject: Subject, stage: Stage, named: readonly NamedGesture[]): Promise<Way[]> {
  const ways: Way[] = []
  const seen = new Set<string>()
  for (const given of [subject.middle, subject.base]) {
    for (const { moves, control, text } of tries(subject, await controlsWith(stage, given), named)) {
      const key = storyKey(moves)
      if (seen.has(key)) continue
      const played = await subject.play({ given, moves })
      const changes = changedBy(subject, played)
      if (changes.size === 0 && !leavesTrace(played)) continue
      seen.add(key)
      ways.push({ given, moves, changes, control, text, plainly: takenPlainly(subject, played, text) })
    }
  }
  return ways
}

interface Try {
  readonly moves: readonly Move[]
  readonly control: ControlRef
  readonly text: string | undefined
}

function* tries(subject: Subject, controls: readonly FoundControl[], named: readonly NamedGesture[]): Iterable<Try> {
  const whole = componentRef(subject.contract.tag)
  for (const one of named)
    yield { moves: [...gesturesOf(one, whole), { do: 'leave' as const }].map(gesture), control: whole, text: undefined }
  for (const control of controls) {
    for (const { gestures, text } of gesturesOn(subject, control))
      yield { moves: gestures.map(gesture), control: control.ref, text }
  }
  yield* typedThenPressed(subject, controls)
}

/** Where a text is taken by a button beside its field. */
function* typedThenPressed(subject: Subject, controls: readonly FoundControl[]): Iterable<Try> {
  const fields = controls.filter(({ ref }) => ref.kind === 'text field' || ref.kind === 'number field')
  const buttons = controls.filter(({ ref }) => ref.kind === 'button')
  for (const { ref: field } of fields.slice(0, 3))
    for (const { ref: button } of buttons.slice(0, 4)) {
      const [text = '7'] = textsFor(subject, field)
      const typed: Gesture = { do: 'type', on: field, text }
      yield { moves: [gesture(typed), gesture({ do: 'press', on: button })], control: button, text: undefined }
    }
}

interface Tried {
  readonly gestures: readonly Gesture[]
  readonly text: string | undefined
}

/** What a person can do at a control of each kind: the usual first. */
function* gesturesOn(subject: Subject, control: FoundControl): Iterable<Tried> {
  const { ref, options } = control
  switch (ref.kind) {
    case 'text field':
    case 'number field':
      yield* textGestures(subject, control)
      if (ref.kind === 'number field') yield* keyGestures(ref, ['ArrowUp', 'ArrowDown'])
      return
    case 'combo box':
      if (control.isTextual) yield* textGestures(subject, control)
      for (const option of firstOptions(options))
        yield only({ do: 'press', on: ref }, { do: 'choose', on: ref, option }, { do: 'leave' })
      yield only(key(ref, 'ArrowDown'), key(ref, 'ArrowDown'), key(ref, 'Enter'), { do: 'leave' })
      return
    case 'slider':
      if (control.isNative)
        for (const text of textsFor(subject, ref))
          yield { gestures: [{ do: 'type', on: ref, text }, { do: 'leave' }], text }
      else if (control.isLaidOut)
        for (const to of [0.75, 0.25]) yield only({ do: 'drag', on: ref, from: [0.5, 0.5], to: [to, 0.5] })
      yield* keyGestures(ref, ['ArrowUp', 'ArrowDown', 'Home', 'End', 'PageUp', 'PageDown'])
      return
    case 'spin button':
      yield* keyGestures(ref, ['ArrowUp', 'ArrowDown', 'Home', 'End', 'PageUp', 'PageDown'])
      return
    case 'list box':
      for (const option of firstOptions(options)) yield only({ do: 'choose', on: ref, option })
      yield* keyGestures(ref, ['ArrowDown', 'End'])
      yield only(key(ref, 'ArrowDown'), key(ref, 'Enter'), { do: 'leave' })
      return
    case 'select':
      for (const option of firstOptions(options)) yield only({ do: 'choose', on: ref, option })
      yield* keyGestures(ref, ['ArrowDown'])
      return
    case 'radio button':
      yield only({ do: 'press', on: ref })
      yield* keyGestures(ref, ['ArrowDown'])
      return
    case 'checkbox':
    case 'switch':
      yield only({ do: 'press', on: ref })
      yield* keyGestures(ref, [' '])
      return
    case 'button':
      yield only({ do: 'press', on: ref })
      if (!control.isNative) yield* keyGestures(ref, ['Enter', ' '])
      return
    case 'file field':
      for (const file of subject.files) yield only({ do: 'pick', on: ref, file })
      return
    case 'component':
  }
}

/** A text by each way in: struck, entered, taken back, pasted, composed, and filled in by the browser. */
function* textGestures(subject: Subject, { ref, isMultiline, hasSelection: isFree }: FoundControl): Iterable<Tried> {
  const texts = textsFor(subject, ref)
  for (const text of texts) {
    const typed: Gesture = { do: 'type', on: ref, text }
    yield { gestures: [typed, { do: 'leave' }], text }
    if (!isMultiline) yield { gestures: [typed, { do: 'enter', on: ref }], text }
  }
  yield { gestures: [{ do: 'type', on: ref, text: '' }, { do: 'leave' }], text: '' }
  const [text = '7'] = texts
  const others = isFree ? (['paste', 'compose', 'fill'] as const) : (['fill'] as const)
  for (const way of others) yield { gestures: [{ do: way, on: ref, text }, { do: 'leave' }], text }
  yield only({ do: 'type', on: ref, text }, key(ref, 'Escape'), { do: 'leave' })
  if (isFree && text.length > 1)
    yield only({ do: 'type', on: ref, text }, { do: 'insert', on: ref, text: 'x', from: 1, to: 2 }, { do: 'leave' })
}

function* keyGestures(on: ControlRef, keys: readonly Key[]): Iterable<Tried> {
  for (const one of keys) yield only(key(on, one), { do: 'leave' })
}

function key(on: ControlRef, name: Key): Gesture {
  return { do: 'key', on, key: name }
}

function only(...gestures: Gesture[]): Tried {
  return { gestures, text: undefined }
}

function firstOptions(count: number): number[] {
  return [0, 1, 2].slice(0, count)
}

/** Texts that mean ordinary values; how a component reads them is its own affair. */
function textsFor(subject: Subject, { kind }: ControlRef): string[] {
  const texts = subject.values.flatMap((value) =>
    subject
      .plain(value.name)
      .filter(
        (one) =>
          !equal(one, subject.middle[value.name]) &&
          (typeof one === 'number' || (typeof one === 'string' && kind === 'text field')),
      )
      .slice(0, 2)
      .map(String),
  )
  return [...new Set(texts.length === 0 ? ['7'] : texts)].slice(0, 4)
}

function changedBy(subject: Subject, { rows }: Played): Set<string> {
  const first = rows[0]
  const last = rows[rows.length - 1] ?? first
  return new Set(
    subject.values
      .map((value) => value.name)
      .filter(
        (name) =>
          !equal(first.read[name], last.read[name]) ||
          rows.slice(1).some((row) => row.heard.some((one) => one.value === name)),
      ),
  )
}

function takenPlainly(subject: Subject, { rows }: Played, text: string | undefined): Map<string, number | string> {
  const last = rows[rows.length - 1]
  const taken = new Map<string, number | string>()
  for (const { name } of subject.values) {
    const came = last?.read[name] ?? last?.held[name]
    if (
      text !== undefined &&
      text !== '' &&
      (typeof came === 'number' || typeof came === 'string') &&
      String(came) === text
    )
      taken.set(name, came)
  }
  return taken
}

/** A way that throws or changes the picture is worth trying, even where nothing is known to change. */
function leavesTrace({ rows }: Played): boolean {
  const last = rows[rows.length - 1] ?? rows[0]
  return last.fault !== undefined || !samePicture(rows[0].picture, last.picture)
}

interface FoundControl {
  readonly ref: ControlRef
  readonly options: number
  /** Whether Enter begins a new line instead of ending the edit. */
  readonly isMultiline: boolean
  /** Whether the browser itself does something with it; any other control is what its role says by its own code. */
  readonly isNative: boolean
  readonly isTextual: boolean
  readonly hasSelection: boolean
  readonly isLaidOut: boolean
}

/** A list that is filled only when it is opened still has some options. */
const LIKELY_OPTIONS = 3

/** Looks at a mount of its own, since controls are named by what stands around them. */
async function controlsWith(stage: Stage, given: Given): Promise<FoundControl[]> {
  const found = await stage.look(given, [], (container) =>
    controlRefs(container)
      .filter(({ element }) => isOperable(element))
      .map(({ ref, element }) => ({
        ref,
        options: optionsOf(element).length || (ref.kind === 'combo box' ? LIKELY_OPTIONS : 0),
        isMultiline: element.localName !== 'input',
        isNative: ['input', 'textarea', 'select', 'button'].includes(element.localName),
        isTextual: isTextual(element),
        hasSelection: hasSelection(element as HTMLInputElement),
        isLaidOut: element.getBoundingClientRect().width > 0,
      })),
  )
  return found ?? []
}
