import { printed, valueClauses, type ValueClause } from '../../contract/index.js'
import { CaulkerError } from '../../words/index.js'
import {
  isInterior,
  isJourney,
  isScreen,
  type AnyScreen,
  type CellClause,
  type Interior,
  type Journey,
} from '../../wiring/index.js'
import { boundName } from './fitting.js'
import type { BoundName, CellPlan, FacePlan, Machine } from './machine.js'
import type { Building } from './part.js'
import { planScreen } from './screen.js'
import { noSlots } from './slots.js'

/** What can be made flat. */
export type Wiring = AnyScreen | Journey | Interior

const compiled = new WeakMap<Wiring, Machine>()

/** Makes a wiring flat, once for any number of runs. Names that do not exist are left out here and reported by `check`. */
export function compile(wiring: Wiring): Machine {
  const before = compiled.get(wiring)
  if (before !== undefined) return before
  const machine = flat(wiring)
  compiled.set(wiring, machine)
  return machine
}

function flat(wiring: Wiring): Machine {
  if (!isScreen(wiring) && !isJourney(wiring) && !isInterior(wiring))
    throw new CaulkerError(
      'bad-argument',
      `expected what screen(…), journey(…) or interior(…) returned, and was given ${printed(wiring)}`,
    )
  const slots = noSlots()
  const parts = partsOf(wiring)
  const clauses: { clause: CellClause; screen: number; isKept: boolean }[] = []
  const cellsOf = parts.map(() => new Map<string, number>())
  const cell = (name: string, clause: CellClause, screen: number, isKept: boolean) => {
    clauses.push({ clause: { ...clause, name }, screen, isKept })
    return slots.add(name, clause.initial)
  }

  for (const shared of isJourney(wiring) ? Object.values(wiring.cells) : []) {
    const sharing = parts.flatMap(({ screen, shares }, at) =>
      Object.entries(shares).flatMap(([own, name]) => {
        const clause = screen.cells[own] as CellClause | undefined
        return name === shared.name && clause !== undefined ? [{ own, at, clause }] : []
      }),
    )
    const slot = cell(shared.name, together(shared, sharing), -1, true)
    for (const { own, at } of sharing) cellsOf[at]?.set(own, slot)
  }
  parts.forEach(({ name, screen }, at) => {
    for (const clause of Object.values<CellClause>(screen.cells)) {
      if (cellsOf[at]?.has(clause.name) === true) continue
      const full = parts.length === 1 ? clause.name : `${name}.${clause.name}`
      cellsOf[at]?.set(clause.name, cell(full, clause, at, screen.keeps.includes(clause.name)))
    }
  })

  const building: Building = {
    slots,
    machine: {
      front: slots.add('(in front)', 0),
      way: slots.add('(way)', { entries: [], at: -1 }),
      calls: slots.add('(calls)', []),
      called: slots.add('(called)', 0),
      leaving: slots.add('(leaving)', undefined),
    },
    clauses: clauses.map(({ clause }) => clause),
    screens: parts.map(({ name }) => name),
    reckoned: [],
    fittings: [],
    bound: [],
    sites: [],
    drafts: [],
  }
  const screens = parts.map(({ name, screen }, at) => planScreen(building, at, name, screen, cellsOf[at] ?? new Map()))
  const cells = clauses.map(({ clause, screen, isKept }, at): CellPlan => {
    const isWritten = building.sites.some(({ writes }) => writes.includes(at))
    return {
      ...clause,
      screen,
      isKept,
      revision: isWritten ? slots.add(`${clause.name} (revision)`, 0) : -1,
      agreed: clause.face === 'value' ? slots.add(`${clause.name} (agreed)`, undefined) : -1,
    }
  })
  return {
    kind: isJourney(wiring) ? 'journey' : isInterior(wiring) ? 'interior' : 'screen',
    name: isInterior(wiring) ? wiring.contract.tag : wiring.name,
    names: slots.names,
    initial: slots.initial,
    cells,
    reckoned: building.reckoned,
    fittings: building.fittings,
    bound: building.bound,
    placed: [...building.fittings.keys()].filter((at) => {
      const fitting = building.fittings[at]
      return fitting?.rows !== undefined || fitting?.shown !== undefined
    }),
    screens,
    sites: building.sites,
    drafts: building.drafts,
    slots: building.machine,
    face: isInterior(wiring) ? faceOf(wiring, cellsOf[0] ?? new Map()) : NO_FACE,
    leaving: isJourney(wiring) ? wiring.leaving : 'keep',
    ...edgesOf(building, isInterior(wiring) ? faceBounds(wiring, cellsOf[0] ?? new Map()) : []),
  }
}

interface Part {
  readonly name: string
  readonly screen: AnyScreen
  readonly shares: Readonly<Record<string, string>>
}

/** The screens of a wiring, the one that comes first at the front. */
function partsOf(wiring: Wiring): Part[] {
  if (isInterior(wiring)) return [{ name: wiring.contract.tag, screen: wiring.screen, shares: {} }]
  if (!isJourney(wiring)) return [{ name: wiring.name, screen: wiring, shares: {} }]
  return Object.entries(wiring.screens)
    .sort(([one], [other]) => Number(other === wiring.start) - Number(one === wiring.start))
    .map(([name, screen]) => ({ name, screen, shares: wiring.shares[name] ?? {} }))
}

/** A shared cell keeps what its journey says, and what every screen that shares it says. */
function together(shared: CellClause, sharing: readonly { clause: CellClause }[]): CellClause {
  const all = [shared, ...sharing.map(({ clause }) => clause)]
  return {
    ...shared,
    amend: all.flatMap(({ amend }) => amend),
    refuse: all.flatMap(({ refuse }) => refuse),
    after: all.flatMap(({ after }) => after),
  }
}

/** What the contract of an interior promises holds inside it, too: its values keep to their bounds, whoever changes them. */
function faceBounds({ contract }: Interior, cells: ReadonlyMap<string, number>): BoundName[] {
  const sources = new Map(
    [...cells].map(([name, slot]) => [name, { slot, member: undefined, cell: slot, draft: -1, isConstant: false }]),
  )
  return [...sources].map(([name, source]) => boundName(contract, -1, -1, name, source, -1, sources))
}

const NO_FACE: FacePlan = { events: new Map(), asks: new Map(), waits: new Set() }

function faceOf({ contract }: Interior, cells: ReadonlyMap<string, number>): FacePlan {
  const values = valueClauses(contract)
  const cellOf = ({ name }: ValueClause) => cells.get(name) as number
  return {
    events: new Map(values.map(({ name, event }) => [name, event])),
    asks: new Map(
      values.flatMap((value) => (value.vetoEvent === undefined ? [] : [[cellOf(value), value.vetoEvent] as const])),
    ),
    waits: new Set(values.filter(({ applies }) => applies === 'when-told').map(cellOf)),
  }
}

/** Who has to look where a slot changes. */
function edgesOf(
  { slots, clauses, reckoned, bound, fittings }: Building,
  face: readonly BoundName[],
): Pick<Machine, 'computes' | 'owes' | 'holds' | 'bounders'> {
  const bySlot = () => slots.names.map((): number[] | undefined => undefined)
  const [computes, owes, holds] = [bySlot(), bySlot(), bySlot()]
  const add = (lists: (number[] | undefined)[], at: number, what: number) => void (lists[at] ??= []).push(what)
  reckoned.forEach(({ inputs }, rank) => new Set(inputs).forEach((input) => add(computes, input, rank)))
  const bounders = clauses.map((_, cell) =>
    [...face, ...bound].filter((one) => one.cell === cell && one.bounded !== undefined),
  )
  for (const one of bound) {
    const limits = [...one.limits.values()].map(({ slot }) => slot)
    // An entry that is new is given all its names.
    const list = fittings[one.fitting]?.rows?.cell ?? one.source
    new Set([one.source, one.known, list, ...limits]).forEach((at) => add(owes, at, one.at))
  }
  bounders.forEach((all, cell) => {
    if (all.length > 0) add(holds, cell, cell)
    for (const one of all) for (const { slot } of one.limits.values()) if (slot !== cell) add(holds, slot, cell)
  })
  return { computes, owes, holds, bounders }
}
