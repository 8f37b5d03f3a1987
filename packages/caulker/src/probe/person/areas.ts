import { said } from './said.js'
import { shadowOf, whileAsked } from '../../dom/index.js'

const heard = new WeakMap<EventTarget, Set<string>>()

/** What begins with the pointer going down may be drawn on or dragged; what hears a click is only clicked. */
const DOWN = ['pointerdown', 'mousedown', 'touchstart']
const CLICK = ['click', 'pointerup', 'mouseup']

/** How many places of one element are clicked that hears for all of them. */
const MOST_PLACES = 6

/** Remembers who listens to the pointer, until the function that it gives is called. */
export const rememberListeners = whileAsked(watchListeners)

function watchListeners({ EventTarget: { prototype } }: Window & typeof globalThis): () => void {
  const original = Object.getOwnPropertyDescriptor(prototype, 'addEventListener') as PropertyDescriptor
  const add = prototype.addEventListener
  Object.defineProperty(prototype, 'addEventListener', {
    ...original,
    value: function addEventListener(this: EventTarget | null | undefined, ...given: Parameters<typeof add>): void {
      const [type] = given
      if (this !== undefined && this !== null && (DOWN.includes(type) || CLICK.includes(type)))
        heard.set(this, new Set([...(heard.get(this) ?? []), type]))
      return add.apply(this as EventTarget, given)
    },
  })
  return () => Object.defineProperty(prototype, 'addEventListener', original)
}

/**
 * What listens to the pointer and says by no role what it is: a person sees it, and tries it. Of one that hears clicks for what is drawn
 * in it, the places in it. What holds controls only hears them.
 */
export function areasIn(container: ParentNode, isControl: (element: Element) => boolean): HTMLElement[] {
  const areas: HTMLElement[] = []
  /** Gives whether there is a control in it. */
  const visit = (element: Element): boolean => {
    if (isControl(element)) {
      if (said(element, 'role') === 'slider') areas.push(...clickedIn(element).slice(0, MOST_PLACES))
      return true
    }
    const before = areas.length
    const holds = [...childrenOf(element)].map(visit).includes(true)
    if (holds || areas.length > before || !isPlace(element)) return holds
    if (hears(element, DOWN)) areas.push(element)
    else if (hears(element, CLICK)) areas.push(...placesIn(element).slice(0, MOST_PLACES))
    return false
  }
  for (const child of container.children) visit(child)
  return areas
}

/** What is drawn in a slider and clicked by itself, such as a star of a row. */
function clickedIn(slider: Element): HTMLElement[] {
  return [...slider.querySelectorAll('*')].filter(isPlace).filter((one) => hears(one, CLICK) && !hears(one, DOWN))
}

export function isDrawnOn(element: HTMLElement): boolean {
  return hears(element, DOWN)
}

function hears(element: HTMLElement, types: readonly string[]): boolean {
  const known = heard.get(element)
  return types.some(
    (type) =>
      known?.has(type) === true || typeof (element as never as Record<string, unknown>)[`on${type}`] === 'function',
  )
}

/** The innermost of what is drawn in an element; itself where nothing is, or only a drawing. */
export function placesIn(element: HTMLElement): HTMLElement[] {
  const inner = [...childrenOf(element)]
    .filter(isPlace)
    .filter(({ localName }) => !['style', 'slot'].includes(localName))
  return inner.length === 0 ? [element] : inner.flatMap(placesIn)
}

/** A part of a drawing has no click of its own: it is clicked through what it is drawn in. A link leads elsewhere. */
function isPlace(element: Element): element is HTMLElement {
  return 'click' in element && !(element.localName === 'a' && element.hasAttribute('href'))
}

function* childrenOf(element: Element): Iterable<Element> {
  yield* shadowOf(element)?.children ?? []
  yield* element.children
}
