import { accepts, equal, isHost, samplesOf, valueAt, type TSchema } from '../../contract/index.js'
import { componentRef, type ControlKind, type ControlRef } from '../person/controls.js'
import { changesAtOnce } from '../person/fields.js'
import type { Gesture } from '../person/gestures.js'
import { gesturesOf, type NamedGesture } from '../person/named-gesture.js'
import { foundControls, gesturesAt, wholeGestures, type FoundControl } from '../person/operate.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import type { Stage } from '../stage/stage.js'
import { gesture, isPress, trailKey, type Move } from '../stage/trail.js'
import type { Given } from '../../mount/index.js'
import { choiceOf, namesAmong } from './among.js'
import { isPlainField, type Subject, type Way } from './subject.js'

/**
 * Finds out what a person can do: each control is operated once, on fresh mounts with the least and with ordinary values, and with the
 * lists filled that may be left out; and each that a press has brought up, after that press.
 */
export async function survey(subject: Subject, stage: Stage, named: readonly NamedGesture[]): Promise<Way[]> {
  const ways: Way[] = []
  const seen = new Set<string>()
  const add = async (given: Given, { moves, control, text, isWhole = false }: Try, key = trailKey(moves)) => {
    if (seen.has(key)) return
    const played = await subject.play({ given, moves })
    const changes = changedBy(subject, played)
    if (changes.size === 0 && !leavesTrace(subject, played)) return
    seen.add(key)
    const [plainly, partly] = [takenPlainly(subject, played, text), takenPartly(subject, played, text)]
    ways.push({ given, moves, changes, control, text, plainly, partly, isWhole })
  }
  const usual = (await stage.look(subject.middle, [], foundControls)) ?? []
  const full = fullest(subject)
  for (const given of [subject.middle, subject.base, ...furnished(subject), ...(full === undefined ? [] : [full])]) {
    const controls = given === subject.middle ? usual : await stage.look(given, [], foundControls)
    // What is done where all members are there does something else than where some are left out.
    const keyOf = ({ moves }: Try) => (given === full ? trailKey([given, moves]) : trailKey(moves))
    for (const one of tries(subject, controls, named)) await add(given, one, keyOf(one))
    const openers = ways.filter((way) => way.given === given && way.changes.size === 0 && isPress(way.moves))
    const seenToOpen = openers.slice(0, MOST_OPENERS).map(({ moves }) => moves)
    for (const moves of [...seenToOpen, ...(await bringingMore(subject, ways, given)), ...besideLists(controls)]) {
      const known = new Set((controls ?? []).map(({ ref }) => JSON.stringify(ref)))
      const after = (await stage.look(given, moves, foundControls)) ?? []
      const fresh = after.filter(({ ref }) => !known.has(JSON.stringify(ref)) || ref.kind === 'combo box')
      for (const one of revealed(subject, moves, fresh)) await add(given, one)
    }
  }
  for await (const { given, controls } of elsewhere(subject, stage, usual))
    for (const one of controls.flatMap((control) => triedAt(subject, control).slice(0, MOST_TRIED)))
      await add(given, one, trailKey([given, one.moves]))
  for (const { given, one } of partlyFilled(subject, usual)) await add(given, one, trailKey([given, one.moves]))
  return ways
}

/** What changes a value and brings up controls that were not there: each is one way of its own to operate those. */
async function bringingMore(subject: Subject, ways: readonly Way[], given: Given): Promise<(readonly Move[])[]> {
  const found: (readonly Move[])[] = []
  for (const { moves, changes } of ways.filter((way) => way.given === given)) {
    const { rows } = await subject.play({ given, moves })
    const [before, after] = [rows[0], rows.at(-1)].map((row) => row?.picture.announced ?? []) as [string[], string[]]
    if (changes.size > 0 && kindsOf(after).some((kind) => !kindsOf(before).includes(kind)))
      found.push(moves.filter((move) => !equal(move, gesture({ do: 'leave' }))))
    if (found.length === MOST_OPENERS) break
  }
  return found
}

/** `announced: textbox “Berth”`: by the role, since the entries of a list differ in their names alone. */
function kindsOf(announced: readonly string[]): string[] {
  return announced.map((line) => line.split(' ')[1] ?? '')
}

/** Other values of a name may bring up controls that are not there usually: those of a kind of which there were none, or fewer. */
async function* elsewhere(
  subject: Subject,
  stage: Stage,
  usual: readonly FoundControl[],
): AsyncIterable<{ readonly given: Given; readonly controls: readonly FoundControl[] }> {
  const countOf = (controls: readonly FoundControl[], kind: string) =>
    controls.filter(({ ref }) => ref.kind === kind).length
  const most = new Map(usual.map(({ ref }) => [ref.kind, countOf(usual, ref.kind)]))
  let looks = 0
  for (const { name } of subject.tellable)
    for (const value of subject.plain(name)) {
      if (equal(value, subject.middle[name]) || looks++ >= MOST_LOOKS) continue
      const given = { ...subject.middle, [name]: value }
      const found = (await stage.look(given, [], foundControls)) ?? []
      const fresh = found.filter(
        ({ ref: { kind, nth } }) => nth >= (most.get(kind) ?? 0) && (!most.has(kind) || !LISTED.includes(kind)),
      )
      for (const { ref } of fresh) most.set(ref.kind, countOf(found, ref.kind))
      if (fresh.length > 0) yield { given, controls: fresh }
    }
}

const MOST_LOOKS = 12

/** There are as many of them as a list has entries. */
const LISTED: readonly ControlKind[] = ['button', 'radio button', 'checkbox', 'area']

/** How much is tried at a control that is not there usually. */
const MOST_TRIED = 4

/** Lists that may be left out are filled, and something in them is chosen: what they offer is there to be operated only then. */
function furnished({ names, values, middle, plain }: Subject): Given[] {
  const lists = names.flatMap(({ name, kind, default: usual }): [string, readonly unknown[]][] => {
    const isEmpty = kind === 'property' && middle[name] === undefined && Array.isArray(usual) && usual.length === 0
    const list = isEmpty ? plain(name).find((one) => Array.isArray(one) && one.length > 1) : undefined
    return Array.isArray(list) ? [[name, list]] : []
  })
  if (lists.length === 0) return []
  const filled = Object.fromEntries(lists)
  const chosen = values.flatMap((value): [string, unknown][] => {
    const list = filled[value.among?.list ?? '']
    return list === undefined ? [] : [[value.name, choiceOf(value, list[0])]]
  })
  return [{ ...middle, ...filled, ...Object.fromEntries(chosen) }]
}

/** An object that may leave out some members, with all of them: what edits those is there to be operated only then. */
function fullest({ values, middle, plain }: Subject): Given | undefined {
  const full = values.flatMap(({ name }): [string, unknown][] => {
    const size = (one: unknown) => JSON.stringify(membersOf(one)).length
    const [first, ...others] = plain(name).filter((one) => membersOf(one).length > 0)
    const most = others.reduce((before, one) => (size(one) > size(before) ? one : before), first)
    return membersOf(most).some((member) => !membersOf(middle[name]).includes(member)) ? [[name, most]] : []
  })
  return full.length === 0 ? undefined : { ...middle, ...Object.fromEntries(full) }
}

function membersOf(value: unknown): string[] {
  return typeof value === 'object' && value !== null && !Array.isArray(value) && !isHost(value)
    ? Object.keys(value)
    : []
}

/** Where several fields make up one text, a shorter text leaves some of them empty: a key that deletes does something there, too. */
function partlyFilled(
  { values, middle, plain }: Subject,
  controls: readonly FoundControl[],
): { readonly given: Given; readonly one: Try }[] {
  const [value] = values
  const fields = controls.filter(({ ref }) => ref.kind === 'text field')
  const usual = middle[value?.name ?? '']
  if (value === undefined || values.length > 1 || fields.length < 2 || typeof usual !== 'string') return []
  const shorter = plain(value.name).filter((one) => typeof one === 'string' && one.length < usual.length)
  return shorter.slice(0, 1).flatMap((text) =>
    fields.slice(0, MOST_FIELDS).map(({ ref }) => ({
      given: { ...middle, [value.name]: text },
      one: {
        moves: [gesture({ do: 'type', on: ref, text: '' }), gesture({ do: 'leave' })],
        control: ref,
        text: '',
      },
    })),
  )
}

/** The buttons beside a field with a list: one that opens it draws nothing that is seen from outside the list. */
function besideLists(controls: readonly FoundControl[] = []): (readonly Move[])[] {
  if (!controls.some(({ ref }) => ref.kind === 'combo box')) return []
  const buttons = controls.filter(({ ref }) => ref.kind === 'button')
  return buttons.slice(0, MOST_OPENERS).map(({ ref }) => [gesture({ do: 'press', on: ref })])
}

/** How many of several fields are emptied. */
const MOST_FIELDS = 6

/** After how many presses that only show something it is looked for new controls. */
const MOST_OPENERS = 3

/** What has come up is operated like everything else: a text is typed, and taken or dropped by a button beside it. */
function* revealed(subject: Subject, opening: readonly Move[], fresh: readonly FoundControl[]): Iterable<Try> {
  const fields = fresh.filter(({ ref }) => isPlainField(ref))
  const buttons = fresh.filter(({ ref }) => ref.kind === 'button')
  for (const { ref: field } of fields.slice(0, 2)) {
    const [text = 'oakum'] = textsFor(subject, field)
    const typed = gesture({ do: 'type', on: field, text })
    yield { moves: [...opening, typed, gesture({ do: 'leave' })], control: field, text: undefined }
    for (const { ref: button } of buttons.slice(0, 3))
      yield { moves: [...opening, typed, gesture({ do: 'press', on: button })], control: button, text: undefined }
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

interface Try {
  readonly moves: readonly Move[]
  readonly control: ControlRef
  /** Whether its field takes a value as a whole, so that each edit ends at once. */
  readonly isWhole?: boolean
  readonly text: string | undefined
}

/** Each look is at a mount of its own, since controls are named by what stands around them. */
function* tries(
  subject: Subject,
  controls: readonly FoundControl[] = [],
  named: readonly NamedGesture[] = [],
): Iterable<Try> {
  const whole = componentRef(subject.contract.tag)
  const isBlind = controls.every(({ ref }) => ref.kind === 'area') && named.length === 0 && subject.values.length > 0
  for (const gestures of isBlind ? wholeGestures(whole) : named.map((one) => gesturesOf(one, whole)))
    yield { moves: [...gestures, { do: 'leave' as const }].map(gesture), control: whole, text: undefined }
  for (const control of controls) yield* triedAt(subject, control)
  yield* typedThenPressed(subject, controls)
}

function triedAt(subject: Subject, control: FoundControl): Try[] {
  const supply = { texts: (on: ControlRef) => textsFor(subject, on), files: subject.files }
  return [...gesturesAt(control, supply)].map(({ gestures, text }) => ({
    moves: gestures.map(gesture),
    control: control.ref,
    text,
    isWhole: changesAtOnce(control.format),
  }))
}

/** Where a text is taken by a button beside its field. */
function* typedThenPressed(subject: Subject, controls: readonly FoundControl[]): Iterable<Try> {
  const fields = controls.filter(({ ref }) => isPlainField(ref))
  const buttons = controls.filter(({ ref }) => ref.kind === 'button')
  for (const { ref: field } of fields.slice(0, 3))
    for (const { ref: button } of buttons.slice(0, 4)) {
      const [text = '7'] = textsFor(subject, field)
      const typed: Gesture = { do: 'type', on: field, text }
      yield { moves: [gesture(typed), gesture({ do: 'press', on: button })], control: button, text: undefined }
    }
}

/** Texts that mean ordinary values; how a component reads them is its own affair. */
function textsFor(subject: Subject, { kind }: ControlRef): string[] {
  const texts = subject.values.flatMap((value) =>
    subject
      .plain(value.name)
      .filter((one) => !equal(one, subject.middle[value.name]))
      .flatMap(writtenIn)
      .filter((one) => typeof one === 'number' || kind === 'text field' || kind === 'combo box')
      .slice(0, 2)
      .map(String),
  )
  if (kind === 'text field' || kind === 'combo box') texts.unshift(...newEntries(subject))
  // A choice is found by its name where it is typed at all.
  if (kind === 'combo box')
    texts.unshift(
      ...subject.values.flatMap((value) => namesAmong(value, subject.names, subject.middle)).slice(0, MOST_NAMES),
    )
  const [first = '7'] = texts
  // An entry of a list may end with a comma, without another key.
  const isList = kind === 'text field' && subject.values.some(({ empty }) => Array.isArray(empty))
  return [...new Set(texts.length === 0 ? ['7'] : texts), ...(isList ? [`${first},`] : [])].slice(0, 5)
}

const MOST_NAMES = 2

/** For each list of texts one that is not in it yet: many a component takes none twice. */
function newEntries(subject: Subject): string[] {
  return subject.values.flatMap((value) => {
    const [there, type] = [subject.middle[value.name], itemsOf(value.type)]
    if (!Array.isArray(there) || type === undefined) return []
    const fitting = ['tar', 'moss', ...samplesOf(type)].filter((text) => typeof text === 'string' && text !== '')
    return (fitting as string[]).filter((text) => accepts(type, text) && !there.includes(text)).slice(0, 2)
  })
}

function itemsOf(type: TSchema): TSchema | undefined {
  return valueAt(type, ['items']) as TSchema | undefined
}

/** The numbers and texts in a value: of a pair, of a list, of an object. */
export function writtenIn(value: unknown): (number | string)[] {
  if (typeof value === 'number' || typeof value === 'string') return [value]
  return typeof value === 'object' && value !== null && !isHost(value) ? Object.values(value).flatMap(writtenIn) : []
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

/** Of an object; what is typed into a list is one more entry, and no edit of what is there. */
function takenPartly(subject: Subject, { rows }: Played, text: string | undefined): Set<string> {
  const last = rows[rows.length - 1]
  return new Set(
    subject.values.flatMap(({ name }) => {
      const came = last?.read[name] ?? last?.held[name]
      return text !== undefined && text !== '' && !Array.isArray(came) && isTypedIn(came, text) ? [name] : []
    }),
  )
}

/** Whether a text stands in an object, as it was typed. */
export function isTypedIn(value: unknown, text: string): boolean {
  return typeof value === 'object' && value !== null && writtenIn(value).map(String).includes(text)
}

/** A way that throws or changes the picture is worth trying, even where nothing is known to change. */
function leavesTrace(subject: Subject, { rows }: Played): boolean {
  const last = rows[rows.length - 1] ?? rows[0]
  if (last.fault !== undefined || !samePicture(rows[0].picture, last.picture)) return true
  // What holds no value of its own, or is there to be heard, says what was done by its events alone.
  const isHeard = ({ heard }: Row) =>
    heard.some(({ event }) => subject.values.length === 0 || Object.hasOwn(subject.contract.events, event))
  return rows.some(isHeard)
}
