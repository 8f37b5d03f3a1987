import { cellBehind, type BoundName, type Machine } from '../plan/index.js'
import { equal, settle } from '../../contract/index.js'
import { hearAnswer } from './answer.js'
import { editDraft } from './drafts.js'
import { holdBack, isOwners, reports } from './face.js'
import { finish } from './finish.js'
import type { Effect, Fault, Input, Outcome, State } from './input.js'
import { isShown } from './asked.js'
import { wantToGo } from './leave.js'
import { afters, amendments, hidings, placings, problems, tells } from './owed.js'
import { holdBounds, propose, proposeEntry, refuse, touchCell } from './propose.js'
import { computed, computeWaiting } from './reckon.js'
import { resetScreen } from './reset.js'
import { clear, owe, touch, type Scratch } from './scratch.js'
import { putBack, type Stored } from './stored.js'
import { runSteps } from './steps.js'
import { beginSubmit, goOnSubmitting } from './submit.js'
import { isAgreed, isUncorrected, noteUnfinished } from './unfinished.js'
import { enterFirst, goOnLeaving } from './ways.js'
import { assign, begin, guarded, Located, wayOf, write, frontOf, rollBack, type Work } from './work.js'

/**
 * One transaction: pure, and as often at once as there are scratches. What is proposed passes type and `amend`; reckoned cells follow once
 * each in rank order; bounds and steps hold once, at the end; `refuse` comes last. Each fitting is told at most once. A throw on the way
 * rolls all of it back, and whoever reported is told the value that stands.
 *
 * @param vetoed in an interior, the cells of the face whose change its owner does not allow
 */
export function step(
  machine: Machine,
  state: State,
  input: Input,
  scratch: Scratch,
  vetoed?: ReadonlySet<number>,
): Outcome {
  const slots = state.slice()
  return { state: slots, effects: advance(machine, slots, input, scratch, vetoed) }
}

/** The same in place, for who has the only copy: its cost follows what is touched, however many slots there are. */
export function advance(
  machine: Machine,
  slots: unknown[],
  input: Input,
  scratch: Scratch,
  vetoed?: ReadonlySet<number>,
): readonly Effect[] {
  let work = begin(machine, slots, scratch)
  try {
    take(work, input)
    settleAll(work)
    if (machine.kind === 'interior' && !isOwners(input)) holdBack(work, vetoed)
  } catch (thrown) {
    const { heard, refusals } = work
    rollBack(work)
    clear(scratch)
    work = { ...begin(machine, slots, scratch), heard }
    work.refusals.push(...refusals)
    work.faults.push(faultOf(thrown, input, machine))
    // The report is taken back; what the component itself holds by now is known all the same.
    for (const [slot, value] of heard) write(work, slot, value)
  }
  const effects = joined(work, tells(work))
  clear(scratch)
  return effects
}

/** Computes, holds bounds, turns down, and once more where that set something off. */
function settleAll(work: Work): void {
  computeWaiting(work)
  holdBounds(work)
  refuse(work)
  finish(work)
  computeWaiting(work)
  if (work.typing !== undefined && !isAgreed(work, work.typing)) noteUnfinished(work, work.typing, 'uncorrected')
}

/** What went wrong, what was turned down or made right, then what is told, called, and said afterwards. */
function joined(work: Work, told: readonly Effect[]): Effect[] {
  const { faults, refusals } = work
  const owed = sent(work.owed)
  const effects: Effect[] = []
  for (const fault of faults) effects.push({ effect: 'fault', fault })
  for (const refusal of refusals) effects.push({ effect: 'refusal', refusal })
  amendments(work, effects)
  for (const one of owed) if (isOfPlace(one)) effects.push(one)
  placings(work, effects)
  for (const one of told) effects.push(one)
  hidings(work, effects)
  problems(work, effects)
  reports(work, effects)
  for (const one of owed) if (!isOfPlace(one)) effects.push(one)
  afters(work, effects)
  return effects
}

/** A call that the same transaction overtakes is never sent. */
function sent(owed: readonly Effect[]): readonly Effect[] {
  const has = (effect: 'call' | 'abort', id: number) => owed.some((one) => one.effect === effect && one.id === id)
  const isUnsent = (one: Effect) =>
    (one.effect === 'abort' && has('call', one.id)) || (one.effect === 'call' && has('abort', one.id))
  return owed.some(isUnsent) ? owed.filter((one) => !isUnsent(one)) : owed
}

/** What changes where things stand comes before what is told to them. */
function isOfPlace({ effect }: Effect): boolean {
  return effect === 'abort' || effect === 'go' || effect === 'stay'
}

/**
 * The first state of a run: cells at their initial values, which go the way of every proposal; one that is refused stands, as a fault with
 * its place. What was stored goes the same way, and a cell that is refused starts at its initial value.
 */
export function firstState(
  machine: Machine,
  initial: Readonly<Record<string, unknown>>,
  scratch: Scratch,
  stored?: Stored,
): Outcome {
  const work = begin(machine, machine.initial.slice(), scratch)
  const effects: Effect[] = []
  machine.cells.forEach((clause, cell) => {
    const isStored = stored !== undefined && Object.hasOwn(stored.cells, clause.name)
    const given = Object.hasOwn(initial, clause.name) ? initial[clause.name] : work.slots[cell]
    const value = isStored ? stored.cells[clause.name] : given
    const place = isStored ? `what was stored for ${clause.name}` : `the initial value of ${clause.name}`
    const settled = guarded(work, place, () => settle(clause, value, undefined))
    if (settled?.stands === false) work.faults.push({ place, error: new Error(settled.reason) })
    work.slots[cell] = settled?.stands === true ? settled.value : isStored ? given : value
    touch(machine, scratch, cell)
  })
  if (stored !== undefined) putBack(work, stored)
  machine.reckoned.forEach((one) => {
    work.slots[one.slot] = guarded(work, `reckoned ${one.name}`, () => computed(one, work.slots))
  })
  scratch.waiting = 0
  scratch.ranks.fill(0)
  guarded(work, 'the bounds of the first values', () => holdBounds(work))
  machine.cells.forEach(({ agreed }, cell) => {
    if (agreed >= 0) work.slots[agreed] = work.slots[cell]
  })
  placings(work, [])
  tells(work, machine.bound)
  for (const fault of work.faults) effects.push({ effect: 'fault', fault })
  clear(scratch)
  return { state: work.slots, effects }
}

/** What a fitting is given when it is mounted: every bound name that has a value; of rows, the one with the key. */
export function givenTo({ fittings }: Machine, state: State, fitting: number, row?: string): Record<string, unknown> {
  const given: Record<string, unknown> = {}
  for (const bound of fittings[fitting]?.bound ?? []) {
    const known = state[bound.known]
    const value = row === undefined ? known : (known as Readonly<Record<string, unknown>>)[row]
    if (value !== undefined) given[bound.name] = value
  }
  return given
}

function take(work: Work, input: Input): void {
  const { fittings, screens } = work.machine
  switch (input.kind) {
    case 'report':
      return hear(work, input)
    case 'set':
      return input.changes.forEach(([cell, value]) => propose(work, cell, value))
    case 'action':
      return runSteps(work, screens[input.screen]?.actions[input.name] ?? [], settingOf(input.screen))
    case 'known':
      return know(work, fittings[input.fitting]?.bound ?? [], input.values, input.row)
    case 'edit':
      return isUncorrected(work, input.fitting) ? undefined : noteUnfinished(work, input.fitting, 'unreported')
    case 'leave':
      // From what was hidden the browser takes the focus: nobody has left it.
      return isShown(work, input.fitting) ? leave(work, input.fitting) : undefined
    case 'submit':
      return beginSubmit(work, input.screen)
    case 'reset':
      return resetScreen(work, input.screen, input.isNative === true)
    case 'committed':
      // What was committed has been left, whoever asked for it.
      for (const at of screens[input.screen]?.fittings ?? []) if (isUncorrected(work, at)) leave(work, at)
      goOnSubmitting(work, input.screen, input.invalid)
      return goOnLeaving(work, input.screen)
    case 'answer':
      return hearAnswer(work, input.id, input.answer)
    case 'enter':
      return enterFirst(work)
    case 'travel':
      return travel(work, input.at)
    case 'topic':
      return hearTopic(work, input.topic, input.value)
    case 'given':
      return takeGiven(work, input.changes)
    case 'command':
      work.silent = input.isSilent === true ? 'command' : undefined
      return runSteps(work, screens[0]?.commands[input.name] ?? [], settingOf(0, input.args[0]))
  }
}

/** The browser has gone to another entry of the way. */
function travel(work: Work, to: number): void {
  const { entries, at } = wayOf(work)
  if (to !== at && entries[to] !== undefined) wantToGo(work, { entries, at: to, isTravel: true })
}

function hearTopic(work: Work, topic: string, value: unknown): void {
  const front = frontOf(work)
  runSteps(work, work.machine.screens[front]?.hears.get(topic) ?? [], settingOf(front, value))
}

/**
 * The owner of an interior tells, and knows what it has told. What did not stand as it was told is tried once more: a bound that kept it
 * out may have moved.
 */
function takeGiven(work: Work, changes: readonly (readonly [cell: number, value: unknown])[]): void {
  const { cells } = work.machine
  const told = new Map(changes.map(([cell, value]) => [cell, value ?? cells[cell]?.initial]))
  cells.forEach(({ agreed }, cell) => {
    if (agreed < 0) return
    if (told.has(cell)) assign(work, agreed, told.get(cell))
    else if (!equal(work.slots[agreed], work.slots[cell])) told.set(cell, work.slots[agreed])
  })
  for (const [cell, value] of told) propose(work, cell, value)
  work.silent = 'told'
}

function settingOf(screen: number, payload?: unknown, row?: string) {
  return { screen, payload, row }
}

function hear(work: Work, input: Extract<Input, { kind: 'report' }>): void {
  const { fitting, row, event, payload, values, isTyping } = input
  const plan = work.machine.fittings[fitting]
  const hearing = plan?.hears.get(event)
  if (plan === undefined || hearing === undefined) return
  if (hearing.bound.length > 0) noteUnfinished(work, fitting, undefined)
  if (isTyping === true) work.typing = fitting
  hearValues(work, hearing.bound, values, row)
  if (hearing.steps.length > 0) runSteps(work, hearing.steps, settingOf(plan.screen, payload, row))
}

function hearValues(
  work: Work,
  bound: readonly BoundName[],
  values: Readonly<Record<string, unknown>>,
  row: string | undefined,
): void {
  for (const one of bound) if (Object.hasOwn(values, one.name)) hearValue(work, one, values[one.name], row)
}

/** A command has changed values and said nothing: a cell that is shared takes them; one that is only followed is left alone, and so is what it shows. */
function know(
  work: Work,
  bound: readonly BoundName[],
  values: Readonly<Record<string, unknown>>,
  row: string | undefined,
): void {
  for (const one of bound) {
    if (!Object.hasOwn(values, one.name)) continue
    if (one.cell >= 0 || one.draft >= 0) hearValue(work, one, values[one.name], row)
    else if (row === undefined) assign(work, one.known, values[one.name])
  }
}

/** A value that applies when told has only been proposed: its owner still has to tell it. */
function hearValue(work: Work, bound: BoundName, value: unknown, row: string | undefined): void {
  if (!bound.appliesWhenTold) {
    const heard = row === undefined ? value : { ...(work.slots[bound.known] as object), [row]: value }
    work.heard.push([bound.known, heard])
    write(work, bound.known, heard)
  }
  if (bound.draft >= 0) editDraft(work, bound, value, row)
  else if (bound.cell >= 0) {
    const screen = work.machine.fittings[bound.fitting]?.screen ?? 0
    touchCell(work, screen, bound.cell, 'edited')
    if (row !== undefined) proposeEntry(work, bound, row, value)
    else propose(work, bound.cell, value, { by: 'person', screen })
  }
}

/** A field that was left is corrected, and says from now on what is wrong with it. */
function leave(work: Work, fitting: number): void {
  const plan = work.machine.fittings[fitting]
  noteUnfinished(work, fitting, undefined)
  for (const { at } of plan?.bound ?? []) owe(work.scratch, at)
  for (const bound of plan?.bound ?? []) {
    const cell = cellBehind(work.machine, bound)
    if (cell >= 0 && plan !== undefined) touchCell(work, plan.screen, cell, 'left')
  }
}

function faultOf(thrown: unknown, input: Input, machine: Machine): Fault {
  return thrown instanceof Located
    ? { place: thrown.place, error: thrown.cause }
    : { place: placeOf(machine, input), error: thrown }
}

function placeOf({ cells, fittings }: Machine, input: Input): string {
  if (input.kind === 'set' || input.kind === 'given')
    return `the interception of ${input.changes.map(([cell]) => cells[cell]?.name).join(', ')}`
  if (input.kind === 'action' || input.kind === 'command') return `the ${input.kind} ${input.name}`
  return 'fitting' in input
    ? `what ${fittings[input.fitting]?.name ?? 'a fitting'} reported`
    : `what followed ${{ answer: 'an answer', enter: 'the first screen', travel: 'a way back or on', topic: 'a topic', submit: 'a submit', reset: 'a reset', committed: 'what was typed' }[input.kind]}`
}
