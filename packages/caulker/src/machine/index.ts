export { drive, faultText, type DriveOptions, type Driver } from './driver.js'
export type { ChangeRecord, Host, InvalidField, SentCall } from './host.js'
export type { Look } from './look.js'
export {
  cellBehind,
  compile,
  problemAt,
  slotsGiven,
  type BoundName,
  type CallSite,
  type FittingPlan,
  type Machine,
  type OpenDraft,
  type PendingCall,
  type PlannedStep,
  type Problem,
  type ScreenPlan,
  type Way,
  type Wiring,
} from './plan/index.js'
export {
  entries,
  firstState,
  givenTo,
  isAsked,
  keyOf,
  memberOf,
  scratchFor,
  step,
  storedFrom,
  storedOf,
  type Amendment,
  type Answer,
  type Effect,
  type Fault,
  type Input,
  type Outcome,
  type Refusal,
  type Scratch,
  type State,
  type Stored,
} from './step/index.js'
export { watchTypes } from './type-watch.js'
export { driveOver, type CommitLimit, type Crew, type OtherHost, type Running } from './over-mounts.js'
