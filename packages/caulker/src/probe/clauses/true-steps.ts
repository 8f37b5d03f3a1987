import { printed, valueClauses, outsideText } from '../../contract/index.js'
import { clause } from './clause.js'
import { settlesEdits } from '../stage/trail.js'

/** Steps add up. */
export const trueSteps = clause({
  id: 'true-steps',
  group: 'bounds',
  promise: 'Steps add up: three steps of 0.1 from 0 make 0.3, by every control.',
  why: 'Sums of broken numbers are not exact: 0.30000000000000004 is shown, saved, and never equal to what another field holds.',
  tried: 'Each control that steps is operated three times with a broken step.',
  unprovenWhen: 'No value has a step that may be broken, or no control steps it.',
  random: 'none',
  onTrial: 'gesture',
  concerns: (contract) => valueClauses(contract).some(({ step }) => step !== undefined),
  *trails(subject) {
    for (const value of subject.values) {
      if (value.step === undefined || value.outside === 'keep') continue
      for (const step of [0.1, 0.3]) {
        const given = typeof value.step === 'string' ? { ...subject.base, [value.step]: step } : subject.base
        if (typeof value.step === 'string' ? subject.ideally(value.step, given) !== step : Number.isInteger(value.step))
          continue
        const { least } = subject.limits(value, given)
        const base = typeof least === 'number' ? least : 0
        const starts = [base, base + 10 * step].map((start) =>
          subject.ideally(value.name, { ...given, [value.name]: start }),
        )
        for (const way of subject.ways)
          for (const start of starts)
            if (way.changes.has(value.name) && way.text === undefined)
              yield { given: { ...given, [value.name]: start }, moves: [...way.moves, ...way.moves, ...way.moves] }
      }
    }
  },
  proves: (_subject, { rows }) => rows.some(({ heard }) => heard.length > 0),
  judge(subject, { rows }) {
    for (const [at, row] of rows.entries())
      for (const value of subject.values) {
        const reported = row.heard.findLast((one) => one.value === value.name)?.payload
        const stands = reported ?? row.read[value.name]
        if (at === 0 || value.step === undefined || stands === undefined || !settlesEdits(row.move)) continue
        const outside = outsideText(stands, subject.limits(value, row.held))
        if (outside?.includes('between two steps') === true)
          return {
            row: at,
            says: `the steps of ${value.name} do not add up`,
            expected: 'a whole number of steps',
            found: `${value.name} ${printed(stands)}`,
            cause: 'broken numbers are added up; round to the decimals of the step',
          }
      }
    return undefined
  },
})
