/** Whether assistive technology is told of changes in a region as they happen; WAI-ARIA 1.2, section 6.6.2. */
export function isLive(element: Element): boolean {
  const role = element.getAttribute('role')
  return (
    role === 'alert' ||
    role === 'status' ||
    role === 'log' ||
    (element.hasAttribute('aria-live') && element.getAttribute('aria-live') !== 'off')
  )
}
