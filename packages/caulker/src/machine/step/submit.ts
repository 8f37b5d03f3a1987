import { isEmpty, outsideText, reasonAgainst } from '../../contract/index.js'
import { cellBehind, type FittingPlan } from '../plan/index.js'
import { isAsked, isDisabled, isShown } from './asked.js'
import { limitsAt } from './bounds.js'
import { send } from './calls.js'
import { openDrafts } from './drafts.js'
import { isOfUncorrected } from './unfinished.js'
import { commitAll } from './leave.js'
import type { Invalid } from './input.js'
import { problemsOf, put, screenOf, setProblem, type Work } from './work.js'

/** A submit begins: problems of the last one go, and what is being typed is committed. While one is under way a second does nothing. */
export function beginSubmit(work: Work, screen: number): void {
  const plan = screenOf(work, screen)
  if (plan.submit === undefined) {
    work.faults.push({ place: 'step submit', error: new Error(`screen '${plan.name}' does not say what it submits`) })
    return
  }
  if (work.slots[plan.slots.phase] !== '') return
  const kept = Object.entries(problemsOf(work, screen)).filter(([place]) => isOfUncorrected(work, screen, place))
  put(work, plan.slots.problems, Object.fromEntries(kept.map(([place, one]) => [place, { ...one, isShown: true }])))
  put(work, plan.slots.tried, true)
  put(work, plan.slots.phase, 'committing')
  commitAll(work, screen)
}

/** Everything is committed: it is sent once, where nothing is wrong with it. */
export function goOnSubmitting(work: Work, screen: number, invalid: readonly Invalid[]): void {
  const { slots, submit } = screenOf(work, screen)
  if (work.slots[slots.phase] !== 'committing' || submit === undefined) return
  judge(work, screen, invalid)
  if (Object.keys(problemsOf(work, screen)).length > 0) {
    work.owed.push({ effect: 'held' })
    return put(work, slots.phase, '')
  }
  put(work, slots.phase, 'sending')
  send(work, submit.site, { screen, payload: undefined, row: undefined })
}

/** What holds a submit back, each beside its field. */
function judge(work: Work, screen: number, invalid: readonly Invalid[]): void {
  const { machine, slots } = work
  const plan = screenOf(work, screen)
  const sent = new Set(plan.submit?.sends.values())
  for (const at of plan.fittings) {
    const fitting = machine.fittings[at] as FittingPlan
    if (!isShown(work, at) || isDisabled(work, fitting)) continue
    for (const bound of fitting.bound) {
      const cell = cellBehind(machine, bound)
      if (cell < 0 || bound.member !== undefined) continue
      const value = slots[bound.source]
      if (isMissing(work, fitting, bound.name, value)) say(work, screen, cell, 'This is needed', 'validity')
      const outside = ['refuse', 'mark'].includes(bound.bounded?.outside ?? '')
        ? outsideText(value, limitsAt(work, bound))
        : undefined
      if (outside !== undefined) say(work, screen, cell, outside, 'validity')
    }
  }
  for (const [cell, text] of plan.submit?.needs ?? [])
    if (isEmpty(slots[cell]) && isAsked(work, plan, cell)) say(work, screen, cell, text, 'validity')
  for (const [cell, slot] of plan.submit?.heldBy ?? []) {
    const reason = slots[slot]
    if (typeof reason === 'string' && reason !== '' && isAsked(work, plan, cell))
      say(work, screen, cell, reason, 'validity')
  }
  for (const { fitting, row, text } of invalid) {
    const of = machine.fittings[fitting] as FittingPlan
    if (!isShown(work, fitting) || isDisabled(work, of)) continue
    const bound = of.bound.find((one) => cellBehind(machine, one) >= 0)
    const cell = bound === undefined ? -1 : cellBehind(machine, bound)
    const place = row === undefined ? `${cell}` : `${cell}/${row}/${bound?.member ?? ''}`
    setProblem(work, screen, bound === undefined ? '' : place, { text, from: 'validity' })
  }
  // What became true since it was proposed is said now.
  for (const cell of sent)
    for (const hook of machine.cells[cell]?.refuse ?? []) {
      const reason = reasonAgainst(hook, slots[cell], slots[cell])
      if (reason !== undefined) say(work, screen, cell, reason, 'validity')
    }
  for (const at of openDrafts(work, screen)) {
    const cell = machine.drafts[at]?.cell ?? -1
    if (sent.has(cell)) say(work, screen, cell, 'Save or forget this first', 'draft')
  }
}

function say(work: Work, screen: number, cell: number, text: string, from: 'validity' | 'draft'): void {
  if (`${cell}` in problemsOf(work, screen)) return
  setProblem(work, screen, `${cell}`, { text, from })
}

/** Whether the person has to fill a form value that is empty. */
function isMissing({ slots }: Work, { contract, requiredBy }: FittingPlan, name: string, value: unknown): boolean {
  if (contract.form?.value !== name || requiredBy === undefined || slots[requiredBy.source] !== true) return false
  return isEmpty(value, contract.values[name])
}
