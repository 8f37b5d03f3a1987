import { readFileSync } from 'node:fs'
import type { AnyContract } from '../contract/index.js'
import { usesAny, type Page } from '../page/index.js'
import type { Design } from '../check/index.js'
import { troubleOf, type Trouble } from './errors.js'
import { contractsBeside, findDesignFiles } from './find.js'
import { readDesign } from './read-contract.js'
import { createLoader, type Loader } from './load.js'

/** The contracts and screens found at some paths, and the files that could not be loaded. */
export interface Project extends Design {
  readonly contractFiles: readonly { readonly contract: AnyContract; readonly file: string }[]
  readonly pages: readonly Page[]
  /** The contracts that pages are read against. */
  readonly known: readonly AnyContract[]
  readonly troubles: readonly Trouble[]
  readonly load: Loader
}

export async function loadProject(paths: readonly string[]): Promise<Project> {
  const load = createLoader()
  const troubles: Trouble[] = []
  const contractFiles: { contract: AnyContract; file: string }[] = []
  const screens = new Set<Design['screens'][number]>()
  const { files, pages: named } = findDesignFiles(paths)
  for (const file of files) {
    try {
      const design = await readDesign(file, load)
      if (design.contracts.length + design.screens.length === 0)
        troubles.push({
          file,
          place: undefined,
          says: 'exports no contract and no screen; export what contract(…) or screen(…) returns',
        })
      for (const contract of design.contracts)
        if (!contractFiles.some((one) => one.contract === contract)) contractFiles.push({ contract, file })
      for (const screen of design.screens) screens.add(screen)
    } catch (thrown) {
      const trouble = troubleOf(file, thrown)
      // A module that fails is met again by each file that imports it.
      if (!troubles.some((one) => one.place?.file === trouble.place?.file && one.says === trouble.says))
        troubles.push(trouble)
    }
  }
  const contracts = contractFiles.map(({ contract }) => contract)
  const known =
    files.length > 0
      ? contracts
      : await contractsFor(
          named.map(({ file }) => file),
          load,
        )
  const pages = named.map(({ file, isNamed }) => ({
    page: { kind: 'page' as const, file, html: readFileSync(file, 'utf8') },
    isNamed,
  }))
  return {
    contracts,
    screens: [...screens],
    contractFiles,
    pages: pages.filter(({ page, isNamed }) => isNamed || usesAny(page, known)).map(({ page }) => page),
    known,
    troubles,
    load,
  }
}

/** Where only pages are named, the contracts beside them are known. */
async function contractsFor(pages: readonly string[], load: Loader): Promise<AnyContract[]> {
  const files = [...new Set(pages.flatMap(contractsBeside))]
  const designs = await Promise.all(
    files.map((file) => readDesign(file, load).catch(() => ({ contracts: [], screens: [] }))),
  )
  return designs.flatMap((design) => [...design.contracts])
}
