import { readFileSync } from 'node:fs'
import { parse, printParseErrorCode, type ParseError } from 'jsonc-parser'

/** Reads a JSON file; what is no JSON says where it stops being it. */
export function readJson(file: string): unknown {
  const text = readFileSync(file, 'utf8')
  const errors: ParseError[] = []
  parse(text, errors, { disallowComments: true, allowTrailingComma: false })
  const [error] = errors
  if (error !== undefined)
    throw new SyntaxError(`is no JSON: ${wordsOf(error)}\n ${file}:${positionText(text, error.offset)}`)
  return JSON.parse(text)
}

/** `PropertyNameExpected` becomes `property name expected`. */
function wordsOf({ error }: ParseError): string {
  return printParseErrorCode(error)
    .replace(/(?<=[a-z])[A-Z]/g, (letter) => ` ${letter}`)
    .toLowerCase()
}

function positionText(text: string, offset: number): string {
  const before = text.slice(0, offset).split('\n')
  return `${before.length}:${(before[before.length - 1]?.length ?? 0) + 1}`
}
