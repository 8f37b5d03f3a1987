import { accepts, equal, printed, type ValueClause } from '../../contract/index.js'
import type { Row } from '../stage/played.js'
import { isTell, tell, type Trail } from '../stage/trail.js'
import { choiceOf, isAmong, keyOf, keysIn } from '../subject/among.js'
import type { Subject } from '../subject/subject.js'
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
    'Its list is told without the entry that is chosen, and with it again; everything that can be chosen is chosen after the list was told.',
  unprovenWhen: 'No list with two entries could be made.',
  random: 'none',
  onTrial: 'tell',
  judgesGone: true,
  concerns: ({ values }) => Object.values<{ among: unknown }>(values).some(({ among }) => among !== undefined),
  *trails(subject) {
    for (const value of subject.values) {
      const list = listFor(subject, value)
      if (value.among === undefined || list === undefined) continue
      const { list: name } = value.among
      const given = { ...subject.base, [name]: list, [value.name]: choiceOf(value, list[0]) }
      yield { given, moves: [tell({ [name]: list.slice(1) })] }
      yield { given, moves: [tell({ [name]: [...list].reverse() })] }
      for (const way of subject.ways.filter(({ changes }) => changes.has(value.name)).slice(0, 6))
        yield {
          given: { ...given, [name]: [], [value.name]: value.empty },
          moves: [tell({ [name]: list }), ...way.moves],
        }
    }
  },
  judge(subject, { rows, trail }) {
    for (const [at, row] of rows.entries())
      for (const value of subject.values.filter(({ among }) => among !== undefined)) {
        const before = rows[at - 1]
        const leak =
          chosenElsewhere(value, row, at) ??
          (before === undefined ? undefined : whenGone(value, trail, before, row, at))
        if (leak !== undefined) return leak
      }
    return undefined
  },
})

/** What was chosen and is in no entry of the list. */
function chosenElsewhere(value: ValueClause, row: Row, at: number): LeakAt | undefined {
  const keys = keysIn(value, row.held) ?? []
  const chosen = row.heard.find((one) => one.value === value.name && !equal(one.payload, value.empty))
  if (chosen === undefined || keys.length === 0 || isAmong(chosen.payload, keys)) return undefined
  return {
    row: at,
    says: `it reports a ${value.name} that is not in its ${value.among?.list ?? ''}`,
    expected: `one of ${keys.map((key) => printed(key, 20)).join(', ')}`,
    found: `heard ${chosen.event} ${printed(chosen.payload)}`,
  }
}

function whenGone(value: ValueClause, { moves }: Trail, before: Row, row: Row, at: number): LeakAt | undefined {
  const { list = '', gone = 'kept', reported = false } = value.among ?? {}
  if (!isTell(row.move) || !(list in row.move.tell) || moves.length !== 1) return undefined
  const held = before.read[value.name]
  const isGone = !isAmong(held, keysIn(value, row.held)) && isAmong(held, keysIn(value, before.held))
  const now = row.read[value.name]
  if (held === undefined || now === undefined) return undefined
  const expected = isGone && gone === 'empty' ? value.empty : held
  if (!equal(now, expected))
    return {
      row: at,
      says: isGone
        ? `a ${value.name} whose entry is gone is ${gone === 'empty' ? 'still held' : 'dropped'}`
        : `${value.name} is lost with its list`,
      expected: `${value.name} ${printed(expected)}`,
      found: `${value.name} ${printed(now)}`,
    }
  const reports = row.heard.filter((one) => one.value === value.name).length
  const due = isGone && gone === 'empty' && reported ? 1 : 0
  if (isGone && reports !== due)
    return {
      row: at,
      says: due === 1 ? `that ${value.name} is gone is not reported once` : `that ${value.name} is gone is reported`,
      expected: due === 1 ? `heard ${value.event} once` : 'nothing is heard',
      found: `heard it ${reports} times`,
    }
  return isGone && gone === 'mark' && !isMarkedInvalid(row)
    ? {
        row: at,
        says: `a ${value.name} whose entry is gone is not marked`,
        expected: 'the field is invalid',
        found: 'it is not',
      }
    : undefined
}

/** A list of at least two entries that the value can tell apart. */
function listFor(subject: Subject, value: ValueClause): readonly unknown[] | undefined {
  const name = value.among?.list ?? ''
  const lists = subject.samples(name).filter((one): one is unknown[] => Array.isArray(one) && one.length >= 2)
  return lists
    .map((list) =>
      list.filter((entry, at) => list.findIndex((other) => equal(keyOf(value, other), keyOf(value, entry))) === at),
    )
    .find((list) => list.length >= 2 && list.every((entry) => accepts(value.type, choiceOf(value, entry))))
}
