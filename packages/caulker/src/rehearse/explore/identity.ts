import type { Machine, PendingCall, Way } from '../../machine/index.js'
import type { IdealState } from '../../ideal/index.js'
import type { Kept, KeptPart, Part } from '../play/stage.js'
import { PARTS, type Memory } from '../play/memory.js'
import type { Purse } from '../play/purse.js'
import { asRead } from './as-read.js'

/** A state as two numbers of 32 bits: all that can change and matters for what comes, and what is remembered. */
export interface Hash {
  high: number
  low: number
}

/** A state with the share that its slots and components have in its hash. */
export interface Summed {
  readonly kept: Kept
  readonly high: number
  readonly low: number
}

/**
 * Gives every state its number; values are interned, and only the order of what is pending counts. Of a state that comes from another,
 * only what changed is looked at.
 */
export interface Identity {
  sum(kept: Kept, before?: Summed): Summed
  hash(summed: Summed, focus: string | undefined, memory: Memory | undefined, purse: Purse, into: Hash): void
}

const EXPIRED = ['its time is over']

export function identityOf(machine: Machine): Identity {
  const intern = interner()
  const { isLeft, viewed, entries: entriesOf } = asRead(machine)
  // What owner and components last agreed on counts for those that are there.
  const agreed = machine.screens.map(({ fittings }) =>
    machine.bound
      .filter(({ fitting, isConstant }) => !isConstant && fittings.includes(fitting))
      .map(({ known }) => known),
  )
  const places = new Map<Part | string, number>()
  let free = machine.names.length
  /** The first of some places that nothing else has. */
  const placesOf = (key: Part | string, count: number) => {
    let place = places.get(key)
    if (place === undefined) {
      places.set(key, (place = free))
      free += count
    }
    return place
  }
  let [high, low] = [0, 0]
  /** What stands at a place has its own share, so that one can be taken out for another. */
  const share = (place: number, id: number, sign: number) => {
    let one = Math.imul(place + 1, 0x9e3779b1) ^ Math.imul(id + 1, 0x85ebca6b)
    one = Math.imul(one ^ (one >>> 15), 0x2c1b3c6d)
    one ^= one >>> 12
    let other = Math.imul(place + 7, 0xc2b2ae35) ^ Math.imul(id + 3, 0x27d4eb2f)
    other = Math.imul(other ^ (other >>> 13), 0x165667b1)
    other ^= other >>> 16
    high = (high + sign * one) | 0
    low = (low + sign * other) | 0
  }
  /** Each entry of a component is a place of its own, so that only those that changed are looked at. */
  const shareState = ({ part, state }: KeptPart, before: IdealState | undefined, sign: 1 | -1) => {
    const first = placesOf(part, state.length)
    for (const entry of entriesOf(part.index, part.component)) {
      if (before !== undefined && before[entry] === state[entry]) continue
      if (before !== undefined) share(first + entry, intern(before[entry]), -1)
      share(first + entry, intern(state[entry]), sign)
    }
  }
  /** A number for what a call is: the same for the same entries, and no other for others. */
  const idOf = (state: readonly unknown[]) => intern(state.map(intern).join(' '))
  /** A call as far as it decides what its answer does: a cell that it writes counts by whether somebody wrote it since. */
  const callEntry = ({ given, saves, row, isWaiting, writes }: PendingCall, queued: number, slots: Kept['slots']) => [
    given,
    saves,
    row,
    isWaiting ? queued : undefined,
    ...Object.entries(writes).map(([cell, revision]) => {
      const slot = machine.cells[Number(cell)]?.revision ?? -1
      return Number(cell) * 2 + (slot < 0 || slots[slot] === revision ? 1 : 0)
    }),
  ]
  const mix = (id: number) => {
    high = Math.imul(high ^ id, 0x85ebca6b)
    high ^= high >>> 15
    low = Math.imul(low ^ (id + 0x9e3779b9), 0xc2b2ae35)
    low ^= low >>> 13
  }
  return {
    sum(kept, before) {
      high = before?.high ?? 0x2545f491
      low = before?.low ?? 0x1b873593
      const old = before?.kept
      for (let slot = 0; slot < isLeft.length; slot++) {
        if (isLeft[slot] === 1 || (old !== undefined && old.slots[slot] === kept.slots[slot])) continue
        const view = viewed[slot]
        if (old !== undefined) share(slot, intern(view === undefined ? old.slots[slot] : view(old.slots[slot])), -1)
        share(slot, intern(view === undefined ? kept.slots[slot] : view(kept.slots[slot])), 1)
      }
      if (old !== undefined)
        for (const [key, part] of old.parts)
          if (kept.parts.get(key)?.part !== part.part) shareState(part, undefined, -1)
      for (const [key, part] of kept.parts) {
        const before = old?.parts.get(key)
        // On another screen one of the same name may stand.
        const state = before?.part === part.part ? before.state : undefined
        if (state !== part.state) shareState(part, state, 1)
      }
      return { kept, high, low }
    },
    hash(summed, focus, memory, { edits, failures, part }, into) {
      const { slots } = summed.kept
      high = summed.high
      low = summed.low
      const turns = new Map<number, number>()
      let queued = 0
      for (const call of slots[machine.slots.calls] as readonly PendingCall[]) {
        // Only among those of one place, and those that wait for others, it counts which was first; of one whose time is over nothing but that it is still out.
        const turn = turns.get(call.site) ?? 0
        turns.set(call.site, turn + 1)
        const entry = call.isExpired ? EXPIRED : callEntry(call, call.isWaiting ? queued++ : 0, slots)
        share(placesOf(`call ${call.site} ${turn}`, 1), idOf(entry), 1)
      }
      for (const slot of agreed[slots[machine.slots.front] as number] ?? []) mix(intern(slots[slot]))
      // Of the way, where a person can go next.
      const { entries, at } = slots[machine.slots.way] as Way
      mix((entries[at - 1] ?? -1) * 4096 + (entries[at + 1] ?? -1) * 64)
      mix(intern(focus))
      if (memory !== undefined) for (const part of PARTS) mix(intern(memory[part]))
      mix(edits * 64 + failures)
      mix(part)
      into.high = high >>> 0
      into.low = low >>> 0
    },
  }
}

/** A small number for each value: equal plain data has one number, host objects and functions each their own. */
function interner(): (value: unknown) => number {
  const plain = new Map<unknown, number>()
  const texts = new Map<string, number>()
  const known = new WeakMap<object, number>()
  let next = 1
  const own = new WeakMap<object, number>()
  let owned = 0

  function canonical(value: unknown): string {
    if (typeof value !== 'object' || value === null) return scalar(value)
    if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`
    const proto = Object.getPrototypeOf(value) as unknown
    if (proto !== Object.prototype && proto !== null) {
      if (!own.has(value)) own.set(value, ++owned)
      return `#${own.get(value)}`
    }
    const members = Object.entries(value as object).sort(([one], [other]) => (one < other ? -1 : 1))
    return `{${members.map(([name, member]) => `${JSON.stringify(name)}:${canonical(member)}`).join(',')}}`
  }

  return (value) => {
    if (typeof value !== 'object' || value === null) {
      const id = plain.get(value) ?? next
      if (id === next) plain.set(value, next++)
      return id
    }
    const before = known.get(value)
    if (before !== undefined) return before
    const text = canonical(value)
    const id = texts.get(text) ?? next
    if (id === next) texts.set(text, next++)
    known.set(value, id)
    return id
  }
}

function scalar(value: unknown): string {
  if (typeof value === 'string') return JSON.stringify(value)
  if (typeof value === 'symbol') return `@${value.description}`
  return Object.is(value, -0) ? '-0' : `${typeof value === 'bigint' ? 'n' : ''}${String(value)}`
}
