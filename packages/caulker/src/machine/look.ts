import { CaulkerError, hint } from '../words/index.js'
import {
  cellBehind,
  ownProblem,
  problemAt,
  type FittingPlan,
  type Machine,
  type OpenDraft,
  type PendingCall,
  type Problem,
} from './plan/index.js'
import { entries, keyOf, memberOf, type State } from './step/index.js'

/** What can be seen of a running machine without changing it; names are those of the screen in front, then those of its journey. */
export interface Look {
  read(name: string): unknown
  /** The name of the screen in front, and at which entry of the way it stands. */
  front(): string
  way(): { entries: readonly string[]; at: number }
  isShown(fitting: string): boolean
  /** The keys of the entries that a fitting stands for; nothing where it stands for none. */
  rows(fitting: string): readonly string[] | undefined
  /** What is wrong with a field, or with the screen itself where no fitting is named; empty where nothing is. */
  problem(fitting?: string, row?: string): string
  draft(fitting: string, name: string): OpenDraft | undefined
  drafts(): readonly { name: string; draft: OpenDraft }[]
  pending(): readonly { id: number; operation: string; given: unknown; isWaiting: boolean }[]
  isSending(): boolean
  /** The names of the cells of the screen in front, and of those that are shared. */
  cellNames(): readonly string[]
  /** Every name that is bound on the screen in front, and what its owner holds. */
  sides(): readonly {
    fitting: string
    row: string | undefined
    name: string
    isShared: boolean
    isConstant: boolean
    owner: unknown
  }[]
  /** The slot, fitting or cell of a name; throws a {@link CaulkerError} `unknown-name` with the closest right one. */
  index(kind: 'fitting' | 'cell' | 'name', name: string): number
  /** The running screen, as messages name it. */
  who(): string
}

export function lookIn(machine: Machine, state: () => State): Look {
  const shared = new Map(
    machine.cells.flatMap(({ name, screen }, at): [string, number][] =>
      screen < 0 || machine.screens.length > 1 ? [[name, at]] : [],
    ),
  )
  const frontAt = () => state()[machine.slots.front] as number
  const front = () => machine.screens[frontAt()] as Machine['screens'][number]
  const fitting = (name: string) => machine.fittings[index('fitting', name)] as FittingPlan
  const who = () => (machine.kind === 'interior' ? `the interior of '${machine.name}'` : `screen '${front().name}'`)

  function index(kind: 'fitting' | 'cell' | 'name', name: string): number {
    const { cells, reckoned, fittings } = front().places
    if (kind === 'fitting') {
      const at = fittings.get(name)
      if (at !== undefined) return at
      throw unknown(kind, name, fittings.keys())
    }
    const at = cells.get(name) ?? shared.get(name) ?? (kind === 'name' ? reckoned.get(name) : undefined)
    if (at !== undefined) return at
    throw unknown('cell', name, [...cells.keys(), ...shared.keys(), ...(kind === 'name' ? reckoned.keys() : [])])
  }

  function unknown(kind: string, name: string, names: Iterable<string>): CaulkerError {
    return new CaulkerError('unknown-name', `${who()} has no ${kind} '${name}'${hint(name, names)}`)
  }

  const problems = () => state()[front().slots.problems] as Readonly<Record<string, Problem>>
  const cellsOf = ({ bound }: FittingPlan) => bound.map((one) => cellBehind(machine, one)).filter((cell) => cell >= 0)

  return {
    index,
    who,
    read: (name) => state()[index('name', name)],
    front: () => front().name,
    way() {
      const { entries, at } = state()[machine.slots.way] as { entries: readonly number[]; at: number }
      return { entries: entries.map((one) => machine.screens[one]?.name ?? ''), at }
    },
    isShown(name) {
      const { shown } = fitting(name)
      return shown === undefined || state()[shown.slot] === true
    },
    rows(name) {
      const { rows } = fitting(name)
      return rows === undefined ? undefined : (state()[rows.placed] as readonly string[])
    },
    problem(name, row) {
      return name === undefined
        ? ownProblem(problems(), front().fields)
        : problemAt(problems(), cellsOf(fitting(name)), row)
    },
    draft(name, of) {
      const { bound } = fitting(name)
      const at = bound.find((one) => one.name === of)?.draft ?? -1
      return state()[machine.drafts[at]?.slot ?? -1] as OpenDraft | undefined
    },
    drafts: () =>
      machine.drafts.flatMap(({ name, slot }) => {
        const draft = state()[slot] as OpenDraft | undefined
        return draft === undefined ? [] : [{ name: name.replace(' (draft)', ''), draft }]
      }),
    pending: () =>
      (state()[machine.slots.calls] as readonly PendingCall[])
        .filter(({ isExpired }) => !isExpired)
        .map(({ id, site, given, isWaiting }) => {
          const { name } = machine.sites[site] as Machine['sites'][number]
          return { id, operation: name, given, isWaiting }
        }),
    sides: () =>
      front().fittings.flatMap((at) => {
        const { name: fitting, bound, rows } = machine.fittings[at] as FittingPlan
        const placed = rows === undefined ? [undefined] : (state()[rows.placed] as readonly string[])
        return placed.flatMap((row) =>
          bound.map(({ name, source, member, cell, draft, isConstant }) => {
            const held = state()[source]
            const entry = entries(held).find((one) => rows !== undefined && keyOf(one, rows.key) === row)
            const owner = member === undefined ? held : memberOf(entry, member)
            return { fitting, row, name, isShared: cell >= 0 || draft >= 0, isConstant, owner }
          }),
        )
      }),
    cellNames: () => [...front().places.cells.keys()],
    isSending: () => machine.screens.some(({ slots }) => state()[slots.phase] !== ''),
  }
}
