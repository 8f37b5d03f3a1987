import type { ScreenView } from './screen-view.js'

/** Whether something on a screen leads back to where a person came from. */
export function leadsBack(view: ScreenView): boolean {
  return view.actions.some(({ all }) => all.some(({ step }) => step === 'back'))
}

/** Where the steps of a screen lead; an action that no event sets off may be called by the page. */
export function waysOf(view: ScreenView): string[] {
  return view.actions.flatMap(({ all }) => all.flatMap((step) => (step.step === 'go' ? [step.to] : [])))
}
