import { accepts, equal, printed, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { drawnLines } from '../sight/picture.js'
import type { Played } from '../stage/played.js'
import type { Subject } from '../subject/subject.js'
import type { LeakAt } from './clause.js'
import { isNought } from './zero-shown.js'

const OTHERS = [1, 2, 3]

/** 0 looks like another number, where each other looks otherwise; or a box is ticked for every other value, and not for a nought. */
export async function zeroLooksLike(subject: Subject, { trail, rows: [row] }: Played): Promise<LeakAt | undefined> {
  if (trail.moves.length > 0) return undefined
  for (const value of subject.values) {
    const zero = trail.given[value.name]
    const linesOf = async (other: unknown) =>
      drawnLines((await subject.fresh({ ...trail.given, [value.name]: other })).picture)
    const shown = drawnLines(row.picture)
    if (zero === 0) {
      const others = OTHERS.filter((one) => mayStand(subject, value, trail.given, one))
      const lines = await Promise.all(others.map(linesOf))
      const isEachOther = lines.every((one, at) => !lines.some((other, place) => place !== at && equal(one, other)))
      const alike = lines.findIndex((one) => equal(one, shown))
      if (others.length > 2 && isEachOther && alike >= 0)
        return leakOf(
          value,
          zero,
          `shown as ${printed(others[alike])} is`,
          `shown otherwise than ${printed(others[alike])}`,
        )
    }
    if ((zero === 0 || isNought(zero)) && value.empty === null) {
      const others = subject.plain(value.name).filter((one) => one !== null && !equal(one, zero))
      const [one, other] = await Promise.all(others.slice(0, 2).map(async (each) => ticksIn(await linesOf(each))))
      const [now, none] = [ticksIn(shown), ticksIn(await linesOf(null))]
      if (one !== undefined && equal(one, other) && !equal(one, none) && equal(now, none))
        return leakOf(value, zero, 'shown with the box of none', 'the box as with any other')
    }
  }
  return undefined
}

function leakOf({ name }: ValueClause, zero: unknown, found: string, expected: string): LeakAt {
  return {
    row: 0,
    says: `${name} ${printed(zero)} is ${found}`,
    expected,
    found,
    cause: `${printed(zero)} is taken for missing`,
  }
}

function mayStand({ ideally }: Subject, { name, type }: ValueClause, given: Given, one: unknown): boolean {
  return accepts(type, one) && equal(ideally(name, { ...given, [name]: one }), one)
}

function ticksIn(lines: readonly string[]): string[] {
  return lines.flatMap((line) => /^\[[ x]\]/.exec(line)?.[0] ?? [])
}
