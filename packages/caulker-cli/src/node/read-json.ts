import { readFileSync } from 'node:fs'
import { findNodeAtLocation, parse, parseTree, printParseErrorCode, type JSONPath, type ParseError } from 'jsonc-parser'
import type { Place } from 'caulker/inside/contract'

/** Reads a JSON file; what is no JSON says where it stops being it. */
export function readJson(file: string): unknown {
  const text = readText(file)
  const errors: ParseError[] = []
  parse(text, errors, { disallowComments: true, allowTrailingComma: false })
  const [error] = errors
  if (error !== undefined)
    throw new SyntaxError(`is no JSON: ${wordsOf(error)}\n ${file}:${positionText(text, error.offset)}`)
  return JSON.parse(text)
}

/** Where in a JSON file something stands, by the names that lead there; the nearest that is there. */
export function placeInJson(file: string, path: readonly string[]): Place {
  const text = readText(file)
  const root = parseTree(text)
  for (let length = path.length; root !== undefined && length > 0; length--) {
    const node = findNodeAtLocation(root, path.slice(0, length) as JSONPath)
    // The name says more than what stands behind it.
    const named = node?.parent?.type === 'property' ? node.parent : node
    if (named !== undefined) return { file, ...positionIn(text, named.offset) }
  }
  return { file, ...positionIn(text, root?.offset ?? 0) }
}

/** Without the mark that some editors write before the first character (Unicode, section 23.8). */
function readText(file: string): string {
  return readFileSync(file, 'utf8').replace(/^\uFEFF/, '')
}

/** `PropertyNameExpected` becomes `property name expected`. */
function wordsOf({ error }: ParseError): string {
  return printParseErrorCode(error)
    .replace(/(?<=[a-z])[A-Z]/g, (letter) => ` ${letter}`)
    .toLowerCase()
}

function positionText(text: string, offset: number): string {
  const { line, column } = positionIn(text, offset)
  return `${line}:${column}`
}

function positionIn(text: string, offset: number): { line: number; column: number } {
  const before = text.slice(0, offset).split('\n')
  return { line: before.length, column: (before[before.length - 1]?.length ?? 0) + 1 }
}
