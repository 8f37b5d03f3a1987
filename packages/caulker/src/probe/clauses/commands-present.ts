import { accepts, equal, printed, type CommandClause } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { pictureDifference } from './laws.js'
import { samePicture } from '../sight/picture.js'
import type { Row } from '../stage/played.js'
import { callText } from '../stage/trail.js'
import { heedsNothing, reportsWhatStands, withSeveral } from './told-by-command.js'
import { checkedInForm, givesTheContrary, stillWrong } from './what-is-wrong.js'
import { knowsForms } from '../subject/forms.js'
import type { Subject } from '../subject/subject.js'

/** Every command of the contract can be called, and gives what it says. */
export const commandsPresent = clause({
  id: 'commands-present',
  group: 'commands',
  promise:
    'Every command of its contract is there, can be called, has the effect that it names, reports what it changes, and gives what its contract says.',
  why: 'The call throws when a person gets there, or gives something else, and whatever its owner still had to do is not done.',
  tried:
    'Each command is called on an ordinary mount and on mounts with other values; one that takes something, with several ordinary values; what it changes is looked for in its reports, and in what is shown. What shows what is wrong is called in a form, and what is missing is filled in then.',
  unprovenWhen: 'No value could be made of what its commands take.',
  random: 'none',
  onTrial: 'command',
  concerns: ({ commands }) => Object.keys(commands).length > 0,
  *trails(subject) {
    for (const call of subject.calls) yield { given: subject.middle, moves: [call] }
    // What a command does may be what stands already.
    for (const call of subject.calls)
      for (const { name } of subject.values)
        for (const other of subject.plain(name).slice(0, 3))
          if (!equal(subject.middle[name], other)) yield { given: { ...subject.middle, [name]: other }, moves: [call] }
    yield* checkedInForm(subject)
    yield* withSeveral(subject)
  },
  async judge(subject, played) {
    const { rows, trail } = played
    const { commands } = subject.contract
    const wrong = (await stillWrong(subject, played)) ?? (await heedsNothing(subject, played))
    if (wrong !== undefined) return wrong
    for (const [at, row] of rows.entries()) {
      const { move, gave } = row
      if (move === undefined || !('command' in move)) continue
      const clauses: Readonly<Record<string, CommandClause>> = commands
      const idle = idleEffect(
        clauses[move.command]?.effect,
        row,
        rows[at - 1] ?? row,
        trail.setting,
        takesFocus(subject),
      )
      if (idle !== undefined)
        return { row: at, says: `${callText(move)} ${idle.says}`, expected: idle.expected, found: idle.found }
      const contrary = givesTheContrary(subject, played, row)
      if (contrary !== undefined) return contrary
      const idly = reportsWhatStands(row, rows[at - 1] ?? row)
      if (idly !== undefined) return { row: at, ...idly }
      const silent =
        clauses[move.command]?.reports === true ? changedInSilence(subject, row, rows[at - 1] ?? row) : undefined
      if (silent !== undefined)
        return {
          row: at,
          says: `${callText(move)} changes ${silent}, and does not report it`,
          expected: `heard ${subject.contract.values[silent]?.event ?? ''} ${printed(row.read[silent])}`,
          found: 'nothing is heard',
        }
      const unseen = await changedUnseen(subject, row, rows[at - 1] ?? row)
      if (unseen !== undefined)
        return {
          row: at,
          says: `${callText(move)} changes ${unseen.name}, and what is shown stays as it was`,
          ...unseen.unlike,
          cause: 'what is held is changed, and not drawn',
        }
      if (!Object.hasOwn(row, 'gave')) continue
      const gives = clauses[move.command]?.gives
      if (gives !== undefined && !accepts(gives, gave))
        return {
          row: at,
          says: `${callText(move)} gives something else than its contract says`,
          expected: 'a value of the type that it gives',
          found: printed(gave),
        }
    }
    return undefined
  },
})

/** The value that a command has changed, and of which its owner still holds the old one. */
function changedInSilence(subject: Subject, row: Row, before: Row): string | undefined {
  return subject.values.find(
    ({ name }) =>
      row.read[name] !== undefined &&
      equal(before.read[name], before.held[name]) &&
      !equal(row.read[name], before.read[name]) &&
      !row.heard.some(({ value }) => value === name),
  )?.name
}

/** The value that a command has changed, where nothing that is shown has, and a fresh mount with it shows something else. */
async function changedUnseen(
  subject: Subject,
  row: Row,
  before: Row,
): Promise<{ name: string; unlike: Pick<LeakAt, 'expected' | 'found'> } | undefined> {
  const changed = subject.values.find(({ name }) => !equal(row.read[name], before.read[name]))
  if (changed === undefined || !samePicture(row.picture, before.picture)) return undefined
  if (subject.values.some(({ name }) => row.read[name] !== undefined && !equal(row.read[name], row.held[name])))
    return undefined
  const fresh = await subject.fresh(row.held)
  if ((fresh.fault ?? fresh.unsettled) !== undefined || samePicture(fresh.picture, row.picture)) return undefined
  return { name: changed.name, unlike: pictureDifference(fresh.picture, row.picture) }
}

/** A command that is to take the focus or to show what is wrong, and does not. */
function idleEffect(
  effect: CommandClause['effect'],
  row: Row,
  before: Row,
  setting: string | undefined,
  isOperable: boolean,
): { says: string; expected: string; found: string } | undefined {
  if (effect === 'focus' && isOperable && !row.around.hasFocus)
    return { says: 'does not take the focus', expected: 'the focus inside it', found: 'the focus elsewhere' }
  // A message is often said in a live region, which is otherwise no part of how it looks.
  const isSaid = !equal(row.picture.live, before.picture.live)
  const isShown = row.around.isValid !== undefined && (isSaid || !samePicture(row.picture, before.picture))
  const isWrong = effect === 'check' && setting === 'form' && row.around.isValid === false
  return isWrong && !isShown && !row.around.hasFocus
    ? {
        says: 'does not show what is wrong',
        expected: 'something that is shown, or the focus on it',
        found: 'nothing changes',
      }
    : undefined
}

/** Whether there is something to focus; what the platform does for a shadow tree is left to a real browser. */
function takesFocus(subject: Subject): boolean {
  const { define, document, controls } = subject
  const isOwn = define === undefined || define.prototype.focus !== document.defaultView?.HTMLElement.prototype.focus
  return controls.length > 0 && (isOwn || knowsForms(subject))
}
