export type { Amendment, Answer, Effect, Fault, Input, Invalid, Outcome, Refusal, State } from './input.js'
export { scratchFor, type Scratch } from './scratch.js'
export { firstState, givenTo, step } from './step.js'
export { storedFrom, storedOf, type Stored } from './stored.js'
