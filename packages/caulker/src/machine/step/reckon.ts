import { equal } from '../../contract/index.js'
import type { ReckonedSlot } from '../plan/index.js'
import { touch } from './scratch.js'
import { assign, Located, type Work } from './work.js'

/** Computes what waits, once each, in rank order. */
export function computeWaiting(work: Work): void {
  const { machine, scratch, slots } = work
  const { reckoned } = machine
  const { ranks } = scratch
  let rank = scratch.lowest
  try {
    for (; scratch.waiting > 0; rank++) {
      if (ranks[rank] !== 1) continue
      ranks[rank] = 0
      scratch.waiting--
      const one = reckoned[rank] as ReckonedSlot
      const value = one.inputs.length === 1 ? one.compute(slots[one.inputs[0] as number]) : computed(one, slots)
      const before = slots[one.slot]
      if (value === before || (typeof value !== 'number' && equal(before, value))) continue
      assign(work, one.slot, value)
      const next = machine.computes[one.slot]
      if (machine.owes[one.slot] !== undefined || machine.holds[one.slot] !== undefined)
        touch(machine, scratch, one.slot)
      else if (next !== undefined)
        // What is only computed from needs no mark but that of whoever comes after it.
        for (let at = 0; at < next.length; at++) {
          const after = next[at] as number
          if (ranks[after] === 1) continue
          ranks[after] = 1
          scratch.waiting++
        }
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
