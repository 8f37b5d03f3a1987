import { CaulkerError, hint } from 'caulker/inside/words'
import { existsSync } from 'node:fs'
import { dirname } from 'node:path'
import type { NamedGesture } from 'caulker/inside/probe'
import { moduleOfPackage } from './adopt-source.js'
import type { Loader } from './load.js'
import { readJson } from './read-json.js'
import { nearestConfig, search } from './find.js'
import { shown } from './shown.js'

/** What a project says of itself in `caulker.config.ts` (or .js, .json). */
export interface Config {
  /** The modules that define the elements, as patterns relative to the file. */
  readonly defines?: readonly string[]
  /** By tag: what a person can do where no control can be found, such as on a canvas. */
  readonly gestures?: Readonly<Record<string, readonly NamedGesture[]>>
}

/** What a project says of the component of one contract file. */
export interface Setup {
  /** The modules that define it: those of the nearest config, else one of the same name beside it. */
  readonly defines: readonly string[]
  readonly gestures: readonly NamedGesture[]
}

const PARTS = ['defines', 'gestures']

export async function setupFor(tag: string, contractFile: string, load: Loader): Promise<Setup> {
  const file = nearestConfig(dirname(contractFile))
  if (file === undefined) return { defines: beside(contractFile), gestures: [] }
  const written = file.endsWith('.json') ? readJson(file) : (await load(file))['default']
  const { defines = [], gestures = {} } = await parsed(file, written)
  const found = defines.flatMap((one) => modulesNamed(one, dirname(file)))
  if (defines.length > 0 && found.length === 0)
    throw new CaulkerError(
      'bad-file',
      `${shown(file)}: defines matches no file; write patterns relative to it, such as 'elements/*.ts'`,
    )
  return {
    defines: found.length > 0 ? found : beside(contractFile),
    gestures: Object.hasOwn(gestures, tag) ? (gestures[tag] ?? []) : [],
  }
}

/** Files by a pattern; where none matches, a module of an installed package. */
function modulesNamed(name: string, folder: string): string[] {
  const found = search(folder, [name])
  const inPackage = found.length > 0 || name.startsWith('.') ? undefined : moduleOfPackage(name, folder)
  return inPackage === undefined ? found : [inPackage]
}

function beside(contractFile: string): string[] {
  return ['.ts', '.js', '.mjs']
    .map((ending) => contractFile.replace(/\.contract\.\w+$/, ending))
    .filter((file) => file !== contractFile && existsSync(file))
    .slice(0, 1)
}

async function parsed(file: string, written: unknown): Promise<Config> {
  if (typeof written !== 'object' || written === null)
    throw new CaulkerError(
      'bad-file',
      `${shown(file)}: export the configuration as default, such as export default { defines: ['elements/*.ts'] }`,
    )
  for (const part of Object.keys(written))
    if (!PARTS.includes(part))
      throw new CaulkerError('bad-file', `${shown(file)}: there is no setting '${part}'${hint(part, PARTS)}`)
  const { defines, gestures = {} } = written as { defines?: unknown; gestures?: unknown }
  if (defines !== undefined && !(Array.isArray(defines) && defines.every((one) => typeof one === 'string')))
    throw new CaulkerError('bad-file', `${shown(file)}: defines must be a list of patterns, such as ['elements/*.ts']`)
  if (typeof gestures !== 'object' || gestures === null)
    throw new CaulkerError('bad-file', `${shown(file)}: gestures must be lists by tag, such as ${GESTURES}`)
  if (Object.keys(gestures).length === 0) return written
  const { namedGestureProblem } = await import('caulker/inside/probe')
  for (const [tag, list] of Object.entries(gestures)) {
    if (!Array.isArray(list))
      throw new CaulkerError('bad-file', `${shown(file)}: gestures.${tag} must be a list, such as ${GESTURES}`)
    for (const [at, one] of list.entries()) {
      const problem = namedGestureProblem(one)
      if (problem !== undefined)
        throw new CaulkerError('bad-file', `${shown(file)}: gestures.${tag}[${at}]: ${problem}`)
    }
  }
  return written
}

const GESTURES = "{ 'pitch-dial': [{ keys: ['ArrowUp'] }, { click: [0.9, 0.5] }] }"
