import type { check, checkAgain } from './check-task.js'
import type { compare } from './compare-task.js'
import type { probePlan } from './probe-plan.js'
import type { exploreOne, livePlan, playScripts, rehearsePlan } from './rehearse-task.js'
import type { sheet } from './sheet-task.js'

/** Everything that runs code of the user's outside of a probe: each runs in a thread with limits. */
export interface Tasks {
  readonly check: typeof check
  readonly checkAgain: typeof checkAgain
  readonly compare: typeof compare
  readonly probePlan: typeof probePlan
  readonly rehearsePlan: typeof rehearsePlan
  readonly exploreOne: typeof exploreOne
  readonly playScripts: typeof playScripts
  readonly livePlan: typeof livePlan
  readonly sheet: typeof sheet
}
export type TaskName = keyof Tasks

/** Loads only what one task needs: that is most of the time that a small one takes. */
export async function loadTask<N extends TaskName>(name: N): Promise<Tasks[N]> {
  const modules = {
    check: () => import('./check-task.js'),
    checkAgain: () => import('./check-task.js'),
    compare: () => import('./compare-task.js'),
    probePlan: () => import('./probe-plan.js'),
    rehearsePlan: () => import('./rehearse-task.js'),
    exploreOne: () => import('./rehearse-task.js'),
    playScripts: () => import('./rehearse-task.js'),
    livePlan: () => import('./rehearse-task.js'),
    sheet: () => import('./sheet-task.js'),
  }
  return ((await modules[name]()) as never as Tasks)[name]
}
