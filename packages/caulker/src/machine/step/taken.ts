import { valueAt } from '../../contract/index.js'
import type { Given } from '../plan/index.js'
import { computeWaiting } from './reckon.js'
import { entries, keyOf, memberOf, screenOf, type Setting, type Work } from './work.js'

/** What a step takes, out of the slots as they are now; an open draft stands for its cell where it is the draft that is sent. */
export function taken(work: Work, given: Given, setting: Setting, instead?: ReadonlyMap<number, unknown>): unknown {
  if (given.from === 'constant') return given.value
  if (given.from === 'slot') return instead?.has(given.slot) === true ? instead.get(given.slot) : held(work, given.slot)
  if (given.from === 'payload') return valueAt(setting.payload, given.at)
  if (given.from === 'row') {
    const list = instead?.has(given.slot) === true ? instead.get(given.slot) : work.slots[given.slot]
    return memberOf(entryOf(work, given.slot, list, setting), given.member)
  }
  return Object.fromEntries(given.members.map(([name, one]) => [name, taken(work, one, setting, instead)]))
}

/** A reckoned cell is what the steps before have made of it. */
function held(work: Work, slot: number): unknown {
  if (slot >= work.machine.cells.length) computeWaiting(work)
  return work.slots[slot]
}

/** The entry of a list that a row stands for. */
function entryOf(work: Work, cell: number, list: unknown, { screen, row }: Setting): unknown {
  const rows = screenOf(work, screen).fittings.map((at) => work.machine.fittings[at]?.rows)
  const key = rows.find((one) => one?.cell === cell)?.key
  return key === undefined ? undefined : entries(list).find((entry) => keyOf(entry, key) === row)
}
