import { equal, printed } from '../../contract/index.js'
import { samePicture } from '../sight/picture.js'
import type { Given } from '../../mount/index.js'
import { findControl, optionsOf, type ControlRef } from '../person/controls.js'
import type { Played, Row } from '../stage/played.js'
import { isDone, isTell, tell, type Move, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import { bringingUp } from '../subject/views.js'
import type { LeakAt } from './clause.js'

/** How many ways to bring something up are tried. */
const MOST_OPENERS = 3

/** A property is told while something is open that a press has brought up. What is edited there may well be a copy. */
export function* toldWhileOpen(subject: Subject): Iterable<Trail> {
  const edited = Object.values(subject.contract.drafts).map(({ of }) => of)
  // What is chosen may go with its entry when another list is told.
  const chosen = subject.values.filter(({ among }) => among !== undefined)
  const unchosen = Object.fromEntries(chosen.map((value) => [value.name, value.default]))
  for (const { given, opener } of openersOf(subject))
    for (const { name, kind } of subject.tellable) {
      const other = subject.plain(name).find((one) => !equal(one, given[name] ?? subject.middle[name]))
      if (kind === 'property' && other !== undefined && !edited.includes(name))
        yield { given: { ...given, ...unchosen }, moves: [opener, tell({ [name]: other })] }
    }
}

interface Opener {
  readonly given: Given
  readonly opener: Move
  /** The control whose list it may open. */
  readonly control: ControlRef
}

/** What brings something up by itself, and what is done before an entry is chosen. */
function openersOf(subject: Subject): Opener[] {
  const choosing = subject.ways.filter(({ moves: [first, then] }) => isDone(then, 'choose') && !isDone(first, 'choose'))
  const openers = [...bringingUp(subject), ...choosing].flatMap(({ given, moves: [opener], control }) =>
    opener === undefined ? [] : [{ given, opener, control }],
  )
  const isFirst = ({ opener }: Opener, at: number) => openers.findIndex((one) => equal(one.opener, opener)) === at
  return openers.filter(isFirst).slice(0, MOST_OPENERS)
}

/** Only what is open is looked at then: of the rest a fresh mount says nothing, since it is closed there. */
export function isToldWhileOpen(subject: Subject, trail: Trail): boolean {
  return isTell(trail.moves[1]) && [...toldWhileOpen(subject)].some((one) => equal(one, trail))
}

/** What is open stands as it stood, and comes up otherwise where the same was told before. */
export async function staysAsOpened(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [opener, told] = trail.moves
  const [closed, open, after] = rows
  if (opener === undefined || !isTell(told) || after === undefined) return undefined
  const [name, value] = Object.entries(told.tell)[0] ?? ['', undefined]
  if (open === undefined || !samePicture(open.picture, after.picture)) return undefined
  const before = await subject.play({ given: trail.given, moves: [told, opener] })
  const [, toldFirst, opened] = before.rows
  if (toldFirst === undefined || opened === undefined || [open, after, toldFirst, opened].some(isLoud)) return undefined
  const isOpened = !samePicture(closed.picture, open.picture) && !samePicture(opened.picture, toldFirst.picture)
  const comesOtherwise = isOpened && !samePicture(opened.picture, open.picture)
  if (!comesOtherwise && !(await offersWhatItOffered(subject, trail))) return undefined
  return {
    row: 2,
    says: `${name} is not followed while it is open`,
    expected: `what comes up where ${name} ${printed(value)} was told before`,
    found: 'what came up before it was told',
    cause: 'it is read when it is opened',
  }
}

/** An open list has the entries that it had, and others where the same was told before. */
async function offersWhatItOffered(subject: Subject, { given, moves: [opener, told] }: Trail): Promise<boolean> {
  const on = openersOf(subject).find((one) => equal(one.opener, opener))?.control
  if (on === undefined || opener === undefined || told === undefined) return false
  const entriesAfter = (moves: readonly Move[]) =>
    subject.lookAfter(given, moves, (container) => {
      const list = findControl(container, on)
      return list === undefined ? [] : optionsOf(list).map(({ textContent }) => textContent)
    })
  const [open, after, before] = [
    await entriesAfter([opener]),
    await entriesAfter([opener, told]),
    await entriesAfter([told, opener]),
  ]
  return (open ?? []).length > 0 && (before ?? []).length > 0 && equal(open, after) && !equal(open, before)
}

function isLoud({ heard, fault, impossible }: Row): boolean {
  return heard.some(({ value }) => value !== undefined) || fault !== undefined || impossible !== undefined
}
