import { allSteps, isPayload, type AnyCell, type Readable, type Step, type Steps } from '../../wiring/index.js'

/** What a step gives to an operation, a command, a topic or an owner: the cells among it, and its members where it is an object. */

export function isReadable(value: unknown): value is Readable<unknown> {
  const kind = (value as { kind?: unknown } | null)?.kind
  return (kind === 'cell' || kind === 'reckoned') && 'name' in (value as object)
}

/** The cells and reckoned cells that a step reads. */
export function givenReadables(step: Step): Readable<unknown>[] {
  if (step.step === 'call' || step.step === 'save') return readablesIn(step.given)
  if (step.step === 'announce' || step.step === 'report' || step.step === 'set') return readablesIn(step.value)
  if (step.step === 'run') return step.args.filter(isReadable)
  if (step.step === 'go' && step.when !== undefined) return readablesIn(step.when)
  return []
}

export function readablesIn(given: unknown): Readable<unknown>[] {
  if (isReadable(given)) return [given]
  return Object.values(membersOf(given)).filter(isReadable)
}

/** The members of what is given, where they are written one by one. */
export function membersOf(given: unknown): Readonly<Record<string, unknown>> {
  return typeof given === 'object' && given !== null && !Array.isArray(given) && !isReadable(given) && !isPayload(given)
    ? (given as Record<string, unknown>)
    : {}
}

/** The cell into which a step puts what nobody has entered, read or carried: its beginning, or what is written down. */
export function wipedBy(step: Step): AnyCell | undefined {
  if (step.step === 'clear') return step.cell
  return step.step === 'set' && !isPayload(step.value) && !isReadable(step.value) ? step.cell : undefined
}

/** The steps that follow a failure. */
export function failures(at: readonly string[], steps: Steps): Steps[] {
  if (at[0] === 'submit' && at[1] === 'fails') return [steps]
  return [...allSteps(steps)].flatMap((step) => (step.step === 'call' || step.step === 'save' ? [step.fails] : []))
}
