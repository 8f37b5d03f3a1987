import { allSteps } from '../wiring/index.js'
import type { ScreenView } from './screen-view.js'

/** Where the steps of a screen lead that something can set off: its handlers, topics, entry, and the answer to its submit. */
export function waysOf(view: ScreenView): string[] {
  return view.actions
    .filter((placed) => {
      const { at, action } = placed
      const isNamed = at[0] === 'actions'
      return (
        !isNamed ||
        view.triggersOf(placed).length > 0 ||
        Object.values(view.screen.hears).some(({ name }) => name === action.name)
      )
    })
    .flatMap(({ action }) => [...allSteps(action.steps)].flatMap((step) => (step.step === 'go' ? [step.to] : [])))
}
