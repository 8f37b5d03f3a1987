import type { PlannedStep } from '../plan/index.js'
import { revisionOf, send, withoutWrite } from './calls.js'
import { discardDrafts, saveDrafts } from './drafts.js'
import { isShown } from './asked.js'
import { stay, wantBack, wantOn } from './leave.js'
import { propose, proposeEntry } from './propose.js'
import { computeWaiting } from './reckon.js'
import { resetScreen } from './reset.js'
import { beginSubmit } from './submit.js'
import { dropUnfinished } from './unfinished.js'
import { taken } from './taken.js'
import { callsOf, frontOf, put, type Setting, type Work } from './work.js'

/** Carries out the steps of a list in their order. */
export function runSteps(work: Work, steps: readonly PlannedStep[], setting: Setting): void {
  for (const one of steps) runStep(work, one, setting)
}

function runStep(work: Work, one: PlannedStep, setting: Setting): void {
  const { screen } = setting
  switch (one.step) {
    case 'set':
      return setCell(work, one, setting)
    case 'run':
      return runCommand(work, one, setting)
    case 'call':
    case 'refresh':
      return send(work, one.site, setting)
    case 'save':
      return saveDrafts(work, one.drafts, one.site, setting)
    case 'discard':
      return discardDrafts(work, one.drafts, setting.row)
    case 'submit':
      return beginSubmit(work, screen)
    case 'reset':
      return resetScreen(work, screen, false)
    case 'announce':
      return void work.owed.push({ effect: 'announce', topic: one.topic, value: taken(work, one.value, setting) })
    case 'report':
      return void work.owed.push({
        effect: 'report',
        event: one.event,
        payload: taken(work, one.value, setting),
        values: {},
      })
    case 'back':
      return isInFront(work, screen) ? wantBack(work) : undefined
    case 'go':
      return goOn(work, one, setting)
  }
}

/** Whoever has left a screen is not called back to it, and its components are gone. */
function isInFront(work: Work, screen: number): boolean {
  return frontOf(work) === screen
}

function runCommand(work: Work, one: Extract<PlannedStep, { step: 'run' }>, setting: Setting): void {
  // A step before it may have shown the fitting, or hidden it.
  computeWaiting(work)
  if (!isInFront(work, setting.screen) || !isShown(work, one.fitting)) return
  const { rows } = work.machine.fittings[one.fitting] ?? {}
  const args = one.args.map((arg) => taken(work, arg, setting))
  const row = rows === undefined ? undefined : setting.row
  work.owed.push({ effect: 'command', fitting: one.fitting, row, command: one.command, args })
}

function goOn(work: Work, one: Extract<PlannedStep, { step: 'go' }>, setting: Setting): void {
  if (!isInFront(work, setting.screen)) return
  if (one.when !== undefined && taken(work, one.when, setting) !== true) return stay(work, one.otherwise, false)
  if (one.to >= 0) return wantOn(work, one.to)
  work.faults.push({
    place: `step go to '${one.name}'`,
    error: new Error('this screen is mounted alone, and has no such screen beside it; mount the journey'),
  })
}

function setCell(work: Work, one: Extract<PlannedStep, { step: 'set' }>, setting: Setting): void {
  const value = taken(work, one.value, setting)
  if (one.member !== undefined) {
    const bound = work.machine.fittings
      .flatMap((fitting) => (fitting.rows?.cell === one.cell ? fitting.bound : []))
      .find(({ member }) => member === one.member)
    if (bound !== undefined && setting.row !== undefined) proposeEntry(work, bound, setting.row, value)
    return
  }
  if (!mayWrite(work, one.cell, value)) return
  if (one.isClear) dropUnfinished(work, setting.screen, one.cell)
  propose(work, one.cell, value)
}

/** Whether what was answered would be written to a cell. */
export function isWritable(work: Work, cell: number): boolean {
  return !isGone(work, cell) && isUnchanged(work, cell)
}

/** It lived only as long as its screen. */
function isGone(work: Work, cell: number): boolean {
  const { screen = -1, isKept } = work.machine.cells[cell] ?? {}
  return screen >= 0 && screen !== frontOf(work) && isKept === false
}

function isUnchanged(work: Work, cell: number): boolean {
  const rests = work.answered?.writes[cell]
  return rests !== undefined && rests === revisionOf(work, cell)
}

/** The answer of a call writes only what nobody has changed since; the answers of older calls do not write over it. */
export function mayWrite(work: Work, cell: number, value: unknown): boolean {
  const { answered, machine } = work
  if (answered === undefined) return true
  if (isGone(work, cell)) return false
  if (!isUnchanged(work, cell)) {
    work.refusals.push({
      cell: machine.cells[cell]?.name ?? '',
      value,
      reason: 'it was changed after this was sent, so the answer leaves it alone',
    })
    return false
  }
  put(
    work,
    machine.slots.calls,
    callsOf(work).map((call) => (call.id < answered.id ? withoutWrite(call, cell) : call)),
  )
  return true
}
