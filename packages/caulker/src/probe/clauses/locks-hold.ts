import { equal, printed, type AnyContract } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { takesTheGiven, unlikeFresh } from './laws.js'
import type { Played, Row } from '../stage/played.js'
import { isDone, isGesture, isPress, isTell, tell, trailKey, type Trail } from '../stage/trail.js'
import { isText } from '../subject/forms.js'
import { editorsOf, typed, TYPED } from '../subject/own-drafts.js'
import { entersText, isPlaced } from '../person/gestures.js'
import { oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { Given } from '../../mount/index.js'

function unlocked({ locks }: AnyContract): Given {
  return Object.fromEntries(Object.values(locks).flatMap((lock) => (lock === undefined ? [] : [[lock, false]])))
}

/** Whether its owner holds it locked. */
function isLocked({ locks, properties }: AnyContract, held: Given): boolean {
  return Object.values(locks).some((lock) => lock !== undefined && (held[lock] ?? properties[lock]?.default) === true)
}

const MOST_WAYS = 16

/** The first way of those that do the same at the same controls, with whatever text or entry. */
function oneOfEachKind(ways: readonly Way[]): Way[] {
  const kinds = ways.map(({ moves }) =>
    trailKey(
      moves.map((move) =>
        // What empties a field is a key of its own.
        isGesture(move)
          ? [
              move.gesture.do,
              isPlaced(move.gesture) && move.gesture.on,
              entersText(move.gesture) && move.gesture.text === '',
            ]
          : move,
      ),
    ),
  )
  return ways.filter((_, at) => kinds.indexOf(kinds[at] ?? '') === at)
}

/** Locked, the person changes nothing, and the owner's tells stand. */
export const locksHold = clause({
  id: 'locks-hold',
  group: 'bounds',
  promise: 'While it is locked a person changes nothing by any control, and what its owner tells still stands.',
  why: 'A lock that greys out the field and not the buttons beside it is no lock: what was settled is changed once more.',
  tried:
    'It is locked at the mount and later; then everything that a person can do is tried, keys go on where they were, what is begun is ended, drafts are opened and saved, and values are told.',
  unprovenWhen: 'Nothing that a person can do was found.',
  random: 'none',
  onTrial: 'gesture',
  refusalHolds: true,
  // Who locks itself when it is told so as a part of forms is told nothing where no element is one.
  needsForms: ({ contract, define }) =>
    contract.locks.disabled !== undefined && 'formDisabledCallback' in (define?.prototype ?? {}),
  concerns: ({ locks, values, drafts, events }) =>
    (locks.readonly !== undefined && Object.keys(values).length + Object.keys(drafts).length > 0) ||
    (locks.disabled !== undefined && Object.keys({ ...values, ...events }).length > 0),
  async *trails(subject) {
    yield* sentWhileDisabled(subject)
    yield* draftsWhileLocked(subject)
    for (const lock of Object.values(subject.contract.locks)) {
      if (lock === undefined) continue
      for (const way of oneOfEachKind(subject.ways.filter((way) => doesSomething(subject, way))).slice(0, MOST_WAYS))
        yield { given: { ...way.given, [lock]: true }, moves: way.moves }
      for (const way of subject.chiefWays)
        yield { given: { ...way.given, [lock]: false }, moves: [tell({ [lock]: true }), ...way.moves] }
      // What can only be pressed once something was done is pressed when it is locked by then.
      for (const { given, moves } of oneAtEach(subject.ways.filter(isPressedLater)).slice(0, MOST_LATER))
        yield {
          given: { ...given, [lock]: false },
          moves: [...moves.slice(0, -1), tell({ [lock]: true }), ...moves.slice(-1)],
        }
      // Whose hands are on its keys has the focus in it still when it is locked.
      for (const { given, moves } of oneAtEach(subject.ways.filter(isByKeys)).slice(0, 2)) {
        const keys = moves.filter((move) => isDone(move, 'key'))
        yield { given: { ...given, [lock]: false }, moves: [...keys, tell({ [lock]: true }), ...keys] }
      }
      for (const { name } of subject.values.filter(({ lastWord }) => lastWord === 'owner')) {
        const other = subject.plain(name).find((value) => !equal(value, subject.middle[name]))
        if (other !== undefined) yield { given: { ...subject.middle, [lock]: true }, moves: [tell({ [name]: other })] }
      }
    }
  },
  // What is sent says nothing of what a person can do.
  proves: (_, { trail }) => trail.setting !== 'form',
  async judge(subject, played) {
    const { rows } = played
    if (played.trail.setting === 'form') return sentAllTheSame(subject, played)
    for (const [at, row] of rows.entries()) {
      if (isGesture(row.move)) {
        if (!isLocked(subject.contract, rows[at - 1]?.held ?? {})) continue
        const reported = row.heard.find((one) => one.value !== undefined || isSaid(subject, one.event))
        const changed = subject.values.find(({ name }) => !equal(row.read[name], rows[at - 1]?.read[name]))
        if (reported !== undefined || changed !== undefined)
          return {
            row: at,
            says: 'a person changes it although it is locked',
            expected: 'nothing is heard, and nothing changes',
            found:
              reported === undefined
                ? `${changed?.name ?? ''} ${printed(row.read[changed?.name ?? ''])}`
                : `heard ${reported.event} ${printed(reported.payload)}`,
          }
      } else if (
        isTell(row.move) &&
        Object.keys(row.move.tell).some((name) => Object.hasOwn(subject.contract.values, name))
      ) {
        const says = 'while it is locked it does not follow its owner'
        const open = await subject.fresh({ ...row.held, ...unlocked(subject.contract) })
        if (open.fault !== undefined || !takesTheGiven(subject, open)) return undefined
        const unlike = Object.keys(row.move.tell).find((name) => !equal(row.read[name], open.read[name]))
        if (unlike !== undefined && isLocked(subject.contract, row.held))
          return {
            row: at,
            says,
            expected: `${unlike} ${printed(open.read[unlike])}`,
            found: `${unlike} ${printed(row.read[unlike])}`,
          }
        const fresh = await subject.fresh(row.held)
        const leak = fresh.fault === undefined ? unlikeFresh(row, rows[at - 1] ?? row, fresh) : undefined
        if (leak !== undefined) return { row: at, ...leak, says }
      }
    }
    return undefined
  },
})

function isPressedLater({ changes, moves }: Way): boolean {
  return changes.size > 0 && moves.length > 1 && isPress(moves.slice(-1))
}

const MOST_LATER = 3

function isByKeys({ changes, moves: [first] }: Way): boolean {
  return changes.size > 0 && isDone(first, 'key')
}

/** Locked, no draft is opened, typed and saved. */
async function* draftsWhileLocked(subject: Subject): AsyncIterable<Trail> {
  for (const editor of await editorsOf(subject)) {
    const [save] = typeof editor === 'string' ? [] : editor.saves
    if (typeof editor === 'string' || save === undefined) continue
    for (const lock of Object.values(subject.contract.locks))
      if (lock !== undefined) {
        const begun = [...editor.opening, typed(editor, TYPED)]
        yield { given: { ...editor.given, [lock]: true }, moves: [...begun, ...save] }
        yield { given: { ...editor.given, [lock]: false }, moves: [...begun, tell({ [lock]: true }), ...save] }
      }
  }
}

/** A save, or what asks before a change; of what holds no value, and is disabled, anything that its contract declares. */
function isSaid({ contract, values }: Subject, event: string): boolean {
  const isEventful = Object.keys(contract.values).length === 0 && contract.locks.disabled !== undefined
  return (
    values.some(({ vetoEvent }) => vetoEvent === event) ||
    (isEventful && Object.hasOwn(contract.events, event)) ||
    Object.values(contract.drafts).some((draft) => draft.event === event)
  )
}

function doesSomething({ values }: Subject, { changes }: Way): boolean {
  return changes.size > 0 || values.length === 0
}

/** Disabled, it leaves the submit; its own property does what a fieldset around it does. */
function* sentWhileDisabled({ contract, middle, plain }: Subject): Iterable<Trail> {
  const { disabled } = contract.locks
  const name = contract.form?.value
  if (disabled === undefined || name === undefined) return
  for (const value of plain(name).slice(0, 1)) {
    const given = { ...middle, [name]: value }
    yield { given: { ...given, [disabled]: true }, moves: [], setting: 'form' }
    yield { given: { ...given, [disabled]: false }, moves: [tell({ [disabled]: true })], setting: 'form' }
  }
}

async function sentAllTheSame(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const at = rows.length - 1
  const row = rows[at] as Row
  const { disabled } = subject.contract.locks
  if (disabled === undefined || row.held[disabled] !== true || !row.around.formValues.some(isText)) return undefined
  const open = await subject.play({ ...trail, given: { ...trail.given, [disabled]: false }, moves: [] })
  if (!equal(open.rows[0].around.formValues, row.around.formValues)) return undefined
  return {
    row: at,
    says: 'disabled, it is sent with its form all the same',
    expected: 'sends nothing',
    found: `sends ${row.around.formValues.map((one) => printed(one)).join(', ')}`,
    cause: 'its own property does not reach what is sent, as a fieldset around it would',
  }
}
