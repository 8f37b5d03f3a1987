export { handlers, isHandlerTable, type Handler, type HandlerTable } from './handlers.js'
export { interior, isInterior, type Interior } from './interior.js'
export { isJourney, journey, type Journey, type JourneyDraft } from './journey.js'
export { isScreen, load, screen, type ScreenDraft } from './screen.js'
export type {
  Action,
  AnyScreen,
  Binding,
  CellClause,
  CellDraft,
  Load,
  ResetClause,
  Screen,
  SubmitClause,
} from './screen-model.js'
export {
  isSource,
  source,
  type AnySource,
  type Answering,
  type OperationClause,
  type OperationDraft,
  type OperationMap,
  type Source,
} from './source.js'
export {
  allSteps,
  announce,
  back,
  call,
  clear,
  discard,
  go,
  isPayload,
  payload,
  refresh,
  report,
  reset,
  run,
  save,
  set,
  submit,
  type AnyOperation,
  type EventRef,
  type GivenTo,
  type OperationRef,
  type Payload,
  type Step,
  type Steps,
  type TopicRef,
} from './steps.js'
export {
  draft,
  oneWay,
  reckon,
  rowsOf,
  shownWhile,
  twoWay,
  type AnyCell,
  type Cell,
  type DraftOf,
  type FittingRef,
  type Followed,
  type Into,
  type OneWay,
  type Readable,
  type Reckoned,
  type Rows,
  type Showing,
  type TwoWay,
  type ValueOf,
} from './tokens.js'
export { isTopic, topic, type AnyTopic, type Topic } from './topic.js'
export { inRankOrder } from './rank.js'
export { isStateToken, states, type StateName, type StateToken } from './states.js'
export type { AnyFittings, OperationName } from './types.js'
export { INVARIANTS } from './invariants.js'
