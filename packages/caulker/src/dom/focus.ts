import { shadowOf } from './roots.js'

/** The element that has the focus, through shadow roots; null where only the document has it. */
export function deepActiveElement(document: Document): HTMLElement | null {
  let active = document.activeElement
  for (let inner = innerActive(active); inner !== null; inner = innerActive(active)) active = inner
  return active === null || active === document.body ? null : (active as HTMLElement)
}

function innerActive(element: Element | null): Element | null {
  return element === null ? null : (shadowOf(element)?.activeElement ?? null)
}

/** Whether a node is inside another, through shadow roots. */
export function isInside(node: Node, place: Node): boolean {
  for (let at: Node | null = node; at !== null; at = (at as ShadowRoot).host ?? at.parentNode)
    if (at === place) return true
  return false
}
