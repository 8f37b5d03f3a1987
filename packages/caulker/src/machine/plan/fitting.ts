import { clauseOf, isValue, valueClauses, type AnyContract, type ValueClause } from '../../contract/index.js'
import type { Binding } from '../../wiring/index.js'
import type { BoundName, FittingPlan, Followed, Hearing, Problem, ShownPlan } from './machine.js'
import type { Part } from './part.js'
import { problemAt } from './states.js'
import { planSteps } from './steps.js'

/** Where a bound name has its truth, and who takes what is reported. */
export interface Source extends Followed {
  readonly cell: number
  readonly draft: number
  readonly isConstant: boolean
}

/** What is only followed: nobody takes what is reported. */
const NOBODYS = { member: undefined, cell: -1, draft: -1, isConstant: false }

export function planFitting(part: Part, name: string, contract: AnyContract): FittingPlan {
  const { building, at: screen } = part
  const index = part.fittings.get(name) as number
  const sources = sourcesOf(part, name, contract)
  const rows = part.screen.rows[name]
  const rowsCell = rows && part.cells.get(rows.source.name)
  const bound = [...sources].map(([of, source]) => {
    const known = building.slots.add(part.named(`${name}.${of}`), rowsCell === undefined ? undefined : {})
    const made = boundName(contract, building.bound.length, index, of, source, known, sources)
    building.bound.push(made)
    return made
  })
  const boundTo = (of: string | undefined) => bound.find((one) => one.name === of)
  return {
    name,
    screen,
    contract,
    bound,
    hears: hearings(part, name, contract, bound),
    rows:
      rows === undefined || rowsCell === undefined
        ? undefined
        : { cell: rowsCell, key: rows.key, placed: building.slots.add(part.named(`${name} (placed)`), []) },
    shown: shownOf(part, name, bound),
    requiredBy: boundTo(contract.form?.requiredBy),
    disabledBy: boundTo(contract.locks.disabled),
  }
}

function sourcesOf(part: Part, fitting: string, contract: AnyContract): Map<string, Source> {
  const sources = new Map<string, Source>()
  const bindings: Readonly<Record<string, Binding>> = part.screen.bindings[fitting] ?? {}
  for (const [name, binding] of Object.entries(bindings)) {
    const source = clauseOf(contract, name) === undefined ? undefined : sourceOf(part, fitting, name, binding)
    if (source !== undefined) sources.set(name, source)
  }
  const { problem } = contract
  if (problem !== undefined && !sources.has(problem)) {
    const cells = [...sources.values()].flatMap(({ cell, draft }) =>
      draft >= 0 ? (part.building.drafts[draft]?.cell ?? []) : cell >= 0 ? cell : [],
    )
    if (cells.length > 0 && part.screen.rows[fitting] === undefined)
      sources.set(problem, {
        ...NOBODYS,
        slot: problemSlot(part, fitting, cells),
      })
  }
  return sources
}

function sourceOf(part: Part, fitting: string, name: string, binding: Binding): Source | undefined {
  if (binding.kind === 'constant')
    return {
      ...NOBODYS,
      slot: part.building.slots.add(part.named(`${fitting}.${name} (constant)`), binding.value),
      isConstant: true,
    }
  const slot = part.slotOf(binding.source)
  if (slot === undefined) return undefined
  const draft = part.drafts.get(`${fitting}.${name}`) ?? -1
  const isRow = binding.source.kind === 'cell' && binding.source.row !== undefined
  const member = isRow && binding.source.kind === 'cell' ? binding.source.member : undefined
  if (draft >= 0) return { ...NOBODYS, slot: copySlot(part, slot, draft), member, draft }
  return { ...NOBODYS, slot, member, cell: binding.kind === 'two-way' ? slot : -1 }
}

/** What a draft shows: its copy while it is open, else its cell. */
function copySlot({ building }: Part, cell: number, draft: number): number {
  const { name, slot } = building.drafts[draft] as { name: string; slot: number }
  const shown = building.slots.add(`${name} (shown)`, undefined)
  building.reckoned.push({
    name,
    slot: shown,
    inputs: [cell, slot],
    compute: (held, open) => (open === undefined ? held : (open as { copy: unknown }).copy),
  })
  return shown
}

/** What a fitting says beside its field, where its contract has a property for it. */
function problemSlot({ building, slots, named }: Part, fitting: string, cells: readonly number[]): number {
  const name = named(`${fitting} (problem)`)
  const slot = building.slots.add(name, undefined)
  building.reckoned.push({
    name,
    slot,
    inputs: [slots.problems],
    compute: (problems) => problemAt(problems as Record<string, Problem>, cells),
  })
  return slot
}

export function boundName(
  contract: AnyContract,
  at: number,
  fitting: number,
  name: string,
  source: Source,
  known: number,
  sources: ReadonlyMap<string, Source>,
): BoundName {
  const clause = clauseOf(contract, name)
  const value = clause !== undefined && isValue(clause) ? clause : undefined
  const bounded = value !== undefined && !isFree(value) && hasLimits(value) ? value : undefined
  const limits = new Map<string, Followed>()
  if (bounded !== undefined)
    for (const limit of [bounded.bounds.least, bounded.bounds.most, bounded.step, bounded.gap]) {
      const followed = typeof limit === 'string' ? sources.get(limit) : undefined
      if (followed !== undefined) limits.set(limit as string, { slot: followed.slot, member: followed.member })
    }
  return {
    at,
    fitting,
    contract,
    name,
    source: source.slot,
    isConstant: source.isConstant,
    member: source.member,
    known,
    cell: source.cell,
    draft: source.draft,
    bounded,
    appliesWhenTold: value?.applies === 'when-told',
    limits,
  }
}

/** Nothing holds it, whoever proposes. */
function isFree({ outside, outsideTold }: ValueClause): boolean {
  return outside === 'keep' && outsideTold === 'keep'
}

function hasLimits(clause: ValueClause): boolean {
  const { least, most } = clause.bounds
  return least !== undefined || most !== undefined || clause.step !== undefined || clause.ordered
}

function shownOf(part: Part, name: string, bound: readonly BoundName[]): ShownPlan | undefined {
  const showing = part.screen.shown[name]
  const slot = showing && part.slotOf(showing.source)
  if (showing === undefined || slot === undefined) return undefined
  const own = part.named(`${name} (shown)`)
  const shown = part.building.slots.add(own, undefined)
  const { is } = showing
  part.building.reckoned.push({ name: own, slot: shown, inputs: [slot], compute: (held) => held === is })
  const clears = showing.hidden === 'cleared' ? bound.flatMap(({ cell }) => (cell >= 0 ? [cell] : [])) : []
  return { slot: shown, clears }
}

/** One event may report several values. */
function hearings(
  part: Part,
  fitting: string,
  contract: AnyContract,
  bound: readonly BoundName[],
): Map<string, Hearing> {
  const hears = new Map<string, Hearing>()
  const boundTo = (event: string) => hears.get(event)?.bound ?? []
  for (const value of valueClauses(contract)) {
    const own = bound.find((one) => one.name === value.name)
    if (own !== undefined) hears.set(value.event, { bound: [...boundTo(value.event), own], steps: [] })
  }
  for (const [event, action] of Object.entries(part.screen.on[fitting] ?? {}))
    hears.set(event, { bound: boundTo(event), steps: planSteps(part, stepsOf(part, action)) })
  return hears
}

/** An action that an event names may have been written before its name was known. */
function stepsOf(
  { screen }: Part,
  action: { readonly name: string; readonly steps: readonly never[] | readonly object[] },
) {
  const named = action.steps.length === 0 ? screen.actions[action.name] : undefined
  return (named ?? action).steps as never
}
