/** Where a value is written out in a picture: the line, and what stands before and after it there. */
export interface WrittenOut {
  readonly at: number
  readonly before: string
  readonly after: string
}

/** What two pictures that differ in one value alone show of it, written out as it is. */
export function writtenOut(
  [one, text]: readonly [readonly string[], string],
  [other, otherText]: readonly [readonly string[], string],
): WrittenOut[] {
  if (one.length !== other.length || text === '' || otherText === '') return []
  return one.flatMap((line, at) => {
    const from = line.indexOf(text)
    if (from < 0 || line === other[at]) return []
    const [before, after] = [line.slice(0, from), line.slice(from + text.length)]
    return `${before}${otherText}${after}` === other[at] ? [{ at, before, after }] : []
  })
}

/** What stands there in a third picture; nothing where it has other lines. */
export function standsAt(
  lines: readonly string[],
  { at, before, after }: WrittenOut,
  count: number,
): string | undefined {
  const bare = `${before}${after}`.replace(/\s+/g, ' ').trim()
  if (lines.length === count - 1 && bare === '') return ''
  const line = lines[at]
  if (line === undefined || lines.length !== count) return undefined
  if (line === bare) return ''
  const fits = line.length > before.length + after.length && line.startsWith(before) && line.endsWith(after)
  return fits ? line.slice(before.length, line.length - after.length) : undefined
}

/** Whether it is what somebody writes into, and no slider, whose thumb is always somewhere. */
export function isInField({ before, after }: WrittenOut): boolean {
  return before.endsWith('[') && after.startsWith(']')
}
