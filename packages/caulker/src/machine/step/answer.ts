import { accepts, printed, typeText } from '../../contract/index.js'
import type { CallSite, FittingPlan, PendingCall } from '../plan/index.js'
import { drop, release, siteOf } from './calls.js'
import { draftFailed, draftTaken } from './drafts.js'
import type { Answer } from './input.js'
import { propose } from './propose.js'
import { isWritable, mayWrite, runSteps } from './steps.js'
import { callsOf, entries, keyOf, put, screenOf, setProblem, type Work } from './work.js'

/** A source has answered: given, failed, or not in time. What nobody waits for any more is not heard. */
export function hearAnswer(work: Work, id: number, answer: Answer): void {
  const call = callsOf(work).find((one) => one.id === id)
  if (call === undefined) return
  const site = siteOf(work, call)
  const { name } = site
  if (call.isExpired) {
    drop(work, (one) => one === call)
    if ('given' in answer)
      work.refusals.push({
        cell: name,
        value: answer.given,
        reason:
          'it answered after its time was over, so nothing is written; whether it was done there is not known here',
      })
    return
  }
  work.answered = call
  const left = callsOf(work).filter((one) => one !== call)
  const isOverdue = 'failed' in answer && answer.isOverdue === true
  put(work, work.machine.slots.calls, isOverdue ? [...left, { ...call, isExpired: true }] : left)
  if ('failed' in answer) fail(work, call, site, answer.failed, answer.problems ?? {})
  else {
    const offType = offTypeText(site, answer.given)
    if (offType === undefined) succeed(work, call, site, answer.given)
    else {
      work.faults.push({ place: `the answer of ${name}`, error: new Error(offType) })
      fail(work, call, site, offType, {})
    }
  }
  release(work)
}

function succeed(work: Work, call: PendingCall, site: CallSite, given: unknown): void {
  const { slots } = screenOf(work, site.screen)
  const { into } = site
  const read = site.operation.effect === 'reads' ? writable(work, site) : []
  if (into >= 0 && mayWrite(work, into, given)) {
    setProblem(work, site.screen, `${into}`)
    propose(work, into, given)
  }
  if (site.kind === 'submit') put(work, slots.phase, '')
  countAsSaved(work, site, call.saves)
  for (const at of call.drafts) draftTaken(work, at, sentBy(work, call, at), call.row)
  runSteps(work, site.then, { screen: site.screen, payload: given, row: call.row })
  countAsSaved(work, site, Object.fromEntries(read.map((cell) => [cell, work.slots[cell]])))
}

/** The cells that what was read may still be written to, also where a record is spread over several. */
function writable(work: Work, { into, then }: CallSite): number[] {
  const cells = then.flatMap((step) => (step.step === 'set' && step.value.from === 'payload' ? [step.cell] : []))
  return [...(into >= 0 ? [into] : []), ...cells].filter((cell) => isWritable(work, cell))
}

function countAsSaved(work: Work, site: CallSite, saves: Readonly<Record<number, unknown>>): void {
  const { saved } = screenOf(work, site.screen).slots
  if (Object.keys(saves).length > 0) put(work, saved, { ...(work.slots[saved] as object), ...saves })
}

/** A failure loses nothing, and what is wrong is said beside the fields that it is about. */
function fail(work: Work, call: PendingCall, site: CallSite, reason: string, problems: Record<string, string>): void {
  const { slots } = screenOf(work, site.screen)
  if (site.kind === 'submit') put(work, slots.phase, '')
  for (const at of call.drafts) draftFailed(work, at, sentBy(work, call, at), reason, call.row)
  if (site.kind === 'load') setProblem(work, site.screen, `${site.into}`, { text: reason, from: 'answer' })
  let isPlaced = false
  for (const [pointer, text] of Object.entries(problems)) {
    const place = placeOf(work, site, pointer)
    if (place === undefined) continue
    isPlaced = true
    setProblem(work, site.screen, place, { text, from: 'answer' })
  }
  const own = Object.entries(problems).filter(([pointer]) => placeOf(work, site, pointer) === undefined)
  if (own.length > 0 || (!isPlaced && site.kind !== 'load' && call.drafts.length === 0))
    setProblem(work, site.screen, '', { text: own.map(([, text]) => text).join(' ') || reason, from: 'answer' })
  runSteps(work, site.fails, { screen: site.screen, payload: { reason, problems }, row: call.row })
}

/** The field that a JSON Pointer into what was sent leads to; an entry of a row by its key. */
function placeOf({ machine, slots }: Work, site: CallSite, pointer: string): string | undefined {
  const [, member, at, inner] = pointer.split('/')
  const { given } = site
  const sent = given.from === 'object' ? given.members.find(([name]) => name === member)?.[1] : undefined
  const cell = sent?.from === 'slot' ? sent.slot : -1
  const fittings = machine.screens[site.screen]?.fittings.map((one) => machine.fittings[one] as FittingPlan) ?? []
  if (cell < 0 || cell >= machine.cells.length) return undefined
  const rows = fittings.find((one) => one.rows?.cell === cell)?.rows
  if (rows !== undefined && at !== undefined) {
    const entry = entries(slots[cell])[Number(at)]
    return entry === undefined ? undefined : `${cell}/${keyOf(entry, rows.key)}/${inner ?? ''}`
  }
  const isThere = fittings.some(({ bound }) =>
    bound.some((one) => one.cell === cell || machine.drafts[one.draft]?.cell === cell),
  )
  return isThere ? `${cell}` : undefined
}

function sentBy({ machine }: Work, call: PendingCall, draft: number): unknown {
  return call.saves[machine.drafts[draft]?.cell ?? -1]
}

/** What a source gives is held to the type that its contract promises. */
function offTypeText({ operation }: CallSite, given: unknown): string | undefined {
  if (operation.gives === undefined || accepts(operation.gives, given)) return undefined
  return `it gave ${printed(given, 60)}, which is not of type ${typeText(operation.gives)}`
}
