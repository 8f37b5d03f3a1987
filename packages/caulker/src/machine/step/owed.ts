import { equal } from '../../contract/index.js'
import { problemAt, type BoundName, type FittingPlan, type Problem } from '../plan/index.js'
import { atBounds } from './bounds.js'
import type { Effect } from './input.js'
import { isUncorrected } from './unfinished.js'
import { entries, frontOf, keyOf, memberOf, put, type Work } from './work.js'

type Tell = Extract<Effect, { effect: 'tell' }>

/** The tells that are due: each name whose truth differs from what owner and component last agreed on. */
export function tells(work: Work, all?: readonly BoundName[]): Effect[] {
  const { machine, scratch, slots } = work
  const front = frontOf(work)
  const due = all ?? scratch.owing.sort((one, other) => one - other).map((at) => machine.bound[at] as BoundName)
  const made: Tell[] = []
  if (work.entered !== undefined) know(work, work.entered)
  for (const bound of due) {
    const fitting = machine.fittings[bound.fitting] as FittingPlan
    if (fitting.screen !== front) continue
    if ((bound.cell >= 0 || bound.draft >= 0) && isUncorrected(work, bound.fitting)) continue
    if (fitting.rows !== undefined) {
      tellRows(work, fitting, bound, made)
      continue
    }
    const value = dueValue(work, bound, slots[bound.source])
    if (equal(value, slots[bound.known])) continue
    slots[bound.known] = value
    tell(made, bound.fitting, undefined, bound.name, value)
  }
  if (work.retold.size > 0) retell(work, made)
  return made
}

/** A screen that comes to the front is mounted with what stands: its components know it from the start. */
function know(work: Work, screen: number): void {
  for (const at of work.machine.screens[screen]?.fittings ?? []) {
    const fitting = work.machine.fittings[at] as FittingPlan
    for (const bound of fitting.bound)
      if (fitting.rows === undefined) work.slots[bound.known] = dueValue(work, bound, work.slots[bound.source])
      else tellRows(work, fitting, bound, [])
  }
}

/** Each entry of a list is told what changed for it; an entry that is new is given it when it is placed. */
function tellRows(work: Work, { rows }: FittingPlan, bound: BoundName, made: Tell[]): void {
  if (rows === undefined) return
  const before = work.slots[bound.known] as Readonly<Record<string, unknown>>
  const placed = work.before[rows.placed] as readonly string[]
  const after: Record<string, unknown> = {}
  for (const entry of entries(work.slots[rows.cell])) {
    const key = keyOf(entry, rows.key)
    const source = work.slots[bound.source]
    after[key] = dueValue(
      work,
      bound,
      bound.member === undefined ? source : memberOf(entry, bound.member),
      entry,
      before[key],
    )
    if (placed.includes(key) && !equal(after[key], before[key])) tell(made, bound.fitting, key, bound.name, after[key])
  }
  work.slots[bound.known] = after
}

/** A name that is only followed is told what fits its bounds; what its contract would refuse is not told. */
function dueValue(work: Work, bound: BoundName, value: unknown, entry?: unknown, known?: unknown): unknown {
  if (bound.bounded === undefined || bound.cell >= 0) return value
  const settled = atBounds(work, bound, value, { entry })
  return settled.stands ? settled.value : entry === undefined ? work.slots[bound.known] : known
}

/** What a person began to type is dropped, and what a native reset has changed is put back: all is told once more. */
function retell(work: Work, made: Tell[]): void {
  const { machine, slots } = work
  for (const at of work.retold) {
    const fitting = machine.fittings[at] as FittingPlan
    if (fitting.screen !== frontOf(work)) continue
    for (const { known, name } of fitting.bound) {
      if (fitting.rows === undefined) {
        if (slots[known] !== undefined) tell(made, at, undefined, name, slots[known])
        continue
      }
      for (const [row, value] of Object.entries(slots[known] as object)) tell(made, at, row, name, value)
    }
  }
}

function tell(made: Tell[], fitting: number, row: string | undefined, name: string, value: unknown): void {
  let one = made[made.length - 1]
  if (one === undefined || one.fitting !== fitting || one.row !== row)
    one = made.find((before) => before.fitting === fitting && before.row === row)
  if (one === undefined) {
    one = row === undefined ? { effect: 'tell', fitting, changes: {} } : { effect: 'tell', fitting, row, changes: {} }
    made.push(one)
  }
  ;(one.changes as Record<string, unknown>)[name] = value
}

/** Which rows there are, where that changed; and which fittings are shown. */
export function placings(work: Work): Effect[] {
  const { machine, slots, before, scratch } = work
  const front = frontOf(work)
  const made: Effect[] = []
  machine.placed.forEach((fitting) => {
    const { rows, shown, screen } = machine.fittings[fitting] as FittingPlan
    if (screen !== front) return
    if (shown !== undefined && before[shown.slot] !== slots[shown.slot])
      made.push({ effect: 'show', fitting, isShown: slots[shown.slot] === true })
    if (rows === undefined || (scratch.changed[rows.cell] !== 1 && before[machine.slots.front] === front)) return
    const keys = entries(slots[rows.cell]).map((entry) => keyOf(entry, rows.key))
    if (equal(keys, slots[rows.placed])) return
    put(work, rows.placed, keys)
    made.push({ effect: 'rows', fitting, keys })
  })
  return made
}

/** What is said beside a field, where that changed. */
export function problems(work: Work): Effect[] {
  const { machine, slots, before } = work
  return machine.screens.flatMap((screen, at) => {
    const { problems: slot } = screen.slots
    if (slots[slot] === before[slot] || at !== frontOf(work)) return []
    const [was, is] = [before[slot], slots[slot]] as Readonly<Record<string, Problem>>[]
    return screen.fittings.flatMap((index): Effect[] => {
      const fitting = machine.fittings[index] as FittingPlan
      const cells = fitting.bound.flatMap(({ cell, draft }) =>
        draft >= 0 ? (machine.drafts[draft]?.cell ?? []) : cell,
      )
      const rows = fitting.rows === undefined ? [undefined] : (slots[fitting.rows.placed] as readonly string[])
      return rows.flatMap((row): Effect[] => {
        const text = problemAt(is ?? {}, cells, row)
        if (text === problemAt(was ?? {}, cells, row)) return []
        return [
          row === undefined
            ? { effect: 'problem', fitting: index, text }
            : { effect: 'problem', fitting: index, row, text },
        ]
      })
    })
  })
}

/** What was made right is said to whoever proposed it; a bound that moved has its value brought in, too. */
export function amendments({ machine, scratch, proposed, before, slots }: Work): Effect[] {
  const effects: Effect[] = []
  const say = (cell: number, value: unknown) =>
    effects.push({
      effect: 'amendment',
      amendment: { cell: machine.cells[cell]?.name ?? '', proposed: value, stands: slots[cell] },
    })
  for (const [cell, { value }] of proposed) if (!equal(value, slots[cell])) say(cell, value)
  for (const cell of scratch.held)
    if (!proposed.has(cell) && scratch.changed[cell] === 1 && !equal(before[cell], slots[cell])) say(cell, before[cell])
  return effects
}

/** Who is told once a value stands; what is computed has nobody. */
export function afters({ machine, scratch, before, slots }: Work): Effect[] {
  const effects: Effect[] = []
  for (const slot of scratch.slots) {
    const clause = slot < machine.cells.length ? machine.cells[slot] : undefined
    if (clause === undefined || clause.after.length === 0 || equal(before[slot], slots[slot])) continue
    for (const hook of clause.after)
      effects.push({ effect: 'after', cell: clause.name, hook, now: slots[slot], before: before[slot] })
  }
  return effects
}

/** In an interior: the values of the face whose owner does not know them yet, in one report an event. */
export function reports(work: Work): Effect[] {
  const { machine, slots, scratch, silent } = work
  if (machine.kind !== 'interior') return []
  const made = new Map<string, Record<string, unknown>>()
  for (const slot of scratch.slots) {
    const cell = slot < machine.cells.length ? machine.cells[slot] : undefined
    if (cell === undefined || cell.agreed < 0 || equal(slots[slot], slots[cell.agreed])) continue
    // What was told is remembered as it was told, so that it can be tried again when a bound moves.
    if (silent === 'told') continue
    slots[cell.agreed] = slots[slot]
    if (silent === 'command') continue
    const event = machine.events.get(cell.name) as string
    made.set(event, { ...made.get(event), [cell.name]: slots[slot] })
  }
  return [...made].map(([event, values]) => ({ effect: 'report', event, payload: Object.values(values)[0], values }))
}
