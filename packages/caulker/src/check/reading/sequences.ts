import type { Steps } from '../../wiring/index.js'

/** Each list of steps that run one after the other without waiting: the steps themselves, and those that follow an answer. */
export function* sequencesOf(steps: Steps): Iterable<Steps> {
  yield steps
  for (const step of steps)
    if (step.step === 'call' || step.step === 'save') {
      yield* sequencesOf(step.then)
      yield* sequencesOf(step.fails)
    }
}
