import { createRequire } from 'node:module'
import { pathToFileURL } from 'node:url'

/** The ES modules that the embedded DOM requires, each by the packages that lead to it. */
const PARTS: readonly (readonly string[])[] = [
  ['parse5'],
  ['@asamuzakjp/dom-selector'],
  ['@asamuzakjp/css-color'],
  ['@exodus/bytes/base64.js'],
  ['whatwg-url', '@exodus/bytes/encoding.js'],
  ['whatwg-url', '@exodus/bytes/whatwg.js'],
  ['html-encoding-sniffer', '@exodus/bytes/encoding-lite.js'],
]

const requireHere = createRequire(import.meta.url)

/**
 * The files of them. They are imported before the embedded DOM requires them: a thread may be ended while it loads, and Node itself
 * breaks off where that is in the middle of requiring an ES module.
 */
export function embeddedParts(): string[] {
  return PARTS.map((path) =>
    path.reduce((from, name) => createRequire(from).resolve(name), requireHere.resolve('jsdom')),
  )
}

export async function importParts(): Promise<void> {
  for (const file of embeddedParts()) await import(pathToFileURL(file).href)
}
