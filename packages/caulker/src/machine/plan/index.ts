export { compile, type Wiring } from './compile.js'
export { slotsGiven } from './given.js'
export { cellBehind } from './machine.js'
export type {
  BoundName,
  CallSite,
  CellPlan,
  DraftPlan,
  FittingPlan,
  Followed,
  Given,
  Leaving,
  Machine,
  OpenDraft,
  PendingCall,
  PlannedStep,
  Problem,
  ReckonedSlot,
  ScreenPlan,
  Way,
} from './machine.js'
export { ownProblem, problemAt } from './states.js'
