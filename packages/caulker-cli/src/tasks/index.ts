import { check, checkAgain } from './check-task.js'
import { compare } from './compare-task.js'
import { probePlan } from './probe-plan.js'
import { sheet } from './sheet-task.js'

/** Everything that runs code of the user's outside of a probe: each runs in a thread with limits. */
export const tasks = { check, checkAgain, compare, probePlan, sheet }

export type Tasks = typeof tasks
export type TaskName = keyof Tasks
