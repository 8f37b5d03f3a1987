import {
  isGuessed,
  pointerParts,
  valueAt,
  valueClauses,
  type AnyContract,
  type EventClause,
  type TSchema,
} from '../../contract/index.js'
import type { Step, Steps } from '../../wiring/index.js'
import { clauseIn, operationNamed, type ScreenView } from './screen-view.js'

/** A step, where it stands, and the type of what `payload()` is there, as far as that is known. */
export interface CarriedStep {
  readonly at: readonly string[]
  readonly step: Step
  readonly carried: TSchema | undefined
  /** What sets it off and carries nothing, in words: an event without a payload, an operation that gives nothing. */
  readonly bare?: string
}

/**
 * Every step of a screen, once for each event that sets it off. What a value reports is left out: the rules follow it with its bounds.
 */
export function* carriedSteps(view: ScreenView): Iterable<CarriedStep> {
  const { screen } = view
  for (const placed of view.actions) {
    const { at, action } = placed
    const triggers = view.triggersOf(placed)
    if (triggers.length === 0) yield* walk(view, at, action.steps, heardAt(view, at))
    for (const { fitting, event } of triggers)
      yield* walk(
        view,
        ['bind', fitting.name, 'on', event],
        action.steps,
        clauseIn(fitting.contract.events, event)?.payload,
        isBare(fitting.contract, event) ? `'${fitting.name}.${event}' carries nothing` : undefined,
      )
    for (const [name, heard] of Object.entries(screen.hears))
      if (action.name !== '' && heard.name === action.name)
        yield* walk(view, ['hears', name], action.steps, clauseIn(screen.topics, name)?.payload)
  }
}

/** An event is declared without a payload where it carries none; what was guessed may carry what nobody has seen. */
function isBare(contract: AnyContract, event: string): boolean {
  const clause = clauseIn<EventClause>(contract.events, event)
  const reports = valueClauses(contract).some((value) => value.event === event)
  return clause !== undefined && clause.payload === undefined && !reports && !isGuessed(contract)
}

/** What is carried where no event of a fitting sets the steps off: the answer of the submit, or a topic. */
function heardAt({ screen, operation }: ScreenView, [section, name = '']: readonly string[]): TSchema | undefined {
  if (section === 'hears') return clauseIn(screen.topics, name)?.payload
  if (section === 'submit' && name === 'then' && screen.submit !== undefined)
    return operation(operationNamed(screen.submit.to))?.gives
  return undefined
}

function* walk(
  view: ScreenView,
  at: readonly string[],
  steps: Steps,
  carried: TSchema | undefined,
  bare?: string,
): Iterable<CarriedStep> {
  for (const step of steps) {
    yield { at, step, carried, ...(bare === undefined ? {} : { bare }) }
    const operation = step.step === 'call' ? step.operation : step.step === 'save' ? step.to : undefined
    if (step.step !== 'call' && step.step !== 'save') continue
    const clause = operation && view.operation(operation)
    const nothing =
      clause !== undefined && clause.gives === undefined
        ? `'${operation?.source}.${operation?.name}' gives nothing`
        : undefined
    yield* walk(view, at, step.then, clause?.gives, nothing)
    yield* walk(view, at, step.fails, undefined)
  }
}

/** What part of a payload stands at a JSON Pointer, as far as its type says. */
export function typeAt(carried: TSchema | undefined, pointer: string): TSchema | undefined {
  let type: TSchema | undefined = carried
  for (const part of pointerParts(pointer) ?? []) type = valueAt(type, ['properties', part]) as TSchema | undefined
  return type
}
