import { equal, printed } from '../../contract/index.js'
import { samePicture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { isPress, isTell, tell, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import { bringingUp } from '../subject/views.js'
import type { LeakAt } from './clause.js'

/** How many presses that bring something up are tried. */
const MOST_OPENERS = 2

/** A property is told while something is open that a press has brought up. What is edited there may well be a copy. */
export function* toldWhileOpen(subject: Subject): Iterable<Trail> {
  const edited = Object.values(subject.contract.drafts).map(({ of }) => of)
  for (const { given, moves } of bringingUp(subject).slice(0, MOST_OPENERS))
    for (const { name, kind } of subject.tellable) {
      const other = subject.plain(name).find((one) => !equal(one, given[name] ?? subject.middle[name]))
      if (kind === 'property' && other !== undefined && !edited.includes(name))
        yield { given, moves: [...moves, tell({ [name]: other })] }
    }
}

/** Only what is open is looked at then: of the rest a fresh mount says nothing, since it is closed there. */
export function isToldWhileOpen(subject: Subject, trail: Trail): boolean {
  return isPress(trail.moves) && [...toldWhileOpen(subject)].some((one) => equal(one, trail))
}

/** What is open stands as it stood, and comes up otherwise where the same was told before. */
export async function staysAsOpened(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const [opener, told] = trail.moves
  const [closed, open, after] = rows
  if (opener === undefined || !isTell(told) || after === undefined) return undefined
  const [name, value] = Object.entries(told.tell)[0] ?? ['', undefined]
  if (open === undefined || samePicture(closed.picture, open.picture) || !samePicture(open.picture, after.picture))
    return undefined
  const before = await subject.play({ given: trail.given, moves: [told, opener] })
  const [, toldFirst, opened] = before.rows
  if (toldFirst === undefined || opened === undefined || [open, after, toldFirst, opened].some(isLoud)) return undefined
  if (samePicture(opened.picture, open.picture) || samePicture(opened.picture, toldFirst.picture)) return undefined
  return {
    row: 2,
    says: `${name} is not followed while it is open`,
    expected: `what comes up where ${name} ${printed(value)} was told before`,
    found: 'what came up before it was told',
    cause: 'it is read when it is opened',
  }
}

function isLoud({ heard, fault, impossible }: Row): boolean {
  return heard.some(({ value }) => value !== undefined) || fault !== undefined || impossible !== undefined
}
