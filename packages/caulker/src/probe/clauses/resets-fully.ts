import { equal, printed, type CommandClause } from '../../contract/index.js'
import { clause } from './clause.js'
import { heardText, pictureDifference, showsAChange, walksFirst } from './laws.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { enteredOutside, isTakenOutside } from './kept-outside.js'
import { isGesture, tell, type Move } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { Given } from '../../mount/index.js'

/** Reset equals fresh. */
export const resetsFully = clause({
  id: 'resets-fully',
  group: 'reset and submit',
  promise:
    'After its reset command it looks and behaves as if it were freshly mounted, and its owner has heard what it became.',
  why: 'A reset that forgets a part leaves an old message, an old file name or half an edit for the next record.',
  tried: 'Reset after every edit that was found, finished and unfinished, and after tells; then the same edit again.',
  unprovenWhen: 'Nothing was found that changes the component before the reset.',
  random: 'none',
  onTrial: 'command',
  concerns: (contract) => Object.values<CommandClause>(contract.commands).some(isReset),
  *trails(subject) {
    for (const { name: reset } of Object.values<CommandClause>(subject.contract.commands).filter(isReset)) {
      const command: Move = { command: reset }
      for (const way of subject.ways) {
        yield { given: way.given, moves: [...way.moves, command] }
        for (const given of way.moves.length > 1 ? [way.given, subject.base] : [])
          yield { given, moves: [...way.moves.slice(0, 1), command] }
      }
      for (const value of subject.values.filter(isTakenOutside))
        for (const { given, moves } of enteredOutside(subject, value)) yield { given, moves: [...moves, command] }
      for (const { name, resetTo } of subject.values) {
        // What takes no tell is not told otherwise either.
        if (!subject.tellable.some((one) => one.name === name)) continue
        const [first, other] = subject.plain(name)
        for (const value of [first, other].filter((one) => one !== undefined))
          yield { given: subject.base, moves: [tell({ [name]: value }), command] }
        // What it was given first, and not its default.
        if (resetTo === 'initial' && other !== undefined)
          yield { given: { ...subject.base, [name]: first }, moves: [tell({ [name]: other }), command] }
      }
      // Where the focus has been walked to is no part of what is reset.
      for (const way of subject.ways)
        if (!walksFirst(way.moves)) yield { given: way.given, moves: [...way.moves, command, ...way.moves] }
    }
  },
  proves: (_, played) => showsAChange(played),
  async judge(subject, played) {
    const { trail, rows } = played
    const at = rows.findIndex(
      (row) =>
        row.move !== undefined &&
        'command' in row.move &&
        isReset(subject.contract.commands[row.move.command] as CommandClause),
    )
    const row = rows[at]
    if (row === undefined) return undefined
    const expectedGiven = afterReset(subject, trail.given, row.held)
    const fresh = await subject.fresh(expectedGiven)
    if (fresh.fault !== undefined || fresh.unsettled !== undefined) return undefined
    const unlike = subject.values.find(
      ({ name }) => row.read[name] !== undefined && !equal(row.read[name], fresh.read[name]),
    )
    if (unlike !== undefined)
      return {
        row: at,
        says: `${unlike.name} is not reset`,
        expected: `${unlike.name} ${printed(fresh.read[unlike.name])}`,
        found: `${unlike.name} ${printed(row.read[unlike.name])}`,
      }
    if (!samePicture(row.picture, fresh.picture))
      return { row: at, says: 'something that is shown is not reset', ...pictureDifference(fresh.picture, row.picture) }
    const unheard = subject.values.find(
      ({ name }) =>
        !row.heard.some((one) => one.value === name) &&
        !equal(row.held[name] ?? fresh.read[name], row.read[name] ?? fresh.read[name]),
    )
    if (unheard !== undefined)
      return {
        row: at,
        says: `its owner does not hear that ${unheard.name} was reset`,
        expected: `heard ${unheard.event} ${printed(row.read[unheard.name])}`,
        found: `nothing is heard, and the owner holds ${printed(row.held[unheard.name])}`,
      }
    return subject.values.every(({ name }) => equal(row.held[name] ?? row.read[name], row.read[name] ?? row.held[name]))
      ? editAgain(subject, played, at)
      : undefined
  },
})

/** The same edit after the reset has the same result as on a fresh component. */
async function editAgain(subject: Subject, { trail, rows }: Played, at: number) {
  const again = trail.moves.slice(at)
  const row = rows[at] as Row
  if (again.length === 0 || !again.every(isGesture)) return undefined
  const twin = await subject.play({ given: row.held, moves: again })
  for (let next = 1; next < twin.rows.length; next++) {
    const [expected, found] = [twin.rows[next] as Row, rows[at + next]]
    if (
      found === undefined ||
      found.impossible !== undefined ||
      expected.impossible !== undefined ||
      expected.fault !== undefined
    )
      return undefined
    if (heardText(expected) !== heardText(found))
      return {
        row: at + next,
        says: 'after the reset the same edit has another result than on a fresh component',
        expected: heardText(expected),
        found: heardText(found),
        cause: 'something inside still holds the last edit and sees no change',
      }
  }
  return undefined
}

/** What is given to a component that is as fresh as a reset one. */
function afterReset(subject: Subject, initial: Given, held: Given): Given {
  const values = subject.values.flatMap((value): [string, unknown][] => {
    if (value.resetTo === 'initial') return initial[value.name] === undefined ? [] : [[value.name, initial[value.name]]]
    return value.default === undefined ? [] : [[value.name, value.default]]
  })
  const names = new Set(subject.values.map((value) => value.name))
  return {
    ...Object.fromEntries(Object.entries(held).filter(([name]) => !names.has(name))),
    ...Object.fromEntries(values),
  }
}

function isReset(command: CommandClause): boolean {
  return command.effect === 'reset'
}
