import type { TSchema } from '../../contract/index.js'
import {
  isPayload,
  type AnyOperation,
  type OperationClause,
  type Reckoned,
  type Step,
  type Steps,
} from '../../wiring/index.js'
import { carriedSteps, typeAt } from './carried.js'
import { isReadable, membersOf } from './given.js'
import { operationNamed, type ScreenView } from './screen-view.js'

/** One place where a screen sends something to an operation, or loads from one. */
export interface Sending {
  readonly at: readonly string[]
  readonly how: 'call' | 'save' | 'submit' | 'load'
  readonly ref: AnyOperation
  readonly operation: OperationClause
  /** What it is given as a whole, and member by member where that is written so. */
  readonly given: unknown
  readonly members: Readonly<Record<string, unknown>>
  /** The cell that takes the answer. */
  readonly into: string | undefined
  /** The steps after it. */
  readonly then: Steps
  /** The type of what `payload()` is there. */
  readonly carried: TSchema | undefined
}

/** Every sending of a screen to an operation that exists. */
export function sendings(view: ScreenView): Sending[] {
  const { submit, loads } = view.screen
  const all: Omit<Sending, 'operation' | 'members'>[] = [
    ...[...carriedSteps(view)].flatMap(({ at, step, carried }): Omit<Sending, 'operation' | 'members'>[] => {
      if (step.step === 'call')
        return [
          { at, how: 'call', ref: step.operation, given: step.given, into: step.into?.name, then: step.then, carried },
        ]
      return step.step === 'save' && step.to !== undefined
        ? [{ at, how: 'save', ref: step.to, given: step.given, into: undefined, then: step.then, carried }]
        : []
    }),
    ...Object.entries(loads).map(([cell, { operation, given }]) => ({
      at: ['loads', cell],
      how: 'load' as const,
      ref: operation,
      given,
      into: cell,
      then: [],
      carried: undefined,
    })),
    ...(submit === undefined
      ? []
      : [
          {
            at: ['submit'],
            how: 'submit' as const,
            ref: operationNamed(submit.to),
            given: sentBy(view, submit.sends),
            into: undefined,
            then: submit.then,
            carried: undefined,
          },
        ]),
  ]
  return all.flatMap((one) => {
    const operation = view.operation(one.ref)
    return operation === undefined ? [] : [{ ...one, operation, members: membersOf(one.given) }]
  })
}

/** The cells and reckoned cells that a submit sends, by the member that each becomes. */
export function sentBy({ screen }: ScreenView, sends: Readonly<Record<string, string>>): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(sends).map(([member, name]) => [
      member,
      (screen.reckoned as Record<string, Reckoned<unknown>>)[name] ?? { kind: 'cell', name },
    ]),
  )
}

/** The type of what is handed over, where it is known; a constant has none, and is judged by itself. */
export function typeGiven(view: ScreenView, value: unknown, carried: TSchema | undefined): TSchema | undefined {
  if (isPayload(value)) return typeAt(carried, value.at)
  return isReadable(value) ? view.typeOf(value) : undefined
}

/** The cells behind what is handed over. */
export function cellsGiven(view: ScreenView, { given, members }: Sending): Set<string> {
  const sources = [given, ...Object.values(members)].filter(isReadable)
  return new Set(sources.flatMap((source) => [...view.cellsBehind(source)]))
}

/** The operation by which a step changes something at a source; nothing where it only reads, or asks nobody. */
export function changeAskedBy(view: ScreenView, step: Step): AnyOperation | undefined {
  const { submit } = view.screen
  const ref =
    step.step === 'submit'
      ? submit && operationNamed(submit.to)
      : step.step === 'call'
        ? step.operation
        : step.step === 'save'
          ? step.to
          : undefined
  const operation = ref === undefined ? undefined : view.operation(ref)
  return operation === undefined || operation.effect === 'reads' ? undefined : ref
}
