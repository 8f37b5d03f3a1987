import { clauseOf, isValue } from '../../contract/index.js'
import type { ScreenPlan } from '../plan/index.js'
import { drop } from './calls.js'
import { discardDrafts, openDrafts } from './drafts.js'
import { propose } from './propose.js'
import { put, retellAll, screenOf, type Work } from './work.js'

/** Brings every cell of the scope back, what is shown with it, and closes drafts; after a native reset all of it is told again. */
export function resetScreen(work: Work, at: number, isNative: boolean): void {
  const { machine } = work
  const plan = screenOf(work, at)
  const { reset, slots } = plan
  if (reset === undefined) {
    if (isNative) plan.fittings.forEach((fitting) => retellAll(work, fitting))
    else
      work.faults.push({
        place: 'step reset',
        error: new Error(`screen '${plan.name}' does not say to what it is reset`),
      })
    return
  }
  const scope = new Set(reset.cells)
  if (reset.to !== 'saved') drop(work, (_call, site) => site.kind === 'load' && scope.has(site.into))
  discardDrafts(
    work,
    openDrafts(work, at).filter((draft) => scope.has(machine.drafts[draft]?.cell ?? -1)),
  )
  for (const cell of scope) propose(work, cell, backTo(work, plan, cell))
  put(work, slots.touched, {})
  put(work, slots.problems, {})
  put(work, slots.tried, false)
  const unfinished = work.slots[slots.unfinished] as Readonly<Record<number, string>>
  for (const fitting of plan.fittings) if (isNative || unfinished[fitting] !== undefined) retellAll(work, fitting)
  put(work, slots.unfinished, {})
}

function backTo(work: Work, { reset, slots, fittings }: ScreenPlan, cell: number): unknown {
  const initial = work.machine.cells[cell]?.initial
  if (reset?.to === 'saved') {
    const saved = work.slots[slots.saved] as Readonly<Record<number, unknown>>
    return cell in saved ? saved[cell] : initial
  }
  if (reset?.to !== 'default') return initial
  for (const at of fittings) {
    const { contract, bound } = work.machine.fittings[at] as (typeof work.machine.fittings)[number]
    const name = bound.find((one) => one.cell === cell && one.member === undefined)?.name
    const clause = name === undefined ? undefined : clauseOf(contract, name)
    if (clause !== undefined && isValue(clause) && clause.default !== undefined) return clause.default
  }
  return initial
}
