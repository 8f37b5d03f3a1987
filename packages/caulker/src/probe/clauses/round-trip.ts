import { equal, printed } from '../../contract/index.js'
import { clause } from './clause.js'
import { settlesEdits } from '../stage/trail.js'
import { otherThanShown, typedAsShown } from './as-shown.js'

/** What it reports, it takes when it is told. */
export const roundTrip = clause({
  id: 'round-trip',
  group: 'both ways',
  promise:
    'What it reports is what it takes: a fresh one that is given the report holds the same; and what its field shows of a value comes to the same when it is typed again.',
  why: 'A report is saved, loaded and given back. A component that sends one form and takes another shows something else after a reload.',
  tried:
    'Each value that was reported is given to a fresh mount, which is read; what a field shows of a value while somebody is in it is typed over another one, fractions, 0 and nothing among them, and again where it is one part of several.',
  unprovenWhen: 'Nothing was reported.',
  random: 'any',
  onTrial: 'gesture',
  concerns: ({ values }) => Object.keys(values).length > 0,
  async *trails(subject) {
    for (const way of subject.ways) yield { given: way.given, moves: way.moves }
    yield* typedAsShown(subject)
  },
  proves: (_subject, { rows }) => rows.some(({ heard }) => heard.some(({ value }) => value !== undefined)),
  async judge(subject, played) {
    const { rows } = played
    const other = await otherThanShown(subject, played)
    if (other !== undefined) return other
    for (const [at, row] of rows.entries()) {
      const last = row.heard.findLast(({ value }) => value !== undefined)
      if (last?.value === undefined || !settlesEdits(row.move) || !equal(row.read[last.value], last.payload)) continue
      const given = { ...row.held, [last.value]: last.payload }
      if (!equal(subject.ideally(last.value, given), last.payload)) continue
      const fresh = await subject.fresh(given)
      if (fresh.fault !== undefined || fresh.unsettled !== undefined || fresh.read[last.value] === undefined) continue
      if (!equal(fresh.read[last.value], last.payload))
        return {
          row: at,
          says: `what it reports as ${last.value} it does not take back`,
          expected: `a fresh one holds ${printed(last.payload)}`,
          found: `a fresh one holds ${printed(fresh.read[last.value])}`,
        }
    }
    return undefined
  },
})
