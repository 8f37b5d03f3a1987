/** The tags that are registered while something is loaded. */
export async function definedDuring(
  { customElements }: Window & typeof globalThis,
  load: () => Promise<unknown>,
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
