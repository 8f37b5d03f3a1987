import { printed } from '../../contract/index.js'
import { slotsGiven, type CallSite, type PendingCall } from '../plan/index.js'
import { taken } from './taken.js'
import { callsOf, put, type Setting, type Work } from './work.js'

/**
 * Sends a call: it records the revision of each cell that its answer writes. An older one that reads the same cell is aborted; of two
 * that change one record the second waits for the first.
 */
export function send(
  work: Work,
  site: number,
  setting: Setting,
  more: { instead?: ReadonlyMap<number, unknown>; drafts?: readonly number[] } = {},
): void {
  const { machine, slots } = work
  const planned = machine.sites[site] as CallSite
  const id = slots[machine.slots.called] as number
  put(work, machine.slots.called, id + 1)
  const given = taken(work, planned.given, setting, more.instead)
  overtake(work, planned)
  const record = recordOf(planned, given)
  const call: PendingCall = {
    id,
    site,
    given,
    writes: Object.fromEntries(planned.writes.map((cell) => [cell, revisionOf(work, cell)])),
    saves: saves(work, planned, more.instead),
    drafts: more.drafts ?? [],
    row: setting.row,
    isWaiting: record !== undefined && callsOf(work).some((other) => isOf(work, other, record)),
    isExpired: false,
  }
  put(work, machine.slots.calls, [...callsOf(work), call])
  if (!call.isWaiting) owe(work, call)
}

/** What waits for a record that nobody changes any more is sent; calls stand in the order in which they went out. */
export function release(work: Work): void {
  const calls = callsOf(work)
  const next = calls.find((call, at) => {
    const record = call.isWaiting ? recordOf(siteOf(work, call), call.given) : undefined
    const isBefore = (other: PendingCall, place: number) => !other.isWaiting || place < at
    return record !== undefined && !calls.some((other, place) => isBefore(other, place) && isOf(work, other, record))
  })
  if (next === undefined) return
  const sent = { ...next, isWaiting: false }
  put(work, work.machine.slots.calls, [...calls.filter((call) => call !== next), sent])
  owe(work, sent)
}

/** Calls that nobody waits for any more: what they answer is not heard. */
export function drop(work: Work, isDropped: (call: PendingCall, site: CallSite) => boolean): void {
  const calls = callsOf(work)
  const left = calls.filter((call) => !isDropped(call, siteOf(work, call)))
  if (left.length === calls.length) return
  for (const call of calls) if (!left.includes(call)) work.owed.push({ effect: 'abort', id: call.id })
  put(work, work.machine.slots.calls, left)
}

export function siteOf({ machine }: Work, { site }: PendingCall): CallSite {
  return machine.sites[site] as CallSite
}

export function revisionOf({ machine, slots }: Work, cell: number): number {
  const at = machine.cells[cell]?.revision ?? -1
  return at < 0 ? 0 : (slots[at] as number)
}

/** Only the latest call for a cell wins: an older read is aborted, any other leaves the cell alone. */
function overtake(work: Work, { into }: CallSite): void {
  if (into < 0) return
  drop(work, (_call, site) => site.into === into && site.operation.effect === 'reads')
  const calls = callsOf(work)
  if (calls.some(({ writes }) => into in writes))
    put(
      work,
      work.machine.slots.calls,
      calls.map((call) => withoutWrite(call, into)),
    )
}

export function withoutWrite(call: PendingCall, cell: number): PendingCall {
  if (!(cell in call.writes)) return call
  const { [cell]: _gone, ...writes } = call.writes
  return { ...call, writes }
}

/** By cell, what counts as saved once the call is answered. */
function saves(
  { machine, slots }: Work,
  site: CallSite,
  instead?: ReadonlyMap<number, unknown>,
): Record<number, unknown> {
  // The save of a draft is of its own field alone.
  if (site.kind === 'save') return Object.fromEntries(instead ?? [])
  if (site.operation.effect !== 'creates' && site.operation.effect !== 'updates') return {}
  const held = slotsGiven(site.given).filter(([, slot]) => slot < machine.cells.length)
  return Object.fromEntries(held.map(([, slot]) => [slot, slots[slot]]))
}

function owe(work: Work, call: PendingCall): void {
  const { source, operation } = siteOf(work, call)
  work.owed.push({ effect: 'call', id: call.id, source, operation: operation.name, given: call.given })
}

/** The record that a call updates or removes, where its operation names a key. */
function recordOf({ source, operation }: CallSite, given: unknown): string | undefined {
  const { key, effect } = operation
  if (key === undefined || (effect !== 'updates' && effect !== 'removes')) return undefined
  return `${source} ${key} ${printed((given as Record<string, unknown> | null)?.[key])}`
}

function isOf(work: Work, call: PendingCall, record: string): boolean {
  return !call.isExpired && recordOf(siteOf(work, call), call.given) === record
}
