import { equal } from '../../contract/index.js'
import type { ReckonedSlot } from '../plan/index.js'
import { touch } from './scratch.js'
import { Located, type Work } from './work.js'

/** Computes what waits, once each, in rank order. */
export function computeWaiting(work: Work): void {
  const { machine, scratch, slots } = work
  const { reckoned } = machine
  let rank = scratch.lowest
  try {
    for (; scratch.waiting > 0; rank++) {
      if (scratch.ranks[rank] !== 1) continue
      scratch.ranks[rank] = 0
      scratch.waiting--
      const one = reckoned[rank] as ReckonedSlot
      const value = one.inputs.length === 1 ? one.compute(slots[one.inputs[0] as number]) : computed(one, slots)
      const before = slots[one.slot]
      if (value === before || (typeof value !== 'number' && equal(before, value))) continue
      slots[one.slot] = value
      touch(machine, scratch, one.slot)
    }
  } catch (error) {
    throw new Located(`reckoned ${reckoned[rank]?.name ?? ''}`, error)
  }
}

/** Most reckoned cells have one or two inputs; a call without a list of them is several times faster. */
export function computed({ inputs, compute }: ReckonedSlot, slots: readonly unknown[]): unknown {
  if (inputs.length === 1) return compute(slots[inputs[0] as number])
  if (inputs.length === 2) return compute(slots[inputs[0] as number], slots[inputs[1] as number])
  return compute(...inputs.map((input) => slots[input]))
}
