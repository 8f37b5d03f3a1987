import { printed } from '../../contract/index.js'
import type { Played, Row } from '../stage/played.js'
import { isDone, type Move, type Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** In how many parts the time passes in which a report is held back, and for how many of them is looked. */
const PARTS = 16
const MOST_LOOKS = 24
/** How long a look itself takes at the least, in milliseconds: two frames. */
const LOOK = 32

/** A text is typed, and another one when half of the time has passed after which the first would be reported. */
export async function* typedOn(subject: Subject): AsyncIterable<Trail> {
  for (const { name, within } of subject.values.filter((value) => value.within > 0)) {
    const typed = subject.ways.filter(({ moves: [first], changes }) => changes.has(name) && isDone(first, 'type'))
    const one = typed.find(({ text = '' }) => text.length > 1)
    const other = typed.find(({ text = '' }) => text.length > 1 && text !== one?.text)
    if (one === undefined || other === undefined) continue
    const [first, second] = [one.moves[0] as Move, other.moves[0] as Move]
    const usual = await looksUntilHeard(subject, one.given, first, { name, within })
    const half = bits(within, Math.floor(usual / 2))
    if (usual >= LEAST_LOOKS)
      yield { given: one.given, moves: [first, ...half, second, ...bits(within, MOST_LOOKS)], hasty: true }
  }
}

/** Where it speaks sooner than this nothing can come in between. */
const LEAST_LOOKS = 3

/** How often is looked after a text was typed until it is reported; less than 0 where it never is. */
async function looksUntilHeard(
  subject: Subject,
  given: Trail['given'],
  typed: Move,
  { name, within }: { readonly name: string; readonly within: number },
): Promise<number> {
  const { rows } = await subject.play({ given, moves: [typed, ...bits(within, MOST_LOOKS)], hasty: true })
  return rows.slice(1).findIndex((row) => heardIn(row, name).length > 0)
}

function bits(within: number, count: number): Move[] {
  return Array.from({ length: count }, () => ({ wait: Math.max(1, Math.ceil(within / PARTS) - LOOK) }))
}

function heardIn(row: Row, name: string): Row['heard'] {
  return row.heard.filter(({ value }) => value === name)
}

/** One report once the keys rest: none for each key, and none while somebody goes on. */
export async function notHeldBack(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  for (const { name, event, within } of subject.values) {
    if (within === 0) continue
    const at = rows.findIndex(({ move }) => isDone(move, 'type'))
    const all = at < 0 ? [] : heardIn(rows[at] as Row, name)
    if (all.length > 1)
      return {
        row: at,
        says: `it reports ${name} ${all.length} times while one text is typed`,
        expected: `heard ${event} ${printed(all.at(-1)?.payload)} once, when the keys rest`,
        found: `heard ${event} ${all.map(({ payload }) => printed(payload, 20)).join(', then ')}`,
        cause: 'nothing is held back: each key is reported by itself',
      }
    const second = trail.moves.findIndex((move, place) => place > 0 && isDone(move, 'type'))
    const [first] = trail.moves
    if (trail.hasty !== true || second < 0 || first === undefined || rows.length <= trail.moves.length) continue
    const usual = await looksUntilHeard(subject, trail.given, first, { name, within })
    const since = rows.slice(second + 1).findIndex((row) => heardIn(row, name).length > 0)
    if (usual < LEAST_LOOKS || since < 0 || since > usual - 2) continue
    return {
      row: second + 1 + since,
      says: `it reports ${name} while somebody still types`,
      expected: `heard ${event} ${within} ms after the last key`,
      found: 'heard sooner after it than after the first',
      cause: 'its time runs from the first key, and does not begin anew with each',
    }
  }
  return undefined
}
