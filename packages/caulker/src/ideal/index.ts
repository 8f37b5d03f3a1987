export { ideal, type Ideal, type IdealInput, type IdealOutcome, type IdealState } from './ideal.js'
export { idealMount, type MountedIdeal } from './ideal-mount.js'
