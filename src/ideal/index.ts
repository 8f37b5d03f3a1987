export { ideal, type Ideal, type IdealInput, type IdealOutcome, type IdealState } from './ideal.js'
export { idealMount, type MountedIdeal } from './ideal-mount.js'
export type { Given, Heard, Mount, Mounted } from './mount.js'
