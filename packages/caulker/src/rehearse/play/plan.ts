import { valueClauses } from '../../contract/index.js'
import type { FittingPlan, Machine, PlannedStep } from '../../machine/index.js'
import { cellBehind } from '../../machine/index.js'
import { allPlanned } from './all-planned.js'
import type { Link } from './link.js'
import type { Rule } from './own-rules.js'
import { deciding, touchingOf, type Touching } from './touching.js'

/** What can be said of a wiring before it is played. */
export interface Plan {
  readonly machine: Machine
  /** By fitting. */
  readonly links: readonly (readonly Link[])[]
  /** The slots that functions of the user's, bounds or guards read. */
  readonly read: ReadonlySet<number>
  /** By slot: the functions that read it. */
  readonly readers: ReadonlyMap<number, readonly Function[]>
  /** The slots that follow, however far, what is wrong with a screen. */
  readonly problems: ReadonlySet<number>
  /** Cells that nothing on any screen writes: only the owner sets them. */
  readonly outside: readonly number[]
  /** By cell: the one that steps copy it from, where nothing else ever writes it. */
  readonly copies: ReadonlyMap<number, number>
  /** The cells that some reset brings back. */
  readonly resettable: ReadonlySet<number>
  /** What the wiring says of itself. */
  readonly rules: readonly Rule[]
  readonly touching: Touching
}

export function planOf(machine: Machine, rules: readonly Rule[]): Plan {
  const links = machine.fittings.map((fitting) => linksOf(machine, fitting))
  const readers = readersOf(machine)
  const steps = allPlanned(machine)
  return {
    machine,
    links,
    readers,
    read: new Set([...readers.keys(), ...guarded(machine, links, steps)]),
    problems: following(
      machine,
      machine.screens.map(({ slots }) => slots.problems),
    ),
    outside: outsideOf(machine, links, steps),
    copies: copiesOf(machine, links, steps),
    resettable: new Set(machine.screens.flatMap(({ reset }) => reset?.cells ?? [])),
    rules,
    touching: touchingOf(machine, links, rules),
  }
}

function linksOf(machine: Machine, fitting: FittingPlan): Link[] {
  return valueClauses(fitting.contract).flatMap((value): Link[] => {
    const bound = fitting.bound.find(({ name }) => name === value.name)
    const cell = bound === undefined ? -1 : cellBehind(machine, bound)
    if (bound !== undefined && cell >= 0)
      return [{ fitting, value, cell, draft: bound.draft, kind: bound.draft >= 0 ? 'draft' : 'two-way', bound }]
    const heard = fitting.hears
      .get(value.event)
      ?.steps.find((step) => step.step === 'set' && step.value.from === 'payload' && step.value.at.length === 0)
    return heard?.step === 'set' && heard.member === undefined
      ? [{ fitting, value, cell: heard.cell, draft: -1, kind: 'heard', bound }]
      : []
  })
}

function readersOf(machine: Machine): Map<number, Function[]> {
  const readers = new Map<number, Function[]>()
  const add = (slot: number, of: Function) => void readers.set(slot, [...(readers.get(slot) ?? []), of])
  machine.cells.forEach(({ amend, refuse }, cell) => [...amend, ...refuse].forEach((hook) => add(cell, hook)))
  const own = new Set(machine.screens.flatMap(({ places }) => [...places.reckoned.values()]))
  for (const { slot, inputs, compute } of machine.reckoned)
    if (own.has(slot)) for (const input of inputs) add(input, compute)
  return readers
}

/** What decides something without a function: bounds, what is needed, what is shown, whether a screen may be left. */
function guarded(machine: Machine, links: Plan['links'], steps: readonly PlannedStep[]): number[] {
  const shown = new Set(machine.fittings.flatMap(({ shown: its }) => its?.slot ?? []))
  return [
    ...links.flat().flatMap((link) => {
      const { bounds, step } = link.value
      const isBounded = bounds.least !== undefined || bounds.most !== undefined || step !== undefined
      return [...deciding(link), ...(isBounded ? [link.cell] : [])]
    }),
    ...machine.screens.flatMap(({ submit }) => [
      ...(submit?.needs ?? []).map(([cell]) => cell),
      ...(submit?.heldBy ?? []).map(([, slot]) => slot),
    ]),
    ...machine.reckoned.filter(({ slot }) => shown.has(slot)).flatMap(({ inputs }) => inputs),
    ...steps.flatMap((step) => (step.step === 'go' && step.when?.from === 'slot' ? [step.when.slot] : [])),
  ]
}

/** The slots that follow some others, however far. */
function following(machine: Machine, from: readonly number[]): Set<number> {
  const found = new Set(from)
  for (const { slot, inputs } of machine.reckoned) if (inputs.some((input) => found.has(input))) found.add(slot)
  return found
}

function outsideOf(machine: Machine, links: Plan['links'], steps: readonly PlannedStep[]): number[] {
  const written = new Set([
    ...links.flat().map(({ cell }) => cell),
    ...machine.bound.map(({ cell }) => cell),
    ...steps.flatMap((step) => (step.step === 'set' ? [step.cell] : [])),
    ...machine.sites.map(({ into }) => into),
  ])
  return [...machine.cells.keys()].filter((cell) => !written.has(cell) && machine.cells[cell]?.face === undefined)
}

function copiesOf(machine: Machine, links: Plan['links'], steps: readonly PlannedStep[]): Map<number, number> {
  const edited = new Set(links.flat().map(({ cell }) => cell))
  const loaded = new Set(machine.sites.map(({ into }) => into))
  const found = new Map<number, number>()
  for (const cell of machine.cells.keys()) {
    const writers = steps.filter((step) => step.step === 'set' && step.cell === cell && !step.isClear)
    const from = writers.map((step) => (step.step === 'set' && step.value.from === 'slot' ? step.value.slot : -1))
    const only = from[0] ?? -1
    if (only >= 0 && only < machine.cells.length && from.every((one) => one === only) && !edited.has(cell))
      if (!loaded.has(cell)) found.set(cell, only)
  }
  return found
}
