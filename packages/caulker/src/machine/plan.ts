import { clauseOf, isValue, pointerParts, valueClauses, type AnyContract, type ValueClause } from '../contract/index.js'
import {
  inRankOrder,
  isPayload,
  type Action,
  type AnyScreen,
  type Binding,
  type CellClause,
  type Readable,
  type Reckoned,
  type Step,
} from '../wiring/index.js'

/** A wiring made flat for running: everything that can change is a slot, and a snapshot is a copy of one array. */
export interface Machine {
  readonly screen: AnyScreen
  /** What each slot is, for ledgers and messages: `bales`, `total`, `stepper.bales`. */
  readonly names: readonly string[]
  /** What each slot holds before anything is settled. */
  readonly initial: readonly unknown[]
  /** In the slots from 0 on. */
  readonly cells: readonly CellClause[]
  /** In rank order: each stands after all that it depends on. */
  readonly reckoned: readonly ReckonedSlot[]
  readonly fittings: readonly FittingPlan[]
  readonly bound: readonly BoundName[]
  /** By slot: the ranks of what is computed from it, and the bound names that may owe a tell where it changes; nothing for most. */
  readonly computes: readonly (readonly number[] | undefined)[]
  readonly owes: readonly (readonly number[] | undefined)[]
  /** By slot: the cells whose bounds and steps have to be held anew where it changes. */
  readonly holds: readonly (readonly number[] | undefined)[]
  /** By cell: the values that it is shared with, where their bounds or steps say what may stand. */
  readonly bounders: readonly (readonly BoundName[])[]
  /** What the screen declares and this machine does not carry out yet, in words: `the draft of note.text`, `submit`. */
  readonly declaredOnly: readonly string[]
}

export interface ReckonedSlot {
  readonly name: string
  readonly slot: number
  readonly inputs: readonly number[]
  readonly compute: (...inputs: unknown[]) => unknown
}

export interface FittingPlan {
  readonly name: string
  readonly contract: AnyContract
  readonly bound: readonly BoundName[]
  readonly hears: ReadonlyMap<string, Hearing>
}

/** A bound name of a fitting: where its truth is, and what owner and component last agreed on. */
export interface BoundName {
  readonly at: number
  readonly fitting: number
  readonly name: string
  readonly source: number
  readonly known: number
  /** The cell that takes what is reported; -1 where nobody does. */
  readonly cell: number
  /** The value's clause where its bounds or step say what may stand. */
  readonly bounded: ValueClause | undefined
  /** Whether a report only proposes, and the value changes when it is told. */
  readonly appliesWhenTold: boolean
  /** Where the names that its bounds and step follow are held. */
  readonly limits: ReadonlyMap<string, number>
}

/** What hears one event of a fitting: the bindings of its values first, then the steps in their order. */
export interface Hearing {
  readonly bound: readonly BoundName[]
  readonly steps: readonly PlannedStep[]
}

/** Where a step takes a value from: written down, a cell or reckoned cell, or a part of what was heard. */
export type Given =
  | { readonly from: 'constant'; readonly value: unknown }
  | { readonly from: 'slot'; readonly slot: number }
  | { readonly from: 'payload'; readonly at: readonly string[] }

export type PlannedStep =
  | { readonly step: 'set'; readonly cell: number; readonly value: Given }
  | { readonly step: 'run'; readonly fitting: number; readonly command: string; readonly args: readonly Given[] }
  /** A step that is declared and checked, and that this machine does not carry out yet. */
  | { readonly step: 'declared'; readonly what: Step['step'] }

/** Makes a screen flat, once for any number of runs. Names that do not exist are left out here and reported by `check`. */
export function compile(screen: AnyScreen): Machine {
  const names: string[] = []
  const initial: unknown[] = []
  const slot = (name: string, value: unknown) => (initial.push(value), names.push(name) - 1)

  const cells = Object.values<CellClause>(screen.cells)
  const cellSlots = new Map(cells.map((cell) => [cell.name, slot(cell.name, cell.initial)]))
  const reckonedSlots = new Map<Reckoned<unknown>, number>()
  const slotOf = (source: Readable<unknown>): number | undefined =>
    source.kind === 'cell'
      ? cellSlots.get(source.name)
      : (reckonedSlots.get(source) ?? reckonedSlots.get(screen.reckoned[source.name]))
  const reckoned: ReckonedSlot[] = []
  for (const one of inRankOrder(Object.values<Reckoned<unknown>>(screen.reckoned))) {
    const inputs = one.inputs.map(slotOf)
    const at = slot(one.name, undefined)
    reckonedSlots.set(one, at)
    if (inputs.every((input) => input !== undefined))
      reckoned.push({ name: one.name, slot: at, inputs, compute: one.compute as never })
  }

  const fittingNames = Object.keys(screen.fittings).filter((name) => !Object.hasOwn(screen.rows, name))
  const places: Places = { cells: cellSlots, clauses: cells, fittings: fittingNames, slotOf }
  const bound: BoundName[] = []
  const fittings = fittingNames.map((name, index): FittingPlan => {
    const contract = screen.fittings[name] as AnyContract
    const sources = sourcesOf(screen.bindings[name] ?? {}, contract, slotOf, (of, value) =>
      slot(`${name}.${of}`, value),
    )
    const own = [...sources].map(([of, source]) =>
      boundName(contract, bound.length, index, of, source, slot(`${name}.${of}`, undefined), sources, (one) =>
        bound.push(one),
      ),
    )
    return { name, contract, bound: own, hears: hearings(screen, name, contract, own, places) }
  })
  const bySlot = () => names.map((): number[] | undefined => undefined)
  const [computes, owes, holds] = [bySlot(), bySlot(), bySlot()]
  const add = (lists: (number[] | undefined)[], at: number, what: number) => void (lists[at] ??= []).push(what)
  reckoned.forEach(({ inputs }, rank) => inputs.forEach((input) => add(computes, input, rank)))
  const bounders = cells.map((_, cell) => bound.filter((one) => one.cell === cell && one.bounded !== undefined))
  for (const one of bound) for (const at of [one.source, one.known, ...one.limits.values()]) add(owes, at, one.at)
  bounders.forEach((all, cell) => {
    if (all.length > 0) add(holds, cell, cell)
    for (const one of all) for (const at of one.limits.values()) add(holds, at, cell)
  })
  return {
    screen,
    names,
    initial,
    cells,
    reckoned,
    fittings,
    bound,
    computes,
    owes,
    holds,
    bounders,
    declaredOnly: declaredOnly(screen),
  }
}

/** Where the names of a screen lead to. */
export interface Places {
  readonly cells: ReadonlyMap<string, number>
  readonly clauses: readonly CellClause[]
  readonly fittings: readonly string[]
  readonly slotOf: (source: Readable<unknown>) => number | undefined
}

/** The steps of an action, with cells and fittings as numbers; a step that names something unknown is left out. */
export function planned(action: Action, places: Places): PlannedStep[] {
  return action.steps.flatMap((one): PlannedStep[] => {
    if (one.step === 'run') {
      const fitting = places.fittings.indexOf(one.fitting.name)
      const args = one.args.map((arg) => givenOf(arg, places))
      return fitting < 0 ? [] : [{ step: 'run', fitting, command: one.command, args }]
    }
    if (one.step !== 'set' && one.step !== 'clear') return [{ step: 'declared', what: one.step }]
    const cell = one.cell.row === undefined ? places.cells.get(one.cell.name) : undefined
    if (cell === undefined) return []
    if (one.step === 'set') return [{ step: 'set', cell, value: givenOf(one.value, places) }]
    return [{ step: 'set', cell, value: { from: 'constant', value: places.clauses[cell]?.initial } }]
  })
}

function givenOf(value: unknown, { slotOf }: Places): Given {
  if (isPayload(value)) return { from: 'payload', at: pointerParts(value.at) ?? [] }
  const kind = (value as { kind?: unknown } | null | undefined)?.kind
  const slot = kind === 'cell' || kind === 'reckoned' ? slotOf(value as Readable<unknown>) : undefined
  return slot === undefined ? { from: 'constant', value } : { from: 'slot', slot }
}

/** The places of a machine's names, for actions that are asked for by name. */
export function placesOf({ screen, cells, reckoned, fittings }: Machine): Places {
  const cellSlots = new Map(cells.map((cell, at) => [cell.name, at]))
  const reckonedSlots = new Map(reckoned.map(({ name, slot }) => [name, slot]))
  return {
    cells: cellSlots,
    clauses: cells,
    fittings: fittings.map(({ name }) => name),
    slotOf: (source) =>
      source.kind === 'cell'
        ? cellSlots.get(source.name)
        : reckonedSlots.get(
            Object.keys(screen.reckoned as object).find((name) => screen.reckoned[name] === source) ?? source.name,
          ),
  }
}

function declaredOnly({ bindings, rows, shown, loads, hears, enters }: AnyScreen): string[] {
  const drafts = Object.entries(bindings).flatMap(([fitting, names]) =>
    Object.entries(names).flatMap(([name, { kind }]) => (kind === 'draft' ? [`the draft of ${fitting}.${name}`] : [])),
  )
  const each = (what: string, section: object) => Object.keys(section).map((name) => `${what} ${name}`)
  return [
    ...drafts,
    ...each('the rows of', rows),
    ...each('when to show', shown),
    ...each('the load of', loads),
    ...each('the topic', hears),
    ...(enters.steps.length > 0 ? ['what it does when it is entered'] : []),
  ]
}

interface SourceSlot {
  readonly slot: number
  readonly twoWay: boolean
}

function sourcesOf(
  bindings: Readonly<Record<string, Binding>>,
  contract: AnyContract,
  slotOf: (source: Readable<unknown>) => number | undefined,
  constant: (name: string, value: unknown) => number,
): Map<string, SourceSlot> {
  const sources = new Map<string, SourceSlot>()
  for (const [name, binding] of Object.entries(bindings)) {
    if (clauseOf(contract, name) === undefined) continue
    const at = binding.kind === 'constant' ? constant(name, binding.value) : slotOf(binding.source)
    if (at !== undefined) sources.set(name, { slot: at, twoWay: binding.kind === 'two-way' })
  }
  return sources
}

function boundName(
  contract: AnyContract,
  at: number,
  fitting: number,
  name: string,
  source: SourceSlot,
  known: number,
  sources: ReadonlyMap<string, SourceSlot>,
  add: (made: BoundName) => void,
): BoundName {
  const clause = clauseOf(contract, name)
  const value = clause !== undefined && isValue(clause) ? clause : undefined
  const bounded = value !== undefined && value.outside !== 'keep' && hasLimits(value) ? value : undefined
  const limits = new Map<string, number>()
  for (const limit of bounded === undefined
    ? []
    : [bounded.bounds.least, bounded.bounds.most, bounded.step, bounded.gap]) {
    const slot = typeof limit === 'string' ? sources.get(limit)?.slot : undefined
    if (slot !== undefined) limits.set(limit as string, slot)
  }
  const made: BoundName = {
    at,
    fitting,
    name,
    source: source.slot,
    known,
    cell: source.twoWay ? source.slot : -1,
    bounded,
    appliesWhenTold: value?.applies === 'when-told',
    limits,
  }
  add(made)
  return made
}

function hasLimits(clause: ValueClause): boolean {
  const { least, most } = clause.bounds
  return least !== undefined || most !== undefined || clause.step !== undefined || clause.ordered
}

/** One event may report several values. */
function hearings(
  screen: AnyScreen,
  fitting: string,
  contract: AnyContract,
  bound: readonly BoundName[],
  places: Places,
): Map<string, Hearing> {
  const hears = new Map<string, Hearing>()
  const boundTo = (event: string) => hears.get(event)?.bound ?? []
  for (const value of valueClauses(contract)) {
    const own = bound.find((one) => one.name === value.name)
    if (own !== undefined) hears.set(value.event, { bound: [...boundTo(value.event), own], steps: [] })
  }
  for (const [event, action] of Object.entries(screen.on[fitting] ?? {}))
    hears.set(event, { bound: boundTo(event), steps: planned(action, places) })
  return hears
}
