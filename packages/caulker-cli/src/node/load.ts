import { createJiti, type Jiti } from 'jiti'
import { fileURLToPath } from 'node:url'

/** Where the entry points of the library are, so that a user's modules and the command share one copy. */
export const ENTRIES: Readonly<Record<string, string>> = Object.fromEntries(
  ['caulker/dom', 'caulker/inspector', 'caulker/probe', 'caulker/report', 'caulker/page', 'caulker'].map((name) => [
    name,
    fileURLToPath(import.meta.resolve(name)),
  ]),
)

/** The folders of the command and of the library: nothing in them is a user's. */
const OWN = ['..', import.meta.resolve('caulker/package.json')].map((own) =>
  fileURLToPath(new URL('.', new URL(own, import.meta.url))),
)

/** Whether a file belongs to Caulker itself. */
export function isOwn(file: string): boolean {
  return OWN.some((folder) => file.startsWith(folder))
}

export interface Loader {
  (file: string): Promise<Record<string, unknown>>
  /** Loads these modules anew when they are next asked for. */
  forget(files: Iterable<string>): void
}

/** Loads user modules, TypeScript or not; a new loader loads every one of them anew. */
export function createLoader(): Loader {
  const jiti = createJiti(import.meta.url, {
    moduleCache: true,
    fsCache: true,
    interopDefault: false,
    alias: ENTRIES,
    // Each further ending is looked for with every import, and costs most of the time.
    extensions: ['.ts', '.js', '.mjs'],
  })
  forget(jiti)
  return Object.assign((file: string) => jiti.import<Record<string, unknown>>(file), {
    forget(files: Iterable<string>) {
      for (const file of files) delete jiti.cache[file]
    },
  })
}

/** Packages stay: only what a user writes may have changed. */
function forget({ cache }: Jiti): void {
  for (const file of Object.keys(cache)) if (!file.includes('node_modules') && !isOwn(file)) delete cache[file]
}
