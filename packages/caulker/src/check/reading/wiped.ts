import { valueAt } from '../../contract/index.js'
import type { Step } from '../../wiring/index.js'
import { wipedBy } from './given.js'
import type { ScreenView } from './screen-view.js'

/** Whether a reset of the screen brings a cell back. */
export function isReset({ screen: { reset } }: ScreenView, cell: string): boolean {
  return reset !== undefined && !reset.leaves.includes(cell) && (reset.cells?.includes(cell) ?? true)
}

/** The cells that a step brings back to what nobody has entered. */
export function wipedCells(view: ScreenView, step: Step): string[] {
  if (step.step === 'reset') return [...view.cells.keys()].filter((cell) => isReset(view, cell))
  const cell = wipedBy(step)
  return cell === undefined || cell.row !== undefined ? [] : [cell.name]
}

/** Whether after a step a cell may hold something else, or is not there to be seen. */
export function letsGo(step: Step, cell: string): boolean {
  if (step.step === 'reset' || step.step === 'go' || step.step === 'back') return true
  return (step.step === 'set' || step.step === 'clear') && step.cell.name === cell
}

/** Whether a person has entered what a cell holds; a flag, such as a promise to be given again, is no typing. */
export function isTyped(view: ScreenView, cell: string): boolean {
  return view.editedCells().has(cell) && valueAt(view.cells.get(cell)?.type, ['type']) !== 'boolean'
}
