/**
 * Whatever could steer a terminal, hide, or turn a line round: control characters but the line feed and the tab (Unicode, category Cc),
 * and what formats without being seen (category Cf), with line and paragraph separators.
 */
const HIDDEN = /[\p{Cc}\p{Cf}\u2028\u2029]/gu
const JOINERS = new Set(['\u200c', '\u200d', '\u00ad'])

/** A text with every character made visible that a terminal would act on: the escape character becomes `\u{1b}`. */
export function visible(text: string): string {
  return text.replace(HIDDEN, (sign) =>
    JOINERS.has(sign) ? sign : sign === '\n' || sign === '\t' ? ' ' : `\\u{${(sign.codePointAt(0) ?? 0).toString(16)}}`,
  )
}

/** The same report, with every text in it made visible. */
export function visibleIn<T>(value: T): T {
  if (typeof value === 'string') return visible(value) as never
  if (Array.isArray(value)) return value.map(visibleIn) as never
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, visibleIn(one)])) as never
}
