export { bring, crossedText, isBelow, limitsOf, outsideText, type Limits } from './bounds.js'
export { settle, withinLimits, type Settled } from './interception.js'
export { createRunner, faultText, type Host, type Runner } from './runner.js'
export {
  firstSlots,
  givenTo,
  step,
  type Fault,
  type Input,
  type Outcome,
  type Refusal,
  type Slots,
  type Tell,
} from './step.js'
