import { decidingNames } from '../../contract/index.js'
import { slotsGiven, type Machine, type PlannedStep } from '../../machine/index.js'
import type { Rule } from './own-rules.js'
import { allPlanned } from './all-planned.js'
import type { Link } from './link.js'

/** Which cells can have to do with one another, so that parts that do not touch are explored apart. */
export interface Touching {
  /** The part of the wiring to which a cell belongs. */
  partOf(cell: number): number
  /** Whether something is held back as long as the cell is not filled, or not filled rightly. */
  isGate(cell: number): boolean
}

/** Cells touch where a bound, a guard, a rule, a step, a call or one field brings them together; what is only shown together does not count. */
export function touchingOf(machine: Machine, links: readonly (readonly Link[])[], rules: readonly Rule[]): Touching {
  const parents = machine.cells.map((_, cell) => cell)
  const rootOf = (cell: number): number => (parents[cell] === cell ? cell : rootOf(parents[cell] as number))
  const join = (slots: Iterable<number>) => {
    const cells = [...new Set([...slots].flatMap((slot) => cellsBehind(machine, slot)))]
    for (const cell of cells) parents[rootOf(cell)] = rootOf(cells[0] as number)
  }
  machine.fittings.forEach((fitting, at) => {
    const shown = fitting.shown === undefined ? [] : [fitting.shown.slot]
    const own = links[at] ?? []
    join([...own.map(({ cell }) => cell), ...own.flatMap((link) => deciding(link)), ...shown])
  })
  for (const step of allPlanned(machine)) join(slotsOf(step))
  for (const site of machine.sites)
    if (site.kind !== 'submit')
      join([...slotsGiven(site.given).map(([, slot]) => slot), ...(site.into < 0 ? [] : [site.into]), ...site.writes])
  for (const { submit } of machine.screens) for (const [cell, slot] of submit?.heldBy ?? []) join([cell, slot])
  for (const { slots } of rules) join(slots)
  const gates = new Set([
    ...machine.screens.flatMap(({ submit }) => [
      ...(submit?.needs ?? []).map(([cell]) => cell),
      ...(submit?.heldBy ?? []).flatMap(([, slot]) => cellsBehind(machine, slot)),
    ]),
    ...allPlanned(machine).flatMap((step) =>
      step.step === 'go' && step.when?.from === 'slot' ? cellsBehind(machine, step.when.slot) : [],
    ),
    ...links
      .flat()
      .filter(({ fitting, value }) => fitting.requiredBy !== undefined && fitting.contract.form?.value === value.name)
      .map(({ cell }) => cell),
  ])
  return { partOf: (cell) => (cell < 0 ? -1 : rootOf(cell)), isGate: (cell) => gates.has(cell) }
}

/** The slots of what decides about a value: its bounds, its step, the list that it is chosen from. */
export function deciding({ fitting, value }: Link): number[] {
  const names = decidingNames(value)
  return fitting.bound.filter(({ name }) => names.includes(name)).map(({ source }) => source)
}

function slotsOf(step: PlannedStep): number[] {
  if (step.step !== 'set') return []
  return [step.cell, ...(step.value.from === 'slot' ? [step.value.slot] : [])]
}

/** The cells that a slot follows, however far. */
function cellsBehind(machine: Machine, slot: number): number[] {
  if (slot < machine.cells.length) return [slot]
  return machine.reckoned.find((one) => one.slot === slot)?.inputs.flatMap((input) => cellsBehind(machine, input)) ?? []
}
