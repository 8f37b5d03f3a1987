import { shadowOf } from '../../dom/index.js'
import type { Fill } from './trail.js'

/** Puts content into a slot, as its owner does in markup or by script. */
export function fillSlot(element: HTMLElement, { slot, content, tag }: Fill): Node {
  const { ownerDocument: document } = element
  const node = tag === undefined ? document.createTextNode(content) : document.createElement(tag)
  if (node.nodeType === 1) node.textContent = content
  if (slot !== '') (node as HTMLElement).slot = slot
  return element.appendChild(node)
}

/** DOM Standard, section 4.2.2: whether a slot has it, or it stands in the component's own tree. */
export function isPlaced(node: Node, host: HTMLElement | undefined): boolean {
  if (!node.isConnected || host === undefined) return false
  const shadow = node.parentNode === host ? shadowOf(host) : null
  return (
    shadow === null || [...shadow.querySelectorAll('slot')].some((slot) => slot.assignedNodes().includes(node as Text))
  )
}
