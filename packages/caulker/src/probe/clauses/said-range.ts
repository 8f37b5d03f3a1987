import { findControl, type ControlRef } from '../person/controls.js'

/** What a control says of where it stands, and between what; empty where it says nothing. */
export interface SaidRange {
  readonly element: HTMLElement
  readonly now: string
  readonly least: string
  readonly most: string
}

/** Reads it for a look at the component (WAI-ARIA 1.2, sections 6.6.12 to 6.6.18, and HTML Standard, section 4.10.5.3.7). */
export function saidRange(on: ControlRef): (container: HTMLElement) => SaidRange | undefined {
  return (container) => {
    const element = findControl(container, on)
    const said = (aria: string, own: string) => element?.getAttribute(aria) ?? element?.getAttribute(own) ?? ''
    return (
      element && {
        element,
        now: element.getAttribute('aria-valuenow') ?? (element as Partial<HTMLInputElement>).value ?? '',
        least: said('aria-valuemin', 'min'),
        most: said('aria-valuemax', 'max'),
      }
    )
  }
}
