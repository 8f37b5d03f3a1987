import { clause } from './clause.js'
import { unlikeFresh } from './laws.js'
import { tell } from '../stage/trail.js'

/** The order inside one tell does not matter. */
export const anyOrder = clause({
  id: 'any-order',
  group: 'down',
  promise: 'What it is given in one turn may come in any order: it ends up the same.',
  why: 'Owners write their properties in any order, and a library that sets them promises none; a component that counts on one works in one screen and not in the next.',
  tried: 'It is given ordinary values in the other order, at the mount and in one tell of several names.',
  unprovenWhen: 'It has fewer than two properties.',
  random: 'none',
  onTrial: 'mount',
  needsElement: true,
  concerns: ({ properties }) => Object.keys(properties).length > 1,
  *trails(subject) {
    const names = subject.tellable.filter(({ kind }) => kind === 'property').map(({ name }) => name)
    const [one, other] = [0, 1].map((nth) =>
      Object.fromEntries(
        names.flatMap((name) => (subject.plain(name)[nth] === undefined ? [] : [[name, subject.plain(name)[nth]]])),
      ),
    )
    yield { given: { ...subject.middle, ...one }, moves: [], setting: 'reversed' }
    if (other !== undefined && Object.keys(other).length > 0)
      yield { given: { ...subject.middle, ...one, ...other }, moves: [], setting: 'reversed' }
    if (other !== undefined && Object.keys(other).length > 1)
      yield { given: { ...subject.middle, ...one }, moves: [tell(other)], setting: 'reversed' }
  },
  async judge(subject, { rows, trail }) {
    const { setting: _, ...inOrder } = trail
    const usual = await subject.play(inOrder)
    for (const [at, row] of rows.entries()) {
      const fresh = usual.rows[at]
      if (fresh === undefined || fresh.fault !== undefined || fresh.unsettled !== undefined) return undefined
      const leak = unlikeFresh(row, rows[Math.max(0, at - 1)] ?? row, fresh)
      if (leak !== undefined)
        return { row: at, ...leak, says: 'it ends up otherwise when its properties come in the other order' }
    }
    return undefined
  },
})
