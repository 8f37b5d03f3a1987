import { equal, printed } from '../../contract/index.js'
import type { Row } from '../stage/played.js'
import { clause } from './clause.js'
import { unlikeFresh, unlikeTwin } from './laws.js'
import { linesOnlyIn, samePicture } from '../sight/picture.js'
import { isGesture, isTell, tell, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { Given } from '../../mount/index.js'

/** Moved elsewhere in the page it goes on as before. */
export const survivesMove = clause({
  id: 'survives-move',
  group: 'life',
  promise: 'Taken out and put elsewhere in the page it looks as before, follows its owner, and reports each edit once.',
  why: 'Lists are sorted, panels are moved. A component that listens anew each time it is put in place reports twice, then three times; one that starts anew forgets what was entered.',
  tried: 'It is moved, once and twice, and then operated and told as a fresh one is.',
  unprovenWhen: 'It is no element of its own.',
  random: 'none',
  onTrial: 'page',
  needsElement: true,
  concerns: () => true,
  *trails(subject) {
    const moved = [{ place: 'another' }, { place: 'another' }] as const
    yield { given: subject.middle, moves: [moved[0]] }
    // What a person has entered goes along.
    for (const way of subject.chiefWays.slice(0, 2)) yield { given: way.given, moves: [...way.moves, moved[0]] }
    // What it was given as markup does not come back over what it holds by then.
    for (const { name, attribute, only } of subject.values) {
      const [first, other] = subject.plain(name)
      if (attribute === false || only !== undefined || other === undefined) continue
      const given = { ...subject.base, [name]: first }
      yield { given, moves: [tell({ [name]: other }), moved[0]], setting: 'attributes' }
    }
    for (const way of subject.chiefWays) yield { given: way.given, moves: [moved[0], ...way.moves] }
    // From where it stands by itself it may forget nothing, and have gone deaf all the same.
    for (const way of subject.chiefWays.slice(0, 1)) yield { given: subject.base, moves: [moved[0], ...way.moves] }
    for (const way of subject.chiefWays.slice(0, 1)) yield { given: way.given, moves: [...moved, ...way.moves] }
    for (const { name } of subject.tellable.slice(0, 3))
      for (const value of subject.plain(name).slice(0, 1))
        yield { given: subject.middle, moves: [moved[0], tell({ [name]: value })] }
  },
  proves: ({ ways }, { rows, trail }) =>
    ways.length === 0 || rows.some((row) => isGesture(row.move) && row.heard.length > 0) || trail.moves.some(isTell),
  async judge(subject, { rows, trail }) {
    const start = trail.moves.findIndex((move) => 'place' in move)
    const moves = start + trail.moves.filter((move) => 'place' in move).length
    const [first, moved] = [rows[start] as Row, rows[moves]]
    if (moved === undefined || start < 0) return undefined
    const lost = subject.values.find(({ name }) => !equal(moved.read[name], first.read[name]))
    if (lost !== undefined)
      return {
        row: moves,
        says: `it forgets ${lost.name} when it is moved`,
        expected: `${lost.name} ${printed(first.read[lost.name])}`,
        found: `${lost.name} ${printed(moved.read[lost.name])}`,
      }
    if (moved.heard.length > 0)
      return {
        row: moves,
        says: 'it reports because it was moved',
        expected: 'nothing is heard',
        found: `heard ${moved.heard.map(({ event }) => event).join(', ')}`,
      }
    const changed = unlikeFresh({ ...moved, held: first.held }, first, first)
    if (changed !== undefined) {
      if (await dropsUnfinished(subject, first, moved)) return undefined
      const unmoved = { ...trail, moves: trail.moves.slice(0, start) }
      const isOfTime = (await changesWithTime(subject, trail.given)) || (await goesByItself(subject, unmoved, moved))
      return isOfTime ? undefined : { row: moves, ...changed, says: 'it looks otherwise after it was moved' }
    }
    const rest = trail.moves.slice(moves)
    if (rest.length === 0) return undefined
    const twin = await subject.play({ given: trail.given, moves: rest })
    const leak = unlikeTwin(rows, twin.rows, moves)
    return (
      leak && {
        ...leak,
        says: isTell(rest[0])
          ? 'after it was moved it no longer follows its owner as before'
          : 'after it was moved the same gesture has another result',
      }
    )
  },
})

/** What stands in fields, and was not taken for anything, may give way to what it holds. */
async function dropsUnfinished(subject: Subject, { picture }: Row, moved: Row): Promise<boolean> {
  const gone = linesOnlyIn(picture, moved.picture)
  const isOfFields = gone.length > 0 && gone.every((line) => line.startsWith('['))
  return isOfFields && samePicture(moved.picture, (await subject.fresh(moved.held)).picture)
}

/** What is said for a while is gone after that while as well. */
async function goesByItself(subject: Subject, before: Trail, { picture }: Row): Promise<boolean> {
  const { rows } = await subject.play({ ...before, moves: [...before.moves, { wait: WHILE }] })
  const last = rows.at(-1)
  return rows.length > before.moves.length + 1 && last !== undefined && samePicture(last.picture, picture)
}

/** In milliseconds. */
const WHILE = 10_000

/** What looks otherwise after each move tells the time, and has forgotten nothing; what grows with each is drawn once more. */
async function changesWithTime(subject: Subject, given: Given): Promise<boolean> {
  const { rows } = await subject.play({ given, moves: [{ place: 'another' }, { place: 'another' }] })
  const [first, once, twice] = rows
  if (once === undefined || twice === undefined) return false
  return once.picture.lines.length <= first.picture.lines.length && !samePicture(once.picture, twice.picture)
}
