import { equal, printed, type ValueClause } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { linesOfEdit, linesShowing } from './laws.js'
import { areOfACursor } from './only-a-cursor.js'
import { allLines, linesText, pictureText } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import { isGesture, isTell, tell, trailKey } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'

/** An owner that tells the old value back after an edit is followed. */
export const ownerDecides = clause({
  id: 'owner-decides',
  group: 'both ways',
  promise: 'The owner has the last word: told the old value after an edit, it holds and shows the old value.',
  why: 'An owner that refuses or corrects an edit answers with a tell. A component that keeps its own copy goes on showing what was refused.',
  tried: 'After everything that a person can do, the owner tells what stood before, of each value that has changed.',
  unprovenWhen: 'No control was found that changes a two-way value.',
  random: 'none',
  onTrial: 'tell',
  concerns: ({ values }) => Object.values<{ lastWord: string }>(values).some(({ lastWord }) => lastWord === 'owner'),
  *trails(subject) {
    for (const way of subject.chiefWays)
      for (const name of way.changes) {
        const value = subject.values.find((one) => one.name === name)
        const before = way.given[name] ?? value?.default
        // What changes several values is taken back as a whole.
        const others = [...way.changes].flatMap((one) => oldOf(subject, way, one))
        if (value?.lastWord === 'owner' && before !== undefined)
          yield {
            given: { ...way.given, [name]: before },
            moves: [...way.moves, tell({ [name]: before, ...Object.fromEntries(others) })],
          }
      }
    for (const value of subject.values)
      for (const way of subject.ways)
        if (isStep(way, value.name) && value.lastWord === 'owner')
          for (const told of subject.plain(value.name).slice(0, 2))
            if (!equal(told, way.given[value.name]))
              yield { given: way.given, moves: [tell({ [value.name]: told }), ...way.moves] }
  },
  proves: (_subject, { rows }) => rows.some(({ heard }) => heard.length > 0),
  async judge(subject, played) {
    const { rows } = played
    const at = rows.length - 1
    const row = rows[at]
    if (isTell(rows[1]?.move)) return stepsFromItsOwn(subject, played)
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
      // Who has turned to another page meanwhile sees no more there than before the edit.
      const before = rows.slice(0, at).findLast(({ read }) => equal(read[name], told)) ?? rows[0]
      const missing = (await linesShowing(subject, row.held, name)).filter(
        (line) => allLines(before.picture).includes(line) && !allLines(row.picture).includes(line),
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
      if (kept.length > 0 && !(await isCursorOf(subject, played, kept)))
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

/** Whether what stays is only the mark on which keys stand in a list. */
async function isCursorOf(subject: Subject, { trail }: Played, kept: readonly string[]): Promise<boolean> {
  const done = trailKey(trail.moves.slice(0, -1))
  const way = subject.ways.find(({ moves }) => trailKey(moves) === done)
  return way !== undefined && areOfACursor(subject, { ...way, given: trail.given }, kept)
}

/** What stood there before an edit, where its owner can tell it back. */
function oldOf({ values }: Subject, { given }: Way, name: string): [string, unknown][] {
  const value = values.find((one) => one.name === name)
  const before = given[name] ?? value?.default
  return value?.lastWord === 'owner' && before !== undefined ? [[name, before]] : []
}

/** A button or a key that was seen to change the value, without a text. */
function isStep({ changes, text, control, moves }: Way, name: string): boolean {
  const [first] = moves
  const how = isGesture(first) ? first.gesture.do : undefined
  // What moves another along may be a step of that one.
  const isOwn = changes.has(name) && changes.size === 1
  return isOwn && text === undefined && control.kind !== 'component' && (how === 'press' || how === 'key')
}

/** A step that comes to the same from wherever its owner has put the value, and goes on when it is made once more. */
async function stepsFromItsOwn(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const told = rows[1]
  const moves = trail.moves.slice(1)
  const name = isTell(told?.move) ? (Object.keys(told.move.tell)[0] ?? '') : ''
  const came = rows.at(-1)?.read[name]
  if (told === undefined || rows.length <= moves.length + 1 || came === undefined || equal(came, told.read[name]))
    return undefined
  const more = await subject.play({ given: trail.given, moves: [...moves, ...moves, ...moves] })
  const [from, first, second, third] = [0, 1, 2, 3].map((times) => more.rows[times * moves.length]?.read[name])
  // A step goes on, and as far each time; what is chosen, turned or toggled does not.
  if (typeof first !== 'number' || typeof second !== 'number' || typeof third !== 'number') return undefined
  if (first === second || Math.abs(third - second - (second - first)) > 1e-9) return undefined
  if (!equal(first, came) || equal(told.read[name], from)) return undefined
  const { least, most } = subject.limits(subject.values.find((one) => one.name === name) as ValueClause, told.held)
  if (equal(came, least) || equal(came, most)) return undefined
  return {
    row: rows.length - 1,
    says: `a step of ${name} starts from another value than its owner told`,
    expected: `a step from ${printed(told.read[name])}`,
    found: `${name} ${printed(came)}, as from ${printed(from)}`,
    cause: 'it keeps a copy of its own, and steps from that',
  }
}
