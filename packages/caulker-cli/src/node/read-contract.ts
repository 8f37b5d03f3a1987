import { designOf, type Design } from 'caulker/inside/check'
import { contractFromJson, setPlace, type AnyContract } from 'caulker/inside/contract'
import type { Loader } from './load.js'
import { readJson } from './read-json.js'

/** The contracts and screens of a file, be it a module or plain JSON. */
export async function readDesign(file: string, load: Loader): Promise<Required<Design>> {
  return designOf(file.endsWith('.json') ? [readContract(file)] : await load(file))
}

function readContract(file: string): AnyContract {
  const contract = contractFromJson(readJson(file))
  setPlace(contract, { file, line: 1, column: 1 })
  return contract
}
