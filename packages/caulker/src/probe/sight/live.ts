import { said } from '../person/said.js'

/** Whether assistive technology is told of changes in a region as they happen; WAI-ARIA 1.2, section 6.6.2. */
export function isLive(element: Element): boolean {
  const role = said(element, 'role')
  return role === 'alert' || role === 'status' || role === 'log' || (said(element, 'aria-live') ?? 'off') !== 'off'
}
