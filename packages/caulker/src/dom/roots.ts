import { whileAsked } from './while-asked.js'

const closed = new WeakMap<Element, ShadowRoot>()

/** The shadow tree of an element, also a closed one that was made while {@link rememberRoots} kept watch. */
export function shadowOf(element: Element): ShadowRoot | null {
  return element.shadowRoot ?? closed.get(element) ?? null
}

/** Remembers closed shadow trees as they are made, until the function that it gives is called. */
export const rememberRoots = whileAsked(watchRoots)

function watchRoots({ Element: { prototype } }: Window & typeof globalThis): () => void {
  const original = Object.getOwnPropertyDescriptor(prototype, 'attachShadow') as PropertyDescriptor
  const attach = prototype.attachShadow
  Object.defineProperty(prototype, 'attachShadow', {
    ...original,
    value: function attachShadow(this: Element, init: ShadowRootInit): ShadowRoot {
      const root = attach.call(this, init)
      if (init.mode === 'closed') closed.set(this, root)
      return root
    },
  })
  return () => Object.defineProperty(prototype, 'attachShadow', original)
}
