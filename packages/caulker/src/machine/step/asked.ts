import { cellBehind, type FittingPlan, type Machine, type ScreenPlan } from '../plan/index.js'
import type { State } from './input.js'

/** What stands, however it came to be. */
interface Standing {
  readonly machine: Machine
  readonly slots: State
}

export function isShown({ machine, slots }: Standing, fitting: number): boolean {
  const shown = machine.fittings[fitting]?.shown
  return shown === undefined || slots[shown.slot] === true
}

export function isDisabled({ slots }: Pick<Standing, 'slots'>, { disabledBy }: FittingPlan): boolean {
  return disabledBy !== undefined && slots[disabledBy.source] === true
}

/** A cell whose fields are all hidden or disabled is asked nothing; one that has none on its screen was chosen elsewhere, and is. */
export function isAsked(standing: Standing, { fittings }: ScreenPlan, cell: number): boolean {
  const { machine } = standing
  const isField = ({ bound }: FittingPlan) => bound.some((one) => cellBehind(machine, one) === cell)
  const fields = fittings.filter((at) => isField(machine.fittings[at] as FittingPlan))
  const isOpen = (at: number) => isShown(standing, at) && !isDisabled(standing, machine.fittings[at] as FittingPlan)
  return fields.length === 0 || fields.some(isOpen)
}
