export { ideal, type Ideal, type IdealInput, type IdealOutcome, type IdealState } from './ideal.js'
export { idealMount, mountIdeal, type MountedIdeal } from './ideal-mount.js'
