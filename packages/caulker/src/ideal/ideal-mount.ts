import type { AnyContract } from '../contract/index.js'
import { ideal, type IdealInput } from './ideal.js'
import type { Given, Heard, Mounted } from '../mount/index.js'

/** A mounted ideal component: what a person can do with it is one more method. */
export interface MountedIdeal extends Mounted {
  edit(name: string, value: unknown): void
  /** Time passes, in milliseconds: reports that are held back are sent. */
  pass(milliseconds: number): void
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
  const component = ideal(contract)
  let state = component.mount(given)
  const allows = (event: string, payload: unknown) => {
    let isVetoed = false
    hear({ event, payload, veto: () => (isVetoed = true) })
    return !isVetoed
  }
  const take = (input: IdealInput) => {
    const outcome = component.step(state, input, allows)
    state = outcome.state
    outcome.heard.forEach(hear)
    for (const { hook, now, before } of outcome.after) hook(now, before)
  }
  return {
    tell: (changes) => take({ kind: 'tell', changes }),
    read: (name) => state[component.names.indexOf(name)],
    commit: () => take({ kind: 'commit' }),
    command: (name, ...args) => take({ kind: 'command', name, args }),
    edit: (name, value) => take({ kind: 'edit', name, value }),
    pass: (milliseconds) => take({ kind: 'time', passed: milliseconds }),
    formValue: () => component.formValue(state),
    isMissing: () => component.isMissing(state),
    remove: () => undefined,
  }
}
