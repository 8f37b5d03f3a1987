export { adoptDefined } from './adopt/defined.js'
export { adoptElement, type Adopted } from './adopt/index.js'
export { clauses } from './clauses/index.js'
export type { Clause, LeakAt } from './clause.js'
export { windowFrames, type Frames } from './frames.js'
export type { Gesture } from './gestures.js'
export type { LedgerRow } from './ledger.js'
export {
  probe,
  type BrokenClause,
  type ClauseResult,
  type ProbeOptions,
  type ProbeReport,
  type Status,
} from './probe.js'
export { moveText, mountText, type Move, type Story } from './story.js'
export type { HandAct, Hands } from './person/trusted.js'
export { namedGestureProblem, type NamedGesture } from './named-gesture.js'
export { probeSuite } from './suite.js'
