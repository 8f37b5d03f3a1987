import { readFileSync } from 'node:fs'
import type { Design } from 'caulker/inside/check'
import type { AnyContract } from 'caulker/inside/contract'
import { usesAny, type Page } from 'caulker/inside/page'
import { troubleOf, type Trouble } from './errors.js'
import { contractsBeside, findDesignFiles } from './find.js'
import { createImportGraph } from './imports.js'
import { createLoader, type Loader } from './load.js'
import { readDesign } from './read-contract.js'

/** What was found at some paths, and the files that could not be loaded. */
export interface Project extends Required<Design> {
  readonly files: readonly string[]
  readonly contractFiles: readonly { readonly contract: AnyContract; readonly file: string }[]
  readonly pages: readonly Page[]
  /** The contracts that pages are read against. */
  readonly known: readonly AnyContract[]
  readonly troubles: readonly Trouble[]
  /** What belongs to the same project and was not named. */
  readonly beside: Required<Design>
  /** Whether all of the project is known: what its configuration spans, or the folder in which the command runs. */
  readonly isWhole: boolean
  readonly load: Loader
}

/** A project that is read again and again; each time only what changed, and what depends on it. */
export interface OpenProject {
  /** How many files the last look has read. */
  readonly filesRead: number
  look(changed?: Iterable<string>): Promise<Project>
}

export interface ProjectOptions {
  /** Files that are known never to come back, each with what is said of it. */
  readonly skip?: readonly Trouble[]
  /** Is told of each file before it is read, so that one that never comes back can be named. */
  readonly begin?: (doing: { readonly file: string; readonly what: 'load' }) => void
  /** Whether it will be looked at again, so that it is worth knowing what imports what. */
  readonly isWatched?: boolean
}

export async function loadProject(paths: readonly string[], options: ProjectOptions = {}): Promise<Project> {
  return openProject(paths, options).look()
}

export function openProject(
  paths: readonly string[],
  { skip = [], begin = () => undefined, isWatched = false }: ProjectOptions = {},
): OpenProject {
  const load = createLoader()
  const graph = createImportGraph()
  const read = new Map<string, Required<Design> | Trouble>()
  let filesRead = 0

  async function readFile(file: string): Promise<Required<Design> | Trouble> {
    filesRead++
    const skipped = skip.find((one) => one.file === file)
    if (skipped !== undefined) return skipped
    begin({ file, what: 'load' })
    try {
      const design = await readDesign(file, load)
      const isEmpty = Object.values(design).every((kind) => kind.length === 0)
      return isEmpty ? { file, place: undefined, says: NOTHING } : design
    } catch (thrown) {
      return troubleOf(file, thrown)
    }
  }

  return {
    get filesRead() {
      return filesRead
    },
    async look(changed = []) {
      filesRead = 0
      const again = graph.dependentsOf(changed)
      load.forget(again)
      for (const file of again) read.delete(file)
      const { files, beside, pages, isWhole } = findDesignFiles(paths)
      const all = [...files, ...beside]
      for (const file of read.keys()) if (!all.includes(file)) read.delete(file)
      for (const file of all) {
        if (!read.has(file)) read.set(file, await readFile(file))
        if (isWatched) await graph.add(file)
      }
      return { ...(await projectOf(files, read, pages, load)), beside: designsOf(beside, read), isWhole }
    },
  }
}

const NOTHING = 'exports no contract, screen, interior or journey; export what contract(…) or screen(…) returns'

async function projectOf(
  files: readonly string[],
  read: ReadonlyMap<string, Required<Design> | Trouble>,
  named: ReturnType<typeof findDesignFiles>['pages'],
  load: Loader,
): Promise<Omit<Project, 'beside' | 'isWhole'>> {
  const contractFiles = new Map<AnyContract, string>()
  const troubles: Trouble[] = []
  const designs: Required<Design>[] = []
  for (const file of files) {
    const found = read.get(file)
    if (found === undefined) continue
    if (!('says' in found)) {
      designs.push(found)
      for (const contract of found.contracts) if (!contractFiles.has(contract)) contractFiles.set(contract, file)
    }
    // A module that fails is met again by each file that imports it.
    else if (
      !troubles.some(
        (one) => one.place?.file === found.place?.file && one.says === found.says && one.place !== undefined,
      )
    )
      troubles.push(found)
  }
  const whole = together(designs)
  const { contracts } = whole
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
    ...whole,
    files,
    contractFiles: [...contractFiles].map(([contract, file]) => ({ contract, file })),
    pages: pages.filter(({ page, isNamed }) => isNamed || usesAny(page, known)).map(({ page }) => page),
    known,
    troubles,
    load,
  }
}

function designsOf(files: readonly string[], read: ReadonlyMap<string, Required<Design> | Trouble>): Required<Design> {
  return together(
    files.flatMap((file) => {
      const found = read.get(file)
      return found === undefined || 'says' in found ? [] : [found]
    }),
  )
}

function together(designs: readonly Required<Design>[]): Required<Design> {
  const all = <K extends keyof Design>(kind: K): Required<Design>[K] =>
    [...new Set(designs.flatMap((design) => design[kind] as readonly object[]))] as never
  return {
    contracts: all('contracts'),
    screens: all('screens'),
    interiors: all('interiors'),
    journeys: all('journeys'),
    topics: all('topics'),
    handlers: all('handlers'),
  }
}

/** Where only pages are named, the contracts beside them are known. */
async function contractsFor(pages: readonly string[], load: Loader): Promise<AnyContract[]> {
  const files = [...new Set(pages.flatMap(contractsBeside))]
  const designs = await Promise.all(files.map((file) => readDesign(file, load).catch(() => ({ contracts: [] }))))
  return designs.flatMap((design) => [...design.contracts])
}
