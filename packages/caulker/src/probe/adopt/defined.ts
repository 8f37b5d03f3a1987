import type { Frames } from '../stage/frames.js'
import { adoptElement, type Adopted } from './index.js'

interface Place {
  readonly document: Document
  readonly frames: Frames
  /** Is told of each element before it is operated. */
  readonly onTag: (tag: string) => void
}

/** Loads modules and reads a contract off each element that they register: off these, or off all where none is named. */
export async function adoptDefined(
  tags: readonly string[],
  load: () => Promise<void>,
  { document, frames, onTag }: Place,
): Promise<readonly Adopted[]> {
  const defined = await definedDuring(document.defaultView as Window & typeof globalThis, load)
  const adopted: Adopted[] = []
  for (const tag of defined.filter((one) => tags.length === 0 || tags.includes(one))) {
    onTag(tag)
    adopted.push(await adoptElement(tag, { document, frames }))
  }
  return adopted
}

/** The tags that are registered while something is loaded. */
async function definedDuring(
  { customElements }: Window & typeof globalThis,
  load: () => Promise<void>,
): Promise<string[]> {
  const tags: string[] = []
  const { define } = customElements
  customElements.define = (name, ...rest) => {
    define.call(customElements, name, ...rest)
    tags.push(name)
  }
  try {
    await load()
  } finally {
    customElements.define = define
  }
  return tags
}
