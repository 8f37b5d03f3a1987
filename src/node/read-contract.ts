import { readFileSync } from 'node:fs'
import { parse, printParseErrorCode, type ParseError } from 'jsonc-parser'
import { designOf, type Design } from '../check/index.js'
import { contractFromJson, setPlace, type AnyContract } from '../contract/index.js'
import type { Loader } from './load.js'

/** The contracts and screens of a file, be it a module or plain JSON. */
export async function readDesign(file: string, load: Loader): Promise<Required<Design>> {
  return designOf(file.endsWith('.json') ? [readContract(file)] : await load(file))
}

/** Reads a contract file; what is no JSON says where it stops being it. */
function readContract(file: string): AnyContract {
  const text = readFileSync(file, 'utf8')
  const errors: ParseError[] = []
  parse(text, errors, { disallowComments: true, allowTrailingComma: false })
  const [error] = errors
  if (error !== undefined)
    throw new SyntaxError(`is no JSON: ${wordsOf(error)}\n ${file}:${positionText(text, error.offset)}`)
  const contract = contractFromJson(JSON.parse(text))
  setPlace(contract, { file, line: 1, column: 1 })
  return contract
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
