export { drive, faultText, type DriveOptions, type Driver } from './driver.js'
export type { ChangeRecord, Host, InvalidField, SentCall } from './host.js'
export type { Look } from './look.js'
export {
  compile,
  type BoundName,
  type FittingPlan,
  type Machine,
  type OpenDraft,
  type PlannedStep,
  type Wiring,
} from './plan/index.js'
export {
  firstState,
  givenTo,
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
