import { equal } from '../../contract/index.js'
import type { FittingPlan, Leaving, ScreenPlan } from '../plan/index.js'
import { drop, send } from './calls.js'
import { discardDrafts, openDrafts } from './drafts.js'
import { stay } from './leave.js'
import { touchCell } from './propose.js'
import { runSteps } from './steps.js'
import { frontOf, problemsOf, put, screenOf, wayOf, write, type Work } from './work.js'

/** A screen is in front: what it loads is asked for, and what it does on entering is done. */
export function enter(work: Work, at: number): void {
  const setting = { screen: at, payload: undefined, row: undefined }
  const { loads, enters } = screenOf(work, at)
  for (const site of loads) {
    if (isEdited(work, at, site)) continue
    noteAsked(work, at, site)
    send(work, site, setting)
  }
  runSteps(work, enters, setting)
}

/** What outlives its screen and was changed since it was asked for, loaded or saved is not loaded over by coming back. */
function isEdited(work: Work, screen: number, site: number): boolean {
  const { machine, slots } = work
  const { into = -1 } = machine.sites[site] ?? {}
  const saved = savedOn(work, screen)
  return machine.cells[into]?.isKept === true && into in saved && !equal(slots[into], saved[into])
}

/** What stands where something is asked for the first time is what an edit is told by, until there is an answer. */
function noteAsked(work: Work, screen: number, site: number): void {
  const { machine, slots } = work
  const { into = -1 } = machine.sites[site] ?? {}
  const saved = savedOn(work, screen)
  if (machine.cells[into]?.isKept === true && !(into in saved))
    put(work, screenOf(work, screen).slots.saved, { ...saved, [into]: slots[into] })
}

function savedOn(work: Work, screen: number): Readonly<Record<number, unknown>> {
  return work.slots[screenOf(work, screen).slots.saved] as Readonly<Record<number, unknown>>
}

export function enterFirst(work: Work): void {
  const { machine } = work
  if (wayOf(work).at < 0) put(work, machine.slots.way, { entries: [frontOf(work)], at: 0 })
  enter(work, frontOf(work))
}

/** What was being typed is committed: the screen is left, unless something was turned down or open drafts keep a person there. */
export function goOnLeaving(work: Work, screen: number): void {
  const { machine, slots } = work
  const leaving = slots[machine.slots.leaving] as Leaving | undefined
  if (leaving === undefined || screen !== frontOf(work)) return
  put(work, machine.slots.leaving, undefined)
  const refusal = Object.entries(problemsOf(work, screen)).find(([, { from }]) => from === 'refusal')
  if (refusal !== undefined) {
    touchCell(work, screen, Number(refusal[0].split('/')[0]), 'left')
    return stay(work, refusal[1].text, leaving.isTravel)
  }
  const open = openDrafts(work, screen)
  if (open.length > 0 && machine.leaving === 'stay')
    return stay(work, 'Save or forget what is being edited first', leaving.isTravel)
  if (machine.leaving === 'discard') discardDrafts(work, open)
  const to = leaving.entries[leaving.at] as number
  close(work, screenOf(work, screen), screen)
  put(work, machine.slots.way, { entries: leaving.entries, at: leaving.at })
  write(work, machine.slots.front, to)
  work.owed.push({ effect: 'go', from: screen, to, at: leaving.at, isTravel: leaving.isTravel })
  work.entered = to
  forget(work, screenOf(work, to))
  enter(work, to)
}

/** What lives only as long as its screen ends with it; a submit that is out stays out. */
function close(work: Work, { slots, fittings }: ScreenPlan, at: number): void {
  const { machine } = work
  drop(work, (_call, site) => {
    const into = machine.cells[site.into]
    return site.screen === at && site.operation.effect === 'reads' && into?.screen === at && !into.isKept
  })
  machine.cells.forEach(({ screen, isKept, initial }, cell) => {
    if (screen === at && !isKept && !machine.drafts.some((plan) => plan.cell === cell && isOpen(work, plan.slot)))
      write(work, cell, initial)
  })
  for (const slot of [slots.touched, slots.problems, slots.unfinished]) put(work, slot, {})
  put(work, slots.tried, false)
  for (const fitting of fittings) forgetRows(work, machine.fittings[fitting] as FittingPlan)
}

function isOpen({ slots }: Work, draft: number): boolean {
  return slots[draft] !== undefined
}

/** A screen that is entered is mounted anew: nothing is known of its components. */
function forget(work: Work, { fittings }: ScreenPlan): void {
  for (const at of fittings) forgetRows(work, work.machine.fittings[at] as FittingPlan)
}

function forgetRows(work: Work, { rows, bound }: FittingPlan): void {
  if (rows === undefined) return
  put(work, rows.placed, [])
  for (const { known } of bound) put(work, known, {})
}
