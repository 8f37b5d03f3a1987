import { CaulkerError, hint } from '../words/index.js'
import {
  clauseOf,
  equal,
  givenClauses,
  isValue,
  valueClauses,
  type AnyContract,
  type ValueClause,
  limitsOf,
  settle,
  type Limits,
  type Settled,
} from '../contract/index.js'
import type { Given, Heard } from '../mount/index.js'

/** A pure stand-in that does exactly what its contract says: slots, and a step from one state to the next. */
export interface Ideal {
  readonly contract: AnyContract
  /** What each slot is: every property and value by name, then what owner and component last agreed on, then unfinished edits. */
  readonly names: readonly string[]
  mount(given: Given): IdealState
  step(state: IdealState, input: IdealInput): IdealOutcome
}

export type IdealState = readonly unknown[]

export type IdealInput =
  | { readonly kind: 'tell'; readonly changes: Given }
  /** The person proposes a value, finished or (with reports on commit) still being edited. */
  | { readonly kind: 'edit'; readonly name: string; readonly value: unknown }
  | { readonly kind: 'commit' }
  | { readonly kind: 'command'; readonly name: string }

export interface IdealOutcome {
  readonly state: IdealState
  readonly heard: readonly Heard[]
  readonly refused: readonly { readonly name: string; readonly reason: string }[]
}

interface Work {
  slots: unknown[]
  heard: Heard[]
  refused: { name: string; reason: string }[]
}

/** Marks a value that the person is not in the middle of editing. */
const FINISHED = Symbol('finished')

/**
 * Builds the ideal component of a contract: pure, without a DOM.
 *
 * @example
 * ```ts
 * import { contract, ideal, Type } from 'caulker'
 * const winch = ideal(contract('chain-winch', {
 *   values: { turns: { type: Type.Integer(), default: 0, bounds: { least: 0, most: 12 } } },
 * }))
 * const { heard } = winch.step(winch.mount({}), { kind: 'edit', name: 'turns', value: 40 })
 * console.assert(heard[0]?.payload === 12)
 * ```
 */
export function ideal(contract: AnyContract): Ideal {
  const clauses = givenClauses(contract)
  const values = valueClauses(contract)
  const slotOf = new Map(clauses.map((clause, at) => [clause.name, at]))
  const knownOf = new Map(values.map((clause, at) => [clause.name, clauses.length + at]))
  const openOf = new Map(values.map((clause, at) => [clause.name, clauses.length + values.length + at]))
  const initialOf = new Map(values.map((clause, at) => [clause.name, clauses.length + 2 * values.length + at]))

  const standing = (slots: readonly unknown[], name: string) => slots[slotOf.get(name) ?? -1]
  const limits = (slots: readonly unknown[], clause: ValueClause): Limits =>
    limitsOf(clause, (name) => standing(slots, name))
  const settled = (work: Work, clause: ValueClause, proposed: unknown, by: 'owner' | 'person' = 'owner'): Settled =>
    settle(clause, proposed, standing(work.slots, clause.name), { clause, limits: limits(work.slots, clause), by })

  function mount(given: Given): IdealState {
    const work: Work = {
      slots: [
        ...clauses.map((clause) => clause.default),
        ...values.map(() => undefined),
        ...values.map(() => FINISHED),
        ...values.map(() => undefined),
      ],
      heard: [],
      refused: [],
    }
    take(work, given, true)
    for (const clause of values) {
      agree(work, clause)
      work.slots[initialOf.get(clause.name) as number] = standing(work.slots, clause.name)
    }
    return work.slots
  }

  /** Properties first, then values, so that the order inside one tell does not matter. */
  function take(work: Work, changes: Given, mounting: boolean): void {
    for (const [name, value] of Object.entries(changes)) {
      const clause = clauseOf(contract, name)
      if (clause !== undefined && !isValue(clause))
        stand(work, name, settle(clause, value ?? clause.default, standing(work.slots, name)))
    }
    for (const clause of values) {
      const isTold = Object.hasOwn(changes, clause.name)
      if (isTold && !mounting && clause.lastWord === 'self' && clause.accepts === 'never') continue
      const proposed = isTold ? (changes[clause.name] ?? clause.default) : standing(work.slots, clause.name)
      if (proposed === undefined && !isTold) continue
      stand(work, clause.name, settled(work, clause, proposed))
      if (isTold) {
        work.slots[openOf.get(clause.name) as number] = FINISHED
        work.slots[knownOf.get(clause.name) as number] = standing(work.slots, clause.name)
      }
    }
  }

  function stand(work: Work, name: string, result: Settled): void {
    if (result.stands) work.slots[slotOf.get(name) as number] = result.value
    else work.refused.push({ name, reason: result.reason })
  }

  function agree(work: Work, clause: ValueClause): void {
    work.slots[knownOf.get(clause.name) as number] = standing(work.slots, clause.name)
  }

  /** Exactly one report where the value that stands differs from what was last agreed on, and none otherwise. */
  function report(work: Work, clause: ValueClause): void {
    const value = standing(work.slots, clause.name)
    if (equal(value, work.slots[knownOf.get(clause.name) as number])) return
    agree(work, clause)
    work.heard.push({ event: clause.event, payload: value })
  }

  function edit(work: Work, name: string, value: unknown): void {
    const clause = valueNamed(name)
    if (isLocked(work.slots)) return
    if (clause.reports === 'edit') proposeAs(work, clause, value)
    else work.slots[openOf.get(name) as number] = value
  }

  /** What the person proposes stands and is reported; a value that applies when told is only reported. */
  function proposeAs(work: Work, clause: ValueClause, value: unknown): void {
    const result = settled(work, clause, value, 'person')
    if (clause.applies === 'at-once' || !result.stands) {
      stand(work, clause.name, result)
      report(work, clause)
    } else if (!equal(result.value, standing(work.slots, clause.name)))
      work.heard.push({ event: clause.event, payload: result.value })
  }

  function commit(work: Work): void {
    for (const clause of values) {
      const open = openOf.get(clause.name) as number
      const edited = work.slots[open]
      if (edited === FINISHED) continue
      work.slots[open] = FINISHED
      proposeAs(work, clause, blanked(clause, edited, standing(work.slots, clause.name)))
    }
  }

  function command(work: Work, name: string): void {
    const clause = contract.commands[name]
    if (clause === undefined)
      throw new CaulkerError(
        'unknown-command',
        `'${contract.tag}' has no command '${name}'${hint(name, Object.keys(contract.commands))}`,
      )
    if (clause.effect !== 'reset') return
    for (const value of values) {
      work.slots[openOf.get(value.name) as number] = FINISHED
      const back = value.resetTo === 'initial' ? work.slots[initialOf.get(value.name) as number] : value.default
      if (back !== undefined) stand(work, value.name, settled(work, value, back))
      if (clause.reports) report(work, value)
      else agree(work, value)
    }
  }

  function isLocked(slots: readonly unknown[]): boolean {
    return [contract.locks.readonly, contract.locks.disabled].some(
      (lock) => lock !== undefined && standing(slots, lock) === true,
    )
  }

  function valueNamed(name: string): ValueClause {
    const clause = clauseOf(contract, name)
    if (clause === undefined || !isValue(clause))
      throw new CaulkerError(
        'unknown-name',
        `'${contract.tag}' has no two-way value '${name}'${hint(name, [...knownOf.keys()])}`,
      )
    return clause
  }

  return {
    contract,
    names: [
      ...clauses.map((clause) => clause.name),
      ...values.map((clause) => `${clause.name} (known)`),
      ...values.map((clause) => `${clause.name} (unfinished)`),
      ...values.map((clause) => `${clause.name} (initial)`),
    ],
    mount,
    step(state, input) {
      const work: Work = { slots: [...state], heard: [], refused: [] }
      if (input.kind === 'tell') {
        take(work, input.changes, false)
        values.forEach((clause) => report(work, clause))
      } else if (input.kind === 'edit') edit(work, input.name, input.value)
      else if (input.kind === 'commit') commit(work)
      else command(work, input.name)
      return { state: work.slots, heard: work.heard, refused: work.refused }
    },
  }
}

/** What an emptied field becomes when it is left. */
function blanked(clause: ValueClause, edited: unknown, previous: unknown): unknown {
  const isBlank = edited === null || edited === '' || equal(edited, clause.empty)
  if (!isBlank || clause.blank === 'refuse') return edited
  return { empty: clause.empty, default: clause.default, previous }[clause.blank]
}
