import { CaulkerError } from 'caulker/inside/words'
import { designOf, type Design } from 'caulker/inside/check'
import { contractFromJson, setPlace, type AnyContract } from 'caulker/inside/contract'
import { Misplaced } from './errors.js'
import type { Loader } from './load.js'
import { placeInJson, readJson } from './read-json.js'

/** The contracts and screens of a file, be it a module or plain JSON. */
export async function readDesign(file: string, load: Loader): Promise<Required<Design>> {
  return designOf(file.endsWith('.json') ? [readContract(file)] : await load(file))
}

function readContract(file: string): AnyContract {
  const json = readJson(file)
  try {
    const contract = contractFromJson(json)
    setPlace(contract, placeInJson(file, []))
    return contract
  } catch (thrown) {
    if (thrown instanceof CaulkerError) throw new Misplaced(thrown, placeInJson(file, thrown.at))
    throw thrown
  }
}
