import { accepts, equal, printed, type ValueClause } from '../../contract/index.js'
import { linesOnlyIn, samePicture } from '../sight/picture.js'
import type { Row } from '../stage/played.js'
import { isTell, tell, type Trail } from '../stage/trail.js'
import { choiceOf, isAmong, keyOf, keysIn, usualList } from '../subject/among.js'
import type { Subject } from '../subject/subject.js'
import { anotherThanNamed, chosenByName } from './chosen-by-name.js'
import { clause, type LeakAt } from './clause.js'
import { isMarkedInvalid } from './laws.js'

/** A choice and the list that it is from stay together. */
export const choiceFollowsList = clause({
  id: 'choice-follows-list',
  group: 'bounds',
  promise:
    'What a person can choose is in its list as it is now, and a choice whose entry goes becomes what its contract says.',
  why: 'The berth is taken in the meantime, and the field goes on holding it in silence: an order is sent for what nobody can have.',
  tried:
    'Its list is told without the entry that is chosen, and with it again; everything that can be chosen is chosen, by what a person reads of it, and after the list was told; of several that are chosen, one that is gone stays while another is chosen.',
  unprovenWhen: 'No list with two entries could be made.',
  random: 'none',
  onTrial: 'tell',
  judgesGone: true,
  concerns: ({ values }) => Object.values<{ among: unknown }>(values).some(({ among }) => among !== undefined),
  *trails(subject) {
    yield* chosenByName(subject)
    for (const value of subject.values) {
      const list = listFor(subject, value)
      if (value.among === undefined || list === undefined) continue
      const { list: name } = value.among
      const given = { ...subject.base, [name]: list, [value.name]: choiceOf(value, list[0]) }
      yield { given, moves: [tell({ [name]: list.slice(1) })] }
      yield { given, moves: [tell({ [name]: [...list].reverse() })] }
      const ways = subject.ways.filter(({ changes }) => changes.has(value.name)).slice(0, MOST_WAYS)
      for (const { moves } of ways)
        yield {
          given: { ...given, [name]: [], [value.name]: value.empty },
          moves: [tell({ [name]: list }), ...moves],
        }
      const [long, several] = severalOf(subject, value) ?? []
      for (const { moves } of several === undefined ? [] : ways)
        yield {
          given: { ...given, [name]: long, [value.name]: several },
          moves: [tell({ [name]: long?.filter((entry) => entry !== long[1]) }), ...moves],
        }
    }
  },
  async judge(subject, { rows, trail }) {
    const another = await anotherThanNamed(subject, { rows, trail })
    if (another !== undefined) return another
    for (const [at, row] of rows.entries())
      for (const value of subject.values.filter(({ among }) => among !== undefined)) {
        const before = rows[at - 1]
        const leak =
          chosenElsewhere(value, row, before, at) ??
          droppedWithAnother(value, row, before, at) ??
          (before === undefined ? undefined : whenGone(subject, value, trail, before, row, at)) ??
          (await shownAsAnother(subject, value, trail, row, at))
        if (leak !== undefined) return leak
      }
    return undefined
  },
})

const MOST_WAYS = 6

/** A list of three or more, and the first two of it, where several are chosen at once. */
function severalOf(
  subject: Subject,
  value: ValueClause,
): readonly [readonly unknown[], readonly unknown[]] | undefined {
  const list = listFor(subject, value, 3)
  const both = list?.slice(0, 2).map((entry) => keyOf(value, entry)) ?? []
  const isOfSeveral = Array.isArray(choiceOf(value, list?.[0])) && accepts(value.type, both)
  return list !== undefined && isOfSeveral ? [list, both] : undefined
}

/** Of several that are chosen, one that its list has lost goes with the edit of another, though it is to be kept. */
function droppedWithAnother(value: ValueClause, row: Row, before: Row | undefined, at: number): LeakAt | undefined {
  const [keys, was] = [keysIn(value, row.held) ?? [], before?.held[value.name]]
  const heard = row.heard.findLast((one) => one.value === value.name)
  if (value.among?.gone === 'empty' || !Array.isArray(was) || !Array.isArray(heard?.payload)) return undefined
  const now: readonly unknown[] = heard.payload
  const left = (one: unknown) => now.some((other) => equal(one, other))
  const [gone, there] = [was.filter((one) => !isAmong([one], keys)), was.filter((one) => isAmong([one], keys))]
  // Where nothing else is left of it, another choice may have taken the place of all.
  if (!there.some(left) || gone.length === 0 || gone.some(left)) return undefined
  // Where nothing else has changed, it is the one that was taken out.
  if (there.every(left) && now.every((one) => was.some((other) => equal(one, other)))) return undefined
  return {
    row: at,
    says: `a ${value.name} whose entry is gone is dropped with the edit of another`,
    expected: `heard ${heard.event} with ${printed(gone[0])} in it`,
    found: `heard ${heard.event} ${printed(now)}`,
  }
}

/** What was chosen and is in no entry of the list, nor was before. */
function chosenElsewhere(value: ValueClause, row: Row, before: Row | undefined, at: number): LeakAt | undefined {
  const keys = keysIn(value, row.held) ?? []
  const chosen = row.heard.find((one) => one.value === value.name && !equal(one.payload, value.empty))
  const known = [...keys, ...chosenIn(before?.held[value.name])]
  if (chosen === undefined || keys.length === 0 || isAmong(chosen.payload, known)) return undefined
  return {
    row: at,
    says: `it reports a ${value.name} that is not in its ${value.among?.list ?? ''}`,
    expected: `one of ${keys.map((key) => printed(key, 20)).join(', ')}`,
    found: `heard ${chosen.event} ${printed(chosen.payload)}`,
  }
}

function whenGone(
  subject: Subject,
  value: ValueClause,
  { moves }: Trail,
  before: Row,
  row: Row,
  at: number,
): LeakAt | undefined {
  const { list = '', gone = 'kept', reported = false } = value.among ?? {}
  if (!isTell(row.move) || !(list in row.move.tell) || moves.length !== 1) return undefined
  const held = before.read[value.name]
  const keys = keysIn(value, row.held)
  const isGone =
    !isAmong(held, keys) && isAmong(held, keysIn(value, { ...usualList(value, subject.names), ...before.held }))
  const now = row.read[value.name]
  if (held === undefined || now === undefined) return undefined
  const isEmptied = isGone && gone === 'empty'
  // Of several that are chosen, those that are still there may stay.
  const left = chosenIn(held).filter((one) => isAmong([one], keys))
  const expected = isEmptied ? (left.length > 0 ? left : value.empty) : held
  if (!equal(now, expected) && !(isEmptied && equal(now, value.empty)))
    return {
      row: at,
      says: isGone
        ? `a ${value.name} whose entry is gone is ${isEmptied ? 'still held' : 'dropped'}`
        : `${value.name} is lost with its list`,
      expected: `${value.name} ${printed(expected)}`,
      found: `${value.name} ${printed(now)}`,
    }
  const reports = row.heard.filter((one) => one.value === value.name).length
  const due = isEmptied && reported ? 1 : 0
  if (isGone && reports !== due)
    return {
      row: at,
      says: due === 1 ? `that ${value.name} is gone is not reported once` : `that ${value.name} is gone is reported`,
      expected: due === 1 ? `heard ${value.event} once` : 'nothing is heard',
      found: `heard it ${reports} times`,
    }
  return isGone && gone === 'mark' && !isMarkedInvalid(row) && !isSaid(before, row, held)
    ? {
        row: at,
        says: `a ${value.name} whose entry is gone is not marked`,
        expected: 'the field is invalid',
        found: 'it is not',
      }
    : undefined
}

/** A choice that is gone looks as if an entry that is there had been chosen, and the entries look otherwise than each other. */
async function shownAsAnother(
  subject: Subject,
  value: ValueClause,
  { given, moves }: Trail,
  row: Row,
  at: number,
): Promise<LeakAt | undefined> {
  const name = value.among?.list ?? ''
  const [whole, list] = [given[name], row.held[name]]
  if (!isTell(row.move) || !(name in row.move.tell) || moves.length !== 1) return undefined
  if (!Array.isArray(whole) || !Array.isArray(list) || isAmong(row.read[value.name], keysIn(value, row.held)))
    return undefined
  if (!equal(row.read[value.name], given[value.name])) return undefined
  const shownWith = async (entries: unknown, entry: unknown) =>
    (await subject.fresh({ ...row.held, [name]: entries, [value.name]: choiceOf(value, entry) })).picture
  const [one, other] = [await shownWith(whole, whole[0]), await shownWith(whole, whole[1])]
  if (samePicture(one, other)) return undefined
  for (const entry of list.slice(0, MOST_ENTRIES) as unknown[])
    if (samePicture(await shownWith(list, entry), row.picture))
      return {
        row: at,
        says: `a ${value.name} whose entry is gone is shown as another`,
        expected: `shown otherwise than ${value.name} ${printed(choiceOf(value, entry))}`,
        found: 'shown alike',
        cause: 'the first entry stands for what is not among them',
      }
  return undefined
}

const MOST_ENTRIES = 3

/** Whether words that were not there before name it: they mark it for a person. */
function isSaid(before: Row, row: Row, held: unknown): boolean {
  const isSaying = (line: string) => !/^[[(<]/.test(line) && line !== String(held) && line.includes(String(held))
  return linesOnlyIn(row.picture, before.picture).some(isSaying)
}

/** Of several that are chosen at once, each: one that is gone may be kept. */
function chosenIn(value: unknown): readonly unknown[] {
  return Array.isArray(value) ? (value as unknown[]) : []
}

/** A list of at least so many entries that the value can tell apart. */
function listFor(subject: Subject, value: ValueClause, least = 2): readonly unknown[] | undefined {
  const name = value.among?.list ?? ''
  const lists = subject.samples(name).filter((one): one is unknown[] => Array.isArray(one) && one.length >= least)
  return lists
    .map((list) =>
      list.filter((entry, at) => list.findIndex((other) => equal(keyOf(value, other), keyOf(value, entry))) === at),
    )
    .find((list) => list.length >= least && list.every((entry) => accepts(value.type, choiceOf(value, entry))))
}
