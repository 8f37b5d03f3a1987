import { accepts, equal, printed, type CommandClause } from '../../contract/index.js'
import { allLines } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, isDone, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { enteredOutside } from './kept-outside.js'
import { isMarked } from './marked-outside.js'

/** The commands that show what is wrong, each in a form in which something has to be filled in and is not; and what is filled in then. */
export function* checkedInForm(subject: Subject): Iterable<Trail> {
  const { form, commands } = subject.contract
  yield* checkedOutside(subject)
  const value = subject.values.find(({ name }) => name === form?.value)
  if (form?.requiredBy === undefined || value?.empty === undefined) return
  const given = { ...subject.middle, [form.requiredBy]: true, [value.name]: value.empty }
  const filling = subject.ways.find(({ changes, text }) => changes.has(value.name) && text !== undefined && text !== '')
  for (const { name } of Object.values<CommandClause>(commands).filter(isCheck)) {
    const call = { command: name }
    yield { given, moves: [call], setting: 'form' }
    yield {
      given: { ...given, [value.name]: subject.middle[value.name] ?? value.empty },
      moves: [call],
      setting: 'form',
    }
    if (filling !== undefined)
      yield { given, moves: [call, ...filling.moves, gesture({ do: 'leave' })], setting: 'form' }
  }
}

/** The same, where what was entered is outside and marked. */
function* checkedOutside(subject: Subject): Iterable<Trail> {
  for (const { name } of Object.values<CommandClause>(subject.contract.commands).filter(isCheck))
    for (const value of subject.values.filter(isMarked))
      for (const { given, moves } of enteredOutside(subject, value))
        yield { given, moves: [...moves, { command: name }], setting: 'form' }
}

function isCheck({ effect }: CommandClause): boolean {
  return effect === 'check'
}

/** A command that gives whether all is right says the contrary of what its form says. */
export function givesTheContrary(subject: Subject, { trail }: Played, row: Row): LeakAt | undefined {
  const { move, gave } = row
  if (trail.setting !== 'form' || move === undefined || !('command' in move) || typeof gave !== 'boolean')
    return undefined
  const clauses: Readonly<Record<string, CommandClause>> = subject.contract.commands
  const { effect, gives } = clauses[move.command] ?? {}
  const { isValid } = row.around
  if (effect !== 'check' || gives === undefined || !accepts(gives, true) || isValid === undefined || isValid === gave)
    return undefined
  return {
    row: trail.moves.indexOf(move) + 1,
    says: `${move.command}() gives ${printed(gave)} while its form is ${isValid ? 'valid' : 'invalid'}`,
    expected: printed(isValid),
    found: printed(gave),
  }
}

/** What has been said to be wrong goes once it is put right. */
export async function stillWrong(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [before, checked] = rows
  const [move] = trail.moves
  const last = rows.at(-1)
  if (checked === undefined || last === undefined || move === undefined || !('command' in move)) return undefined
  if (
    rows.length <= trail.moves.length ||
    rows.length < 3 ||
    trail.setting !== 'form' ||
    !isDone(trail.moves.at(-1), 'leave')
  )
    return undefined
  if (checked.around.isValid !== false || last.around.isValid !== true) return undefined
  const said = texts(checked).filter((text) => !texts(before).includes(text))
  const fresh = await subject.fresh(last.held)
  const stays = said.find((text) => texts(last).includes(text) && !texts(fresh).includes(text))
  if (stays === undefined || equal(last.held, before.held)) return undefined
  return {
    row: rows.length - 1,
    says: 'it goes on showing what was wrong once that is put right',
    expected: `nothing of “${stays}”`,
    found: `shown “${stays}”`,
    cause: 'the message is set where it is checked, and taken away nowhere',
  }
}

/** Without what is written in fields: only messages are looked for. */
function texts({ picture }: Row): string[] {
  return [...allLines(picture), ...picture.live].filter((line) => !line.startsWith('['))
}
