import { accepts, equal, isBelow } from '../contract/index.js'
import type { Clause, LeakAt } from './clauses/clause.js'
import type { Played, Row } from './stage/played.js'
import { isGesture, type Move } from './stage/trail.js'
import { holdsWhatIsGone } from './subject/among.js'
import type { Subject } from './subject/subject.js'
import { turnedOver } from './subject/views.js'
import type { Given } from '../mount/index.js'

/** What one trail says of one clause: a leak, nothing wrong, or why it says nothing. */
export interface Judged {
  readonly leak?: LeakAt
  readonly silent?: Silence
}

/** Why a trail says nothing, and what would make it speak. */
export interface Silence {
  readonly says: string
  readonly needs?: string
}

export async function judged(clause: Clause, subject: Subject, whole: Played): Promise<Judged> {
  const end = misledAt(subject, whole)
  const played = end < whole.rows.length ? upTo(whole, end) : whole
  const { rows } = played
  const at = rows.findIndex(
    (row) =>
      row.fault !== undefined ||
      row.unsettled !== undefined ||
      row.impossible !== undefined ||
      holdsCrossedBounds(subject, row.held) ||
      (clause.judgesGone !== true &&
        subject.values.some((value) => holdsWhatIsGone(value, row.held) && !isItsWord(row, value.name))),
  )
  const row = rows[at]
  if (row === undefined) {
    const leak = await leakOf(clause, subject, played)
    return leak === undefined && rows.length < whole.rows.length ? { silent: MISLED } : leakOr(leak)
  }
  if (at > 0) {
    const before = await leakOf(clause, subject, upTo(played, at))
    if (before !== undefined) return { leak: before }
  }
  if (row.impossible !== undefined)
    return { silent: { says: row.impossible, needs: 'A gesture of its own in caulker.config may reach it.' } }
  if (row.fault === undefined && row.unsettled === undefined)
    return {
      silent: {
        says: holdsCrossedBounds(subject, row.held)
          ? 'Its owner tells bounds that cross.'
          : 'Its owner holds a choice that is not in its list.',
      },
    }
  const isOnTrial = kindOf(row.move) === clause.onTrial && at === rows.length - 1
  if (row.fault !== undefined)
    return isOnTrial
      ? { leak: { row: at, says: 'it throws', expected: 'no error', found: row.fault } }
      : { silent: { says: `It throws (${row.fault}).`, needs: 'Mend that first.' } }
  if (row.unsettled === 'restless')
    return {
      silent: {
        says: 'It never settles: what it shows changes with every frame.',
        needs: 'Let it come to rest first.',
      },
    }
  return isOnTrial
    ? {
        leak: {
          row: at,
          says: 'it floods its owner with reports',
          expected: 'at most one report',
          found: `${row.heard.length} reports and more`,
        },
      }
    : { silent: { says: 'It floods its owner with reports.', needs: 'Mend that first.' } }
}

const MISLED: Silence = { says: 'It reports what its type does not allow.', needs: 'Mend that first.' }

/** How many rows there are up to one that reports what is off its type: what its owner holds and tells from there on is no measure. */
function misledAt({ values }: Subject, { rows }: Played): number {
  const at = rows.findIndex(({ heard }) =>
    heard.some(({ value, payload }) => {
      const of = values.find(({ name }) => name === value)
      return of !== undefined && !accepts(of.type, payload)
    }),
  )
  return at < 0 ? rows.length : at + 1
}

/** What comes before something is turned over is measured by fresh mounts as they are, and what comes after by those that are turned alike. */
async function leakOf(clause: Clause, subject: Subject, played: Played): Promise<LeakAt | undefined> {
  const parts = [{ row: 0, subject }, ...(await turnedOver(subject, played))]
  for (const [at, part] of parts.entries()) {
    const end = parts[at + 1]?.row
    const leak = await clause.judge(part.subject, end === undefined ? played : upTo(played, end))
    if (leak !== undefined && leak.row >= part.row) return leak
  }
  return undefined
}

function upTo({ trail, rows }: Played, end: number): Played {
  return { trail: { ...trail, moves: trail.moves.slice(0, end - 1) }, rows: rows.slice(0, end) as [Row, ...Row[]] }
}

/** What it has just reported, and holds otherwise itself, is no slip of its owner. */
function isItsWord({ move, heard, held, read }: Row, name: string): boolean {
  return isGesture(move) && heard.some(({ value }) => value === name) && !equal(held[name], read[name])
}

/** A least above the most that was told is the owner's own slip: nothing that a component makes of it is wrong. */
function holdsCrossedBounds({ values, names }: Subject, held: Given): boolean {
  const standing = (bound: unknown) => {
    const name = names.find((one) => one.name === bound)
    return name === undefined ? bound : (held[name.name] ?? name.default)
  }
  return values.some(({ bounds }) => {
    const [least, most] = [standing(bounds.least), standing(bounds.most)]
    const isTold = [bounds.least, bounds.most].some((bound) => typeof bound === 'string' && held[bound] !== undefined)
    return isTold && isBelow(most, least)
  })
}

function leakOr(leak: LeakAt | undefined): Judged {
  return leak === undefined ? {} : { leak }
}

function kindOf(move: Move | undefined): Clause['onTrial'] {
  if (move === undefined) return 'mount'
  if ('tell' in move || 'retell' in move || 'attribute' in move || 'undeclared' in move) return 'tell'
  if ('gesture' in move) return 'gesture'
  return 'command' in move ? 'command' : 'page'
}
