import { existsSync, readFileSync } from 'node:fs'
import type { Place } from 'caulker/inside/contract'

/**
 * Follows names from the place where a contract or screen is written: `bind`, `bales`, `label` lead to the line of that label.
 * A name that is not written there is passed over, so the answer is the nearest place that is.
 */
export function locate(place: Place, path: readonly string[], texts: Map<string, string> = new Map()): Place {
  if (!texts.has(place.file)) texts.set(place.file, existsSync(place.file) ? readFileSync(place.file, 'utf8') : '')
  const text = texts.get(place.file) ?? ''
  const start = startOf(text, place.line)
  if (start === undefined) return place
  const plain = withoutTexts(text)
  const end = endOf(plain, start)
  let at = callAt(plain, start)
  for (const name of path) {
    const found = keyAt(text, plain, name, at, end)
    if (found !== undefined) at = found
  }
  return { file: place.file, ...positionOf(text, at) }
}

/** Comments and the contents of texts as blanks, so that brackets and names in them do not count; every position stays. */
function withoutTexts(text: string): string {
  return text.replace(/\/\*[^]*?\*\/|\/\/[^\n]*|'(?:\\.|[^'\\\n])*'|"(?:\\.|[^"\\\n])*"|`(?:\\.|[^`\\])*`/g, (found) =>
    found.replace(/[^\n]/g, ' '),
  )
}

function startOf(text: string, line: number): number | undefined {
  let at = 0
  for (let count = 1; count < line; count++) {
    const next = text.indexOf('\n', at)
    if (next < 0) return undefined
    at = next + 1
  }
  return at
}

function callAt(plain: string, start: number): number {
  const found = /\b(?:screen|contract)\s*\(/.exec(plain.slice(start))
  return found === null || plain.slice(start, start + found.index).split('\n').length > 3 ? start : start + found.index
}

/** Where the brackets that open after the start have all been closed. */
function endOf(plain: string, start: number): number {
  let depth = 0
  for (let at = start; at < plain.length; at++) {
    const sign = plain[at]
    if (sign === '(' || sign === '{' || sign === '[') depth++
    else if (sign === ')' || sign === '}' || sign === ']') {
      depth--
      if (depth === 0) return at
    }
  }
  return plain.length
}

/** The first key of this name at the least depth of brackets. */
function keyAt(text: string, plain: string, name: string, from: number, end: number): number | undefined {
  const escaped = name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
  const key = new RegExp(`(?<![\\w$.-])(?:${escaped}|'${escaped}'|"${escaped}")\\s*:`, 'g')
  let best: { at: number; depth: number } | undefined
  key.lastIndex = from + 1
  for (let found = key.exec(text); found !== null && found.index < end; found = key.exec(text)) {
    const isCode = plain[found.index + found[0].length - 1] === ':'
    const depth = isCode ? depthBetween(plain, from, found.index) : Infinity
    if (isCode && depth > 0 && (best === undefined || depth < best.depth)) best = { at: found.index, depth }
  }
  return best?.at
}

/** How much deeper one place stands than another; below 0 where the brackets around the first have been left. */
function depthBetween(plain: string, from: number, to: number): number {
  let depth = 0
  for (let at = from; at < to; at++) {
    const sign = plain[at]
    if (sign === '(' || sign === '{' || sign === '[') depth++
    else if (sign === ')' || sign === '}' || sign === ']') depth--
    if (depth < 0) return -1
  }
  return depth
}

function positionOf(text: string, at: number): { line: number; column: number } {
  const before = text.slice(0, at).split('\n')
  return { line: before.length, column: (before[before.length - 1]?.length ?? 0) + 1 }
}
