import { equal, printed, outsideText } from '../../contract/index.js'
import type { Played } from '../stage/played.js'
import type { Trail } from '../stage/trail.js'
import type { Subject, Way } from '../subject/subject.js'
import { isOnItsOwn } from './beside.js'
import type { LeakAt } from './clause.js'
import { retyped } from './ways-at-bounds.js'

/** What sets one of several numbers. */
export function* setBeside(subject: Subject): Iterable<Trail> {
  for (const { given, moves } of settingWays(subject)) yield { given, moves }
}

function settingWays({ ways, values }: Subject): Way[] {
  return values.length < 2
    ? []
    : ways.filter(({ plainly }) => [...plainly.values()].some((set) => typeof set === 'number'))
}

/** Whether a number that is set leaves standing another one that bounds it, or is bounded by it. */
export function stoodBeside(subject: Subject, { trail, rows }: Played): boolean {
  const way = settingWays(subject).find(({ given, moves }) => equal(given, trail.given) && equal(moves, trail.moves))
  const last = rows.at(-1)
  const [name] = way?.plainly.keys() ?? []
  return subject.values.some(
    (other) =>
      name !== undefined &&
      other.name !== name &&
      !isOnItsOwn(subject.values, other) &&
      !equal(rows[0].read[name], last?.read[name]) &&
      equal(rows[0].read[other.name], last?.read[other.name]),
  )
}

/** Another number comes to stand where this one was put, though it could have stayed: one end of a span takes the other along. */
export async function pushedAlong(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  const way = settingWays(subject).find(({ given, moves }) => equal(given, trail.given) && equal(moves, trail.moves))
  const [first, last] = [rows[0], rows.at(-1)]
  if (way === undefined || last === undefined || rows.length <= trail.moves.length) return undefined
  for (const [name, set] of way.plainly) {
    const other = subject.values.find(
      (value) =>
        value.name !== name &&
        equal(last.read[value.name], set) &&
        !equal(first.read[value.name], set) &&
        !equal(first.read[value.name], first.read[name]),
    )
    const stood = other && first.read[other.name]
    if (other === undefined || stood === undefined || stood === null) continue
    // What has to keep its order gives way where the other one gets past it.
    if (!isOnTheSameSide(first.read[name], set, stood)) continue
    const limits = subject.limits(other, { ...first.read, [name]: set })
    if (outsideText(stood, limits) !== undefined || (await isOf(subject, way, other.name, name))) continue
    return {
      row: rows.length - 1,
      says: `the edit of ${name} takes ${other.name} along`,
      expected: `${other.name} ${printed(stood)}`,
      found: `${other.name} ${printed(last.read[other.name])}`,
      cause: 'one end is set whichever of the two is moved',
    }
  }
  return undefined
}

/** Whether a control is there for one number and pushes the other: what lies between both it sets alone. */
async function isOf(subject: Subject, way: Way, name: string, pushed: string): Promise<boolean> {
  const [first] = (await subject.play({ given: way.given, moves: [] })).rows
  const [low, high] = [first.read[name], first.read[pushed]]
  if (typeof low !== 'number' || typeof high !== 'number') return false
  const between = String(Math.round((low + high) / 2))
  const { rows } = await subject.play({ given: way.given, moves: way.moves.map((move) => retyped(move, between)) })
  const last = rows.at(-1)
  return last !== undefined && !equal(last.read[name], low) && equal(last.read[pushed], high)
}

function isOnTheSameSide(before: unknown, now: unknown, beside: unknown): boolean {
  if (typeof before !== 'number' || typeof now !== 'number' || typeof beside !== 'number') return false
  return Math.sign(before - beside) === Math.sign(now - beside)
}
