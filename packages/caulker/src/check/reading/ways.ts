import { allSteps } from '../../wiring/index.js'
import type { ScreenView } from './screen-view.js'

/** Whether something on a screen leads back to where a person came from. */
export function leadsBack(view: ScreenView): boolean {
  return view.actions.some(({ action }) => [...allSteps(action.steps)].some(({ step }) => step === 'back'))
}

/** Where the steps of a screen lead; an action that no event sets off may be called by the page. */
export function waysOf(view: ScreenView): string[] {
  return view.actions.flatMap(({ action }) =>
    [...allSteps(action.steps)].flatMap((step) => (step.step === 'go' ? [step.to] : [])),
  )
}
