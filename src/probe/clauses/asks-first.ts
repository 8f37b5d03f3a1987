import { equal, printed, valueClauses } from '../../contract/index.js'
import { clause } from '../clause.js'
import { isGesture, settlesEdits } from '../story.js'

/** A value that asks before it changes asks, and keeps to the answer. */
export const asksFirst = clause({
  id: 'asks-first',
  group: 'bounds',
  promise: 'Before it changes it asks, and where its owner vetoes, nothing changes and nothing is reported.',
  why: 'A veto that comes too late, or is not listened to, leaves a choice standing that was never allowed.',
  tried:
    'Everything that a person can do, under an owner that lets everything pass and under one that vetoes everything.',
  unprovenWhen: 'No control was found that changes the value.',
  random: 'none',
  onTrial: 'gesture',
  concerns: (contract) => valueClauses(contract).some(({ vetoEvent }) => vetoEvent !== undefined),
  *stories(subject) {
    for (const way of subject.chiefWays) {
      yield { given: way.given, moves: way.moves }
      yield { given: way.given, moves: way.moves, setting: 'vetoed' }
    }
  },
  judge(subject, { rows, story }) {
    for (const [at, row] of rows.entries())
      for (const { name, event, vetoEvent } of subject.values) {
        if (vetoEvent === undefined || !isGesture(row.move)) continue
        const asked = row.heard.findIndex((one) => one.event === vetoEvent)
        const reported = row.heard.findIndex((one) => one.event === event)
        if (story.setting !== 'vetoed') {
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
