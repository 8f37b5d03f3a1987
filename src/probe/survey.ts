import { equal } from '../contract/index.js'
import type { Given } from '../ideal/index.js'
import { controlRefs, isOperable, type ControlRef } from './controls.js'
import type { Gesture } from './gestures.js'
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
export async function survey(subject: Subject, stage: Stage): Promise<Way[]> {
  const ways: Way[] = []
  const seen = new Set<string>()
  for (const given of [subject.middle, subject.base]) {
    for (const { moves, control, text } of tries(subject, await controlsWith(stage, given))) {
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

function* tries(subject: Subject, controls: readonly FoundControl[]): Iterable<Try> {
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

function* gesturesOn(
  subject: Subject,
  { ref, options, isMultiline }: FoundControl,
): Iterable<{ gestures: Gesture[]; text: string | undefined }> {
  switch (ref.kind) {
    case 'text field':
    case 'number field':
    case 'slider':
      for (const text of textsFor(subject, ref)) {
        yield { gestures: [{ do: 'type', on: ref, text }, { do: 'leave' }], text }
        if (ref.kind !== 'slider' && !isMultiline)
          yield {
            gestures: [
              { do: 'type', on: ref, text },
              { do: 'enter', on: ref },
            ],
            text,
          }
      }
      if (ref.kind !== 'slider') yield { gestures: [{ do: 'type', on: ref, text: '' }, { do: 'leave' }], text: '' }
      if (ref.kind !== 'text field')
        for (const key of ['ArrowUp', 'ArrowDown'] as const)
          yield { gestures: [{ do: 'key', on: ref, key }, { do: 'leave' }], text: undefined }
      return
    case 'select':
      for (let option = 0; option < Math.min(3, options); option++)
        yield { gestures: [{ do: 'choose', on: ref, option }], text: undefined }
      return
    case 'file field':
      for (const file of subject.files) yield { gestures: [{ do: 'pick', on: ref, file }], text: undefined }
      return
    default:
      yield { gestures: [{ do: 'press', on: ref }], text: undefined }
  }
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
}

/** Looks at a mount of its own, since controls are named by what stands around them. */
async function controlsWith(stage: Stage, given: Given): Promise<FoundControl[]> {
  const found = await stage.look(given, [], (container) =>
    controlRefs(container)
      .filter(({ element }) => isOperable(element))
      .map(({ ref, element }) => ({
        ref,
        options: (element as HTMLSelectElement).options?.length ?? 0,
        isMultiline: element.localName !== 'input',
      })),
  )
  return found ?? []
}
