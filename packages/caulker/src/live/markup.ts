import { fillContent, nativeFor, placeBeside } from '../dom/index.js'
import type { AnyContract } from '../contract/index.js'
import type { Wiring } from '../machine/index.js'
import { isInterior, isJourney, type AnyScreen } from '../wiring/index.js'

/** Each fitting has a place of its own, so that a person's hands find what is in it. */
export const PLACE = 'data-played'

/** Puts a plain page for a screen or journey into an element: every component once, in the order in which it is written. */
export function markUp(wiring: Wiring, root: Element): void {
  const { ownerDocument: document } = root
  if (isJourney(wiring))
    for (const [name, screen] of Object.entries(wiring.screens)) {
      const part = document.createElement('template')
      part.setAttribute('data-screen', name)
      fill(part.content, screen, document)
      root.append(part)
    }
  else fill(root, isInterior(wiring) ? wiring.screen : wiring, document)
}

function fill(into: ParentNode, screen: AnyScreen, document: Document): void {
  const { fittings, rows } = screen as { fittings: Record<string, AnyContract>; rows: Record<string, unknown> }
  for (const [name, contract] of Object.entries(fittings)) {
    const place = document.createElement('div')
    place.setAttribute(PLACE, name)
    const element = nativeFor(contract.tag)?.create(document, contract) ?? document.createElement(contract.tag)
    element.setAttribute('data-fitting', name)
    placeBeside(place, contract)
    fillContent(element, contract)
    place.append(element)
    if (!Object.hasOwn(rows, name)) {
      into.append(place)
      continue
    }
    const template = document.createElement('template')
    template.setAttribute('data-rows', name)
    template.content.append(place)
    into.append(template)
  }
}
