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
  type Amendment,
  type Answer,
  type Effect,
  type Fault,
  type Input,
  type Outcome,
  type Refusal,
  type Scratch,
  type State,
} from './step/index.js'
