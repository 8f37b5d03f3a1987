/** The parts of a JSON Pointer (RFC 6901, section 3), or undefined if the text is none. */
export function pointerParts(pointer: string): string[] | undefined {
  if (pointer === '') return []
  if (!pointer.startsWith('/') || /~(?![01])/.test(pointer)) return undefined
  return pointer
    .slice(1)
    .split('/')
    .map((part) => part.replace(/~1/g, '/').replace(/~0/g, '~'))
}

/** The value at a JSON Pointer that was taken apart (RFC 6901, section 4); undefined where there is nothing. */
export function valueAt(from: unknown, parts: readonly string[]): unknown {
  let value = from
  for (const part of parts) {
    if (value === null || value === undefined) return undefined
    value = (value as Record<string, unknown>)[part]
  }
  return value
}
