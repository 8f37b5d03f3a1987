import { rehearsal } from 'caulker'
import type { Player } from './player.js'

/** Plays a row over ideal components. */
export const idealPlayer: Player = {
  name: 'ideal',
  run(wiring, { initial = {} } = {}) {
    const run = rehearsal(wiring, { initial })
    const later = <T>(made: T) => Promise.resolve(made)
    return {
      edit: run.edit,
      type: run.type,
      leave: run.leave,
      press: run.press,
      report: (fitting, event, values) => run.hear(fitting, event, values),
      set: run.set,
      act: run.act,
      submit: run.submit,
      reset: run.reset,
      travel: (at) => later(run.travel(at)),
      answer: (operation, given, which) => later(run.answer(operation, given, which)),
      fail: (operation, reason, problems, which) => later(run.fail(operation, reason, problems, which)),
      giveUp: (operation, which) => later(run.giveUp(operation, which)),
      answerLate: (call, given) => later(run.answerLate(call, given)),
      read: run.read,
      shown: run.shown,
      front: run.front,
      rows: (fitting) => run.rows(fitting) ?? [],
      isShown: run.isShown,
      problem: run.problem,
      draft: run.draft,
      pending: () => run.pending().map(({ operation }) => operation),
      get told() {
        return run.told.flatMap(({ fitting, row, changes }) =>
          Object.entries(changes).map(
            ([name, value]) => `${fitting}${row === undefined ? '' : `/${row}`}.${name}=${JSON.stringify(value)}`,
          ),
        )
      },
      get calls() {
        return run.calls.map(({ source, operation, given }) => ({ operation: `${source}.${operation}`, given }))
      },
      get aborted() {
        return run.aborted.length
      },
      refusals: run.refusals as never,
      amendments: run.amendments as never,
      faults: run.faults as never,
      stays: run.stays as never,
      announced: run.announced as never,
      remove: run.remove,
    }
  },
}
