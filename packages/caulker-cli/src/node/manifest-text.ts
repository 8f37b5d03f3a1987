import { manifestOf, type AnyContract } from 'caulker/inside/contract'
import { setupFor } from './config.js'
import { shown } from './shown.js'
import { createLoader } from './load.js'

/** Contracts as a manifest, each with the module that defines it where that is one alone. */
export async function manifestText(
  chosen: readonly { readonly contract: AnyContract; readonly file: string }[],
): Promise<string> {
  const load = createLoader()
  const modules = new Map<string, string>()
  for (const { contract, file } of chosen) {
    const { defines } = await setupFor(contract.tag, file, load)
    const own = defines.length === 1 ? defines[0] : defines.find((one) => one.includes(contract.tag))
    modules.set(contract.tag, shown(own ?? file))
  }
  const manifest = manifestOf(
    chosen.map(({ contract }) => contract),
    (tag) => modules.get(tag) ?? '',
  )
  return `${JSON.stringify(manifest, null, 2)}\n`
}
