import type { Machine } from '../../machine/index.js'
import { allPlanned } from './all-planned.js'
import type { Move } from './move.js'

const known = new WeakMap<Machine, readonly (readonly Move[])[]>()

/** What only the form around a screen sets off, by screen: its submit and its reset, where no step does. */
export function byForm(machine: Machine): readonly (readonly Move[])[] {
  const before = known.get(machine)
  if (before !== undefined) return before
  const made = machine.screens.map(({ submit, reset }, at) => {
    const steps = new Set(allPlanned(machine, at).map(({ step }) => step))
    return [
      ...(submit !== undefined && !steps.has('submit') ? [{ form: 'submit' } as const] : []),
      ...(reset !== undefined && !steps.has('reset') ? [{ form: 'reset' } as const] : []),
    ]
  })
  known.set(machine, made)
  return made
}
