import type { Machine, PlannedStep } from '../../machine/index.js'
import type { Move } from './move.js'

const known = new WeakMap<Machine, readonly (readonly Move[])[]>()

/** What only the form around a screen sets off, by screen: its submit and its reset, where no step does. */
export function byForm(machine: Machine): readonly (readonly Move[])[] {
  const before = known.get(machine)
  if (before !== undefined) return before
  const made = machine.screens.map(({ submit, reset }, at) => {
    const steps = new Set(stepsOn(machine, at))
    return [
      ...(submit !== undefined && !steps.has('submit') ? [{ form: 'submit' } as const] : []),
      ...(reset !== undefined && !steps.has('reset') ? [{ form: 'reset' } as const] : []),
    ]
  })
  known.set(machine, made)
  return made
}

/** Every kind of step that may be carried out on a screen, those after an answer too. */
function stepsOn(machine: Machine, at: number): PlannedStep['step'][] {
  const { sites, screens, fittings } = machine
  const screen = screens[at]
  if (screen === undefined) return []
  const kinds: PlannedStep['step'][] = []
  const seen = new Set<number>()
  const visit = (steps: readonly PlannedStep[]) => {
    for (const step of steps) {
      kinds.push(step.step)
      if (!('site' in step) || seen.has(step.site)) continue
      seen.add(step.site)
      visit([...(sites[step.site]?.then ?? []), ...(sites[step.site]?.fails ?? [])])
    }
  }
  for (const steps of [...Object.values(screen.actions), ...Object.values(screen.commands), ...screen.hears.values()])
    visit(steps)
  visit(screen.enters)
  for (const fitting of screen.fittings) for (const { steps } of fittings[fitting]?.hears.values() ?? []) visit(steps)
  return kinds
}
