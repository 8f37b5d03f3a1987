import { accepts, equal, printed, type ReadingClause } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { settlesEdits, tell } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'

/** A reading says what it is computed from, and says it now. */
export const readingsAgree = clause({
  id: 'readings-agree',
  group: 'both ways',
  promise: 'Each reading is of its type, and always what a fresh mount with the same says, however that came to be.',
  why: 'A total that is summed up at the mount, or only where somebody edits, is sent with an order that says something else.',
  tried:
    'Whatever it may be computed from is told and edited; each reading is compared with that of a fresh mount which is given what its owner now holds.',
  unprovenWhen: 'Its readings do not say what they are computed from, or nothing changes them.',
  random: 'any',
  onTrial: 'tell',
  concerns: ({ readings }) => Object.keys(readings).length > 0,
  *trails(subject) {
    yield { given: subject.middle, moves: [] }
    for (const { name } of subject.tellable)
      for (const value of subject.plain(name)) yield { given: subject.middle, moves: [tell({ [name]: value })] }
    for (const way of subject.chiefWays) yield { given: way.given, moves: way.moves }
  },
  proves: (_subject, { rows }) =>
    rows.some((row) => Object.keys(row.readings).some((name) => !equal(row.readings[name], rows[0].readings[name]))),
  async judge(subject, { rows, trail }) {
    const readings = Object.values<ReadingClause>(subject.contract.readings)
    const deaf = trail.moves.length === 0 ? await deafReading(subject, readings) : undefined
    if (deaf !== undefined) return deaf
    for (const [at, row] of rows.entries()) {
      const misshapen = readings.find(({ name, type }) => !accepts(type, row.readings[name]))
      if (misshapen !== undefined)
        return {
          row: at,
          says: `its reading ${misshapen.name} is not of its type`,
          expected: `${misshapen.name} of the type that its contract says`,
          found: `${misshapen.name} ${printed(row.readings[misshapen.name])}`,
        }
      if (at === 0 || !settlesEdits(row.move)) continue
      // What owner and component do not agree on is the affair of other clauses.
      if (subject.names.some(({ name }) => row.held[name] !== undefined && !equal(row.held[name], row.read[name])))
        return undefined
      const early = readings.find(({ name, from }) =>
        row.heard.some(
          ({ value, payload, readingsThen }) =>
            from.includes(value ?? '') &&
            equal(payload, row.read[value ?? '']) &&
            !equal(readingsThen[name], row.readings[name]),
        ),
      )
      if (early !== undefined)
        return {
          row: at,
          says: `its reading ${early.name} is still the old one when the change is reported`,
          expected: `${early.name} ${printed(row.readings[early.name])}`,
          found: 'another, as long as its owner hears of the change',
          cause: 'the report is sent before it is computed anew',
        }
      const fresh = await subject.fresh(row.held)
      if (fresh.fault !== undefined || fresh.unsettled !== undefined) return undefined
      const stale = readings.find(
        ({ name, from }) => from.length > 0 && !equal(fresh.readings[name], row.readings[name]),
      )
      if (stale !== undefined)
        return {
          row: at,
          says: `its reading ${stale.name} says something else than a fresh mount with the same`,
          expected: `${stale.name} ${printed(fresh.readings[stale.name])}`,
          found: `${stale.name} ${printed(row.readings[stale.name])}`,
          cause: `it is not computed anew where ${stale.from.join(' or ')} changes`,
        }
    }
    return undefined
  },
})

/** A number that is computed from several names, and is the same whatever one of them is. */
async function deafReading(subject: Subject, readings: readonly ReadingClause[]): Promise<LeakAt | undefined> {
  for (const { name: reading, type, from } of readings) {
    const kind = (type as { type?: unknown }).type
    if (from.length < 2 || (kind !== 'number' && kind !== 'integer')) continue
    const counts = new Map<string, number>()
    for (const name of from) {
      const said = new Set<unknown>()
      const given = severalOf(subject, name)
      for (const value of given) {
        const fresh = await subject.fresh({ ...subject.middle, [name]: value })
        if ((fresh.fault ?? fresh.unsettled) !== undefined) return undefined
        said.add(fresh.readings[reading])
      }
      if (given.length >= ENOUGH) counts.set(name, said.size)
    }
    const deaf = [...counts].find(([, count]) => count === 1)?.[0]
    if (deaf === undefined || ![...counts.values()].some((count) => count > 1)) continue
    if (await hearsElsewhere(subject, reading, deaf, from)) continue
    const { [reading]: said } = (await subject.fresh(subject.middle)).readings
    return {
      row: 0,
      says: `its reading ${reading} is the same whatever ${deaf} is`,
      expected: `another ${reading} with another ${deaf}: it is computed from it`,
      found: `${reading} ${printed(said)} with each of ${severalOf(subject, deaf)
        .map((value) => printed(value))
        .join(', ')}`,
    }
  }
  return undefined
}

/** Where a list is empty, how many go to a page makes no difference. */
async function hearsElsewhere(
  subject: Subject,
  reading: string,
  deaf: string,
  from: readonly string[],
): Promise<boolean> {
  for (const other of from.filter((name) => name !== deaf))
    for (const value of severalOf(subject, other)) {
      const said = new Set<unknown>()
      for (const one of severalOf(subject, deaf))
        said.add((await subject.fresh({ ...subject.middle, [other]: value, [deaf]: one })).readings[reading])
      if (said.size > 1) return true
    }
  return false
}

/** Of a list also an empty one, and one with more entries: what is computed from it may only count them. */
function severalOf({ names, plain }: Subject, name: string): readonly unknown[] {
  const ordinary = plain(name)
  const lists = ordinary.filter((one) => Array.isArray(one))
  const type = names.find((one) => one.name === name)?.type
  const others = lists.length === 0 || type === undefined ? [] : [[], lists.flat()]
  return [...ordinary, ...others.filter((one) => type !== undefined && accepts(type, one))]
}

/** With how many values of a name it is tried before it counts as one that changes nothing. */
const ENOUGH = 3
