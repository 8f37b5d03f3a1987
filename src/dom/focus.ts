/** The element that has the focus, through open shadow roots; null where only the document has it. */
export function deepActiveElement(document: Document): HTMLElement | null {
  let active = document.activeElement
  while (active?.shadowRoot?.activeElement) active = active.shadowRoot.activeElement
  return active === null || active === document.body ? null : (active as HTMLElement)
}
