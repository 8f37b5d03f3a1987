import { equal, printed, valueClauses, type ValueClause } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { driftedApart } from './drifts-apart.js'
import { changedEntries, enteredAnew } from './entries-told.js'
import { behavesLikeFresh, firstGesture, replacesTheEdit, updateEqualsRemount, showsAChange } from './laws.js'
import { samePicture } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import { isDone, isGesture, isTell, tell, without, type Trail } from '../stage/trail.js'
import { namedInLists, naming } from '../subject/named-in-lists.js'
import { brimming } from '../subject/other-mounts.js'
import { isNothing, type Subject, type Way } from '../subject/subject.js'
import { otherInTime, thenTime } from './then-time.js'
import { keptTheOld, toldInside } from './told-inside.js'
import { isToldWhileOpen, staysAsOpened, toldWhileOpen } from './told-while-open.js'
import { waysAtBounds } from './ways-at-bounds.js'

/** Update equals remount, for ordinary values. */
export const followsChange = clause({
  id: 'follows-change',
  group: 'down',
  promise:
    'After its owner tells a change, it looks and behaves as if it were freshly mounted with what the owner now holds.',
  why: 'A text derived once, a bound read too early or a value kept from the mount shows the person something that is no longer true.',
  tried:
    'Each name is told other ordinary values, alone and as they are explored; the settled picture is compared with a fresh mount. After a bound or step is told, the person goes to it; after a longer list, to its last entry; it is told while somebody is in its field; after a flag is told, time passes; while something is open, a property is told; a number is told that is as large as a list is long, and more is added to that. What has nothing to do with it has to stand.',
  unprovenWhen: 'No change of any name could be seen.',
  random: 'tells',
  onTrial: 'tell',
  concerns: ({ properties, values }) => Object.keys(properties).length + Object.keys(values).length > 0,
  async *trails(subject) {
    for (const { name } of subject.tellable) {
      const [first, ...others] = subject.plain(name)
      if (subject.base[name] === undefined && first !== undefined)
        yield { given: subject.base, moves: [tell({ [name]: first })] }
      for (const other of others) yield { given: { ...subject.base, [name]: first }, moves: [tell({ [name]: other })] }
    }
    // What has nothing to show of an empty value may have something of another.
    for (const { name, kind } of subject.tellable)
      if (kind === 'property' && !equal(subject.base, subject.middle)) {
        const [first, other] = subject.plain(name)
        if (subject.middle[name] === undefined && first !== undefined)
          yield { given: subject.middle, moves: [tell({ [name]: first })] }
        if (other !== undefined) yield { given: { ...subject.middle, [name]: first }, moves: [tell({ [name]: other })] }
      }
    yield* toldInVain(subject)
    yield* namedBeside(subject)
    yield* changedEntries(subject)
    yield* toldBounds(subject)
    yield* toldThenDone(subject)
    yield* enteredAnew(subject)
    yield* toldInside(subject)
    yield* thenTime(subject)
    yield* toldWhileOpen(subject)
    // What a person has put in is replaced like anything else.
    for (const way of subject.chiefWays.slice(0, 6))
      for (const value of subject.tellable)
        if (way.changes.has(value.name))
          for (const other of subject.plain(value.name).slice(0, 2))
            yield { given: way.given, moves: [...way.moves, tell({ [value.name]: other })] }
  },
  proves: (subject, played) => (played.trail.moves.some(isGesture) ? matters(subject, played) : showsAChange(played)),
  async judge(subject, played) {
    const { trail, rows } = played
    const first = trail.moves[0]
    if (isTell(first) && subject.values.some((one) => takesNoTell(one) && Object.hasOwn(first.tell, one.name)))
      return heedsInVain(subject, played)
    const drifted = driftedApart(subject, played)
    if (drifted !== undefined) return drifted
    if (isDone(trail.moves[0], 'caret')) return keptTheOld(subject, played)
    if (isToldWhileOpen(subject, trail)) return staysAsOpened(subject, played)
    const inTime = await otherInTime(subject, played)
    if (inTime !== undefined) return inTime
    const leak = await updateEqualsRemount(subject, played)
    if (leak !== undefined) {
      const told = rows[leak.row]?.move
      const changes = isTell(told) ? Object.entries(told.tell) : []
      if (changes.some(([name, value]) => isOthersAffair(subject, name, value))) return undefined
      const [name, value] = changes[0] ?? ['', undefined]
      const before = rows[leak.row - 1]?.held ?? {}
      if (changes.length === 1 && (await isIgnoredAtMount(subject, before, name, value, rows[leak.row]?.picture)))
        return undefined
      return leak
    }
    const replaced = isGesture(trail.moves[0]) ? await replacesTheEdit(subject, played) : undefined
    if (replaced !== undefined) return replaced
    const since = firstGesture(rows)
    if (since <= 1 || !rows.slice(1, since).every((row) => isTell(row.move))) return undefined
    const unlike = await behavesLikeFresh(subject, played, since)
    if (
      unlike === undefined ||
      trail.moves.some(
        (move) =>
          isTell(move) && Object.entries(move.tell).some(([name, value]) => isOthersAffair(subject, name, value)),
      )
    )
      return undefined
    const names = trail.moves.filter(isTell).flatMap((move) => Object.keys(move.tell))
    return { ...unlike, cause: `${[...new Set(names)].join(' and ')} is read too early, and not when it is needed` }
  },
})

/** A value that keeps the last word itself, and takes no tell once it stands there. */
function* toldInVain(subject: Subject): Iterable<Trail> {
  for (const value of subject.values.filter(takesNoTell))
    for (const other of subject.plain(value.name).slice(0, 2))
      if (!equal(other, subject.middle[value.name]))
        yield { given: subject.middle, moves: [tell({ [value.name]: other })] }
}

function takesNoTell({ lastWord, accepts }: ValueClause): boolean {
  return lastWord === 'self' && accepts === 'never'
}

function heedsInVain(subject: Subject, { rows, trail }: Played): LeakAt | undefined {
  const [before, row] = rows
  if (row === undefined || !isTell(row.move) || trail.moves.length !== 1) return undefined
  const told = row.move.tell
  const value = subject.values.find((one) => takesNoTell(one) && Object.hasOwn(told, one.name))
  if (value === undefined || equal(row.read[value.name], before.read[value.name])) return undefined
  return {
    row: 1,
    says: `it takes ${value.name} from its owner, which it says it never does once it is there`,
    expected: `${value.name} ${printed(before.read[value.name])}`,
    found: `${value.name} ${printed(row.read[value.name])}`,
  }
}

/** A list is told that names what stands, and a text that a list names. */
function* namedBeside(subject: Subject): Iterable<Trail> {
  const { middle } = subject
  for (const one of namedInLists(subject)) {
    const [{ list, value }, stands] = [one, middle[one.value.name]]
    const other = subject.plain(value.name).find((text) => !equal(text, stands))
    if (typeof stands !== 'string' || typeof other !== 'string') continue
    const named = naming(one, stands, middle)
    yield { given: middle, moves: [tell({ [list.name]: named[list.name] })] }
    yield { given: named, moves: [tell({ [value.name]: other })] }
    yield { given: naming(one, other, middle), moves: [tell({ [value.name]: other })] }
  }
}

/** After a bound or a step is told, what a person can do at it. */
function* toldBounds(subject: Subject): Iterable<Trail> {
  for (const value of valueClauses(subject.contract)) {
    for (const limit of [value.bounds.least, value.bounds.most, value.step]) {
      if (typeof limit !== 'string' || !Object.hasOwn(subject.contract.properties, limit)) continue
      for (const told of subject.plain(limit).slice(0, 1))
        for (const { given, moves } of waysAtBounds(subject, value, { ...subject.middle, [limit]: told }))
          yield { given: without(given, limit), moves: [tell({ [limit]: told }), ...moves] }
    }
  }
}

/** What is turned on and off, where nothing stands yet: what it is turned on with may come from elsewhere. */
function turningOn({ chiefWays, base, middle }: Subject): Way[] {
  const isTurned = ({ control, given }: Way) => ['checkbox', 'switch'].includes(control.kind) && given === middle
  return chiefWays.filter(isTurned).map((way) => ({ ...way, given: base }))
}

/** After any property is told, what a person can do: what is read once is not seen before it is used. */
function* toldThenDone(subject: Subject): Iterable<Trail> {
  const properties = subject.tellable.filter(({ kind }) => kind === 'property')
  for (const { name } of properties.slice(0, MOST_TOLD))
    for (const other of subject.plain(name).slice(0, 2))
      for (const { given, moves } of [...subject.chiefWays.slice(0, MOST_WAYS), ...turningOn(subject)])
        if (!equal(given[name], other))
          yield { given: without(given, name), moves: [tell({ [name]: other }), ...moves] }
  for (const { given, name } of brimming(subject))
    for (const { moves } of subject.chiefWays.slice(0, MOST_WAYS))
      yield { given: without(given, name), moves: [tell({ [name]: given[name] }), ...moves] }
  // What it counts from, or adds to, is what its owner told last, and no number of its own.
  for (const { name } of subject.tellable.filter(({ kind }) => kind === 'value'))
    for (const other of subject.plain(name).slice(0, 2))
      for (const { given, moves, changes, text } of subject.chiefWays.slice(0, MOST_WAYS + 2))
        if (changes.has(name) && text === undefined && !equal(given[name], other))
          yield { given, moves: [tell({ [name]: other }), ...moves] }
}

/** A gesture after a tell is evidence where what was told is seen, or is a bound or step that the gesture may meet. */
function matters({ values }: Subject, { trail, rows }: Played): boolean {
  const [told] = trail.moves
  if (!isTell(told) || Object.keys(told.tell).some((name) => values.some((value) => value.name === name))) return true
  const limits = values.flatMap(({ bounds, step }) => [bounds.least, bounds.most, step])
  const seen = rows[1] !== undefined && !samePicture(rows[1].picture, rows[0].picture)
  return seen || Object.keys(told.tell).some((name) => limits.includes(name))
}

const MOST_TOLD = 6
const MOST_WAYS = 4

/** Nothing and what is mistaken for it are judged by clauses of their own. */
function isOthersAffair(subject: Subject, name: string, value: unknown): boolean {
  const clause = subject.names.find((one) => one.name === name)
  return clause === undefined || isNothing(clause, value)
}

/** Where the mount itself takes no notice of a name, the tell is the one that is right. */
async function isIgnoredAtMount(
  subject: Subject,
  before: Readonly<Record<string, unknown>>,
  name: string,
  value: unknown,
  told: Parameters<typeof samePicture>[0] | undefined,
): Promise<boolean> {
  if (told === undefined || equal(before[name], value)) return false
  const [one, other] = [await subject.fresh(before), await subject.fresh({ ...before, [name]: value })]
  return samePicture(one.picture, other.picture) && !samePicture(told, one.picture)
}
