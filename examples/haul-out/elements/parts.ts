/** Properties that were set before the element was defined lie on it, in front of its accessors: they are handed to those. */
export function takeEarly(element: HTMLElement, names: readonly string[]): void {
  const own = element as unknown as Record<string, unknown>
  for (const name of names) {
    if (!Object.hasOwn(own, name)) continue
    const early = own[name]
    delete own[name]
    own[name] = early
  }
}

/** What a form sends for an element; nothing where the platform has no form-associated elements. */
export function formPart(element: HTMLElement): (value: string) => void {
  const internals = element.attachInternals?.()
  return (value) => internals?.setFormValue?.(value)
}
