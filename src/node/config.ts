import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { CaulkerError, hint } from '../contract/index.js'
import type { Loader } from './load.js'
import { search, shown } from './find.js'

/** What a project says of itself in `caulker.config.ts` (or .js). */
export interface Config {
  /** The modules that define the elements, as patterns relative to the file. */
  readonly defines?: readonly string[]
}

const NAMES = ['caulker.config.ts', 'caulker.config.js', 'caulker.config.mjs']
const PARTS = ['defines']

/** The modules that define the elements of a contract file: those of the nearest config, else one of the same name beside it. */
export async function definesFor(contractFile: string, load: Loader): Promise<string[]> {
  const config = nearestConfig(dirname(contractFile))
  if (config === undefined) return beside(contractFile)
  const { default: written } = await load(config)
  const { defines = [] } = parsed(config, written)
  const found = search(dirname(config), defines)
  if (defines.length > 0 && found.length === 0)
    throw new CaulkerError(
      'bad-file',
      `${shown(config)}: defines matches no file; write patterns relative to it, such as 'elements/*.ts'`,
    )
  return found.length > 0 ? found : beside(contractFile)
}

function nearestConfig(folder: string): string | undefined {
  const found = NAMES.map((name) => join(folder, name)).find(existsSync)
  const above = dirname(folder)
  return found ?? (above === folder ? undefined : nearestConfig(above))
}

function beside(contractFile: string): string[] {
  return ['.ts', '.js', '.mjs']
    .map((ending) => contractFile.replace(/\.contract\.\w+$/, ending))
    .filter((file) => file !== contractFile && existsSync(file))
    .slice(0, 1)
}

function parsed(file: string, written: unknown): Config {
  if (typeof written !== 'object' || written === null)
    throw new CaulkerError(
      'bad-file',
      `${shown(file)}: export the configuration as default, such as export default { defines: ['elements/*.ts'] }`,
    )
  for (const part of Object.keys(written))
    if (!PARTS.includes(part))
      throw new CaulkerError('bad-file', `${shown(file)}: there is no setting '${part}'${hint(part, PARTS)}`)
  const { defines } = written as { defines?: unknown }
  if (defines !== undefined && !(Array.isArray(defines) && defines.every((one) => typeof one === 'string')))
    throw new CaulkerError('bad-file', `${shown(file)}: defines must be a list of patterns, such as ['elements/*.ts']`)
  return written
}
