import { createJiti, type Jiti } from 'jiti'
import { fileURLToPath } from 'node:url'

/** Where the entry points of this package are, so that a user's modules and Caulker itself share one copy. */
export const ENTRIES: Readonly<Record<string, string>> = Object.fromEntries(
  [
    ['caulker/dom', 'dom/index.js'],
    ['caulker/probe', 'probe/index.js'],
    ['caulker/report', 'report/index.js'],
    ['caulker/page', 'page/index.js'],
    ['caulker', 'index.js'],
  ].map(([name, file]) => [name as string, fileURLToPath(new URL(`../${file}`, import.meta.url))]),
)

const PACKAGE = fileURLToPath(new URL('..', import.meta.url))

export interface Loader {
  (file: string): Promise<Record<string, unknown>>
  /** Loads these modules anew when they are next asked for. */
  forget(files: Iterable<string>): void
}

/** Loads user modules, TypeScript or not; a new loader loads every one of them anew. */
export function createLoader(): Loader {
  const jiti = createJiti(import.meta.url, { moduleCache: true, fsCache: true, interopDefault: false, alias: ENTRIES })
  forget(jiti)
  return Object.assign((file: string) => jiti.import<Record<string, unknown>>(file), {
    forget(files: Iterable<string>) {
      for (const file of files) delete jiti.cache[file]
    },
  })
}

/** Packages stay: only what a user writes may have changed. */
function forget({ cache }: Jiti): void {
  for (const file of Object.keys(cache))
    if (!file.includes('node_modules') && !file.startsWith(PACKAGE)) delete cache[file]
}
