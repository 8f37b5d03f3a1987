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
