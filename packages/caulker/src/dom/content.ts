import type { AnyContract } from '../contract/index.js'

/** Puts what a component needs inside into a new element, before it is mounted. */
export function fillContent(element: Element, { content }: AnyContract): void {
  if (content?.inside !== undefined) element.append(nodesOf(element, content.inside))
}

/** Puts what a component needs beside it into its place; gives a way to take that out again. */
export function placeBeside(into: Element | ShadowRoot | undefined, { content }: AnyContract): () => void {
  if (into === undefined || content?.beside === undefined) return () => undefined
  const nodes = nodesOf(into, content.beside)
  const all = [...nodes.childNodes]
  into.append(nodes)
  return () => all.forEach((node) => node.remove())
}

function nodesOf({ ownerDocument }: Element | ShadowRoot, markup: string): DocumentFragment {
  const template = ownerDocument.createElement('template')
  template.innerHTML = markup
  return ownerDocument.importNode(template.content, true)
}
