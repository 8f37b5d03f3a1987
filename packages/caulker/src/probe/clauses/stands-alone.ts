import { equal } from '../../contract/index.js'
import { clause, type LeakAt } from './clause.js'
import { touchesTwin, unlikeFresh } from './laws.js'
import type { Played, Row } from '../stage/played.js'
import { gesture, tell, type Trail } from '../stage/trail.js'
import type { Given } from '../../mount/index.js'
import type { Subject } from '../subject/subject.js'

/** Two of them on one page do not touch each other. */
export const standsAlone = clause({
  id: 'stands-alone',
  group: 'life',
  promise: 'Two of them on one page share nothing: what is done at one changes nothing at the other.',
  why: 'State beside the class, ids that are the same in each, or a name shared by all radio buttons: the second field on a page writes into the first.',
  tried:
    'Two are mounted with the same, everything that a person can do is done at the first, and the second is looked at; then one is told something beside another that was given something else.',
  unprovenWhen: 'Nothing that a person can do changes it.',
  random: 'none',
  seenOnce: true,
  onTrial: 'gesture',
  asMounted: true,
  concerns: () => true,
  *trails(subject) {
    yield { given: subject.middle, moves: [], setting: 'twin' }
    for (const way of subject.chiefWays) yield { given: way.given, moves: way.moves, setting: 'twin' }
    yield* besideOthers(subject)
    for (const on of subject.controls)
      if (on.kind === 'button') yield { given: subject.middle, moves: [gesture({ do: 'press', on })], setting: 'twin' }
  },
  proves: (_subject, { rows }) => rows.length > 1,
  async judge(subject, played) {
    if (played.trail.beside !== undefined) return spoiledByOther(subject, played)
    const [id] = played.rows[0].around.twin?.sharedIds ?? []
    if (id === undefined) return touchesTwin(played)
    return {
      row: 0,
      says: `both have the id '${id}'`,
      expected: 'ids that each makes for itself',
      found: `id="${id}" twice in one tree: labels and descriptions of the second lead to the first`,
    }
  },
})

const MOST_BESIDE = 12

/** Beside one that was given something else for a name, another name is told. */
function besideOthers(subject: Subject): Iterable<Trail> {
  const others = subject.tellable.flatMap(({ name }) => {
    const to = subject.plain(name).find((value) => !equal(value, subject.middle[name]))
    return to === undefined ? [] : [{ name, to }]
  })
  return others
    .flatMap((given) => others.filter((told) => told !== given).map((told) => ({ given, told })))
    .slice(0, MOST_BESIDE)
    .map(({ given, told }) => ({
      given: subject.middle,
      moves: [tell({ [told.name]: told.to })],
      setting: 'twin' as const,
      beside: { ...subject.middle, [given.name]: given.to },
    }))
}

/** What one shows and holds does not depend on whether another stands beside it. */
async function spoiledByOther(subject: Subject, { trail, rows }: Played): Promise<LeakAt | undefined> {
  // What is kept for all of them outlives each: before it is looked at alone, another one is given something else again.
  await subject.playAnew({ given: givenOtherwise(subject, trail), moves: [] })
  const alone = await subject.playAnew({ given: trail.given, moves: trail.moves })
  for (const [at, row] of rows.entries()) {
    const usual = alone.rows[at]
    if (usual === undefined || usual.fault !== undefined || usual.unsettled !== undefined) return undefined
    const leak = unlikeFresh(row, rows[at - 1] ?? (row as Row), usual)
    if (leak !== undefined)
      return {
        row: at,
        ...leak,
        says: 'another one beside it changes what it shows or holds',
        cause: 'something is kept for all of them together',
      }
  }
  return undefined
}

function givenOtherwise(subject: Subject, { given, beside = {} }: Trail): Given {
  const others = Object.entries(beside).map(([name, value]) => {
    const other = subject.plain(name).find((one) => !equal(one, value) && !equal(one, given[name]))
    return [name, equal(value, given[name]) ? value : (other ?? given[name])] as const
  })
  return Object.fromEntries(others.filter(([, value]) => value !== undefined))
}
