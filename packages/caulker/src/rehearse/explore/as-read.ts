import type { Ideal } from '../../ideal/index.js'
import type { FittingPlan, Machine, ScreenPlan } from '../../machine/index.js'
import { allPlanned } from '../play/all-planned.js'

/** What stands, as far as anything looks at it: two states that differ only in the rest do the same from then on. */
export interface AsRead {
  /** By slot: 1 where it follows from others, or is looked at in another way. */
  readonly isLeft: Uint8Array
  /** By slot: what is looked at of what it holds, where that is not all. */
  readonly viewed: readonly (((held: unknown) => unknown) | undefined)[]
  /** The entries of a component that are looked at. */
  entries(fitting: number, component: Ideal): readonly number[]
}

export function asRead(machine: Machine): AsRead {
  const { slots, bound, reckoned, cells, screens, fittings } = machine
  const isLeft = new Uint8Array(machine.names.length)
  for (const slot of [
    slots.way,
    slots.called,
    slots.calls,
    ...bound.flatMap(({ source, known, isConstant }) => (isConstant ? [source, known] : [known])),
    ...reckoned.map(({ slot }) => slot),
    ...cells.map(({ revision }) => revision),
  ])
    if (slot >= 0) isLeft[slot] = 1
  const viewed: ((held: unknown) => unknown)[] = []
  for (const screen of screens) {
    const asked = savedAsked(machine, screen)
    if (asked !== undefined)
      viewed[screen.slots.saved] = (held) => asked.map((cell) => (held as Readonly<Record<number, unknown>>)[cell])
  }
  const isBroughtBack = fittings.map((fitting, at) => isReset(machine, fitting, at))
  const entries = new Map<number, readonly number[]>()

  return {
    isLeft,
    viewed,
    entries(fitting, { names, beginnings }) {
      const before = entries.get(fitting)
      if (before !== undefined) return before
      const isLookedAt = (entry: number) => isBroughtBack[fitting] === true || !beginnings.includes(entry)
      const made = [...names.keys()].filter(isLookedAt)
      entries.set(fitting, made)
      return made
    },
  }
}

/** The cells for which something looks at what was saved; nothing where it is looked at as a whole. */
function savedAsked({ reckoned, sites, cells }: Machine, { slots, loads, reset }: ScreenPlan): number[] | undefined {
  if (reset?.to === 'saved' || reckoned.some(({ inputs }) => inputs.includes(slots.saved))) return undefined
  // Coming back does not load over what was changed since.
  return loads.map((site) => sites[site]?.into ?? -1).filter((cell) => cells[cell]?.isKept === true)
}

/** Whether the wiring runs a command that brings a component back to how it began. */
function isReset(machine: Machine, { contract }: FittingPlan, at: number): boolean {
  return allPlanned(machine).some(
    (step) => step.step === 'run' && step.fitting === at && contract.commands[step.command]?.effect === 'reset',
  )
}
