import { clauseOf, isValue, pointerParts, valueClauses, type AnyContract, type ValueClause } from '../contract/index.js'
import type { Action, AnyScreen, CellClause } from './screen-model.js'
import { inRankOrder } from './rank.js'
import { isPayload, type Step } from './steps.js'
import type { Readable, Reckoned } from './tokens.js'

/** A wiring compiled to flat arrays: every thing that can change is a slot, and a snapshot is a copy of one array. */
export interface Plan {
  readonly screen: AnyScreen
  /** What each slot is, for ledgers and messages: `bales`, `total`, `stepper.bales`. */
  readonly names: readonly string[]
  readonly initial: readonly unknown[]
  /** In the slots from 0 on. */
  readonly cells: readonly CellClause[]
  /** In rank order: each stands after all that it depends on. */
  readonly reckoned: readonly ReckonedSlot[]
  readonly fittings: readonly FittingPlan[]
  readonly bound: readonly BoundName[]
  /** What the screen declares and no runner carries out yet, in words: `the draft of note.text`, `submit`. */
  readonly declaredOnly: readonly string[]
  /** The cells that somebody is told of once they stand. */
  readonly followed: readonly number[]
  /** Room for a step to mark in which transaction a slot last changed; nothing outside a step reads it. */
  readonly marks: { readonly lastChanged: Int32Array; transaction: number }
}

export interface ReckonedSlot {
  readonly name: string
  readonly slot: number
  readonly inputs: readonly number[]
  /** Its input where it has just one, else -1: the step takes a shorter way for it. */
  readonly only: number
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
  readonly fitting: number
  readonly name: string
  readonly source: number
  readonly known: number
  /** The cell that takes what is reported; -1 where nobody does. */
  readonly cell: number
  /** The value's clause where bounds may change what is told. */
  readonly bounded: ValueClause | undefined
  /** Whether a report only proposes, and the value changes when it is told. */
  readonly appliesWhenTold: boolean
  /** Where the names that its bounds and step follow are held. */
  readonly limits: ReadonlyMap<string, number>
  /** The slots whose change may make a tell due. */
  readonly watches: readonly number[]
}

/** What hears one event of a fitting: the binding of a value first, then the steps in their order. */
export interface Hearing {
  readonly bound: BoundName | undefined
  readonly steps: readonly PlannedStep[]
}

export type PlannedStep =
  | {
      readonly step: 'set'
      readonly cell: number
      readonly value: unknown
      /** Where in the payload the value stands, for one that comes from there. */
      readonly payloadAt: readonly string[] | undefined
    }
  /** A step that is declared and checked, and that no runner carries out yet. */
  | { readonly step: 'declared'; readonly what: Step['step'] }
  | { readonly step: 'run'; readonly fitting: number; readonly command: string; readonly args: readonly unknown[] }

/**
 * Compiles a screen once, for any number of runs. Names that do not exist are left out here and reported by `check`.
 */
export function compile(screen: AnyScreen): Plan {
  const names: string[] = []
  const initial: unknown[] = []
  const slot = (name: string, value: unknown) => (initial.push(value), names.push(name) - 1)

  const cells = Object.values<CellClause>(screen.cells)
  const cellSlots = new Map(cells.map((cell) => [cell.name, slot(cell.name, cell.initial)]))
  const ranked = inRankOrder(Object.values<Reckoned<unknown>>(screen.reckoned))
  const reckonedSlots = new Map<Reckoned<unknown>, number>()
  const slotOf = (source: Readable<unknown>): number | undefined =>
    source.kind === 'cell'
      ? cellSlots.get(source.name)
      : (reckonedSlots.get(source) ?? reckonedSlots.get(screen.reckoned[source.name]))
  const reckoned: ReckonedSlot[] = []
  for (const one of ranked) {
    const inputs = one.inputs.map(slotOf)
    const at = slot(one.name, undefined)
    reckonedSlots.set(one, at)
    if (inputs.every((input) => input !== undefined))
      reckoned.push({
        name: one.name,
        slot: at,
        inputs,
        only: inputs.length === 1 ? (inputs[0] as number) : -1,
        compute: one.compute as never,
      })
  }

  const fittingNames = Object.keys(screen.fittings).filter((name) => !Object.hasOwn(screen.rows, name))
  const fittings = fittingNames.map((name, index): FittingPlan => {
    const contract = screen.fittings[name] as AnyContract
    const sources = sourcesOf(screen, name, contract, slotOf, (of, value) => slot(`${name}.${of}`, value))
    const bound = [...sources].map(([of, source]) =>
      boundName(contract, index, of, source, slot(`${name}.${of}`, undefined), sources),
    )
    return {
      name,
      contract,
      bound,
      hears: hearings(screen, name, contract, bound, (action) => planned(action, cellSlots, cells, fittingNames)),
    }
  })
  return {
    screen,
    names,
    initial,
    cells,
    reckoned,
    fittings,
    bound: fittings.flatMap((fitting) => fitting.bound),
    declaredOnly: declaredOnly(screen),
    followed: cells.flatMap((cell, at) => (cell.after.length > 0 ? [at] : [])),
    marks: { lastChanged: new Int32Array(names.length), transaction: 0 },
  }
}

/** The steps of an action, with cells and fittings as numbers; a step that names something unknown is left out. */
export function planned(
  action: Action,
  cellSlots: ReadonlyMap<string, number>,
  cells: readonly CellClause[],
  fittings: readonly string[],
): PlannedStep[] {
  return action.steps.flatMap((one): PlannedStep[] => {
    if (one.step === 'run') {
      const fitting = fittings.indexOf(one.fitting.name)
      return fitting < 0 ? [] : [{ step: 'run', fitting, command: one.command, args: one.args }]
    }
    if (one.step !== 'set' && one.step !== 'clear') return [{ step: 'declared', what: one.step }]
    const cell = one.cell.row === undefined ? cellSlots.get(one.cell.name) : undefined
    if (cell === undefined) return []
    const value = one.step === 'set' ? one.value : cells[cell]?.initial
    const payloadAt = one.step === 'set' && isPayload(value) ? (pointerParts(value.at) ?? []) : undefined
    return [{ step: 'set', cell, value, payloadAt }]
  })
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
  slot: number
  twoWay: boolean
}

function sourcesOf(
  screen: AnyScreen,
  fitting: string,
  contract: AnyContract,
  slotOf: (source: Readable<unknown>) => number | undefined,
  constant: (name: string, value: unknown) => number,
): Map<string, SourceSlot> {
  const sources = new Map<string, SourceSlot>()
  for (const [name, binding] of Object.entries(screen.bindings[fitting] ?? {})) {
    if (clauseOf(contract, name) === undefined) continue
    const at = binding.kind === 'constant' ? constant(name, binding.value) : slotOf(binding.source)
    if (at !== undefined) sources.set(name, { slot: at, twoWay: binding.kind === 'two-way' })
  }
  return sources
}

function boundName(
  contract: AnyContract,
  fitting: number,
  name: string,
  source: SourceSlot,
  known: number,
  sources: ReadonlyMap<string, SourceSlot>,
): BoundName {
  const clause = clauseOf(contract, name)
  const bounded =
    clause !== undefined && isValue(clause) && clause.outside !== 'keep' && hasLimits(clause) ? clause : undefined
  const limits = new Map<string, number>()
  for (const limit of bounded === undefined
    ? []
    : [bounded.bounds.least, bounded.bounds.most, bounded.step, bounded.gap]) {
    const at = typeof limit === 'string' ? sources.get(limit)?.slot : undefined
    if (at !== undefined) limits.set(limit as string, at)
  }
  return {
    fitting,
    name,
    source: source.slot,
    known,
    cell: source.twoWay ? source.slot : -1,
    bounded,
    appliesWhenTold: clause !== undefined && isValue(clause) && clause.applies === 'when-told',
    limits,
    watches: [source.slot, known, ...limits.values()],
  }
}

function hasLimits(clause: ValueClause): boolean {
  return (
    clause.bounds.least !== undefined || clause.bounds.most !== undefined || clause.step !== undefined || clause.ordered
  )
}

function hearings(
  screen: AnyScreen,
  fitting: string,
  contract: AnyContract,
  bound: readonly BoundName[],
  plan: (action: Action) => PlannedStep[],
): Map<string, Hearing> {
  const hears = new Map<string, Hearing>()
  for (const value of valueClauses(contract)) {
    const itsBound = bound.find((one) => one.name === value.name)
    if (itsBound !== undefined) hears.set(value.event, { bound: itsBound, steps: [] })
  }
  for (const [event, action] of Object.entries(screen.on[fitting] ?? {}))
    hears.set(event, { bound: hears.get(event)?.bound, steps: plan(action) })
  return hears
}
