export { compile, planned, type BoundName, type FittingPlan, type Hearing, type Plan, type PlannedStep, type ReckonedSlot } from './compile.js'
export { isScreen, screen, type Action, type AnyScreen, type Binding, type CellClause, type CellDraft, type Screen, type ScreenDraft } from './screen.js'
export {
  clear, isPayload, oneWay, payload, reckon, run, set, twoWay,
  type AnyCell, type Cell, type FittingRef, type OneWay, type Payload, type Reckoned, type Source, type Step, type Steps, type TwoWay,
} from './tokens.js'
