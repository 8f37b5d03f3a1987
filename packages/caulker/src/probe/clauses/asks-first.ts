import { equal, printed, valueClauses, type ValueClause } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { pictureDifference } from './laws.js'
import { samePicture } from '../sight/picture.js'
import type { Row } from '../stage/played.js'
import { isDone, isGesture, settlesEdits, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'

/** A value that asks before it changes asks, and keeps to the answer. */
export const asksFirst = clause({
  id: 'asks-first',
  group: 'bounds',
  promise:
    'Before it changes it asks, once, and where its owner vetoes, or has the change proposed and does not tell it, nothing changes.',
  why: 'A veto that comes too late, or is not listened to, leaves a choice standing that was never allowed.',
  tried:
    'Everything that a person can do, under an owner that lets everything pass, one that vetoes everything and one that heeds nothing.',
  unprovenWhen: 'No control was found that changes the value.',
  random: 'none',
  onTrial: 'gesture',
  concerns: (contract) => valueClauses(contract).some((value) => value.vetoEvent !== undefined || isProposed(value)),
  *trails(subject) {
    const asking = subject.ways.filter(({ changes }) => [...changes].some((name) => isAsked(subject, name)))
    for (const way of new Set([...subject.chiefWays, ...asking.slice(0, MOST_WAYS)])) {
      yield { given: way.given, moves: way.moves }
      if (subject.values.some(({ vetoEvent }) => vetoEvent !== undefined))
        yield { given: way.given, moves: way.moves, setting: 'vetoed' }
      if (subject.values.some(isProposed)) yield { given: way.given, moves: way.moves, setting: 'unheeded' }
    }
  },
  async judge(subject, { rows, trail }) {
    if (trail.setting === 'unheeded') return unheededLeak(subject, rows)
    const shown = trail.setting === 'vetoed' ? await shownAgainstVeto(subject, trail, rows) : undefined
    if (shown !== undefined) return shown
    for (const [at, row] of rows.entries())
      for (const { name, event, vetoEvent } of subject.values) {
        if (vetoEvent === undefined || !isGesture(row.move)) continue
        const asked = row.heard.findIndex((one) => one.event === vetoEvent)
        const reported = row.heard.findIndex((one) => one.event === event)
        if (trail.setting !== 'vetoed') {
          const untimely = askedLate(rows, at, name, vetoEvent)
          if (untimely !== undefined) return untimely
          if (reported >= 0 && (asked < 0 || asked > reported))
            return {
              row: at,
              says: `${name} changes and nobody was asked`,
              expected: `heard ${vetoEvent}, then ${event}`,
              found: `heard ${row.heard.map((one) => one.event).join(', then ')}`,
            }
        } else if (
          asked >= 0 &&
          (reported >= 0 || (settlesEdits(row.move) && !equal(row.read[name], rows[0].read[name])))
        )
          return {
            row: at,
            says: `${name} changes against the veto of its owner`,
            expected: `${name} ${printed(rows[0].read[name])}, and nothing is reported`,
            found: `${name} ${printed(row.read[name])}${reported >= 0 ? `, and heard ${event}` : ''}`,
          }
      }
    return undefined
  },
})

const MOST_WAYS = 8

/** What was vetoed stands as it was, and looks as if it had been let pass. */
async function shownAgainstVeto(
  subject: Subject,
  { given, moves }: Trail,
  rows: readonly Row[],
): Promise<LeakAt | undefined> {
  const [first, last] = [rows[0] as Row, rows[moves.length]]
  const isAsked = rows.some(({ heard }) =>
    heard.some(({ event }) => subject.values.some((one) => one.vetoEvent === event)),
  )
  if (last === undefined || !isAsked || !equal(last.read, first.read) || samePicture(last.picture, first.picture))
    return undefined
  const passed = (await subject.play({ given, moves })).rows[moves.length]
  if (passed === undefined || equal(passed.read, first.read) || !samePicture(passed.picture, last.picture))
    return undefined
  return {
    row: moves.length,
    says: 'what its owner has vetoed is shown all the same',
    ...pictureDifference(first.picture, last.picture),
    cause: 'it is drawn before its owner was asked, and not drawn back',
  }
}

function isAsked({ values }: Subject, name: string): boolean {
  return values.some((value) => value.name === name && value.vetoEvent !== undefined)
}

/** It asks when it has changed already, or more than once for one change. */
function askedLate(rows: readonly Row[], at: number, name: string, vetoEvent: string): LeakAt | undefined {
  const row = rows[at]
  const asked = row?.heard.filter(({ event }) => event === vetoEvent) ?? []
  const before = rows[at - 1]?.read[name]
  const [first] = asked
  if (row === undefined || first === undefined) return undefined
  if (first.readThen !== undefined && before !== undefined && !equal(first.readThen, before))
    return {
      row: at,
      says: `${name} has changed already when it asks`,
      expected: `${name} ${printed(before)} as long as ${vetoEvent} is heard`,
      found: `${name} ${printed(first.readThen)}`,
      cause: 'the event is sent after the new value is taken',
    }
  // A text is asked about with each key.
  const isOne = isDone(row.move, 'press') || isDone(row.move, 'key')
  const reports = row.heard.filter((one) => one.value === name).length
  if (!isOne || asked.length <= Math.max(1, reports)) return undefined
  return {
    row: at,
    says: `it asks ${asked.length} times for one change of ${name}`,
    expected: `heard ${vetoEvent} once`,
    found: `heard it ${asked.length} times`,
  }
}

function isProposed({ applies }: ValueClause): boolean {
  return applies === 'when-told'
}

/** A value that applies when told waits for its owner, and shows until then what stands. */
async function unheededLeak(subject: Subject, rows: readonly Row[]): Promise<LeakAt | undefined> {
  for (const [at, row] of rows.entries())
    for (const { name } of subject.values.filter(isProposed)) {
      const [first] = rows
      if (first === undefined || !isGesture(row.move) || !settlesEdits(row.move)) continue
      if (!equal(row.read[name], first.read[name]))
        return {
          row: at,
          says: `${name} changes before its owner tells it`,
          expected: `${name} ${printed(first.read[name])}, until it is told`,
          found: `${name} ${printed(row.read[name])}`,
        }
      const proposed = row.heard.find((one) => one.value === name)
      if (proposed === undefined || samePicture(row.picture, first.picture)) continue
      // It may show that it waits for an answer, and not the answer.
      const taken = await subject.fresh({ ...row.held, [name]: proposed.payload })
      if (samePicture(row.picture, taken.picture))
        return {
          row: at,
          says: `${name} is shown changed before its owner tells it`,
          ...pictureDifference(first.picture, row.picture),
        }
    }
  return undefined
}
