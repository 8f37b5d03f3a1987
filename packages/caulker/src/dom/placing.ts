import { CaulkerError, hint } from '../words/index.js'

/** The elements of a container that carry the name of a fitting, looked up once. */
export type FittingElements = ReadonlyMap<string, readonly Element[]>

export function fittingElements(root: ParentNode): FittingElements {
  const found = new Map<string, Element[]>()
  for (const element of root.querySelectorAll('[data-fitting]')) {
    const name = element.getAttribute('data-fitting') as string
    const before = found.get(name)
    if (before === undefined) found.set(name, [element])
    else before.push(element)
  }
  return found
}

/** The one element of a fitting. */
export function fittingElement(who: string, all: FittingElements, name: string, tag: string): Element {
  const found = all.get(name) ?? []
  if (found.length === 1) return found[0] as Element
  throw new CaulkerError(
    'missing-fitting',
    found.length === 0
      ? `${who}: the markup has no element with data-fitting="${name}" for '${tag}'${hint(name, all.keys())}`
      : `${who}: the markup has ${found.length} elements with data-fitting="${name}"; a fitting stands on one`,
  )
}

/** The template of the entries that a fitting stands for; several fittings may share one, `data-rows="name feet"`. */
export function rowTemplate(who: string, root: ParentNode, name: string): HTMLTemplateElement {
  const template = root.querySelector<HTMLTemplateElement>(`template[data-rows~="${name}"]`)
  if (template !== null) return template
  throw new CaulkerError(
    'missing-fitting',
    `${who}: the markup has no <template data-rows="${name}"> that holds one entry, with data-fitting="${name}" in it`,
  )
}

/** The places of the entries of a list: copies of a template, in the order of the list. */
export interface RowPlaces {
  order(keys: readonly string[]): void
  at(key: string): ParentNode
  remove(): void
}

export function rowPlaces(template: HTMLTemplateElement): RowPlaces {
  const { content } = template
  const places = new Map<string, Element>()
  return {
    order(keys) {
      for (const [key, place] of places)
        if (!keys.includes(key)) {
          place.remove()
          places.delete(key)
        }
      let after: Element = template
      for (const key of keys) {
        const place = places.get(key) ?? copyOf(content)
        places.set(key, place)
        // Moving takes the focus away: what stands right is left alone.
        if (after.nextElementSibling !== place) after.after(place)
        after = place
      }
    },
    at: (key) => places.get(key) as ParentNode,
    remove() {
      places.forEach((place) => place.remove())
      places.clear()
    },
  }
}

/** One entry is one element, so that it can be moved. */
function copyOf(content: DocumentFragment): Element {
  const copy = content.ownerDocument.importNode(content, true)
  if (copy.childElementCount === 1 && copy.firstElementChild !== null) return copy.firstElementChild
  const place = content.ownerDocument.createElement('div')
  place.append(copy)
  return place
}

/** What is shown and hidden with a fitting: its element, or the label around it, and whatever says so. */
export function showElement(root: ParentNode, element: Element, name: string, isShown: boolean): void {
  const beside = root.querySelectorAll(`[data-shown-with="${name}"]`)
  const own = element.closest(`[data-shown-with="${name}"]`) ?? element.closest('label') ?? element
  for (const one of [own, ...beside]) (one as HTMLElement).hidden = !isShown
}

/** What is wrong with a field, where a person sees and a screen reader hears it: `aria-invalid`, and the text in `[data-problem]`. */
export function showProblem(root: ParentNode, element: Element, name: string, text: string): void {
  if (text === '') element.removeAttribute('aria-invalid')
  else element.setAttribute('aria-invalid', 'true')
  const place = root.querySelector(`[data-problem="${name}"]`)
  if (place === null) return
  if (place.textContent !== text) place.textContent = text
  ;(place as HTMLElement).hidden = text === ''
  if (place.id === '') place.id = freeId(place, `problem-of-${name}`)
  const described = (element.getAttribute('aria-describedby') ?? '').split(/\s+/).filter((id) => id !== '')
  const others = described.filter((id) => id !== place.id)
  const ids = text === '' ? others : [...others, place.id]
  if (ids.length > 0) element.setAttribute('aria-describedby', ids.join(' '))
  else element.removeAttribute('aria-describedby')
}

function freeId({ ownerDocument }: Node, wanted: string): string {
  let id = wanted
  for (let count = 2; ownerDocument?.getElementById(id) != null; count++) id = `${wanted}-${count}`
  return id
}

export function documentOf(node: ParentNode): Document {
  return node.ownerDocument ?? (node as Document)
}
