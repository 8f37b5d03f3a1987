import type { AnyContract } from '../contract/index.js'
import { ideal, type Ideal, type IdealInput, type IdealState } from './ideal.js'
import type { Given, Heard, Mounted } from '../mount/index.js'

/** A mounted ideal component: what a person can do with it, and its state, which can be kept and brought back. */
export interface MountedIdeal extends Mounted {
  readonly component: Ideal
  /** A value: it is replaced, never changed. */
  readonly state: IdealState
  /** A person proposes a value, letter by letter where they are typing. */
  edit(name: string, value: unknown, isTyping?: boolean): void
  /** Time passes, in milliseconds: reports that are held back are sent. */
  pass(milliseconds: number): void
  bring(state: IdealState): void
  formValue(): unknown
  /** Whether a person still has to fill it. */
  isMissing(): boolean
}

/**
 * Mounts the ideal component of a contract, so that a screen can run without a DOM.
 *
 * @example
 * ```ts
 * import { contract, idealMount, Type } from 'caulker'
 * const winch = contract('chain-winch', { values: { turns: { type: Type.Integer(), default: 0 } } })
 * const heard: unknown[] = []
 * const mounted = idealMount(winch, { turns: 2 }, (report) => heard.push(report.payload))
 * mounted.edit('turns', 3)
 * console.assert(heard.length === 1 && mounted.read('turns') === 3)
 * ```
 */
export function idealMount(contract: AnyContract, given: Given, hear: (heard: Heard) => void): MountedIdeal {
  return mountIdeal(ideal(contract), given, hear)
}

/** As {@link idealMount}, over an ideal component that several mounts share. */
export function mountIdeal(component: Ideal, given: Given, hear: (heard: Heard) => void): MountedIdeal {
  let state = component.mount(given)
  const take = (input: IdealInput, isTyping = false) => {
    const allows = (event: string, payload: unknown) => {
      let isVetoed = false
      hear({ event, payload, isTyping, veto: () => (isVetoed = true) })
      return !isVetoed
    }
    const outcome = component.step(state, input, allows)
    state = outcome.state
    for (const heard of outcome.heard) hear({ ...heard, isTyping })
    for (const { hook, now, before } of outcome.after) hook(now, before)
  }
  return {
    component,
    get state() {
      return state
    },
    tell: (changes) => take({ kind: 'tell', changes }),
    read: (name) => component.standing(state, name),
    commit: () => take({ kind: 'commit' }),
    command: (name, ...args) => take({ kind: 'command', name, args }),
    edit: (name, value, isTyping = false) => take({ kind: 'edit', name, value }, isTyping),
    pass: (milliseconds) => take({ kind: 'time', passed: milliseconds }),
    bring: (kept) => void (state = kept),
    formValue: () => component.formValue(state),
    isMissing: () => component.isMissing(state),
    remove: () => undefined,
  }
}
