import { pictureText, type Picture } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { isGesture, isTell } from '../stage/trail.js'
import type { Given } from '../../mount/index.js'
import type { LeakAt } from './clause.js'

/** ECMA-262, section 7.1.17: what becomes of nothing, and of an object, where it is put into a text like anything else. */
const WORDS = /(?<!\w)(undefined|null|NaN|\[object \w+\])(?!\w)/

/** Nothing was told, and it is shown as the word that code has for it. */
export function toldAsAWord({ rows }: Played, isClearing: (move: { tell: Given }) => boolean): LeakAt | undefined {
  for (const [at, row] of rows.entries()) {
    const before = rows[at - 1]
    if (before === undefined || !isTell(row.move) || !isClearing(row.move)) continue
    const word = wordIn(row)
    if (word === undefined || word === wordIn(before)) continue
    const [name = ''] = Object.keys(row.move.tell)
    return leakAt(at, `${name} cannot be cleared by its owner`, word, row.picture)
  }
  return undefined
}

/** Something is shown as such a word once a person has done something, and was not before. */
export function turnsToAWord({ rows }: Played): LeakAt | undefined {
  for (const [at, row] of rows.entries()) {
    if (!isGesture(row.move)) continue
    const word = wordIn(row)
    if (word === undefined || rows.slice(0, at).some((before) => wordIn(before) === word)) continue
    return leakAt(at, 'what is missing is shown as a word of code', word, row.picture)
  }
  return undefined
}

/** The same at the mount, of what is not given there. */
export function mountedAsAWord({ rows: [row] }: Played): LeakAt | undefined {
  const word = wordIn(row)
  return word === undefined ? undefined : leakAt(0, 'what is not given is shown as a word of code', word, row.picture)
}

function leakAt(row: number, says: string, word: string, picture: Picture): LeakAt {
  return {
    row,
    says,
    expected: `shown without “${word}”`,
    found: `shown ${pictureText(picture)}`,
    cause: 'nothing is put into a text like any other value',
  }
}

/** The first such word that is shown; none where a text has it that its owner gave. */
function wordIn({ picture, held }: Row): string | undefined {
  if (WORDS.test(Object.values(held).filter(isText).join(' '))) return undefined
  return [...picture.lines, ...picture.live].map((line) => WORDS.exec(line)?.[1]).find(Boolean)
}

function isText(value: unknown): boolean {
  return typeof value === 'string'
}
