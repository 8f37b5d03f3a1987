import { findControl, type ControlRef } from '../person/controls.js'

/** Reads what stands in a field, for a look at the component. */
export function fieldText(on: ControlRef): (container: HTMLElement) => string | undefined {
  return (container) => (findControl(container, on) as HTMLInputElement | undefined)?.value
}
