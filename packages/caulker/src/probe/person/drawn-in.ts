/** CSS Scoping, section 4.1: what an element is drawn in, through slots and out of shadow trees. */
export function parentOf(element: Element): Element | null {
  return element.assignedSlot ?? element.parentElement ?? (element.getRootNode() as Partial<ShadowRoot>).host ?? null
}
