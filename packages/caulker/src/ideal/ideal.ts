import { CaulkerError, hint } from '../words/index.js'
import {
  accepts,
  asContract,
  clauseOf,
  printed,
  typeText,
  type After,
  equal,
  isEmpty,
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
  /** The slots that hold how each value began. */
  readonly beginnings: readonly number[]
  mount(given: Given): IdealState
  /** One input; `allows` is asked before a person changes a value that has a veto event. */
  step(state: IdealState, input: IdealInput, allows?: (event: string, proposed: unknown) => boolean): IdealOutcome
  /** What stands for a property or value. */
  standing(state: IdealState, name: string): unknown
  /** What a person has entered and nobody has heard of yet; an object, since it may be anything. */
  unfinished(state: IdealState, name: string): { readonly value: unknown } | undefined
  /** Whether a report is held back, or an edit is not finished. */
  isPending(state: IdealState): boolean
  /** What it sends with a form; nothing where it takes no part in one. */
  formValue(state: IdealState): unknown
  /** Whether a person still has to fill it. */
  isMissing(state: IdealState): boolean
}

export type IdealState = readonly unknown[]

export type IdealInput =
  | { readonly kind: 'tell'; readonly changes: Given }
  /** The person proposes a value, finished or (with reports on commit) still being edited. */
  | { readonly kind: 'edit'; readonly name: string; readonly value: unknown }
  | { readonly kind: 'commit' }
  | { readonly kind: 'command'; readonly name: string; readonly args?: readonly unknown[] }
  /** Time passes, in milliseconds: reports that are held back are sent. */
  | { readonly kind: 'time'; readonly passed: number }

export interface IdealOutcome {
  readonly state: IdealState
  readonly heard: readonly Heard[]
  readonly refused: readonly { readonly name: string; readonly reason: string }[]
  /** Who is told once a value stands. */
  readonly after: readonly { readonly hook: After<unknown>; readonly now: unknown; readonly before: unknown }[]
}

interface Work {
  slots: unknown[]
  heard: Heard[]
  refused: { name: string; reason: string }[]
  readonly before: IdealState
  readonly allows: (event: string, proposed: unknown) => boolean
}

/** Marks a value that the person is not in the middle of editing. */
const FINISHED = Symbol('finished')

const NOTHING_ELSE = { heard: [], refused: [], after: [] }

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
  asContract('ideal', contract)
  const clauses = givenClauses(contract)
  const values = valueClauses(contract)
  const hooked = clauses.filter(({ after }) => after.length > 0)
  const slotOf = new Map(clauses.map((clause, at) => [clause.name, at]))
  const knownOf = new Map(values.map((clause, at) => [clause.name, clauses.length + at]))
  const [firstOpen, firstWaited] = [clauses.length + values.length, clauses.length + 3 * values.length]
  const openOf = new Map(values.map((clause, at) => [clause.name, firstOpen + at]))
  const initialOf = new Map(values.map((clause, at) => [clause.name, clauses.length + 2 * values.length + at]))
  const waitedOf = new Map(values.map((clause, at) => [clause.name, firstWaited + at]))

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
        ...values.map(() => undefined),
      ],
      heard: [],
      refused: [],
      before: [],
      allows: () => true,
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

  /** What a person did is said beside the field where it was turned down, and taken away where it stands. */
  function sayProblem(work: Work, result: Settled): void {
    const slot = slotOf.get(contract.problem ?? '')
    if (slot !== undefined) work.slots[slot] = result.stands ? '' : result.reason
  }

  function agree(work: Work, clause: ValueClause): void {
    work.slots[knownOf.get(clause.name) as number] = standing(work.slots, clause.name)
  }

  /** Exactly one report where the value that stands differs from what was last agreed on, and none otherwise. */
  function report(work: Work, clause: ValueClause): void {
    const value = standing(work.slots, clause.name)
    if (equal(value, work.slots[knownOf.get(clause.name) as number])) return
    agree(work, clause)
    work.slots[waitedOf.get(clause.name) as number] = undefined
    work.heard.push({ event: clause.event, payload: value })
  }

  /** A report that is held back waits for its time, or for the field to be left. */
  function reportSoon(work: Work, clause: ValueClause): void {
    if (clause.within === undefined || clause.within === 0) return report(work, clause)
    if (!equal(standing(work.slots, clause.name), work.slots[knownOf.get(clause.name) as number]))
      work.slots[waitedOf.get(clause.name) as number] ??= 0
  }

  function pass(work: Work, passed: number): void {
    for (const clause of values) {
      const at = waitedOf.get(clause.name) as number
      if (work.slots[at] === undefined) continue
      work.slots[at] = (work.slots[at] as number) + passed
      if ((work.slots[at] as number) >= (clause.within ?? 0)) report(work, clause)
    }
  }

  function edit(work: Work, name: string, value: unknown): void {
    const clause = valueNamed(name)
    if (isLocked(work.slots)) return
    if (clause.reports === 'edit') proposeAs(work, clause, value, reportSoon)
    else work.slots[openOf.get(name) as number] = value
  }

  /** What the person proposes stands and is reported; a value that applies when told is only reported. */
  function proposeAs(work: Work, clause: ValueClause, value: unknown, say: typeof report): void {
    const result = settled(work, clause, value, 'person')
    sayProblem(work, result)
    const isChange = result.stands && !equal(result.value, standing(work.slots, clause.name))
    if (isChange && clause.vetoEvent !== undefined && !work.allows(clause.vetoEvent, result.value)) return
    if (clause.applies === 'at-once' || !result.stands) {
      stand(work, clause.name, result)
      say(work, clause)
    } else if (!equal(result.value, standing(work.slots, clause.name)))
      work.heard.push({ event: clause.event, payload: result.value })
  }

  function commit(work: Work): void {
    for (const clause of values) {
      const open = openOf.get(clause.name) as number
      const edited = work.slots[open]
      if (edited === FINISHED) {
        if (work.slots[waitedOf.get(clause.name) as number] !== undefined) report(work, clause)
        continue
      }
      work.slots[open] = FINISHED
      proposeAs(work, clause, blanked(clause, edited, standing(work.slots, clause.name)), report)
    }
  }

  function command(work: Work, name: string, args: readonly unknown[]): void {
    const clause = contract.commands[name]
    if (clause === undefined)
      throw new CaulkerError(
        'unknown-command',
        `'${contract.tag}' has no command '${name}'${hint(name, Object.keys(contract.commands))}`,
      )
    if (clause.takes !== undefined && !accepts(clause.takes, args[0]))
      throw new CaulkerError(
        'bad-argument',
        `'${contract.tag}.${name}' takes ${typeText(clause.takes)}, and is given ${printed(args[0])}`,
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

  function isPending(state: IdealState): boolean {
    for (let at = 0; at < values.length; at++)
      if (state[firstOpen + at] !== FINISHED || state[firstWaited + at] !== undefined) return true
    return false
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
      ...values.map((clause) => `${clause.name} (waited)`),
    ],
    beginnings: [...initialOf.values()],
    mount,
    step(state, input, allows = () => true) {
      if (input.kind === 'commit' && !isPending(state)) return { state, ...NOTHING_ELSE }
      const work: Work = { slots: [...state], heard: [], refused: [], before: state, allows }
      if (input.kind === 'tell') {
        take(work, input.changes, false)
        values.forEach((clause) => report(work, clause))
      } else if (input.kind === 'edit') edit(work, input.name, input.value)
      else if (input.kind === 'commit') commit(work)
      else if (input.kind === 'time') pass(work, input.passed)
      else command(work, input.name, input.args ?? [])
      const isAsBefore = work.slots.every((held, at) => Object.is(held, state[at]))
      const after = hooked.flatMap(({ name, after: hooks }) => {
        const [before, now] = [standing(state, name), standing(work.slots, name)]
        return equal(before, now) ? [] : hooks.map((hook) => ({ hook, now, before }))
      })
      return { state: isAsBefore ? state : work.slots, heard: work.heard, refused: work.refused, after }
    },
    standing,
    unfinished(state, name) {
      const open = state[openOf.get(name) ?? -1]
      return open === FINISHED || !openOf.has(name) ? undefined : { value: open }
    },
    isPending,
    formValue: (state) => (contract.form === undefined ? undefined : standing(state, contract.form.value)),
    isMissing(state) {
      const { form, locks } = contract
      if (form?.requiredBy === undefined || standing(state, form.requiredBy) !== true) return false
      if (locks.disabled !== undefined && standing(state, locks.disabled) === true) return false
      return isEmpty(standing(state, form.value), contract.values[form.value])
    },
  }
}

/** What an emptied field becomes when it is left. */
function blanked(clause: ValueClause, edited: unknown, previous: unknown): unknown {
  const isBlank = edited === null || edited === '' || equal(edited, clause.empty)
  if (!isBlank || clause.blank === 'refuse') return edited
  return { empty: clause.empty, default: clause.default, previous }[clause.blank]
}
