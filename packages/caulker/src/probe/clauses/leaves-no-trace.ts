import { clause, type Examined } from './clause.js'
import { ledgerOf } from '../stage/ledger.js'
import type { Subject } from '../subject/subject.js'
import { watchTraces } from './traces.js'

const MOUNTS = 10

/** Removal leaves nothing behind. */
export const leavesNoTrace = clause({
  id: 'leaves-no-trace',
  group: 'life',
  promise:
    'Once it is removed it leaves nothing behind: no listener on the page, no timer, no element elsewhere, and nothing replaced that other code relies on.',
  why: 'A single-page screen is opened a hundred times a day. What each opening leaves behind is called a hundred times by evening, for components that are long gone.',
  tried:
    'It is mounted, operated and removed ten times more, and what has been added to the page is counted: only growth counts. What it replaces for all code on the page is put back and named.',
  unprovenWhen: 'It could not be mounted.',
  random: 'none',
  onTrial: 'page',
  concerns: () => true,
  *trails() {},
  judge: () => undefined,
  async examine(subject): Promise<Examined> {
    const replaced = await replacedBy(subject)
    if (replaced !== undefined) return replaced
    const view = subject.document.defaultView as Window & typeof globalThis
    const [way] = subject.chiefWays
    const moves = way?.moves ?? []
    const given = way?.given ?? subject.middle
    const traces = watchTraces(view)
    try {
      const counts: ReturnType<typeof traces.count>[] = []
      for (let mount = 0; mount < MOUNTS + 2; mount++) {
        const { rows } = await subject.playAnew({ given, moves: mount % 2 === 0 ? moves : [] })
        if (rows.some(({ fault, unsettled }) => fault !== undefined || unsettled !== undefined))
          return { unproven: 'It throws or never settles.' }
        for (let frame = 0; frame < 4; frame++) await subject.frames.next()
        counts.push(traces.count())
      }
      const [before, after] = [counts[1], counts[counts.length - 1]]
      for (const what of Object.keys(after ?? {}) as (keyof NonNullable<typeof after>)[]) {
        const grown = (after?.[what] ?? 0) - (before?.[what] ?? 0)
        if (grown >= MOUNTS)
          return {
            leak: {
              says: `each mount leaves ${what} behind`,
              expected: 'as many as before',
              found: `${grown} more after ${MOUNTS} mounts`,
              cause: 'what is added when it is put in place is not taken away when it is removed',
              ledger: ledgerOf(subject.contract, await subject.play({ given, moves: [] }), 0),
            },
          }
      }
      return { held: MOUNTS }
    } finally {
      traces.stop()
    }
  },
})

/** What it replaces for all code on the page, at the mount or when a person does something. */
async function replacedBy(subject: Subject): Promise<Examined | undefined> {
  for (const { given, moves } of [{ given: subject.middle, moves: [] }, ...subject.ways]) {
    const played = await subject.play({ given, moves })
    const at = played.rows.findIndex(({ spoils }) => spoils.length > 0)
    const row = played.rows[at]
    if (row !== undefined)
      return {
        leak: {
          says: 'it replaces something that all code on the page relies on',
          expected: 'everything but itself as it was',
          found: `replaced: ${row.spoils.join(', ')}`,
          ledger: ledgerOf(subject.contract, played, at),
        },
      }
  }
  return undefined
}
