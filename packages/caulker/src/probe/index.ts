export { adoptDefined } from './adopt/defined.js'
export { adoptElement, type Adopted } from './adopt/index.js'
export { clauses } from './clauses/index.js'
export type { BrokenClause, Clause, LeakAt } from './clauses/clause.js'
export { windowFrames, type Frames } from './stage/frames.js'
export { gestureText, type Gesture } from './person/gestures.js'
export type { LedgerRow } from './stage/ledger.js'
export { probe, type ProbeOptions, type ProbeReport } from './probe.js'
export type { ClauseResult, Status } from './results.js'
export { moveText, mountText, stepText, type Move, type Trail } from './stage/trail.js'
export type { HandAct, Hands } from './person/trusted.js'
export { namedGestureProblem, type NamedGesture } from './person/named-gesture.js'
export { LENT_DOCUMENT, probeSuite, type LentDocument, type SuiteOptions } from './suite.js'
export { personAt, type Person } from './person/index.js'
export {
  controlRefs,
  controlsIn,
  findControl,
  optionsOf,
  type ControlKind,
  type ControlRef,
} from './person/controls.js'
export { judged } from './judge.js'
export { minimise } from './minimise.js'
export { parentOf } from './person/drawn-in.js'
export { hidingIn, READ_SHEET, sheetOf } from './person/hidden.js'
export { linesOnlyIn, pictureOf, samePicture } from './sight/picture.js'
export { subjectFor } from './subject/ready-subject.js'
export { isOfDialog } from './stage/hearing.js'
export { samplesFor } from './subject/samples.js'
