import { equal } from '../../contract/index.js'
import { cellBehind, problemAt, type BoundName, type FittingPlan, type Problem } from '../plan/index.js'
import { atBounds } from './bounds.js'
import type { Effect } from './input.js'
import { isUncorrected } from './unfinished.js'
import { assign, entries, frontOf, keyOf, memberOf, put, was, type Work } from './work.js'

type Tell = Extract<Effect, { effect: 'tell' }>

/** The tells that are due: each name whose truth differs from what owner and component last agreed on. */
export function tells(work: Work, all?: readonly BoundName[]): Effect[] {
  const { machine, scratch, slots } = work
  const front = frontOf(work)
  const made: Tell[] = []
  if (work.entered !== undefined) know(work, work.entered)
  const { owing } = scratch
  if (owing.length > 1) owing.sort(inOrder)
  const count = all?.length ?? owing.length
  for (let at = 0; at < count; at++) {
    const bound = (all === undefined ? machine.bound[owing[at] as number] : all[at]) as BoundName
    const fitting = machine.fittings[bound.fitting] as FittingPlan
    if (fitting.screen !== front) continue
    if ((bound.cell >= 0 || bound.draft >= 0) && isUncorrected(work, bound.fitting)) continue
    if (fitting.rows !== undefined) {
      tellRows(work, fitting, bound, made)
      continue
    }
    const value = dueValue(work, bound, slots[bound.source])
    if (equal(value, slots[bound.known])) continue
    assign(work, bound.known, value)
    tell(made, bound.fitting, undefined, bound.name, value)
  }
  if (work.retold !== undefined) retell(work, work.retold, made)
  return made
}

const inOrder = (one: number, other: number) => one - other

/** A screen that comes to the front is mounted with what stands: its components know it from the start. */
function know(work: Work, screen: number): void {
  for (const at of work.machine.screens[screen]?.fittings ?? []) {
    const fitting = work.machine.fittings[at] as FittingPlan
    for (const bound of fitting.bound)
      if (fitting.rows === undefined) assign(work, bound.known, dueValue(work, bound, work.slots[bound.source]))
      else tellRows(work, fitting, bound, [])
  }
}

/** Each entry of a list is told what changed for it; an entry that is new is given it when it is placed. */
function tellRows(work: Work, { rows }: FittingPlan, bound: BoundName, made: Tell[]): void {
  if (rows === undefined) return
  const before = work.slots[bound.known] as Readonly<Record<string, unknown>>
  const placed = was(work, rows.placed) as readonly string[]
  const after: Record<string, unknown> = {}
  const source = work.slots[bound.source]
  const copies = bound.draft < 0 ? undefined : new Map(entries(source).map((entry) => [keyOf(entry, rows.key), entry]))
  for (const entry of entries(work.slots[rows.cell])) {
    const key = keyOf(entry, rows.key)
    const shown = copies?.get(key) ?? entry
    const value = bound.member === undefined ? source : memberOf(shown, bound.member)
    after[key] = dueValue(work, bound, value, entry, before[key])
    if (placed.includes(key) && !equal(after[key], before[key])) tell(made, bound.fitting, key, bound.name, after[key])
  }
  assign(work, bound.known, after)
}

/** A name that is only followed is told what fits its bounds; what its contract would refuse is not told. */
function dueValue(work: Work, bound: BoundName, value: unknown, entry?: unknown, known?: unknown): unknown {
  if (bound.bounded === undefined || bound.cell >= 0) return value
  const settled = atBounds(work, bound, value, { by: 'owner', entry })
  return settled.stands ? settled.value : entry === undefined ? work.slots[bound.known] : known
}

/** What a person began to type is dropped, and what a native reset has changed is put back: all is told once more. */
function retell(work: Work, retold: ReadonlySet<number>, made: Tell[]): void {
  const { machine, slots } = work
  for (const at of retold) {
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
  if (one !== undefined && (one.fitting !== fitting || one.row !== row))
    one = made.find((before) => before.fitting === fitting && before.row === row)
  if (one === undefined) {
    one = row === undefined ? { effect: 'tell', fitting, changes: {} } : { effect: 'tell', fitting, row, changes: {} }
    made.push(one)
  }
  ;(one.changes as Record<string, unknown>)[name] = value
}

/** Which rows there are, where that changed; and which fittings are shown. */
export function placings(work: Work, effects: Effect[]): void {
  const { machine, slots, scratch } = work
  const front = frontOf(work)
  for (const fitting of machine.placed) {
    const { rows, shown, screen } = machine.fittings[fitting] as FittingPlan
    if (screen !== front) continue
    if (shown !== undefined && slots[shown.slot] === true && was(work, shown.slot) !== true)
      effects.push({ effect: 'show', fitting, isShown: true })
    if (rows === undefined || (scratch.changed[rows.cell] !== 1 && was(work, machine.slots.front) === front)) continue
    const keys = entries(slots[rows.cell]).map((entry) => keyOf(entry, rows.key))
    if (equal(keys, slots[rows.placed])) continue
    put(work, rows.placed, keys)
    effects.push({ effect: 'rows', fitting, keys })
  }
}

/** What is hidden, once it was told: a browser takes the focus from it, and what was typed there is dropped by then. */
export function hidings(work: Work, effects: Effect[]): void {
  const { machine, slots } = work
  for (const fitting of machine.placed) {
    const { shown, screen } = machine.fittings[fitting] as FittingPlan
    if (shown === undefined || screen !== frontOf(work)) continue
    if (slots[shown.slot] !== true && was(work, shown.slot) !== slots[shown.slot])
      effects.push({ effect: 'show', fitting, isShown: false })
  }
}

/** What is said beside a field, where that changed. */
export function problems(work: Work, effects: Effect[]): void {
  const { machine, slots } = work
  const screen = machine.screens[frontOf(work)]
  const slot = screen?.slots.problems ?? -1
  if (screen === undefined || slots[slot] === was(work, slot)) return
  const [old, is] = [was(work, slot), slots[slot]] as [Problems, Problems]
  for (const index of screen.fittings) {
    const fitting = machine.fittings[index] as FittingPlan
    const cells = fitting.bound.map((bound) => cellBehind(machine, bound))
    const rows = fitting.rows === undefined ? [undefined] : (slots[fitting.rows.placed] as readonly string[])
    for (const row of rows) {
      const text = problemAt(is, cells, row)
      if (text !== problemAt(old, cells, row)) effects.push({ effect: 'problem', fitting: index, row, text })
    }
  }
}

type Problems = Readonly<Record<string, Problem>>

/** What was made right is said to whoever proposed it; a bound that moved has its value brought in, too. */
export function amendments(work: Work, effects: Effect[]): void {
  const { machine, scratch, proposed, slots } = work
  const say = (cell: number, value: unknown) =>
    effects.push({
      effect: 'amendment',
      amendment: { cell: machine.cells[cell]?.name ?? '', proposed: value, stands: slots[cell] },
    })
  for (const [cell, { value }] of proposed) if (!equal(value, slots[cell])) say(cell, value)
  for (const cell of scratch.held)
    if (!proposed.has(cell) && scratch.changed[cell] === 1 && !equal(was(work, cell), slots[cell]))
      say(cell, was(work, cell))
}

/** Who is told once a value stands; what is computed has nobody. */
export function afters(work: Work, effects: Effect[]): void {
  const { machine, scratch, slots } = work
  for (const slot of scratch.slots) {
    const clause = slot < machine.cells.length ? machine.cells[slot] : undefined
    if (clause === undefined || clause.after.length === 0 || equal(was(work, slot), slots[slot])) continue
    for (const hook of clause.after)
      effects.push({ effect: 'after', cell: clause.name, hook, now: slots[slot], before: was(work, slot) })
  }
}
