import { equal, isEmpty, valueAt } from '../../contract/index.js'
import { slotsGiven, type CallSite, type Machine, type OpenDraft, type PendingCall } from '../../machine/index.js'
import type { Played } from './play.js'
import type { Plan } from './plan.js'
import { frontOf, isThere, visibleLinks } from './sight.js'
import type { Kept } from './stage.js'
import { nameIn, type Move } from './move.js'

/** What has to be remembered of a trail, beside what can be seen: each by cell or draft. */
export interface Memory {
  /** What a person entered, as long as it stands and was not sent. */
  readonly typed: Readonly<Record<number, unknown>>
  /** What was loaded last into cells that a reset brings back. */
  readonly loaded: Readonly<Record<number, unknown>>
  /** What a person had entered on a screen that was left, and that went with it. */
  readonly lost: Readonly<Record<number, unknown>>
  /** Cells that steps have copied from others. */
  readonly copied: Readonly<Record<number, true>>
  /** Drafts that went out of sight while they were open. */
  readonly hidden: Readonly<Record<number, unknown>>
  /** What a person had entered in cells that were emptied as they were sent, before there was an answer. */
  readonly wiped: Readonly<Record<number, unknown>>
}

const NONE = {}
export const BLANK: Memory = { typed: NONE, loaded: NONE, lost: NONE, copied: NONE, hidden: NONE, wiped: NONE }
export const PARTS = Object.keys(BLANK) as readonly (keyof Memory)[]

/** What is to be remembered after a move; what did not change is the very same. */
export function remembered(plan: Plan, memory: Memory, move: Move, before: Kept, played: Played, after: Kept): Memory {
  const { machine } = plan
  const [typed, lost, loaded, copied, hidden, wiped] = [
    noted(memory.typed),
    noted(memory.lost),
    noted(memory.loaded),
    noted(memory.copied),
    noted(memory.hidden),
    noted(memory.wiped),
  ]
  for (const cell of enteredCells(plan, move, before, played, after))
    if (isAsSaved(plan, after, cell)) typed.drop(cell)
    else typed.set(cell, after.slots[cell])
  const { answered } = played
  const site = answered === undefined ? undefined : machine.sites[answered.site]
  if ('answer' in move && site !== undefined && answered !== undefined) {
    if (site.operation.effect !== 'reads')
      for (const cell of Object.keys(answered.saves).map(Number)) {
        typed.drop(cell)
        // What was saved is what a load would give by now.
        if (loaded.has(cell)) loaded.set(cell, answered.saves[cell])
      }
    // One that came too late for what was entered or reset meanwhile was not taken over.
    const { into, operation } = site
    const [stands, stood] = [after.slots[into], before.slots[into]]
    const isTaken = equal(stands, move.given) || !equal(stands, stood)
    if (plan.resettable.has(into) && operation.effect === 'reads' && !typed.has(into) && isTaken)
      loaded.set(into, stands)
  }
  for (const cell of answered === undefined ? [] : wiped.keys()) if (isSentBy(site, cell)) wiped.drop(cell)
  for (const cell of wipedBySending(plan, played, memory.typed, after)) wiped.set(cell, memory.typed[cell])
  const isAway = played.happened.went.length > 0
  for (const cell of typed.keys()) {
    if (equal(after.slots[cell], typed.get(cell))) continue
    const { screen = -1, isKept } = machine.cells[cell] ?? {}
    // What is kept is put away; what a step has emptied as the screen was left was meant to go.
    const isPutAway = isKept === false || !played.ran.some((step) => 'cell' in step && step.cell === cell)
    if (isAway && screen >= 0 && isPutAway) lost.set(cell, typed.get(cell))
    typed.drop(cell)
  }
  for (const cell of lost.keys()) if (typed.has(cell)) lost.drop(cell)
  for (const cell of wiped.keys()) if (typed.has(cell)) wiped.drop(cell)
  if (site === undefined)
    for (const cell of loaded.keys())
      if (typed.has(cell) && !equal(after.slots[cell], before.slots[cell])) loaded.drop(cell)
  for (const step of played.ran) if (step.step === 'set' && plan.copies.has(step.cell)) copied.set(step.cell, true)
  for (let at = 0; at < machine.drafts.length; at++) {
    const { slot, fitting } = machine.drafts[at] as (typeof machine.drafts)[number]
    const open = after.slots[slot] as OpenDraft | undefined
    const shown = machine.fittings[fitting]
    if (open === undefined) hidden.drop(at)
    else if (shown !== undefined && !isAway && isThere(before, shown) && !isThere(after, shown))
      hidden.set(at, open.copy)
  }
  const now = {
    typed: typed.done(),
    loaded: loaded.done(),
    lost: lost.done(),
    copied: copied.done() as Memory['copied'],
    hidden: hidden.done(),
    wiped: wiped.done(),
  }
  return isSame(now, memory) ? memory : now
}

/** Whether a person has brought back what was loaded or saved: there is nothing of theirs to be lost. */
function isAsSaved({ machine }: Plan, kept: Kept, cell: number): boolean {
  const saved = kept.slots[machine.screens[frontOf(kept, machine)]?.slots.saved ?? -1] as Readonly<
    Record<number, unknown>
  >
  return cell in saved && equal(kept.slots[cell], saved[cell])
}

function isSame(one: Memory, other: Memory): boolean {
  return PARTS.every((part) => one[part] === other[part])
}

/** The cells that a person had filled, and that are empty now because they were sent to where something is kept. */
function wipedBySending(
  { machine }: Plan,
  { happened }: Played,
  typed: Readonly<Record<number, unknown>>,
  { slots }: Kept,
): readonly number[] {
  if (happened.calls.length === 0) return []
  const pending = slots[machine.slots.calls] as readonly PendingCall[]
  const calls = pending.filter(({ id }) => happened.calls.some((one) => one.id === id))
  return Object.keys(typed)
    .map(Number)
    .filter((cell) => isEmpty(slots[cell]) && calls.some((call) => isKeptBy(machine, call, cell, typed[cell])))
}

function isKeptBy({ sites }: Machine, call: PendingCall, cell: number, value: unknown): boolean {
  const site = sites[call.site]
  return site !== undefined && site.operation.effect !== 'reads' && isSentWith(site, call, cell, value)
}

/** Whether a call was given what stands in a cell. */
export function isSentWith({ given }: CallSite, call: PendingCall, cell: number, value: unknown): boolean {
  return slotsGiven(given).some(
    ([member, slot]) => slot === cell && equal(member === '' ? call.given : valueAt(call.given, [member]), value),
  )
}

export function isSentBy(site: CallSite | undefined, cell: number): boolean {
  return site !== undefined && slotsGiven(site.given).some(([, slot]) => slot === cell)
}

/** A part of what is remembered, copied at the first change; an empty one is always the same. */
function noted(part: Readonly<Record<number, unknown>>) {
  let now = part as Record<number, unknown>
  const own = () => (now === part ? (now = { ...part }) : now)
  return {
    has: (key: number) => key in now,
    get: (key: number) => now[key],
    keys: () => (now === NONE ? [] : Object.keys(now).map(Number)),
    set(key: number, value: unknown) {
      if (!(key in now) || !equal(now[key], value)) own()[key] = value
    },
    drop(key: number) {
      if (key in now) delete own()[key]
    },
    done: () => (now !== part && Object.keys(now).length === 0 ? NONE : now),
  }
}

/** The cells that changed because a person entered something, or left where they had. */
export function enteredCells(
  plan: Plan,
  move: Move,
  before: Kept,
  { left, middle = before }: Played,
  after: Kept,
): number[] {
  const at = 'edit' in move ? nameIn(move.edit).fitting : 'leave' in move ? nameIn(move.leave).fitting : undefined
  const cells: number[] = []
  for (const { key, link } of visibleLinks(plan, before)) {
    if (link.draft >= 0) continue
    const isEntered = link.fitting.name === at && !equal(before.slots[link.cell], after.slots[link.cell])
    const isLeft = key === left && !equal(before.slots[link.cell], middle.slots[link.cell])
    if (isEntered || isLeft) cells.push(link.cell)
  }
  return cells
}
