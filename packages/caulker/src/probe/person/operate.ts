import { said } from './said.js'
import { isDrawnOn } from './areas.js'
import { parentOf } from './drawn-in.js'
import { areaRefs, controlRefs, isOperable, isReachable, optionsOf, takesKeys, type ControlRef } from './controls.js'
import { isKeyed, type Gesture, type Key, type Point } from './gestures.js'
import { hasSelection, isEditable, isTextual } from './fields.js'

/** What a person may type and choose. */
export interface Supply {
  texts(on: ControlRef): readonly string[]
  readonly files: readonly File[]
}

export interface Tried {
  readonly gestures: readonly Gesture[]
  readonly text: string | undefined
}

/** What a person can do at a control of each kind: the usual first. */
export function* gesturesAt(control: FoundControl, supply: Supply): Iterable<Tried> {
  const { ref, options } = control
  switch (ref.kind) {
    case 'text field':
    case 'number field':
      yield* textGestures(control, supply)
      // A number may be written in a field for texts, and be changed by keys all the same.
      if (!control.isMultiline) yield* keyGestures(ref, ['ArrowUp', 'ArrowDown'])
      return
    case 'combo box':
      if (control.isTextual) yield* textGestures(control, supply)
      for (const option of firstOptions(options))
        yield only({ do: 'press', on: ref }, { do: 'choose', on: ref, option }, { do: 'leave' })
      yield only(key(ref, 'ArrowDown'), key(ref, 'ArrowDown'), key(ref, 'Enter'), { do: 'leave' })
      for (const option of firstOptions(options).slice(0, 2))
        yield only(key(ref, 'ArrowDown'), { do: 'choose', on: ref, option }, { do: 'leave' })
      return
    case 'slider':
      if (control.isNative)
        for (const text of supply.texts(ref)) yield { gestures: [{ do: 'type', on: ref, text }, { do: 'leave' }], text }
      else if (control.isLaidOut)
        for (const to of control.onTrack) yield only({ do: 'drag', on: ref, from: [0.5, 0.5], to })
      yield* keyGestures(ref, ['ArrowUp', 'ArrowDown', 'Home', 'End', 'PageUp', 'PageDown'])
      return
    case 'spin button':
      yield* keyGestures(ref, ['ArrowUp', 'ArrowDown', 'Home', 'End', 'PageUp', 'PageDown'])
      if (control.isTextual) return
      // Without a field, figures are keys.
      yield only(key(ref, '1'), key(ref, '2'), { do: 'leave' })
      yield* keyGestures(ref, ['Backspace', 'Delete'])
      return
    case 'grid':
      for (const option of firstOptions(options)) yield only({ do: 'choose', on: ref, option })
      yield* keyGestures(ref, ['ArrowDown', 'ArrowRight', 'End'])
      for (const take of ['Enter', ' '] as const) yield only(key(ref, 'ArrowRight'), key(ref, take), { do: 'leave' })
      return
    case 'list box':
      for (const option of firstOptions(options)) yield only({ do: 'choose', on: ref, option })
      yield* keyGestures(ref, ['ArrowDown', 'End'])
      yield only(key(ref, 'ArrowDown'), key(ref, 'Enter'), { do: 'leave' })
      return
    case 'select':
      for (const option of someOptions(options)) yield only({ do: 'choose', on: ref, option })
      yield* keyGestures(ref, ['ArrowDown'])
      return
    case 'radio button':
      yield only({ do: 'press', on: ref })
      // What is chosen may be let go of by a key, where the browser itself knows no such thing.
      yield* keyGestures(ref, control.isNative ? ['ArrowDown'] : ['ArrowDown', 'Delete'])
      return
    case 'checkbox':
    case 'switch':
      yield only({ do: 'press', on: ref })
      yield* keyGestures(ref, control.isNative ? [' '] : [' ', 'Enter'])
      return
    case 'button':
      yield only({ do: 'press', on: ref })
      if (!control.isNative) yield* keyGestures(ref, ['Enter', ' '])
      // The component around it may hear keys that the button itself does not.
      else if (control.isFirst) yield* keyGestures(ref, ['ArrowUp', 'ArrowDown', 'ArrowRight'])
      return
    case 'area':
      yield only({ do: 'press', on: ref })
      if (control.isDrawnOn && control.isLaidOut)
        for (const to of [0.75, 0.25]) yield only({ do: 'drag', on: ref, from: [0.5, 0.5], to: [to, 0.5] })
      return
    case 'file field':
      for (const file of supply.files) yield only({ do: 'pick', on: ref, file })
      return
    case 'component':
  }
}

/** HTML Standard, section 4.10.5.1: fields that take a text of one form only, with texts of it. */
const FORMATS: Readonly<Record<string, { readonly form: RegExp; readonly texts: readonly string[] }>> = {
  date: { form: /^\d{4,}-\d\d-\d\d$/, texts: ['2031-05-14', '2031-05-20'] },
  month: { form: /^\d{4,}-\d\d$/, texts: ['2031-05', '2031-09'] },
  week: { form: /^\d{4,}-W\d\d$/, texts: ['2031-W20', '2031-W38'] },
  time: { form: /^\d\d:\d\d(:\d\d(\.\d+)?)?$/, texts: ['06:40', '00:00', '18:05'] },
  'datetime-local': { form: /^\d{4,}-\d\d-\d\dT\d\d:\d\d/, texts: ['2031-05-14T06:40', '2031-05-20T18:05'] },
  color: { form: /^#[\da-f]{6}$/i, texts: ['#2e8b57', '#8b4513'] },
}

/** Of the texts those that such a field takes at all; where it takes none of them, some of its own. */
function inFormat(format: string, texts: readonly string[]): readonly string[] {
  const known = FORMATS[format]
  const fit = texts.filter((text) => known?.form.test(text))
  return known === undefined ? texts : fit.length > 0 ? fit : known.texts
}

/** What only a field of several lines takes. */
export const LINES = 'oakum\npitch'

/** A text by each way in: struck, entered, taken back, pasted, composed, and filled in by the browser. */
function* textGestures(control: FoundControl, supply: Supply): Iterable<Tried> {
  const { ref, isMultiline, isFree, isField, format, offered } = control
  // What it offers is typed, too, and not only picked.
  const plain = [...offered.slice(0, 2), ...supply.texts(ref)]
  const texts = format === undefined ? plain : inFormat(format, plain)
  for (const text of texts) {
    const typed: Gesture = { do: 'type', on: ref, text }
    yield { gestures: [typed, { do: 'leave' }], text }
    if (!isMultiline) yield { gestures: [typed, { do: 'enter', on: ref }], text }
  }
  if (isMultiline) yield { gestures: [{ do: 'type', on: ref, text: LINES }, { do: 'leave' }], text: LINES }
  yield { gestures: [{ do: 'type', on: ref, text: '' }, { do: 'leave' }], text: '' }
  const [text = '7'] = texts
  const others = [...(isFree ? (['paste', 'compose'] as const) : []), ...(isField ? (['fill'] as const) : [])]
  for (const way of others) yield { gestures: [{ do: way, on: ref, text }, { do: 'leave' }], text }
  yield only({ do: 'type', on: ref, text }, key(ref, 'Escape'), { do: 'leave' })
  if (isFree && text.length > 1)
    yield only({ do: 'type', on: ref, text }, { do: 'insert', on: ref, text: 'x', from: 1, to: 2 }, { do: 'leave' })
}

/** Whether a gesture can be made there: a field that is read only still hears keys, and an open list stands beside the field that it belongs to. */
export function isInReach(element: HTMLElement, gesture: Gesture): boolean {
  return (
    isReachable(element) ||
    (isKeyed(gesture) && takesKeys(element)) ||
    (gesture.do === 'choose' && element.localName !== 'select' && optionsOf(element).length > 0)
  )
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

/** The last of a list is often another than those that it names. */
function someOptions(count: number): number[] {
  return count > 3 ? [...firstOptions(count), count - 1] : firstOptions(count)
}

export interface FoundControl {
  readonly ref: ControlRef
  readonly options: number
  /** Whether Enter begins a new line instead of ending the edit. */
  readonly isMultiline: boolean
  /** Whether the browser itself does something with it; any other control is what its role says by its own code. */
  readonly isNative: boolean
  readonly isTextual: boolean
  /** What the list that belongs to it offers, as a person reads it. */
  readonly offered: readonly string[]
  /** The type of a native field, which may take texts of one form only. */
  readonly format: string | undefined
  /** What is written there now, where something can be. */
  readonly text: string | undefined
  /** Whether its text is written letter by letter, and not as a whole. */
  readonly isFree: boolean
  /** Whether it is a field that the browser may fill by itself. */
  readonly isField: boolean
  readonly isLaidOut: boolean
  /** Whether it hears the pointer go down, and not only a click. */
  readonly isDrawnOn: boolean
  /** Two places on what it is drawn along, in parts of its own box: a thumb is far smaller than its track. */
  readonly onTrack: readonly Point[]
  /** Whether it is the first of its kind in its group. */
  readonly isFirst: boolean
}

/** A list that is filled only when it is opened still has some options. */
const LIKELY_OPTIONS = 3

/** Every control that a person can operate now, with what its kind does not say. */
export function foundControls(container: ParentNode): FoundControl[] {
  return [...controlRefs(container), ...areaRefs(container)]
    .filter(({ element }) => isOperable(element))
    .map(({ ref, element }) => ({ ref, element, group: groupOf(element) }))
    .map(({ ref, element, group }, at, all) => ({
      ref,
      isFirst: all.findIndex((one) => one.ref.kind === ref.kind && one.group === group) === at,
      offered: offeredBy(element),
      options: optionsOf(element).length || (ref.kind === 'combo box' ? LIKELY_OPTIONS : 0),
      isMultiline: isOfLines(element),
      isNative: ['input', 'textarea', 'select', 'button'].includes(element.localName),
      isTextual: isTextual(element),
      format: element.localName === 'input' ? (element as HTMLInputElement).type : undefined,
      text: isTextual(element) ? (element as HTMLInputElement).value : undefined,
      isFree: hasSelection(element as HTMLInputElement) || isEditable(element),
      isField: element.localName === 'input' || element.localName === 'textarea',
      isLaidOut: element.getBoundingClientRect().width > 0,
      isDrawnOn: isDrawnOn(element),
      onTrack: [0.75, 0.25].map((part) => placeOnTrack(element, part)),
    }))
}

/** WAI-ARIA 1.2, section 6.6.17: a text that is edited in place and says that it is a text box is one of a single line, unless it says more. */
function isOfLines(element: HTMLElement): boolean {
  const says = said(element, 'aria-multiline') ?? (said(element, 'role') === 'textbox' ? 'false' : 'true')
  return element.localName === 'textarea' || (element.localName !== 'input' && says === 'true')
}

/** How long a thumb is at the most, in pixels, and how many times as long its track is at the least. */
const THUMB = 48
const LONGER = 3

/** WAI-ARIA 1.2, section 6.6.18: a slider lies across, unless it says that it stands. */
function placeOnTrack(element: HTMLElement, part: number): Point {
  const isStanding = said(element, 'aria-orientation') === 'vertical'
  const [start, length] = isStanding ? (['top', 'height'] as const) : (['left', 'width'] as const)
  const own = element.getBoundingClientRect()
  let around: Element | null = own[length] > THUMB ? null : element
  while (around !== null && around.getBoundingClientRect()[length] < LONGER * own[length])
    around = around.localName.includes('-') ? null : parentOf(around)
  const track = around?.getBoundingClientRect() ?? own
  const place = (track[start] + track[length] * part - own[start]) / own[length]
  return isStanding ? [0.5, place] : [place, 0.5]
}

/** WAI-ARIA 1.2, section 5.3: what holds several controls that are gone through by keys. */
function groupOf(element: Element): Element | null {
  return element.closest(
    '[role=grid], [role=toolbar], [role=tablist], [role=radiogroup], [role=menu], [role=tree], [role=group]',
  )
}

/** HTML Standard, section 4.10.5.3.9: the suggestions of a field are the options of the list that it names. */
function offeredBy(element: HTMLElement): string[] {
  const id = element.getAttribute('list')
  const list = id === null ? undefined : (element.getRootNode() as Partial<Document>).getElementById?.(id)
  const options = list === undefined || list === null ? optionsOf(element) : [...list.querySelectorAll('option')]
  return options.flatMap((option) => {
    const text = option.textContent?.trim() || option.getAttribute('value') || ''
    return text === '' ? [] : [text]
  })
}

/** What can be tried at a component in which no control is found: it may be drawn, and listen by itself. */
export function wholeGestures(on: ControlRef): Gesture[][] {
  const drag = (from: Point, to: Point): Gesture => ({ do: 'drag', on, from, to })
  return [
    [drag([0.5, 0.5], [0.5, 0.5])],
    [drag([0.25, 0.5], [0.75, 0.4])],
    [drag([0.75, 0.5], [0.25, 0.6])],
    [key(on, 'ArrowUp')],
    [key(on, 'ArrowRight')],
    [key(on, 'Enter')],
    [key(on, ' ')],
  ]
}
