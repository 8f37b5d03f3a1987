import { equal, printed } from '../../contract/index.js'
import { clause } from './clause.js'
import { linesOfEdit, linesShowing } from './laws.js'
import { allLines, linesText, pictureText } from '../sight/picture.js'
import { isTell, tell } from '../stage/trail.js'

/** An owner that tells the old value back after an edit is followed. */
export const ownerDecides = clause({
  id: 'owner-decides',
  group: 'both ways',
  promise: 'The owner has the last word: told the old value after an edit, it holds and shows the old value.',
  why: 'An owner that refuses or corrects an edit answers with a tell. A component that keeps its own copy goes on showing what was refused.',
  tried: 'After everything that a person can do, the owner tells what stood before.',
  unprovenWhen: 'No control was found that changes a two-way value.',
  random: 'none',
  onTrial: 'tell',
  concerns: ({ values }) => Object.values<{ lastWord: string }>(values).some(({ lastWord }) => lastWord === 'owner'),
  *trails(subject) {
    for (const way of subject.chiefWays)
      for (const name of way.changes) {
        const value = subject.values.find((one) => one.name === name)
        const before = way.given[name] ?? value?.default
        if (value?.lastWord === 'owner' && before !== undefined)
          yield { given: { ...way.given, [name]: before }, moves: [...way.moves, tell({ [name]: before })] }
      }
  },
  proves: (_subject, { rows }) => rows.some(({ heard }) => heard.length > 0),
  async judge(subject, played) {
    const { rows } = played
    const at = rows.length - 1
    const row = rows[at]
    if (row === undefined || !isTell(row.move)) return undefined
    for (const [name, told] of Object.entries(row.move.tell)) {
      if (!equal(subject.ideally(name, row.held), told) || !equal(rows[0].read[name], told)) continue
      // Where they did not agree before, the report is to blame.
      if (!equal(rows[at - 1]?.held[name], rows[at - 1]?.read[name])) continue
      if (!equal(row.read[name], told))
        return {
          row: at,
          says: `it keeps its own ${name} against what its owner tells`,
          expected: `${name} ${printed(told)}`,
          found: `${name} ${printed(row.read[name])}`,
        }
      const missing = (await linesShowing(subject, row.held, name)).filter(
        (line) => !allLines(row.picture).includes(line),
      )
      if (missing.length > 0)
        return {
          row: at,
          says: `it goes on showing the edit of ${name} that its owner took back`,
          expected: linesText(missing),
          found: `shown ${pictureText(row.picture)}`,
        }
      if (equal(rows[at - 1]?.held[name], told)) continue
      const kept = (await linesOfEdit(subject, played, at - 1)).filter((line) => allLines(row.picture).includes(line))
      if (kept.length > 0)
        return {
          row: at,
          says: `it goes on showing the edit of ${name} that its owner took back`,
          expected: `shown without “${kept.join(' · ')}”`,
          found: linesText(kept),
          cause: 'what is told is taken, and not shown',
        }
    }
    return undefined
  },
})
